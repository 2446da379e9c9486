import type { Point } from './geometry'

export const box = (x1: number, x2: number, r1: number, r2: number): Point[] => [
  [x1, r1],
  [x2, r1],
  [x2, r2],
  [x1, r2],
]
