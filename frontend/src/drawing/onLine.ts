import type { Half, PartSize, Piece, Point } from './geometry'
import { halfSection } from './section'
import { clip } from './seals/small'
import { USUAL_SEALS } from './seals'
import { box } from './shapes'
import { USUAL } from './sizes'

/** A place on a line that a part fills: its inside and outside radius and its width, in one unit. */
export interface Place {
  inner: number
  outer: number
  width: number
}
/** What is drawn in a place: pieces about the middle of its width, and whether they lie across the axis, once. */
export interface Filled {
  pieces: Piece[]
  once: boolean
}

const INSIDE = ['shaft_mm', 'inside_mm', 'd_mm']
const OUTSIDE = ['bore_mm', 'outside_mm', 'D_mm', 'seat_outside_mm']
const WIDTH = ['width_mm', 'height_mm', 'thickness_mm', 'working_length_mm']
/** Shapes whose telling side lies at the right in the library; a line is drawn for it at the left. */
const TURNED = ['taper', 'inch_cup', 'inch_cone', 'wiper']

/** The usual proportions of a kind, brought to a place. */
function brought(kind: string, { inner, outer, width }: Place): PartSize {
  const seal = USUAL_SEALS[kind]
  if (seal) {
    const long = WIDTH.map((name) => seal[name]).find((value) => value !== undefined) ?? 1
    const sizes = Object.entries(seal).map(([name, usual]) => {
      if (INSIDE.includes(name)) return [name, 2 * inner]
      if (OUTSIDE.includes(name)) return [name, 2 * outer]
      if (name === 'section_mm') return [name, outer - inner]
      return [name, (usual * width) / long]
    })
    return { kind, sizes: Object.fromEntries(sizes), d_mm: 0, D_mm: 0, B_mm: 1, ball_mm: 0 }
  }
  const usual = USUAL[kind] as PartSize
  const along = width / (usual.T_mm ?? usual.B_mm)
  const wall = (usual.D_mm || usual.d_mm * 1.6) - (usual.d_mm || usual.D_mm * 0.72)
  return {
    kind,
    d_mm: 2 * inner,
    D_mm: 2 * outer,
    B_mm: usual.B_mm * along,
    T_mm: usual.T_mm && usual.T_mm * along,
    C_mm: usual.C_mm && usual.C_mm * along,
    ball_mm: Math.min((usual.ball_mm * 2 * (outer - inner)) / wall, 0.85 * width),
  }
}

const zigzag = (from: number, to: number, low: number, high: number): Piece[] =>
  Array.from({ length: 6 }, (_, i) => {
    const at = (n: number): Point => [from + ((to - from) * n) / 6, n % 2 ? high : low]
    return { what: 'wire', from: at(i), to: at(i + 1) }
  })

/** What the Bench does not know: the machine's own parts about the line. */
const OWN: Record<string, (place: Place, w: number) => Piece[]> = {
  shaft: () => [],
  plain: ({ inner, outer }, w) => [{ what: 'ring', points: box(-w, w, inner, outer), outer: true }],
  wall: ({ inner, outer }, w) => [{ what: 'ring', points: box(-w, w, inner, outer), outer: false }],
  gasket: ({ inner, outer }, w) => [{ what: 'rubber', points: box(-w, w, inner, outer) }],
  circlip: ({ inner, outer }, w) => [{ what: 'rubber', points: clip(-w, w, inner, outer) }],
  gear: ({ inner, outer }, w) => [
    { what: 'ring', points: box(-w, w, inner, outer), outer: true },
    { what: 'roller', points: box(-w * 0.92, w * 0.92, outer - 0.1 * (outer - inner), outer) },
  ],
  nut: ({ inner, outer }, w) => {
    const corner = 0.25 * Math.min(outer - inner, 2 * w)
    const points: Point[] = [[-w, inner], [w, inner], [w, outer], [corner - w, outer], [-w, outer - corner]] // prettier-ignore
    return [{ what: 'ring', points, outer: true }]
  },
  spring: ({ inner, outer }, w) => zigzag(-w, w, inner, outer),
}
/** Drawn once, across the axis or on one side of it. */
const ACROSS: Record<string, (place: Place, w: number) => Piece[]> = {
  key: ({ inner, outer }, w) => [{ what: 'rubber', points: box(-w, w, inner, outer) }],
  screw: ({ inner, outer }, w) => {
    const h = outer - inner
    return [
      { what: 'rubber', points: box(-w, -w / 2, -1.6 * h, 1.6 * h) },
      { what: 'ring', points: box(-w / 2, w, -0.8 * h, 0.8 * h), outer: true },
    ]
  },
  wire: ({ outer }, w) => zigzag(-w, w, -0.4 * outer, 0.4 * outer),
}

const turned = (half: Half): Piece[] => {
  const middle = half.whole[0] + half.whole[1]
  const over = ([x, r]: Point): Point => [middle - x, r]
  return half.pieces.map((piece) =>
    'points' in piece
      ? { ...piece, points: piece.points.map(over) }
      : 'at' in piece
        ? { ...piece, at: over(piece.at) }
        : { ...piece, from: over(piece.from), to: over(piece.to) },
  )
}

/** A cone with its rollers standing out as far as its place allows: their size makes its outside. */
function coneWithin(place: Place): Half {
  const size = brought('inch_cone', place)
  const radii = halfSection(size).pieces.flatMap((piece) => ('points' in piece ? piece.points : []))
  const reach = Math.max(...radii.map(([, r]) => r)) - place.inner
  return halfSection({ ...size, ball_mm: (size.ball_mm * (place.outer - place.inner)) / reach })
}

/** What a kind of part looks like in its place on a line: a shape of the Bench where it has one. */
export function fill(drawn: string, place: Place): Filled {
  const own = OWN[drawn]
  if (own) return { pieces: own(place, place.width / 2), once: false }
  const across = ACROSS[drawn]
  if (across) return { pieces: across(place, place.width / 2), once: true }
  const half = drawn === 'inch_cone' ? coneWithin(place) : halfSection(brought(drawn, place))
  return { pieces: TURNED.includes(drawn) ? turned(half) : half.pieces, once: false }
}
