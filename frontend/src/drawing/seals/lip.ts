import type { Piece } from '../geometry'
import { box } from '../shapes'
import { get, metal, rubber, spring, whole, type SealHalf, type Sizes } from './pieces'

/** A rotary lip seal, a cassette or an axial seal. */
export function lip(kind: string, s: Sizes): SealHalf {
  const [ri, ro, b] = [get(s, 'shaft_mm', 35) / 2, get(s, 'bore_mm', 52) / 2, get(s, 'width_mm', 7)]
  const w = b / 2
  const t = ro - ri
  const X = (share: number): number => -w + share * b
  const R = (share: number): number => ri + share * t
  const cased = kind.startsWith('lip_metal') || kind === 'lip_grease' || kind === 'cassette'
  const pieces: Piece[] = []
  const shell = (from: number, leg: number): void => {
    pieces.push(
      metal([
        [X(from), R(1)],
        [X(from), R(0.9)],
        [X(leg - 0.1), R(0.9)],
        [X(leg - 0.1), R(0.45)],
        [X(leg), R(0.45)],
        [X(leg), R(1)],
      ]),
    )
  }
  if (cased) shell(0, 1)
  else {
    pieces.push(rubber(box(X(0), X(1), R(0.84), R(1))))
    pieces.push(metal([[X(0.1), R(0.93)], [X(0.1), R(0.87)], [X(0.8), R(0.87)], [X(0.8), R(0.5)], [X(0.9), R(0.5)], [X(0.9), R(0.93)]])) // prettier-ignore
  }
  if (kind.includes('cased') && kind !== 'lip_metal')
    pieces.push(metal(box(X(0.04), X(0.6), R(0.8), R(0.88))))
  const root = cased ? 0.9 : 0.96
  const main = (mirror: boolean): void => {
    const M = (x: number): number => X(mirror ? 1 - x : x)
    pieces.push(
      rubber([
        [M(root), R(0.56)],
        [M(root), R(0.3)],
        [M(0.62), R(0.14)],
        [M(0.36), R(0)],
        [M(0.2), R(0.12)],
        [M(0.14), R(0.36)],
        [M(0.34), R(0.34)],
        [M(0.46), R(0.26)],
        [M(root - 0.12), R(0.44)],
        [M(root - 0.12), R(0.56)],
      ]),
    )
    if (kind !== 'lip_grease' && kind !== 'axial_seal') pieces.push(spring(M(0.3), R(0.42), 0.075 * t))
  }
  if (kind === 'axial_seal') {
    pieces.push(rubber([[X(0), R(0.3)], [X(0.2), R(0.5)], [X(0.8), R(0.5)], [X(0.9), R(0.2)], [X(1.15), R(0)], [X(1.05), R(0.3)], [X(0.95), R(0.84)], [X(0), R(0.84)]])) // prettier-ignore
  } else main(false)
  if (kind === 'lip_two') main(true)
  if (kind.includes('dust') || kind === 'cassette')
    pieces.push(rubber([[X(root - 0.1), R(0.3)], [X(1.02), R(0)], [X(1.0), R(0.16)], [X(root), R(0.42)]])) // prettier-ignore
  if (kind === 'cassette') {
    pieces.push(metal(box(X(-0.05), X(1.08), R(-0.1), R(0)), false))
    pieces.push(metal(box(X(1.08), X(1.18), R(-0.1), R(0.8)), false))
  }
  if (kind === 'lip_split') pieces.push({ what: 'line', from: [X(-0.12), R(0.7)], to: [X(1.12), R(0.7)] })
  return whole(pieces, [X(0), X(1)], ri, ro, {
    shaft: { along: 'diameter', r: ri, at: w, side: 'right' },
    free_lip: { along: 'diameter', r: R(0), at: X(0.36), side: 'right' },
    housing_bore: { along: 'diameter', r: ro, at: -w, side: 'left' },
    outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
    width: { along: 'x', from: X(0), to: X(1), r: ri, side: 'below' },
  })
}

/** A V-ring: its lip runs on a face. */
export function vRing(s: Sizes): SealHalf {
  const [ri, ro, b] = [get(s, 'shaft_mm', 36) / 2, get(s, 'bore_mm', 46) / 2, get(s, 'width_mm', 9)]
  const w = b / 2
  const t = ro - ri
  return whole(
    [
      rubber([
        [-w, ri],
        [w * 0.1, ri],
        [w * 0.2, ri + 0.3 * t],
        [w, ri + 1.25 * t],
        [w * 0.86, ri + 1.4 * t],
        [w * 0.2, ri + t],
        [-w * 0.8, ro],
      ]),
    ],
    [-w, w],
    ri,
    ro,
    {
      shaft: { along: 'diameter', r: ri, at: w, side: 'right' },
      free_lip: { along: 'diameter', r: ri, at: w, side: 'right' },
      outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
      width: { along: 'x', from: -w, to: w, r: ri, side: 'below' },
    },
  )
}
