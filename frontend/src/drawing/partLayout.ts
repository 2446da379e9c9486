import { hasAxis, sealSection, type Mark, type RingState, type SealHalf } from './seals'
import type { PartSize, Piece } from './geometry'
import { halfSection } from './section'

/** Where the section, its dimension lines and their fields lie on the bench's sheet. */
export interface Line {
  feature: string
  extension: string
  from: [number, number]
  to: [number, number]
  field: { x: number; y: number }
}
export interface Layout {
  scale: number
  middle: number
  axis: number
  /** Only the upper half is drawn, larger, and its distance from the axis is broken off. */
  broken: boolean
  /** Where the (drawn) axis line lies, and from where to where. */
  axisY: number
  axisFrom: number
  axisTo: number
  breaks: number | null
  lines: Line[]
}
const MIDDLE = 340
const TOP = 28
const TOP_UNDER_A_FIELD = 106
const BOTTOM = 332
const WIDE = 300
const FIELD_BELOW = 64
const LEAST_WALL = 26
const WALL_DRAWN = 104
const BREAK_GAP = 58

/** Lay out a part's section with a dimension line for each feature that is asked of it. */
export function layPart(
  size: PartSize,
  closure: string,
  asked: readonly string[],
  state: RingState = 'free',
): Layout {
  const seal = sealSection(size, state)
  if (seal) return laySeal(seal, asked, hasAxis(size.kind ?? ''))
  const half = halfSection(size, closure)
  const points = half.pieces.flatMap((piece) => ('points' in piece ? piece.points : []))
  const left = Math.min(half.whole[0], ...points.map(([x]) => x))
  const right = Math.max(half.whole[1], ...points.map(([x]) => x))
  const outer = half.outside || Math.max(...points.map(([, r]) => r))
  const inner = half.bore || Math.min(...points.map(([, r]) => r))
  const above = asked.includes('outer_ring_width')
  const top = above ? TOP_UNDER_A_FIELD : TOP
  const tall = BOTTOM - top
  const whole = Math.min(tall / (2 * outer), WIDE / (right - left))
  const broken = (outer - inner) * whole < LEAST_WALL && half.bore > 0 && half.outside > 0
  const scale = broken ? Math.min(WALL_DRAWN / (outer - inner), WIDE / (right - left)) : whole
  // Broken off: the ring's upper part at the top of the sheet, the axis a little below it.
  const axis = broken ? top + outer * scale : top + tall / 2
  const axisY = broken ? Math.min(top + (outer - inner) * scale + BREAK_GAP + 130, 440) : axis
  const middle = MIDDLE - ((left + right) / 2) * scale
  const x = (mm: number): number => middle + mm * scale
  const up = (r: number): number => axis - r * scale
  const down = (r: number): number => (broken ? axisY : axis + r * scale)
  const bottom = broken ? axisY : axis + outer * scale
  const inside = asked.includes('inner_ring_width')
  const outsideX = Math.min(x(left) - 112, 166)
  const boreX = Math.min(Math.max(x(right) + 112, inside || broken ? 512 : 458), 512)
  const along = (from: number, to: number, y: number, touch: number): Omit<Line, 'feature' | 'field'> => ({
    extension: `M${x(from)} ${touch}V${y + Math.sign(y - touch) * 8}M${x(to)} ${touch}V${y + Math.sign(y - touch) * 8}`,
    from: [x(from) + 1, y],
    to: [x(to) - 1, y],
  })
  const middleOf = (from: number, to: number): number => (x(from) + x(to)) / 2
  const makers: Record<string, () => Line | null> = {
    outside: () =>
      half.outside
        ? {
            feature: 'outside',
            extension: `M${x(half.outer[0]) - 6} ${up(outer)}H${outsideX - 8}M${x(half.outer[0]) - 6} ${down(outer)}H${outsideX - 8}`,
            from: [outsideX, up(outer) + 1],
            to: [outsideX, down(outer) - 1],
            field: { x: outsideX, y: broken ? (up(outer) + axisY) / 2 + 16 : axis },
          }
        : null,
    bore: () =>
      half.bore
        ? {
            feature: 'bore',
            extension: `M${x(half.inner[1]) + 6} ${up(inner)}H${boreX + 8}M${x(half.inner[1]) + 6} ${down(inner)}H${boreX + 8}`,
            from: [boreX, up(inner) + 1],
            to: [boreX, down(inner) - 1],
            field: { x: boreX, y: broken ? (up(inner) + axisY) / 2 + 12 : axis },
          }
        : null,
    width: () => {
      const y = broken ? up(inner) + 20 : bottom + 18
      const touch = broken ? up(inner) + 5 : bottom + 6
      return {
        feature: 'width',
        ...along(half.whole[0], half.whole[1], y, touch),
        field: { x: middleOf(half.whole[0], half.whole[1]), y: y + (broken ? 52 : FIELD_BELOW - 14) },
      }
    },
    assembled_width: () => ({
      feature: 'assembled_width',
      ...along(half.whole[0], half.whole[1], bottom + 18, bottom + 6),
      field: { x: middleOf(half.whole[0], half.whole[1]), y: bottom + FIELD_BELOW + 4 },
    }),
    outer_ring_width: () => ({
      feature: 'outer_ring_width',
      ...along(half.outer[0], half.outer[1], up(outer) - 18, up(outer) - 6),
      field: { x: middleOf(half.outer[0], half.outer[1]), y: up(outer) - FIELD_BELOW },
    }),
    inner_ring_width: () => {
      const room = !broken && half.bore * scale > 42 && half.outside > 0
      const y = room ? up(inner) + 16 : bottom + 18
      return {
        feature: 'inner_ring_width',
        ...along(half.inner[0], half.inner[1], y, room ? up(inner) + 4 : bottom + 6),
        field: {
          x: room ? MIDDLE : middleOf(half.inner[0], half.inner[1]) + (half.outside > 0 ? 178 : 0),
          y: room ? axis + 10 : bottom + FIELD_BELOW + 4,
        },
      }
    },
  }
  const lines = asked.map((name) => makers[name]?.() ?? null).filter((line) => line !== null)
  return {
    scale,
    middle,
    axis,
    broken,
    axisY,
    axisFrom: x(left) - 44,
    axisTo: x(right) + 44,
    breaks: broken ? axisY - 26 : null,
    lines,
  }
}

