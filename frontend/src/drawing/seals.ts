import type { Half, PartSize, Piece, Point } from './section'

/** Where a feature is touched: along the axis at a radius, across a diameter, or through a wall. */
export type Mark =
  | { along: 'x'; from: number; to: number; r: number; side: 'above' | 'below' }
  | { along: 'diameter'; r: number; at: number; side: 'left' | 'right' }
  | { along: 'wall'; from: number; to: number; at: number }
export interface SealHalf extends Half {
  marks: Record<string, Mark>
}
export type RingState = 'free' | 'stretched' | 'seated'

const box = (x1: number, x2: number, r1: number, r2: number): Point[] => [
  [x1, r1],
  [x2, r1],
  [x2, r2],
  [x1, r2],
]
const rubber = (points: Point[]): Piece => ({ what: 'rubber', points })
const metal = (points: Point[], outer = true): Piece => ({ what: 'ring', points, outer })
const ghost = (points: Point[]): Piece => ({ what: 'ghost', points })
const spring = (x: number, r: number, radius: number): Piece => ({ what: 'spring', at: [x, r], radius })
const disc = (x: number, r: number, radius: number): Piece => ({ what: 'disc', at: [x, r], radius })

type Sizes = Record<string, number>
const get = (sizes: Sizes, name: string, other = 0): number => sizes[name] ?? other

function whole(
  pieces: Piece[],
  w: readonly [number, number],
  bore: number,
  outside: number,
  marks: SealHalf['marks'],
): SealHalf {
  const at: Point = [w[0], w[1]]
  return { pieces, whole: at, inner: at, outer: at, bore, outside, marks }
}

// lip seals -----------------------------------------------------------------------------------

