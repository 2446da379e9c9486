import type { Half, PartSize } from '../geometry'
import { box } from '../shapes'
import { barrel, GROOVE, ring, roller } from './pieces'

export function thrust(size: PartSize): Half {
  const T = size.T_mm ?? size.B_mm
  const [b, o, e, h] = [size.d_mm / 2, size.D_mm / 2, size.ball_mm, T / 2]
  const p = (b + o) / 2
  const gap = (o - b) * 0.035
  const kind = size.kind
  const half: Half = { pieces: [], whole: [-h, h], inner: [-h, h], outer: [-h, h], bore: b, outside: o }
  if (kind === 'thrust_washer') half.pieces = [ring(box(-h, h, b, o), false)]
  else if (kind === 'thrust_needle') {
    const wall = (o - b) * 0.12
    half.pieces = [
      ring(box(-h * 0.8, h * 0.8, b, b + wall), false),
      ring(box(-h * 0.8, h * 0.8, o - wall, o), false),
      roller(0, p, e, o - b - 2.6 * wall),
    ]
  } else if (kind === 'thrust_ball_double') {
    const x = h * 0.5
    half.pieces = [
      ring(box(-h, -x - GROOVE * e * 0.7, b + 2 * gap, o), true),
      ring(box(x + GROOVE * e * 0.7, h, b + 2 * gap, o), true),
      ring(box(-x + GROOVE * e * 0.7, x - GROOVE * e * 0.7, b, o - 2 * gap), false),
      { what: 'ball', at: [-x, p], radius: e * 0.42 },
      { what: 'ball', at: [x, p], radius: e * 0.42 },
    ]
  } else if (kind === 'spherical_thrust') {
    const tilt = (-48 * Math.PI) / 180
    half.pieces = [
      ring(
        [
          [-h, b + 4 * gap],
          [-h, o],
          [h * 0.36, o],
          [h * 0.36, o - 3 * gap],
          [-h * 0.1, p + 0.12 * (o - b)],
          [-h * 0.5, b + 7 * gap],
        ],
        true,
      ),
      ring(
        [
          [h, b],
          [h, p + 0.3 * (o - b)],
          [h * 0.66, p + 0.26 * (o - b)],
          [h * 0.1, p - 0.14 * (o - b)],
          [-h * 0.62, p - 0.32 * (o - b)],
          [-h * 0.62, b],
        ],
        false,
      ),
      barrel(h * 0.12, p + 0.02 * (o - b), (o - b) * 0.42, e * 0.8, tilt + Math.PI / 2),
    ]
  } else {
    const rolls = kind === 'thrust_roller'
    const room = rolls ? e / 2 : GROOVE * e
    half.pieces = [
      ring(box(-h, -room, b, o - gap), false),
      ring(box(room, h, b + gap, o), true),
      rolls ? roller(0, p, e, (o - b) * 0.56) : { what: 'ball', at: [0, p], radius: e / 2 },
    ]
  }
  return half
}
