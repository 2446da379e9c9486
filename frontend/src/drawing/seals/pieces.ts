import type { Half, Piece, Point } from '../geometry'

/** Where a feature is touched: along the axis at a radius, across a diameter, or through a wall. */
export type Mark =
  | { along: 'x'; from: number; to: number; r: number; side: 'above' | 'below' }
  | { along: 'diameter'; r: number; at: number; side: 'left' | 'right' }
  | { along: 'wall'; from: number; to: number; at: number }
export interface SealHalf extends Half {
  marks: Record<string, Mark>
}
/** A ring by itself, stretched, seated on a shaft, in a bore or in a face; a cylinder's seal free or seated. */
export type RingState =
  'free' | 'stretched' | 'seated' | 'in_bore' | 'in_face' | 'in_dovetail' | 'under_connector'

export const rubber = (points: Point[]): Piece => ({ what: 'rubber', points })
export const metal = (points: Point[], outer = true): Piece => ({ what: 'ring', points, outer })
export const ghost = (points: Point[]): Piece => ({ what: 'ghost', points })
export const spring = (x: number, r: number, radius: number): Piece => ({
  what: 'spring',
  at: [x, r],
  radius,
})
export const disc = (x: number, r: number, radius: number): Piece => ({ what: 'disc', at: [x, r], radius })

export type Sizes = Record<string, number>
export const get = (sizes: Sizes, name: string, other = 0): number => sizes[name] ?? other

export function whole(
  pieces: Piece[],
  w: readonly [number, number],
  bore: number,
  outside: number,
  marks: SealHalf['marks'],
): SealHalf {
  const at: Point = [w[0], w[1]]
  return { pieces, whole: at, inner: at, outer: at, bore, outside, marks }
}