function lip(kind: string, s: Sizes): SealHalf {
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

function vRing(s: Sizes): SealHalf {
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

// rings ---------------------------------------------------------------------------------------

function xProfile(r: number, c: number): Point[] {
  return Array.from({ length: 48 }, (_, i) => {
    const a = (i / 48) * 2 * Math.PI
    const reach = c * (0.74 + 0.26 * Math.cos(4 * (a - Math.PI / 4)))
    return [1.18 * reach * Math.cos(a), r + 1.18 * reach * Math.sin(a)] as const
  })
}

/** An O-ring or its like: free, stretched on its groove, or squeezed in it. */
function roundRing(kind: string, s: Sizes, state: RingState): SealHalf {
  const c = get(s, 'section_mm', 3.53) / 2
  const free = get(s, 'inside_mm', 37.7) / 2
  const ri = state === 'free' ? free : free * 1.03
  const cs = state === 'free' ? c : c * 0.987
  const r = ri + cs
  const pieces: Piece[] = []
  const [half, depth] = [cs * 1.4, 2 * cs * 0.8]
  if (state === 'seated') {
    pieces.push(
      ghost([
        [-half * 1.9, ri + depth - 0.12 * c],
        [-half, ri + depth - 0.12 * c],
        [-half, ri],
        [half, ri],
        [half, ri + depth - 0.12 * c],
        [half * 1.9, ri + depth - 0.12 * c],
        [half * 1.9, ri - cs * 0.8],
        [-half * 1.9, ri - cs * 0.8],
      ]),
      ghost(box(-half * 1.9, half * 1.9, ri + depth, ri + depth + cs * 0.8)),
    )
    const wide = (Math.PI * cs * cs) / depth / 2 + cs * 0.12
    const points: Point[] = Array.from({ length: 40 }, (_, i) => {
      const a = (i / 40) * 2 * Math.PI
      const power = (v: number): number => Math.sign(v) * Math.abs(v) ** 0.55
      return [wide * power(Math.cos(a)), ri + depth / 2 + (depth / 2) * power(Math.sin(a))] as const
    })
    pieces.push(rubber(points))
  } else if (kind === 'square_ring') pieces.push(rubber(box(-cs, cs, ri, ri + 2 * cs)))
  else if (kind === 'x_ring') pieces.push(rubber(xProfile(r, cs)))
  else pieces.push(disc(0, r, cs))
  if (state === 'stretched') pieces.push({ what: 'outline', at: [0, free + c], radius: c })
  const top = ri + 2 * cs
  const out = state === 'seated' ? ri + depth : top
  return whole(pieces, [-cs, cs], ri, out, {
    inside: { along: 'diameter', r: ri, at: cs * 0.3, side: 'right' },
    outside: { along: 'diameter', r: top, at: -cs * 0.3, side: 'left' },
    section_1: { along: 'wall', from: ri, to: top, at: cs },
    section_2: { along: 'x', from: -cs, to: cs, r: ri, side: 'below' },
    groove_diameter: { along: 'diameter', r: ri, at: -half, side: 'left' },
    groove_width: { along: 'x', from: -half, to: half, r: ri + depth, side: 'above' },
    groove_depth: { along: 'wall', from: ri, to: ri + depth - 0.12 * c, at: half },
  })
}

function backup(kind: string, s: Sizes): SealHalf {
  const [ri, sec, th] = [get(s, 'inside_mm', 38) / 2, get(s, 'section_mm', 3), get(s, 'thickness_mm', 1.2)]
  const [w, ro] = [th / 2, ri + sec]
  const body: Point[] =
    kind === 'backup_concave'
      ? [[-w, ri], [w, ri], [w * 0.35, ri + sec * 0.3], [w * 0.1, ri + sec / 2], [w * 0.35, ri + sec * 0.7], [w, ro], [-w, ro]] // prettier-ignore
      : box(-w, w, ri, ro)
  const pieces: Piece[] = [metal(body)]
  if (kind === 'backup_spiral') pieces.push({ what: 'line', from: [0, ri], to: [0, ro] })
  if (kind === 'backup_split')
    pieces.push({ what: 'line', from: [-w * 1.4, ri + sec * 0.4], to: [w * 1.4, ri + sec * 0.6] })
  return whole(pieces, [-w, w], ri, ro, {
    inside: { along: 'diameter', r: ri, at: w, side: 'right' },
    outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
    section_1: { along: 'wall', from: ri, to: ro, at: w },
    thickness: { along: 'x', from: -w, to: w, r: ri, side: 'below' },
  })
}

// hydraulic seals -----------------------------------------------------------------------------

const PROFILES: Record<string, readonly (readonly [number, number])[]> = {
  u_cup: [[1, 0.04], [1, 0.96], [0.42, 0.98], [0, 1.06], [0.02, 0.86], [0.46, 0.58], [0.52, 0.5], [0.46, 0.42], [0.02, 0.14], [0, -0.06], [0.42, 0.02]],
  u_cup_loaded: [[1, 0.02], [1, 0.98], [0.1, 1.02], [0, 0.94], [0.12, 0.74], [0.36, 0.66], [0.44, 0.5], [0.36, 0.34], [0.12, 0.26], [0, 0.06], [0.1, -0.02]],
  buffer: [[1, 0], [1, 0.62], [0, 0.62], [0, 0.12], [0.3, -0.04]],
} // prettier-ignore
const WIPERS: Record<string, readonly (readonly [number, number])[]> = {
  wiper: [[0, 0.1], [0, 1], [1, 1], [1, 0.36], [1.5, 0.02], [1.62, -0.06], [1.3, -0.04], [0.5, 0.3], [0.4, 0.1]],
  wiper_double: [[0, 1], [1, 1], [1, 0.4], [1.55, -0.04], [1.25, -0.02], [0.8, 0.34], [0.4, 0.36], [0.02, -0.04], [0, 0.14]],
  wiper_cased: [[0.18, 0.2], [0.18, 0.8], [0.86, 0.8], [0.9, 0.5], [1.5, 0.02], [1.3, -0.06], [0.6, 0.28]],
} // prettier-ignore

function hydraulic(kind: string, s: Sizes): SealHalf {
  const ri = get(s, 'inside_mm', 40) / 2
  const sec = get(s, 'section_mm') || (get(s, 'outside_mm', 50) - get(s, 'inside_mm', 40)) / 2
  const h = get(s, 'height_mm', 8)
  const base = get(s, 'base_mm') || h * 0.62
  const ro = ri + sec
  const w = h / 2
  const pieces: Piece[] = []
  const place = (points: readonly (readonly [number, number])[], long: number): Point[] =>
    points.map(([x, r]) => [-w + x * long, ri + r * sec] as const)
  const profile = PROFILES[kind]
  const wiper = WIPERS[kind]
  if (profile) pieces.push(rubber(place(profile, h)))
  else if (wiper) {
    const reach = Math.max(...wiper.map(([x]) => x))
    const scaled = wiper.map(
      ([x, r]) => [x <= 1 ? x * base : base + ((x - 1) / (reach - 1)) * (h - base), r] as const,
    )
    pieces.push(rubber(scaled.map(([x, r]) => [-w + x, ri + r * sec] as const)))
    if (kind === 'wiper_cased')
      pieces.push(metal([[-w, ri + 0.1 * sec], [-w + 0.12 * base, ri + 0.1 * sec], [-w + 0.12 * base, ri + 0.88 * sec], [-w + base, ri + 0.88 * sec], [-w + base, ro], [-w, ro]])) // prettier-ignore
  } else if (kind === 'piston_seal') {
    pieces.push(metal(box(-w, w, ro - sec * 0.42, ro)))
    const r = Math.min(sec * 0.31, w)
    pieces.push(disc(0, ri + r, r))
  } else pieces.push(metal(box(-w, w, ri, ro)))
  if (kind === 'u_cup_loaded') pieces.push(disc(-w + 0.22 * h, ri + sec / 2, sec * 0.2))
  if (kind === 'buffer') pieces.push(disc(0, ri + 0.81 * sec, sec * 0.19))
  const piston = kind === 'piston_seal'
  return whole(pieces, [-w, w], ri, ro, {
    rod: { along: 'diameter', r: ri, at: w, side: 'right' },
    inside: { along: 'diameter', r: ri, at: w, side: 'right' },
    bore: { along: 'diameter', r: ro, at: -w, side: 'left' },
    outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
    groove_diameter: {
      along: 'diameter',
      r: piston ? ri : ro,
      at: piston ? w : -w,
      side: piston ? 'right' : 'left',
    },
    section: { along: 'wall', from: ri, to: ro, at: w },
    height: { along: 'x', from: -w, to: w, r: ri, side: 'below' },
    groove_width: { along: 'x', from: -w - 0.06 * h, to: w + 0.06 * h, r: ro, side: 'above' },
    base_height: { along: 'x', from: -w, to: -w + base, r: ro, side: 'above' },
  })
}

// face seals ----------------------------------------------------------------------------------

function face(kind: string, s: Sizes): SealHalf {
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

// retaining rings, washers, keys --------------------------------------------------------------

function retaining(kind: string, s: Sizes): SealHalf {
  const [d, g] = [get(s, 'size_mm', 25) / 2, get(s, 'groove_mm', 23.9) / 2]
  const [m, t] = [get(s, 'slot_mm', 1.3), get(s, 'thickness_mm', 1.2)]
  const inBore = g > d
  const deep = Math.max(0.16 * d, 2 * Math.abs(d - g))
  const reach = Math.max(2.2 * m, 0.9 * deep)
  const wall = Math.min(0.35 * d, 1.1 * deep)
  const shaft: Point[] = inBore
    ? [[-reach, d + wall], [reach, d + wall], [reach, d], [m / 2, d], [m / 2, g], [-m / 2, g], [-m / 2, d], [-reach, d]]
    : [[-reach, d], [-m / 2, d], [-m / 2, g], [m / 2, g], [m / 2, d], [reach, d], [reach, Math.max(d - wall, 0.2)], [-reach, Math.max(d - wall, 0.2)]] // prettier-ignore
  const at = m / 2 - t
  const pieces: Piece[] = [ghost(shaft)]
  if (kind.startsWith('wire')) pieces.push(disc(0, inBore ? g - t / 2 : g + t / 2, t / 2))
  else pieces.push(metal(inBore ? box(at, at + t, g - deep, g) : box(at, at + t, g, g + deep)))
  const inner = inBore ? g - deep : g
  return whole(pieces, [-reach, reach], inner, inBore ? d + wall : Math.max(d, g + deep), {
    shaft: { along: 'diameter', r: d, at: -reach, side: 'left' },
    bore: { along: 'diameter', r: d, at: -reach, side: 'left' },
    groove_diameter: { along: 'diameter', r: g, at: m / 2, side: 'right' },
    groove_width: {
      along: 'x',
      from: -m / 2,
      to: m / 2,
      r: inBore ? d + wall : Math.max(d, g + deep),
      side: 'above',
    },
    thickness: { along: 'x', from: at, to: at + t, r: inner, side: 'below' },
    free_inside: { along: 'diameter', r: get(s, 'free_mm', 2 * g) / 2, at, side: 'right' },
  })
}

function washer(kind: string, s: Sizes): SealHalf {
  const [ri, ro, t] = [get(s, 'inside_mm', 14) / 2, get(s, 'outside_mm', 18) / 2, get(s, 'thickness_mm', 1.5)]
  const w = t / 2
  const pieces: Piece[] = []
  if (kind === 'felt_ring')
    pieces.push(rubber([[-w, ri], [w, ri], [w * 0.7, ro], [-w * 0.7, ro]])) // prettier-ignore
  else if (kind === 'wave_washer')
    pieces.push(metal([[-w, ri], [w, ri], [w * 2.6, (ri + ro) / 2], [w, ro], [-w, ro], [w * 0.6, (ri + ro) / 2]])) // prettier-ignore
  else pieces.push(metal(box(-w, w, ri, ro)))
  if (kind === 'tab_washer')
    pieces.push(metal(box(w, w + 3 * t, ri, ri + t)), metal(box(-w - 2.4 * t, -w, ro - t, ro)))
  if (kind === 'plain_thrust_washer') pieces.push(rubber(box(w, w + t * 0.16, ri, ro)))
  return whole(pieces, [-w, w], ri, ro, {
    inside: { along: 'diameter', r: ri, at: w, side: 'right' },
    outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
    thickness: { along: 'x', from: -w, to: w, r: ri, side: 'below' },
  })
}

function key(kind: string, s: Sizes): SealHalf {
  const [b, h, l] = [get(s, 'width_mm', 8), get(s, 'height_mm', 7), get(s, 'length_mm', 32)]
  const x0 = -l / 2
  const side = box(x0, l / 2, 0, h)
  const end = l / 2 + b * 0.9
  const plan: Point[] = []
  if (kind === 'key_round')
    for (const [middle, from] of [
      [x0 + b / 2, 90],
      [l / 2 - b / 2, -90],
    ] as const)
      // prettier-ignore
      for (let i = 0; i <= 8; i++) {
        const a = ((from + (i / 8) * 180) * Math.PI) / 180
        plan.push([middle + (b / 2) * Math.cos(a), h + b * 1.1 + (b / 2) * Math.sin(a)])
      }
  else plan.push(...box(x0, l / 2, h + b * 0.6, h + b * 1.6))
  return {
    ...whole(
      [metal(side), metal(plan, false), metal(box(end, end + b, 0, h))],
      [x0, end + b],
      0,
      h + b * 1.7,
      {
        key_length: { along: 'x', from: x0, to: l / 2, r: 0, side: 'below' },
        key_height: { along: 'wall', from: 0, to: h, at: end + b },
        key_width: { along: 'x', from: end, to: end + b, r: h, side: 'above' },
      },
    ),
  }
}

const HYDRAULIC = [
  'u_cup',
  'u_cup_loaded',
  'buffer',
  'wiper',
  'wiper_double',
  'wiper_cased',
  'piston_seal',
  'wear_band',
]
const WASHERS = [
  'copper_washer',
  'shim',
  'support_washer',
  'plain_thrust_washer',
  'wave_washer',
  'felt_ring',
  'tab_washer',
]

/** The half above the axis of a seal, ring or small part; nothing for a bearing. */
export function sealSection(size: PartSize, state: RingState = 'free'): SealHalf | null {
  const kind = size.kind ?? ''
  const sizes = size.sizes ?? {}
  if (kind === 'v_ring') return vRing(sizes)
  if (kind.startsWith('lip_') || kind === 'cassette' || kind === 'axial_seal') return lip(kind, sizes)
  if (['o_ring', 'square_ring', 'x_ring'].includes(kind)) return roundRing(kind, sizes, state)
  if (kind.startsWith('backup_')) return backup(kind, sizes)
  if (HYDRAULIC.includes(kind)) return hydraulic(kind, sizes)
  if (kind.startsWith('face_')) return face(kind, sizes)
  if (kind.startsWith('ring_') || kind.startsWith('wire_') || kind === 'e_ring') return retaining(kind, sizes)
  if (WASHERS.includes(kind)) return washer(kind, sizes)
  if (kind.startsWith('key_')) return key(kind, sizes)
  return null
}
/** A key lies by itself: it has no axis. */
export const hasAxis = (kind: string): boolean => !kind.startsWith('key_')
/** Kinds that can be shown free, stretched and seated. */
export const hasStates = (kind: string): boolean => ['o_ring', 'square_ring', 'x_ring'].includes(kind)

/** Usual proportions of every kind, for pictures and while nothing is known. */
export const USUAL_SEALS: Record<string, Sizes> = {
  ...Object.fromEntries(
    ['lip_rubber', 'lip_rubber_dust', 'lip_metal', 'lip_metal_dust', 'lip_metal_cased', 'lip_metal_cased_dust', 'lip_grease', 'lip_two', 'lip_split', 'axial_seal'].map(
      (kind) => [kind, { shaft_mm: 35, bore_mm: 52, width_mm: kind === 'lip_two' ? 10 : 8 }],
    ), // prettier-ignore
  ),
  cassette: { shaft_mm: 50, bore_mm: 65, width_mm: 15 },
  v_ring: { shaft_mm: 36, bore_mm: 46, width_mm: 9 },
  o_ring: { inside_mm: 20, section_mm: 3.5 },
  square_ring: { inside_mm: 20, section_mm: 3.5 },
  x_ring: { inside_mm: 20, section_mm: 3.5 },
  backup_solid: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_split: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_spiral: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_concave: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  ...Object.fromEntries(
    ['u_cup', 'u_cup_loaded', 'buffer', 'wear_band'].map((kind) => [
      kind,
      {
        inside_mm: 40,
        outside_mm: kind === 'wear_band' ? 45 : 55,
        section_mm: kind === 'wear_band' ? 2.5 : 7.5,
        height_mm: 10,
      },
    ]),
  ),
  wiper: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  wiper_double: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  wiper_cased: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  piston_seal: { inside_mm: 52, outside_mm: 63, section_mm: 5.5, height_mm: 4.2 },
  ...Object.fromEntries(
    ['face_conical', 'face_bellows', 'face_many', 'face_wave'].map((kind) => [
      kind,
      { shaft_mm: 25, seat_outside_mm: 40, seat_thickness_mm: 9, working_length_mm: 40 },
    ]),
  ),
  ring_shaft: { size_mm: 25, groove_mm: 23.9, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 23.2 },
  ring_shaft_inch: { size_mm: 25.4, groove_mm: 23.9, slot_mm: 1.2, thickness_mm: 1.07, free_mm: 23.5 },
  ring_bore: { size_mm: 25, groove_mm: 26.2, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 26.9 },
  ring_bore_inch: { size_mm: 25.4, groove_mm: 27.1, slot_mm: 1.2, thickness_mm: 1.07, free_mm: 28.2 },
  e_ring: { size_mm: 10, groove_mm: 8, slot_mm: 1.05, thickness_mm: 1, free_mm: 6.8 },
  wire_shaft: { size_mm: 20, groove_mm: 19, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 18.3 },
  wire_bore: { size_mm: 20, groove_mm: 21, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 21.7 },
  copper_washer: { inside_mm: 14, outside_mm: 20, thickness_mm: 1.5 },
  shim: { inside_mm: 25, outside_mm: 35, thickness_mm: 0.5 },
  support_washer: { inside_mm: 25, outside_mm: 35, thickness_mm: 2 },
  plain_thrust_washer: { inside_mm: 20, outside_mm: 36, thickness_mm: 1.5 },
  wave_washer: { inside_mm: 24, outside_mm: 30, thickness_mm: 0.6 },
  felt_ring: { inside_mm: 35, outside_mm: 47, thickness_mm: 5 },
  tab_washer: { inside_mm: 25, outside_mm: 42, thickness_mm: 1.25 },
  key_round: { width_mm: 8, height_mm: 7, length_mm: 32 },
  key_square: { width_mm: 8, height_mm: 7, length_mm: 32 },
}
