import type { Piece } from '../geometry'
import { box } from '../shapes'
import { disc, get, metal, rubber, whole, type SealHalf, type Sizes } from './pieces'

/** A pump's face seal: the turning half with its spring, and the seat. */
export function face(kind: string, s: Sizes): SealHalf {
  const [ri, seat] = [get(s, 'shaft_mm', 25) / 2, get(s, 'seat_outside_mm', 40) / 2]
  const [t, long] = [get(s, 'seat_thickness_mm', 9), get(s, 'working_length_mm', 40)]
  const total = long + t * 0.25
  const x0 = -total / 2
  const x1 = total / 2
  const wall = seat - ri
  const R = (share: number): number => ri + share * wall
  const faceX = x1 - t
  const body = faceX - total * 0.2
  const pieces: Piece[] = [
    metal(box(faceX, x1, R(0.16), R(1))),
    rubber(box(faceX + t * 0.3, faceX + t * 0.62, R(1), R(1.1))),
    metal(box(body, faceX, R(0.22), R(0.78)), false),
  ]
  const coil = (from: number, to: number, low: number, high: number, turns: number): void => {
    for (let i = 0; i < turns; i++) {
      const a = from + ((to - from) * i) / turns
      const b = from + ((to - from) * (i + 1)) / turns
      pieces.push({ what: 'wire', from: [a, R(i % 2 ? high : low)], to: [b, R(i % 2 ? low : high)] })
    }
  }
  if (kind === 'face_bellows') {
    pieces.push(rubber([[x0, R(0)], [body * 0.9 + x0 * 0.1, R(0)], [body, R(0.24)], [body, R(0.5)], [body - 0.1 * total, R(0.4)], [body - 0.14 * total, R(0.24)], [x0, R(0.22)]])) // prettier-ignore
    coil(x0, body, 0.34, 0.84, 8)
  } else {
    pieces.push(disc(body + total * 0.06, R(0.11), 0.11 * wall))
    pieces.push(metal(box(x0, x0 + total * 0.08, R(0), R(0.8)), false))
    if (kind === 'face_wave') coil(x0 + total * 0.08, body, 0.1, 0.75, 4)
    else if (kind === 'face_many') {
      coil(x0 + total * 0.08, body, 0.34, 0.58, 9)
    } else coil(x0 + total * 0.08, body, 0.16, 0.74, 7)
  }
  return whole(pieces, [x0, x1], ri, R(1.1), {
    shaft: { along: 'diameter', r: ri, at: x0, side: 'left' },
    seat_outside: { along: 'diameter', r: seat, at: x1, side: 'right' },
    seat_thickness: { along: 'x', from: faceX, to: x1, r: R(1.1), side: 'above' },
    working_length: { along: 'x', from: x0, to: faceX + t * 0.25, r: ri, side: 'below' },
    free_length: { along: 'x', from: x0, to: faceX, r: ri, side: 'below' },
  })
}
