import type { Piece } from '../geometry'
import type { Mark, SealHalf } from '../seals'
import {
  BOTTOM,
  framed,
  laidOut,
  TOP,
  TOP_UNDER_A_FIELD,
  type Extent,
  type Frame,
  type Layout,
  type Line,
} from './frame'

const WIDE = 240
const MIDDLE = 318
const MIDDLE_WITHOUT_AXIS = 250
const LEAST_WALL = 41.6
const FIELD_TALL = 96
const FIELD_WIDE = 170
const FIELDS_ABREAST = 184
const FIELD_HIGHEST = 46
const FIELD_LOWEST = 424
const ROOM_BELOW = 426
const BESIDE = 112

interface Marked {
  feature: string
  mark: Mark
  side: string
}
interface Laid {
  at: Frame
  extent: Extent
  axial: boolean
  bottom: number
  columns: { left: number; right: number }
  marks: Marked[]
}

/** What pieces reach; a groove or rod drawn about a seal does not count. */
function extentOf(pieces: readonly Piece[]): Extent {
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
  return { left: Math.min(...x), right: Math.max(...x), inner: Math.min(...r), outer: Math.max(...r) }
}

const sideOf = (mark: Mark): string => (mark.along === 'wall' ? 'right' : mark.side)

/** Where a mark across the section begins and ends, upright. */
function endsOf(mark: Mark, at: Frame): readonly [number, number] {
  if (mark.along === 'wall') return [at.up(mark.to), at.up(mark.from)]
  return mark.along === 'diameter' ? [at.up(mark.r), at.down(mark.r)] : [0, 0]
}

/** Fields of one side one under the other, walls first, each as near as can be to the middle of its line. */
function stacked({ marks, at }: Laid, side: string): [string, number][] {
  const own = marks
    .filter(({ mark, side: its }) => its === side && mark.along !== 'x')
    .map(({ feature, mark }) => {
      const [from, to] = endsOf(mark, at)
      return { feature, y: (from + to) / 2, wall: mark.along === 'wall' }
    })
    .sort((a, b) => Number(b.wall) - Number(a.wall) || a.y - b.y)
  const more = (own.length - 1) * FIELD_TALL
  const first = own[0]?.wall ? own[0].y : (own[0]?.y ?? 0) - more / 2
  let least = Math.min(Math.max(first, FIELD_HIGHEST), Math.max(FIELD_LOWEST - more, FIELD_HIGHEST))
  return own.map((each, i) => {
    const room = FIELD_LOWEST - (own.length - 1 - i) * FIELD_TALL
    const y = Math.min(Math.max(i ? each.y : least, least), room)
    least = y + FIELD_TALL
    return [each.feature, y]
  })
}

/** A width or thickness: its line above or below the section. */
function lineAlong(
  laid: Laid,
  feature: string,
  mark: Mark & { along: 'x' },
  place: number,
  of: number,
): Line {
  const { at, axial, bottom, columns, extent } = laid
  const above = mark.side === 'above'
  const y = above ? at.up(extent.outer) - 20 - 16 * place : bottom + 20 + 16 * place
  const touch = above ? at.up(mark.r) - 5 : (at.broken || !axial ? at.up(mark.r) : at.down(mark.r)) + 5
  const end = y + (above ? -8 : 8)
  const centre = (at.x(mark.from) + at.x(mark.to)) / 2
  // a field by itself stays clear of those at the sides
  const alone = Math.min(Math.max(centre, columns.left + FIELD_WIDE), columns.right - FIELD_WIDE)
  return {
    feature,
    extension: `M${at.x(mark.from)} ${touch}V${end}M${at.x(mark.to)} ${touch}V${end}`,
    from: [at.x(mark.from) + 1, y],
    to: [at.x(mark.to) - 1, y],
    field: {
      x: of > 1 ? centre + (place - (of - 1) / 2) * FIELDS_ABREAST : alone,
      y: y + (above ? -44 : 44),
    },
  }
}

/** A diameter or a wall: its line in a column at one side. */
function lineAcross(
  laid: Laid,
  marked: Marked,
  mark: Exclude<Mark, { along: 'x' }>,
  off: number,
  y?: number,
): Line {
  const { at, columns } = laid
  const left = marked.side === 'left'
  const own = left ? columns.left : columns.right
  const column = own + (left ? -off : off) * 26
  const out = column + (left ? -8 : 8)
  const [from, to] = endsOf(mark, at)
  return {
    feature: marked.feature,
    extension: `M${at.x(mark.at)} ${from}H${out}M${at.x(mark.at)} ${to}H${out}`,
    from: [column, from + 1],
    to: [column, to - 1],
    field: { x: own, y: y ?? (from + to) / 2 },
  }
}

/** Lay out a seal, ring or small part; its marks say where each feature is touched. */
export function laySeal(half: SealHalf, asked: readonly string[], axial: boolean): Layout {
  const marks = asked.flatMap((feature): Marked[] => {
    const mark = half.marks[feature]
    return mark ? [{ feature, mark, side: sideOf(mark) }] : []
  })
  const on = (side: string): Marked[] => marks.filter((each) => each.side === side)
  const extent = extentOf(half.pieces)
  const at = framed(
    extent,
    {
      top: on('above').length ? TOP_UNDER_A_FIELD : TOP,
      bottom: on('below').length ? BOTTOM : ROOM_BELOW,
      wide: WIDE,
      middle: axial ? MIDDLE : MIDDLE_WITHOUT_AXIS,
      leastWall: LEAST_WALL,
    },
    axial,
  )
  const laid: Laid = {
    at,
    extent,
    axial,
    bottom: !axial ? at.axis : at.broken ? at.up(extent.inner) : at.axis + extent.outer * at.scale,
    columns: {
      left: Math.min(at.x(extent.left) - BESIDE, 150),
      right: Math.max(Math.min(at.x(extent.right) + BESIDE, 508), 496),
    },
    marks,
  }
  const stack = new Map([...stacked(laid, 'left'), ...stacked(laid, 'right')])
  const lines = marks.map((marked): Line => {
    const all = on(marked.side)
    const place = all.indexOf(marked)
    const { feature, mark } = marked
    return mark.along === 'x'
      ? lineAlong(laid, feature, mark, place, all.length)
      : lineAcross(laid, marked, mark, place - (all.length - 1) / 2, stack.get(feature))
  })
  return { ...laidOut(at, extent, lines), axisY: axial ? at.axisY : -10 }
}
