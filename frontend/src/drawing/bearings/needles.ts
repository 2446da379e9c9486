import type { Half, PartSize, Point } from '../geometry'
import { box } from '../shapes'
import { covers, GROOVE, plain, ring, roller } from './pieces'

export function needle(size: PartSize): Half {
  const C = size.C_mm ?? size.B_mm
  const [b, o, w] = [size.d_mm / 2, size.D_mm / 2, C / 2]
  const kind = size.kind
  const e = Math.min(size.ball_mm, (o - b) * 0.8)
  const half = plain({ ...size, B_mm: C }, [])
  if (kind === 'needle_cage') {
    const rim = Math.min(w * 0.16, (o - b) * 0.6)
    half.pieces = [
      ring(box(-w, -w + rim, b + (o - b) * 0.14, o - (o - b) * 0.14), false),
      ring(box(w - rim, w, b + (o - b) * 0.14, o - (o - b) * 0.14), false),
      roller(0, (b + o) / 2, 2 * (w - rim) * 0.97, o - b),
    ]
  } else if (kind === 'needle_no_ring') {
    const rim = w * 0.15
    const high = b + e
    half.pieces = [
      ring(
        [
          [-w, o],
          [w, o],
          [w, high - e * 0.55],
          [w - rim, high - e * 0.55],
          [w - rim, high],
          [-w + rim, high],
          [-w + rim, high - e * 0.55],
          [-w, high - e * 0.55],
        ],
        true,
      ),
      roller(0, b + e / 2, 2 * (w - rim) * 0.96, e),
    ]
  } else {
    const wall = (o - b) * 0.28
    const closed = kind === 'drawn_cup_closed'
    const lip = o - wall - (o - b) * 0.45
    const end: Point[] = closed
      ? [
          [-w, 0],
          [-w + wall * 0.9, 0],
          [-w + wall * 0.9, o - wall],
        ]
      : [
          [-w, lip],
          [-w + wall * 0.8, lip],
          [-w + wall * 0.8, o - wall],
        ]
    half.pieces = [
      ring([[-w, o], ...end, [w - wall * 0.8, o - wall], [w - wall * 0.8, lip], [w, lip], [w, o]], true),
      roller(0, b + (o - wall - b) / 2, 2 * (w - 1.7 * wall), o - wall - b),
    ]
  }
  return half
}
/** Needles for the radial load, and at one end a row of balls for load along the shaft. */
export function needleWithBalls(size: PartSize): Half {
  const [b, o, w, c] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, (size.C_mm ?? size.B_mm) / 2]
  const e = Math.min(size.ball_mm, (o - b) * 0.5)
  const half: Half = { pieces: [], whole: [-w, w], inner: [-w, w], outer: [-c, c], bore: b, outside: o }
  if (size.kind === 'needle_thrust') {
    const washer = w - 0.2 * w
    const radius = Math.min(0.3 * w, (o - b) * 0.42)
    const end = washer - 2 * radius
    half.pieces = [
      ring(box(-w, end, b + e, o), true),
      roller((-w + end) / 2, b + e / 2, (end + w) * 0.78, e),
      { what: 'ball', at: [(end + washer) / 2, (b + o) / 2], radius },
      ring(box(washer, w, b, o), false),
    ]
    return half
  }
  const low = b + (o - b) * 0.32
  half.pieces = [
    ring(box(-c, c, low + e, o), true),
    ring(box(-w, w, b, low), false),
    roller(-c * 0.25, low + e / 2, c * 1.15, e),
    { what: 'ball', at: [c * 0.66, low + e / 2], radius: e * 0.62 },
  ]
  return half
}
/** Two caps on the cross that turns in them, along the axis of both. */
export function jointCross(size: PartSize): Half {
  const [o, w] = [size.D_mm / 2, (size.C_mm ?? size.B_mm) / 2]
  const [wall, e] = [o * 0.15, o * 0.18]
  const cap = Math.min(o * 1.25, w * 0.62)
  const pin = o - wall - e
  const capped = (side: 1 | -1): Point[] => [
    [side * w, 0],
    [side * w, o],
    [side * (w - cap), o],
    [side * (w - cap), o - wall],
    [side * (w - wall), o - wall],
    [side * (w - wall), 0],
  ]
  const needles = (side: 1 | -1) =>
    roller(side * (w - wall - (cap - wall) / 2), pin + e / 2, (cap - wall) * 0.86, e)
  const [end, body] = [w - wall * 1.1, Math.min(o * 1.1, (w - cap) * 0.85)]
  const cross: Point[] = [
    [-end, 0],
    [-end, pin],
    [-body, pin],
    [-body, o * 0.98],
    [body, o * 0.98],
    [body, pin],
    [end, pin],
    [end, 0],
  ]
  return {
    pieces: [ring(capped(-1), true), ring(capped(1), true), ring(cross, false), needles(-1), needles(1)],
    whole: [-w, w],
    inner: [-w, w],
    outer: [-w, w],
    bore: 0,
    outside: o,
  }
}
export function track(size: PartSize, closure: string): Half {
  const C = size.C_mm ?? size.B_mm
  const [b, o, w, c, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, C / 2, size.ball_mm]
  const crown = o * 0.004 + (o - b) * 0.02
  const outside: Point[] = [
    [c, o - crown],
    [c * 0.5, o - crown * 0.25],
    [0, o],
    [-c * 0.5, o - crown * 0.25],
    [-c, o - crown],
  ]
  const half: Half = {
    pieces: [],
    whole: [-w, w],
    inner: [-w, w],
    outer: [-c, c],
    bore: b,
    outside: o,
  }
  if (size.kind === 'track_roller_ball') {
    const p = b + (o - b) * 0.42
    const r = Math.min(e, (o - b) * 0.36)
    half.pieces = [
      ring([[-c, p + GROOVE * r], [c, p + GROOVE * r], ...outside], true),
      ring(box(-w, w, b, p - GROOVE * r), false),
      { what: 'ball', at: [0, p], radius: r / 2 },
      ...covers(closure, w, p - GROOVE * r, p + GROOVE * r),
    ]
    return half
  }
  const stud = size.kind === 'track_roller_stud'
  const low = stud ? b + (o - b) * 0.14 : b + (o - b) * 0.26
  const high = low + (o - b) * 0.16
  half.pieces = [ring([[-c, high], [c, high], ...outside], true)]
  half.pieces.push(roller(0, (low + high) / 2, 2 * c * 0.78, high - low))
  if (stud) {
    half.pieces.push(
      ring(
        [
          [-c * 0.98, 0],
          [w * 3.2, 0],
          [w * 3.2, b * 0.92],
          [w * 3.1, b],
          [w, b],
          [c, b + (o - b) * 0.34],
          [c * 0.84, b + (o - b) * 0.34],
          [c * 0.84, low],
          [-c * 0.8, low],
          [-c * 0.8, high + (o - b) * 0.1],
          [-c * 0.98, high + (o - b) * 0.1],
        ],
        false,
      ),
    )
    return { ...half, bore: b }
  }
  const wall = Math.max((w - c) * 0.9, c * 0.1)
  half.pieces.push(
    ring(box(-w + wall, w - wall, b, low), false),
    ring(box(-w, -w + wall, b, high + (o - b) * 0.12), false),
    ring(box(w - wall, w, b, high + (o - b) * 0.12), false),
  )
  return half
}