/** What a piece reaches: along the axis, and from it. */
function extent(pieces: readonly Piece[]): { x: number[]; r: number[] } {
  const x: number[] = []
  const r: number[] = []
  for (const piece of pieces)
    if ('points' in piece && piece.what !== 'ghost') {
      x.push(...piece.points.map((point) => point[0]))
      r.push(...piece.points.map((point) => point[1]))
    } else if ('radius' in piece) {
      x.push(piece.at[0] - piece.radius, piece.at[0] + piece.radius)
      r.push(piece.at[1] - piece.radius, piece.at[1] + piece.radius)
    }
  return { x, r }
}

const SEAL_MIDDLE = 318
const FIELD_TALL = 96
const FIELD_WIDE = 170
const ROOM_BELOW = 426

/** Lay out a seal, ring or small part; its marks say where each feature is touched. */
function laySeal(half: SealHalf, asked: readonly string[], axial: boolean): Layout {
  const marks = asked.flatMap((feature) => {
    const mark = half.marks[feature]
    return mark ? [{ feature, mark }] : []
  })
  const on = (side: string): string[] =>
    marks.filter(({ mark }) => sideOf(mark) === side).map((each) => each.feature)
  const shown = [...half.pieces].filter((piece) => piece.what !== 'ghost')
  const { x: xs, r: rs } = extent(shown)
  const [left, right] = [Math.min(...xs), Math.max(...xs)]
  const outer = Math.max(...rs)
  const inner = Math.min(...rs)
  const top = on('above').length ? TOP_UNDER_A_FIELD : TOP
  const bottomEdge = on('below').length ? BOTTOM : ROOM_BELOW
  const tall = bottomEdge - top
  const wide = 240
  const full = axial
    ? Math.min(tall / (2 * outer), wide / (right - left))
    : Math.min(tall / outer, wide / (right - left))
  const broken = axial && (outer - inner) * full < LEAST_WALL * 1.6
  const scale = broken ? Math.min(WALL_DRAWN / (outer - inner), wide / (right - left)) : full
  const axis = !axial ? top + outer * scale : broken ? top + outer * scale : top + tall / 2
  const axisY = !axial ? axis : broken ? Math.min(top + (outer - inner) * scale + BREAK_GAP + 130, 440) : axis
  const middle = (axial ? SEAL_MIDDLE : 250) - ((left + right) / 2) * scale
  const x = (mm: number): number => middle + mm * scale
  const up = (r: number): number => axis - r * scale
  const down = (r: number): number => (broken ? axisY : axis + r * scale)
  const bottom = !axial ? axis : broken ? up(inner) : axis + outer * scale
  const columns: Record<string, number> = {
    left: Math.min(x(left) - 112, 150),
    right: Math.max(Math.min(x(right) + 112, 508), 496),
  }
  const ends = (mark: Mark): readonly [number, number] =>
    mark.along === 'wall'
      ? [up(mark.to), up(mark.from)]
      : mark.along === 'diameter'
        ? [up(mark.r), down(mark.r)]
        : [0, 0]
  /** Fields of one side one under the other, walls first, each as near as can be to the middle of its line. */
  function stacked(side: string): Map<string, number> {
    const own = marks
      .filter(({ mark }) => sideOf(mark) === side && mark.along !== 'x')
      .map(({ feature, mark }) => ({
        feature,
        y: (ends(mark)[0] + ends(mark)[1]) / 2,
        wall: mark.along === 'wall',
      }))
      .sort((a, b) => Number(b.wall) - Number(a.wall) || a.y - b.y)
    const first = own[0]?.wall ? (own[0]?.y ?? 0) : (own[0]?.y ?? 0) - ((own.length - 1) * FIELD_TALL) / 2
    let least = Math.min(Math.max(first, 46), Math.max(424 - (own.length - 1) * FIELD_TALL, 46))
    const found = new Map<string, number>()
    for (const [i, each] of own.entries()) {
      const room = 424 - (own.length - 1 - i) * FIELD_TALL
      const y = Math.min(Math.max(i ? each.y : least, least), room)
      found.set(each.feature, y)
      least = y + FIELD_TALL
    }
    return found
  }
  /** A field by itself above or below, clear of those at the sides. */
  const between = (centre: number): number =>
    Math.min(Math.max(centre, (columns.left ?? 0) + FIELD_WIDE), (columns.right ?? 0) - FIELD_WIDE)
  const stack = new Map([...stacked('left'), ...stacked('right')])
  const lines = marks.map(({ feature, mark }): Line => {
    const side = sideOf(mark)
    const all = on(side)
    const place = all.indexOf(feature)
    const off = place - (all.length - 1) / 2
    if (mark.along === 'x') {
      const above = mark.side === 'above'
      const y = above ? up(outer) - 20 - 16 * place : bottom + 20 + 16 * place
      const touch = above ? up(mark.r) - 5 : broken || !axial ? up(mark.r) + 5 : down(mark.r) + 5
      const centre = (x(mark.from) + x(mark.to)) / 2
      return {
        feature,
        extension: `M${x(mark.from)} ${touch}V${y + (above ? -8 : 8)}M${x(mark.to)} ${touch}V${y + (above ? -8 : 8)}`,
        from: [x(mark.from) + 1, y],
        to: [x(mark.to) - 1, y],
        field: { x: all.length > 1 ? centre + off * 184 : between(centre), y: y + (above ? -44 : 44) },
      }
    }
    const by = (place - (all.length - 1) / 2) * 26
    const column = (columns[side] ?? 0) + (side === 'left' ? -by : by)
    const [from, to] = ends(mark)
    return {
      feature,
      extension: `M${x(mark.at)} ${from}H${column + (side === 'left' ? -8 : 8)}M${x(mark.at)} ${to}H${column + (side === 'left' ? -8 : 8)}`,
      from: [column, from + 1],
      to: [column, to - 1],
      field: { x: columns[side] ?? 0, y: stack.get(feature) ?? (from + to) / 2 },
    }
  })
  return {
    scale,
    middle,
    axis,
    broken,
    axisY: axial ? axisY : -10,
    axisFrom: x(left) - 44,
    axisTo: x(right) + 44,
    breaks: broken ? axisY - 26 : null,
    lines,
  }
}
function sideOf(mark: Mark): string {
  return mark.along === 'wall' ? 'right' : mark.side
}
