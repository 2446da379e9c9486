import type { Dimension, Fill, Point, Shape, Sketch } from './sketch'

/** A sketch laid out on the page: to scale, its dimension lines in rows about it. */
export interface LaidShape {
  d: string
  fill: Fill
}
export interface LaidLine {
  name: string
  /** Too short for arrows between its ends: they stand outside. */
  short: boolean
  extension: string
  from: [number, number]
  to: [number, number]
}
export interface LaidLabel {
  name: string
  x: number
  y: number
  anchor: 'start' | 'middle' | 'end'
  upright: boolean
}
export interface Laid {
  shapes: LaidShape[]
  lines: LaidLine[]
  leaders: { name: string; points: string }[]
  labels: LaidLabel[]
  /** Pixels of one unit of the sketch. */
  scale: number
}
const ROW = 31
const EDGE = 14
const BEYOND = 5
const SHORT = 30
/** Room for the words of a note, and half the length of an upright label. */
const WORDS = 176
const HALF_UPRIGHT = 78

interface Bounds {
  x1: number
  x2: number
  y1: number
  y2: number
}
function boundsOf(shapes: readonly Shape[]): Bounds {
  const found: Bounds = { x1: Infinity, x2: -Infinity, y1: Infinity, y2: -Infinity }
  const take = ([x, y]: Point): void => {
    found.x1 = Math.min(found.x1, x)
    found.x2 = Math.max(found.x2, x)
    found.y1 = Math.min(found.y1, y)
    found.y2 = Math.max(found.y2, y)
  }
  for (const shape of shapes) {
    if (shape.form === 'path') shape.points.forEach(take)
    else {
      const [rx, ry] = shape.form === 'circle' ? [shape.r, shape.r] : [shape.rx, shape.ry]
      take([shape.at[0] - rx, shape.at[1] - ry])
      take([shape.at[0] + rx, shape.at[1] + ry])
    }
  }
  return found
}
const rows = (dimensions: readonly Dimension[], along: 'x' | 'y', sign: 1 | -1): number =>
  Math.max(
    0,
    ...dimensions
      .filter((each) => each.along === along && each.off * sign > 0)
      .map((each) => each.off * sign),
  )

/** Lay a sketch out in a page of a size; only what the page knows the name of is written. */
export function laid(sketch: Sketch, width: number, height: number, known: (name: string) => boolean): Laid {
  const dimensions = sketch.dimensions.filter((each) => known(each.name))
  const notes = (sketch.notes ?? []).filter((each) => known(each.name))
  const bounds = boundsOf(sketch.shapes)
  const [left, right] = [rows(dimensions, 'y', -1) * ROW + EDGE, rows(dimensions, 'y', 1) * ROW + EDGE]
  const [top, bottom] = [rows(dimensions, 'x', -1) * ROW + EDGE, rows(dimensions, 'x', 1) * ROW + EDGE]
  const before = notes.some((note) => note.dx < 0) ? WORDS : 0
  const after = notes.some((note) => note.dx > 0) ? WORDS : 0
  const room = { x: width - left - right - before - after, y: height - top - bottom }
  const scale = Math.min(room.x / (bounds.x2 - bounds.x1), room.y / (bounds.y2 - bounds.y1))
  const x0 = left + before + (room.x - scale * (bounds.x2 - bounds.x1)) / 2 - scale * bounds.x1
  const y0 = top + (room.y - scale * (bounds.y2 - bounds.y1)) / 2 - scale * bounds.y1
  const px = ([x, y]: Point): [number, number] => [x0 + scale * x, y0 + scale * y]
  const edges = { left: px([bounds.x1, 0])[0], right: px([bounds.x2, 0])[0], top: px([0, bounds.y1])[1], bottom: px([0, bounds.y2])[1] } // prettier-ignore
  const noted = notes.map((note) => {
    const [x, y] = px(note.at)
    const side = note.dx < 0 ? -1 : 1
    const wanted = x + note.dx * width
    const tx = side < 0 ? Math.max(wanted, WORDS) : Math.min(wanted, width - WORDS)
    return {
      name: note.name,
      x,
      y,
      tx,
      ty: Math.min(Math.max(y + note.dy * height, EDGE), height - EDGE),
      side,
    }
  })
  const lines = dimensions.map((each) => lineOf(each, px, edges))
  return {
    shapes: sketch.shapes.map((shape) => ({ d: outline(shape, px, scale), fill: shape.fill })),
    lines,
    leaders: noted.map(({ name, x, y, tx, ty, side }) => ({
      name,
      points: `${x},${y} ${tx},${ty} ${tx + 10 * side},${ty}`,
    })),
    labels: [
      ...lines.map((line, i) => labelOf(line, dimensions[i]?.along === 'y', height)),
      ...noted.map(({ name, tx, ty, side }): LaidLabel => ({
        name,
        x: tx + 15 * side,
        y: ty + 5,
        anchor: side < 0 ? 'end' : 'start',
        upright: false,
      })),
    ],
    scale,
  }
}

type Edges = Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>>

function lineOf(each: Dimension, px: (at: Point) => [number, number], edges: Edges): LaidLine {
  const [from, to] = [px(each.from), px(each.to)]
  const flat = each.along === 'x'
  const edge = flat ? (each.off > 0 ? edges.bottom : edges.top) : each.off > 0 ? edges.right : edges.left
  const at = each.off ? edge + each.off * ROW - 8 * Math.sign(each.off) : from[flat ? 1 : 0] + 16
  const end = at + (each.off < 0 ? -BEYOND : BEYOND)
  const way = flat ? 'V' : 'H'
  return {
    name: each.name,
    short: Math.abs(flat ? to[0] - from[0] : to[1] - from[1]) < SHORT,
    extension: `M${from[0]} ${from[1]}${way}${end}M${to[0]} ${to[1]}${way}${end}`,
    from: flat ? [from[0], at] : [at, from[1]],
    to: flat ? [to[0], at] : [at, to[1]],
  }
}

function labelOf(line: LaidLine, upright: boolean, height: number): LaidLabel {
  const [x, y] = [(line.from[0] + line.to[0]) / 2, (line.from[1] + line.to[1]) / 2]
  return {
    name: line.name,
    x: upright ? x - 6 : x,
    y: upright ? Math.min(Math.max(y, HALF_UPRIGHT), height - HALF_UPRIGHT) : y - 6,
    anchor: 'middle',
    upright,
  }
}

function outline(shape: Shape, px: (at: Point) => [number, number], scale: number): string {
  if (shape.form === 'path') {
    const points = shape.points.map((at) =>
      px(at)
        .map((value) => value.toFixed(2))
        .join(' '),
    )
    return `M${points.join('L')}${shape.open ? '' : 'Z'}`
  }
  const [rx, ry] = shape.form === 'circle' ? [shape.r, shape.r] : [shape.rx, shape.ry]
  const [x, y] = px(shape.at)
  const [a, b] = [rx * scale, ry * scale]
  return `M${x - a} ${y}A${a} ${b} 0 1 1 ${x + a} ${y}A${a} ${b} 0 1 1 ${x - a} ${y}Z`
}
