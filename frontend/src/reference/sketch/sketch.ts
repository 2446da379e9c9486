/** What a page of the handbook is about, drawn with its own numbers: shapes and dimensions in the units of the page. */
export type Point = readonly [number, number]
/** How a shape is filled: parts in two hatchings, what is round and whole, rubber, oil, only its outline, as it was before. */
export type Fill =
  'part' | 'other' | 'whole' | 'rubber' | 'oil' | 'line' | 'ghost' | 'axis' | 'shim' | 'share' | 'share'
export type Shape =
  | { form: 'path'; fill: Fill; points: readonly Point[]; open?: boolean }
  | { form: 'circle'; fill: Fill; at: Point; r: number }
  | { form: 'ellipse'; fill: Fill; at: Point; rx: number; ry: number }
/** A dimension that a field or an output of the page names, between two places; off: rows away, below or right, else above or left; none: at its place. */
export interface Dimension {
  name: string
  from: Point
  to: Point
  along: 'x' | 'y'
  off: number
}
/** What is said of a place and has no length of its own there: an interference, a turn. */
export interface Note {
  name: string
  at: Point
  /** Where it is written from there, in shares of the drawing. */
  dx: number
  dy: number
}
export interface Sketch {
  shapes: readonly Shape[]
  dimensions: readonly Dimension[]
  notes?: readonly Note[]
}
/** The numbers of a page: as filled in, and as answered. */
export class Numbers {
  constructor(private readonly held: Readonly<Record<string, unknown>>) {}
  /** A number above zero, else what is drawn while nothing is known. */
  get(name: string, otherwise: number): number {
    return this.between(name, 0, Infinity, otherwise)
  }
  /** A number that fits the rest of the drawing, else what does. */
  between(name: string, low: number, high: number, otherwise: number): number {
    const value = this.held[name]
    return typeof value === 'number' && value > low && value < high ? value : otherwise
  }
  /** A number of either sign; none when it is not known. */
  signed(name: string): number | null {
    const value = this.held[name]
    return typeof value === 'number' && Number.isFinite(value) ? value : null
  }
  /** Several numbers; none when they are not known. */
  several(name: string): number[] {
    const value = this.held[name]
    return Array.isArray(value)
      ? value.filter((each): each is number => typeof each === 'number' && each > 0)
      : []
  }
}
export type Drawer = (v: Numbers) => Sketch

export const path = (fill: Fill, points: readonly Point[], open = false): Shape => ({
  form: 'path',
  fill,
  points,
  open,
})
export const box = (fill: Fill, x1: number, y1: number, x2: number, y2: number): Shape =>
  path(fill, [
    [x1, y1],
    [x2, y1],
    [x2, y2],
    [x1, y2],
  ])
export const line = (fill: Fill, from: Point, to: Point): Shape => path(fill, [from, to], true)
export const circle = (fill: Fill, at: Point, r: number): Shape => ({ form: 'circle', fill, at, r })
export const ellipse = (fill: Fill, at: Point, rx: number, ry: number): Shape => ({
  form: 'ellipse',
  fill,
  at,
  rx,
  ry,
})
export const across = (name: string, x1: number, x2: number, y: number, off: number): Dimension => ({
  name,
  from: [x1, y],
  to: [x2, y],
  along: 'x',
  off,
})
export const upright = (name: string, y1: number, y2: number, x: number, off: number): Dimension => ({
  name,
  from: [x, y1],
  to: [x, y2],
  along: 'y',
  off,
})
const turnedOver = ([x, y]: Point): Point => [x, -y]
/** The same to both sides of the axis; what reaches the axis is one shape. */
export const mirrored = (shapes: readonly Shape[]): Shape[] =>
  shapes.flatMap((shape): Shape[] => {
    if (shape.form !== 'path') return [shape, { ...shape, at: turnedOver(shape.at) }]
    const over = shape.points.filter(([, y]) => y !== 0)
    if (over.length < shape.points.length && !shape.open)
      return [{ ...shape, points: [...over, ...[...over].reverse().map(turnedOver)] }]
    return [shape, { ...shape, points: shape.points.map(turnedOver) }]
  })
/** So many places evenly about a centre, the first at the lowest. */
export const about = (count: number, r: number): Point[] =>
  Array.from({ length: count }, (_, i): Point => [
    r * Math.sin((2 * Math.PI * i) / count),
    r * Math.cos((2 * Math.PI * i) / count),
  ])
/** Points of a curve over a span. */
export const curve = (low: number, high: number, y: (x: number) => number, count = 80): Point[] =>
  Array.from({ length: count + 1 }, (_, i): Point => {
    const x = low + ((high - low) * i) / count
    return [x, y(x)]
  })
