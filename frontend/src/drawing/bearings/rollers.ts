import type { Half, PartSize, Piece, Point } from '../geometry'
import { box } from '../shapes'
import { arc, barrel, plain, ring, roller } from './pieces'

export function spherical(size: PartSize): Half {
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const at = w * 0.48
  const p = (b + o) / 2 + 0.02 * (o - b)
  const reach = Math.hypot(at, p) + e / 2
  const tilt = Math.atan2(at, p)
  const low = p - 0.42 * e
  const inner: Point[] = [
    [-w, b],
    [w, b],
    [w, low - 0.1 * e],
    [at * 0.1, low + 0.06 * e],
    [-at * 0.1, low + 0.06 * e],
    [-w, low - 0.1 * e],
  ]
  const outer: Point[] = [...arc(reach, -w, w), [w, o], [-w, o]]
  return plain(size, [
    ring(outer, true),
    ring(inner, false),
    barrel(-at, p, w * 0.74, e, tilt),
    barrel(at, p, w * 0.74, e, -tilt),
  ])
}

/** Which ends of the rings have a flange: [inner left, inner right, outer left, outer right]. */
export const FLANGES: Record<string, readonly [boolean, boolean, boolean, boolean]> = {
  cylindrical_n: [true, true, false, false],
  cylindrical_nu: [false, false, true, true],
  cylindrical_nj: [true, false, true, true],
  cylindrical_nup: [true, true, true, true],
  cylindrical_nf: [true, true, true, false],
  full_complement: [true, true, true, false],
  full_complement_double: [true, true, true, true],
  double_row_cylindrical: [true, true, false, false],
  needle_ring: [false, false, true, true],
}
export function cylindrical(size: PartSize, rows: number): Half {
  const kind = size.kind ?? ''
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const p = (b + o) / 2
  const [low, high] = [p - e / 2, p + e / 2]
  const flanges = FLANGES[kind] ?? [false, false, true, true]
  const rim = Math.min(w * 0.22, e * 0.5)
  const tall = e * 0.24
  const step = (r: number, towards: number, left: boolean, right: boolean, far: number): Point[] => [
    [-w, far],
    [w, far],
    [w, right ? r + towards * tall : r],
    [w - rim, right ? r + towards * tall : r],
    [w - rim, r],
    [-w + rim, r],
    [-w + rim, left ? r + towards * tall : r],
    [-w, left ? r + towards * tall : r],
  ]
  const inner = ring(step(low, 1, flanges[0], flanges[1], b), false)
  const outer = ring(step(high, -1, flanges[2], flanges[3], o), true)
  const length = ((2 * w - 2 * rim) / rows) * 0.96
  const rollers = Array.from({ length: rows }, (_, i) =>
    roller((i - (rows - 1) / 2) * (length + w * 0.05), p, length, e),
  )
  const pieces = [outer, inner, ...rollers]
  if (kind === 'cylindrical_nup') {
    const x = w - rim
    pieces.push({ what: 'line', from: [x, low], to: [x, b] })
  }
  return plain(size, pieces)
}
export function taper(size: PartSize): Half {
  const T = size.T_mm ?? size.B_mm
  const [B, C] = [size.B_mm, size.C_mm ?? size.B_mm * 0.8]
  const alone = size.kind?.endsWith('_cone') ? 'cone' : size.kind?.endsWith('_cup') ? 'cup' : ''
  const b = (alone === 'cup' ? size.D_mm * 0.72 : size.d_mm) / 2
  const o = (alone === 'cone' ? size.d_mm + 3.2 * size.ball_mm : size.D_mm) / 2
  const e = Math.min(size.ball_mm, (o - b) * 0.52)
  const slope = Math.tan((14 * Math.PI) / 180)
  const right = T / 2
  const left = -T / 2
  const [coneL, cupR] = [right - B, left + C]
  const mid = (coneL + right) / 2
  const centre = (b + o) / 2
  const length = Math.min(B * 0.66, C * 0.95)
  const at = (x: number, side: number): number =>
    centre + (x - mid) * slope + ((side * e) / 2) * (1 + ((x - mid) / length) * 0.22)
  const [rl, rr] = [mid - length / 2, mid + length / 2]
  const cone: Point[] = [
    [coneL, b],
    [right, b],
    [right, Math.min(at(rr, -1) + e * 0.34, o - e * 0.5)],
    [rr + B * 0.02, at(rr, -1) + e * 0.3],
    [rr + B * 0.02, at(rr, -1)],
    [rl, at(rl, -1)],
    [rl - B * 0.02, at(rl, -1) + e * 0.16],
    [coneL, at(rl, -1) + e * 0.1],
  ]
  const cup: Point[] = [
    [left, o],
    [cupR, o],
    [cupR, Math.min(at(cupR, 1), o - 0.06 * (o - b))],
    [left, Math.min(at(left, 1), o - 0.2 * (o - b))],
  ]
  const rolling: Piece = {
    what: 'roller',
    points: [
      [rl, at(rl, -1)],
      [rr, at(rr, -1)],
      [rr, at(rr, 1)],
      [rl, at(rl, 1)],
    ],
  }
  const pieces: Piece[] = []
  if (alone !== 'cone') pieces.push(ring(cup, true))
  if (alone !== 'cup') pieces.push(ring(cone, false), rolling)
  return {
    pieces,
    whole: alone === 'cone' ? [coneL, right] : alone === 'cup' ? [left, cupR] : [left, right],
    inner: [coneL, right],
    outer: [left, cupR],
    bore: alone === 'cup' ? 0 : b,
    outside: alone === 'cone' ? 0 : o,
  }
}
export function angleRing(size: PartSize): Half {
  const [b, o, w] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2]
  return plain(size, [ring(box(-w, w, b, o), false)])
}

export const ROWS: Record<string, number> = { double_row_cylindrical: 2, full_complement_double: 2 }
