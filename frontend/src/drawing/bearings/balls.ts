import type { Half, PartSize, Piece, Point } from '../geometry'
import { box } from '../shapes'
import { arc, covers, GROOVE, plain, ring } from './pieces'

export function ball(size: PartSize, closure: string): Half {
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const p = (b + o) / 2
  const pieces = [
    ring(box(-w, w, p + GROOVE * e, o), true),
    ring(box(-w, w, b, p - GROOVE * e), false),
    { what: 'ball', at: [0, p], radius: e / 2 } as Piece,
  ]
  return plain(size, [...pieces, ...covers(closure, w, p - GROOVE * e, p + GROOVE * e)])
}
export function angular(size: PartSize): Half {
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const p = (b + o) / 2
  const low = p + GROOVE * e
  const outer: Point[] = [
    [-w, low],
    [e * 0.12, low],
    [w, Math.min(p + 0.66 * e, o - 0.12 * e)],
    [w, o],
    [-w, o],
  ]
  const reach = 0.78 * e
  const line: Piece = {
    what: 'line',
    from: [-reach * 0.6, p + reach * 0.8],
    to: [reach * 0.6, p - reach * 0.8],
  }
  const inner = ring(box(-w, w, b, p - GROOVE * e), false)
  return plain(size, [ring(outer, true), inner, { what: 'ball', at: [0, p], radius: e / 2 }, line])
}
export function fourPoint(size: PartSize): Half {
  const half = ball(size, 'open')
  const [b, w, e] = [size.d_mm / 2, size.B_mm / 2, size.ball_mm]
  const top = (b + size.D_mm / 2) / 2 - GROOVE * e
  half.pieces[1] = ring(box(-w, -w * 0.012, b, top), false)
  half.pieces.splice(2, 0, ring(box(w * 0.012, w, b, top), false))
  return half
}
export function twoBalls(size: PartSize, closure: string, tilting: boolean): Half {
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const p = (b + o) / 2
  const at = w * 0.46
  const inner = ring(box(-w, w, b, p - GROOVE * e), false)
  const balls = [-at, at].map((x) => ({ what: 'ball', at: [x, p], radius: e / 2 }) as Piece)
  const reach = Math.hypot(at, p) + e / 2
  const outer: Point[] = tilting
    ? [...arc(reach, -w, w), [w, o], [-w, o]]
    : [...box(-w, w, p + GROOVE * e, o)]
  return plain(size, [
    ring(outer, true),
    inner,
    ...balls,
    ...covers(closure, w, p - GROOVE * e, p + GROOVE * e),
  ])
}
export function insert(size: PartSize): Half {
  const C = size.C_mm ?? size.B_mm * 0.5
  const [b, o, c, e] = [size.d_mm / 2, size.D_mm / 2, C / 2, Math.min(size.ball_mm, (size.C_mm ?? 99) * 0.62)]
  const p = b + (o - b) * 0.5
  const long = size.B_mm
  const left = -long * 0.38
  const right = left + long
  const top = p - GROOVE * e
  const reach = Math.hypot(0, o)
  const screw = right - (right - c) * 0.45
  return {
    pieces: [
      ring([[-c, p + GROOVE * e], [c, p + GROOVE * e], ...arc(reach, c, -c)], true),
      ring(box(left, right, b, top), false),
      { what: 'ball', at: [0, p], radius: e / 2 },
      ring(box(screw - long * 0.045, screw + long * 0.045, b, top + (o - top) * 0.12), true),
      { what: 'cover', from: [-c * 0.84, p + GROOVE * e], to: [-c * 0.84, top], contact: true },
      { what: 'cover', from: [c * 0.84, p + GROOVE * e], to: [c * 0.84, top], contact: true },
    ],
    whole: [left, right],
    inner: [left, right],
    outer: [-c, c],
    bore: b,
    outside: o,
  }
}
