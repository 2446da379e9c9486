/** What a section is drawn from: a part of any kind, in millimetres. Sizes come from the core. */
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
/** In a section: x along the axis, r from it. */
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
