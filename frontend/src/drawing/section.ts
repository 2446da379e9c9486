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

const box = (x1: number, x2: number, r1: number, r2: number): Point[] => [
  [x1, r1],
  [x2, r1],
  [x2, r2],
  [x1, r2],
]
const ring = (points: Point[], outer: boolean): Piece => ({ what: 'ring', points, outer })
const roller = (x: number, r: number, length: number, thick: number, tilt = 0): Piece => {
  const c = Math.cos(tilt)
  const s = Math.sin(tilt)
  const corner = (dx: number, dr: number): Point => [x + dx * c - dr * s, r + dx * s + dr * c]
  const l = length / 2
  const t = thick / 2
  return { what: 'roller', points: [corner(-l, -t), corner(l, -t), corner(l, t), corner(-l, t)] }
}
/** A barrel: wider in the middle than at its ends. */
const barrel = (x: number, r: number, length: number, thick: number, tilt: number): Piece => {
  const points: Point[] = []
  for (const side of [-1, 1])
    for (let i = 0; i <= 6; i++) {
      const along = side * (i / 6 - 0.5) * length * -1
      const bulge = side * (thick / 2) * (1 - 0.28 * (2 * Math.abs(i / 6 - 0.5)) ** 2)
      points.push([
        x + along * Math.cos(tilt) - bulge * Math.sin(tilt),
        r + along * Math.sin(tilt) + bulge * Math.cos(tilt),
      ])
    }
  return { what: 'roller', points }
}
/** An arc of a circle about the axis' middle, from one x to another. */
const arc = (radius: number, from: number, to: number): Point[] =>
  Array.from({ length: 13 }, (_, i) => {
    const x = from + ((to - from) * i) / 12
    return [x, Math.sqrt(Math.max(radius * radius - x * x, 0))] as const
  })

const GROOVE = 0.42
const plain = (size: PartSize, pieces: Piece[]): Half => {
  const w = size.B_mm / 2
  return {
    pieces,
    whole: [-w, w],
    inner: [-w, w],
    outer: [-w, w],
    bore: size.d_mm / 2,
    outside: size.D_mm / 2,
  }
}

function ball(size: PartSize, closure: string): Half {
  const [b, o, w, e] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, size.ball_mm]
  const p = (b + o) / 2
  const pieces = [
    ring(box(-w, w, p + GROOVE * e, o), true),
    ring(box(-w, w, b, p - GROOVE * e), false),
    { what: 'ball', at: [0, p], radius: e / 2 } as Piece,
  ]
  return plain(size, [...pieces, ...covers(closure, w, p - GROOVE * e, p + GROOVE * e)])
}
function covers(closure: string, w: number, inside: number, outside: number): Piece[] {
  const sides = closure.endsWith('_two') ? [-1, 1] : closure.endsWith('_one') ? [-1] : []
  const contact = closure.startsWith('seal')
  const gap = contact ? 0 : (outside - inside) * 0.12
  return sides.map((side) => {
    const x = side * w * 0.86
    return { what: 'cover', from: [x, outside], to: [x, inside + gap], contact }
  })
}
function angular(size: PartSize): Half {
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
function fourPoint(size: PartSize): Half {
  const half = ball(size, 'open')
  const [b, w, e] = [size.d_mm / 2, size.B_mm / 2, size.ball_mm]
  const top = (b + size.D_mm / 2) / 2 - GROOVE * e
  half.pieces[1] = ring(box(-w, -w * 0.012, b, top), false)
  half.pieces.splice(2, 0, ring(box(w * 0.012, w, b, top), false))
  return half
}
function twoBalls(size: PartSize, closure: string, tilting: boolean): Half {
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
function spherical(size: PartSize): Half {
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
const FLANGES: Record<string, readonly [boolean, boolean, boolean, boolean]> = {
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
function cylindrical(size: PartSize, rows: number): Half {
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
function taper(size: PartSize): Half {
  const T = size.T_mm ?? size.B_mm
  const [B, C] = [size.B_mm, size.C_mm ?? size.B_mm * 0.8]
  const alone = size.kind === 'inch_cone' ? 'cone' : size.kind === 'inch_cup' ? 'cup' : ''
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
function thrust(size: PartSize): Half {
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
function needle(size: PartSize): Half {
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
function track(size: PartSize, closure: string): Half {
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
function insert(size: PartSize): Half {
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
function angleRing(size: PartSize): Half {
  const [b, o, w] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2]
  return plain(size, [ring(box(-w, w, b, o), false)])
}

const ROWS: Record<string, number> = { double_row_cylindrical: 2, full_complement_double: 2 }

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
