/** Where the parts of a line lie on a drawing, to one scale; unknown sizes take plausible proportions. */
export interface DrawnKind {
  kind: string
  drawn: string
  telling: string
  inside_share: number
  outside_share: number
  width_share: number
}
export interface LaidPart {
  key: string
  kind: string
  inside_mm: number | null
  outside_mm: number | null
  width_mm: number | null
  left_mark: string
  right_mark: string
}
export interface Slot {
  key: string
  kind: string
  drawn: string
  /** The slot on the drawing, and the shape in it. */
  x: number
  width: number
  shapeX: number
  shapeWidth: number
  inner: number
  outer: number
  body: number
  /** The side of the telling mark. */
  side: 'left' | 'right' | ''
  /** Larger than the drawing has room for: broken off, as draughtsmen do. */
  broken: boolean
  known: boolean
}
export interface Layout {
  slots: Slot[]
  scale: number
  width: number
  tallest: number
}

const DEFAULT_SHAFT_MM = 30
const THINNEST_PX = 3
/** Rings that may lie in a gland or piston: their inside says nothing of the shaft. */
const LOOSE_ON_SHAFT = ['o_ring', 'backup_solid', 'shim', 'support_washer', 'gasket', 'piston_seal']
const USUAL_SHARE = 0.75
/** What is larger than the rest by this share is broken off; less is drawn whole. */
const FAR_LARGER = 1.35

function telling(kind: DrawnKind | undefined, part: LaidPart): Slot['side'] {
  if (!kind?.telling) return ''
  const marks = kind.telling === 'lip' ? ['lip', 'spring'] : [kind.telling]
  if (marks.includes(part.left_mark)) return 'left'
  if (marks.includes(part.right_mark)) return 'right'
  return kind.telling === 'rounded' && part.left_mark === 'sharp' ? 'right' : ''
}

function sitsOnShaft(kind: DrawnKind | undefined): boolean {
  return kind?.inside_share === 1 && !LOOSE_ON_SHAFT.includes(kind.drawn)
}

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? DEFAULT_SHAFT_MM
}

interface Measured {
  part: LaidPart
  kind: DrawnKind | undefined
  inside: number
  outside: number
  width: number
  body: number
  known: boolean
}

/** Sizes in mm: what is read, and for the rest proportions of the shaft at that place. */
function measure(parts: LaidPart[], kinds: Map<string, DrawnKind>): Measured[] {
  const bores = parts
    .filter((part) => sitsOnShaft(kinds.get(part.kind)) && part.inside_mm)
    .map((part) => part.inside_mm as number)
  const steps = parts
    .filter((part) => kinds.get(part.kind)?.drawn === 'shaft' && part.outside_mm)
    .map((part) => part.outside_mm as number)
  const usual = median([...bores, ...steps])
  let shaft = usual
  return parts.map((part) => {
    const kind = kinds.get(part.kind)
    const isShaft = kind?.drawn === 'shaft'
    if (isShaft) shaft = part.outside_mm ?? usual * (kind?.outside_share ?? 1)
    else if (sitsOnShaft(kind)) shaft = part.inside_mm ?? Math.min(shaft, usual)
    const inside = part.inside_mm ?? shaft * (kind?.inside_share ?? 1)
    const round = kind?.drawn === 'o_ring' && part.width_mm ? inside + 2 * part.width_mm : null
    const outside = part.outside_mm ?? round ?? Math.max(shaft * (kind?.outside_share ?? 1.6), inside * 1.08)
    const width = part.width_mm ?? usual * (kind?.width_share ?? 0.5)
    return {
      part,
      kind,
      inside,
      outside: Math.max(outside, inside),
      width,
      body: isShaft ? outside : shaft,
      known: Boolean(part.width_mm && part.outside_mm),
    }
  })
}

export function layLine(
  parts: LaidPart[],
  kinds: Map<string, DrawnKind>,
  room: { width: number; height: number; slot: number; scroll?: boolean },
): Layout {
  const measured = measure(parts, kinds)
  const tallest = Math.max(DEFAULT_SHAFT_MM, ...measured.map((each) => Math.max(each.outside, each.body)))
  const long = measured.reduce((sum, each) => sum + each.width, 0) || 1
  const outers = measured.map((each) => Math.max(each.outside, each.body)).sort((a, b) => a - b)
  const usual = outers[Math.floor((outers.length - 1) * USUAL_SHARE)] ?? tallest
  const byHeight = room.height / (tallest > usual * FAR_LARGER ? usual * 1.12 : tallest)
  const fits = (scale: number): number =>
    measured.reduce((sum, each) => sum + Math.max(room.slot, each.width * scale + 2), 0)
  let scale = Math.min(byHeight, room.width / long)
  for (let i = 0; i < 14 && fits(scale) > room.width; i++) scale *= 0.93
  if (room.scroll) scale = Math.max(scale, Math.min(byHeight, 34 / (measured[0]?.body ?? DEFAULT_SHAFT_MM)))
  let x = 0
  const slots = measured.map((each) => {
    const shapeWidth = Math.max(THINNEST_PX, each.width * scale)
    const width = Math.max(room.slot, shapeWidth + 2)
    const slot: Slot = {
      key: each.part.key,
      kind: each.part.kind,
      drawn: each.kind?.drawn ?? 'plain',
      x,
      width,
      shapeX: x + (width - shapeWidth) / 2,
      shapeWidth,
      inner: (each.inside / 2) * scale,
      outer: Math.min((each.outside / 2) * scale, room.height / 2),
      body: (each.body / 2) * scale,
      side: telling(each.kind, each.part),
      known: each.known,
      broken: (each.outside / 2) * scale > room.height / 2 + 0.5,
    }
    x += width
    return slot
  })
  return { slots, scale, width: x, tallest: Math.min(tallest * scale, room.height) }
}

/** The outline of the shaft body above the axis, from end to end. */
export function bodyPath(slots: Slot[], axis: number, end = 14): string {
  const first = slots[0]
  const last = slots.at(-1)
  if (!first || !last) return ''
  let d = `M${first.x - end} ${axis}V${axis - first.body}`
  for (const slot of slots) d += `H${slot.x}V${axis - slot.body}H${slot.x + slot.width}`
  return `${d}H${last.x + last.width + end}V${axis}`
}
