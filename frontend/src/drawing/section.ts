import { angular, ball, fourPoint, insert, twoBalls } from './bearings/balls'
import { needle, track } from './bearings/needles'
import { angleRing, cylindrical, FLANGES, ROWS, spherical, taper } from './bearings/rollers'
import { thrust } from './bearings/thrust'
import { sealSection, type RingState } from './seals'

/** The section of a part of any kind, in millimetres: x along the axis, r from it. Sizes come from the core. */
export interface PartSize {
  kind?: string
  /** The dimensions of a seal, ring or small part by their contract names. */
  sizes?: Record<string, number>
  d_mm: number
  D_mm: number
  B_mm: number
  T_mm?: number | null
  C_mm?: number | null
  ball_mm: number
}
export type Point = readonly [x: number, r: number]
export type Piece =
  | { what: 'ring'; points: Point[]; outer: boolean }
  | { what: 'ball'; at: Point; radius: number }
  | { what: 'roller'; points: Point[] }
  | { what: 'cover'; from: Point; to: Point; contact: boolean }
  | { what: 'line'; from: Point; to: Point }
  | { what: 'rubber'; points: Point[] }
  | { what: 'ghost'; points: Point[] }
  | { what: 'disc'; at: Point; radius: number }
  | { what: 'spring'; at: Point; radius: number }
  | { what: 'outline'; at: Point; radius: number }
  | { what: 'wire'; from: Point; to: Point }
export interface Half {
  pieces: Piece[]
  /** Ends of the whole, of the inner and of the outer ring along the axis. */
  whole: Point
  inner: Point
  outer: Point
  /** Radii touched inside and outside; 0 where there is none. */
  bore: number
  outside: number
}

/** The half above the axis of a part of its kind. */
export function halfSection(size: PartSize, closure = 'open', state: RingState = 'free'): Half {
  const kind = size.kind ?? 'deep_groove'
  const seal = sealSection(size, state)
  if (seal) return seal
  if (kind === 'angular_contact') return angular(size)
  if (kind === 'four_point') return fourPoint(size)
  if (kind === 'double_row_angular') return twoBalls(size, closure, false)
  if (kind === 'self_aligning') return twoBalls(size, closure, true)
  if (kind === 'spherical_roller') return spherical(size)
  if (kind === 'angle_ring') return angleRing(size)
  if (kind in FLANGES) return cylindrical(size, ROWS[kind] ?? 1)
  if (kind === 'taper' || kind.startsWith('inch_')) return taper(size)
  if (kind.includes('thrust')) return thrust(size)
  if (kind.startsWith('drawn_cup') || kind.startsWith('needle_')) return needle(size)
  if (kind.startsWith('track_roller')) return track(size, closure)
  if (kind === 'insert') return insert(size)
  return ball(size, closure)
}
