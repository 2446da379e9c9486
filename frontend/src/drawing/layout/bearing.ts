import type { Half } from '../geometry'
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

const MIDDLE = 340
const WIDE = 300
const FIELD_BELOW = 64
const LEAST_WALL = 26
/** Columns of the fields of the outside, at the left, and of the bore, at the right. */
const BESIDE = 112
const OUTSIDE_COLUMN = 166
const BORE_COLUMN = 458
const BORE_COLUMN_APART = 512

interface Laid {
  half: Half
  at: Frame
  inner: number
  outer: number
  bottom: number
  outsideX: number
  boreX: number
}
type Maker = (laid: Laid) => Line | null

function along(at: Frame, [from, to]: readonly [number, number], y: number, touch: number) {
  const end = y + Math.sign(y - touch) * 8
  return {
    extension: `M${at.x(from)} ${touch}V${end}M${at.x(to)} ${touch}V${end}`,
    from: [at.x(from) + 1, y] as [number, number],
    to: [at.x(to) - 1, y] as [number, number],
  }
}
const middleOf = (at: Frame, [from, to]: readonly [number, number]): number => (at.x(from) + at.x(to)) / 2

function across(feature: string, at: Frame, touch: number, r: number, column: number, low: number): Line {
  const out = Math.sign(column - touch) * 8
  const from = touch + Math.sign(column - touch) * 6
  return {
    feature,
    extension: `M${from} ${at.up(r)}H${column + out}M${from} ${at.down(r)}H${column + out}`,
    from: [column, at.up(r) + 1],
    to: [column, at.down(r) - 1],
    field: { x: column, y: at.broken ? (at.up(r) + at.axisY) / 2 + low : at.axis },
  }
}

const MAKERS: Record<string, Maker> = {
  outside: ({ half, at, outer, outsideX }) =>
    half.outside ? across('outside', at, at.x(half.outer[0]), outer, outsideX, 16) : null,
  bore: ({ half, at, inner, boreX }) =>
    half.bore ? across('bore', at, at.x(half.inner[1]), inner, boreX, 12) : null,
  width: ({ half, at, inner, bottom }) => {
    const y = at.broken ? at.up(inner) + 20 : bottom + 18
    const touch = at.broken ? at.up(inner) + 5 : bottom + 6
    return {
      feature: 'width',
      ...along(at, half.whole, y, touch),
      field: { x: middleOf(at, half.whole), y: y + (at.broken ? 52 : FIELD_BELOW - 14) },
    }
  },
  assembled_width: ({ half, at, bottom }) => ({
    feature: 'assembled_width',
    ...along(at, half.whole, bottom + 18, bottom + 6),
    field: { x: middleOf(at, half.whole), y: bottom + FIELD_BELOW + 4 },
  }),
  outer_ring_width: ({ half, at, outer }) => ({
    feature: 'outer_ring_width',
    ...along(at, half.outer, at.up(outer) - 18, at.up(outer) - 6),
    field: { x: middleOf(at, half.outer), y: at.up(outer) - FIELD_BELOW },
  }),
  inner_ring_width: ({ half, at, inner, bottom }) => {
    const room = !at.broken && half.bore * at.scale > 42 && half.outside > 0
    const y = room ? at.up(inner) + 16 : bottom + 18
    return {
      feature: 'inner_ring_width',
      ...along(at, half.inner, y, room ? at.up(inner) + 4 : bottom + 6),
      field: {
        x: room ? MIDDLE : middleOf(at, half.inner) + (half.outside > 0 ? 178 : 0),
        y: room ? at.axis + 10 : bottom + FIELD_BELOW + 4,
      },
    }
  },
}

function extentOf(half: Half): Extent {
  const points = half.pieces.flatMap((piece) => ('points' in piece ? piece.points : []))
  return {
    left: Math.min(half.whole[0], ...points.map(([x]) => x)),
    right: Math.max(half.whole[1], ...points.map(([x]) => x)),
    outer: half.outside || Math.max(...points.map(([, r]) => r)),
    inner: half.bore || Math.min(...points.map(([, r]) => r)),
  }
}

/** Lay out a bearing: outside at the left, bore at the right, widths below and the outer ring's above. */
export function layBearing(half: Half, asked: readonly string[]): Layout {
  const extent = extentOf(half)
  const whole = half.bore > 0 && half.outside > 0
  const room = {
    top: asked.includes('outer_ring_width') ? TOP_UNDER_A_FIELD : TOP,
    bottom: BOTTOM,
    wide: WIDE,
    middle: MIDDLE,
    leastWall: whole ? LEAST_WALL : 0,
  }
  const at = framed(extent, room)
  const apart = asked.includes('inner_ring_width') || at.broken
  const laid: Laid = {
    half,
    at,
    inner: extent.inner,
    outer: extent.outer,
    bottom: at.broken ? at.axisY : at.axis + extent.outer * at.scale,
    outsideX: Math.min(at.x(extent.left) - BESIDE, OUTSIDE_COLUMN),
    boreX: Math.min(
      Math.max(at.x(extent.right) + BESIDE, apart ? BORE_COLUMN_APART : BORE_COLUMN),
      BORE_COLUMN_APART,
    ),
  }
  const lines = asked.map((name) => MAKERS[name]?.(laid) ?? null).filter((line) => line !== null)
  return laidOut(at, extent, lines)
}
