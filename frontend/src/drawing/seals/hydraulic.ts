import type { Piece, Point } from '../geometry'
import { box } from '../shapes'
import { disc, get, ghost, metal, rubber, whole, type RingState, type SealHalf, type Sizes } from './pieces'

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

const PLAY = 0.06
/** How far groove and rod or bore are drawn beyond the seal, in heights and sections. */
const LAND = 0.32
const WALL = 0.24

interface At {
  /** From the left of the groove to its right. */
  from: number
  to: number
  ri: number
  ro: number
  land: number
  wall: number
  /** Clearance of the land to the rod or bore; a wiper's groove is open to the air. */
  left: number
  right: number
}

/** A gland with its rod below, or a piston with its bore above, about the groove. */
function groove(at: At, onPiston: boolean): Piece[] {
  const { from, to, ri, ro, land, wall, left, right } = at
  const [x0, x1] = [from - land, to + land]
  if (onPiston)
    return [
      ghost([[x0, ri - wall], [x1, ri - wall], [x1, ro - right], [to, ro - right], [to, ri], [from, ri], [from, ro - left], [x0, ro - left]]), // prettier-ignore
      ghost(box(x0, x1, ro, ro + wall)),
    ]
  return [
    ghost([[x0, ro + wall], [x1, ro + wall], [x1, ri + right], [to, ri + right], [to, ro], [from, ro], [from, ri + left], [x0, ri + left]]), // prettier-ignore
    ghost(box(x0, x1, Math.max(ri - wall, 0.1), ri)),
  ]
}

/** The rubber and metal of the seal between two radii. */
function body(kind: string, ri: number, sec: number, h: number, base: number, seated: boolean): Piece[] {
  const w = h / 2
  const held = (r: number): number => (seated ? Math.min(Math.max(r, 0), 1) : r)
  const place = (points: readonly (readonly [number, number])[], long: (x: number) => number): Point[] =>
    points.map(([x, r]) => [-w + long(x), ri + held(r) * sec] as const)
  const ro = ri + sec
  const profile = PROFILES[kind]
  const wiper = WIPERS[kind]
  if (profile) {
    const cup = [rubber(place(profile, (x) => x * h))]
    if (kind === 'u_cup_loaded') cup.push(disc(-w + 0.22 * h, ri + sec / 2, sec * 0.2))
    if (kind === 'buffer') cup.push(disc(0, ri + 0.81 * sec, sec * 0.19))
    return cup
  }
  if (wiper) {
    const reach = Math.max(...wiper.map(([x]) => x))
    const long = (x: number): number => (x <= 1 ? x * base : base + ((x - 1) / (reach - 1)) * (h - base))
    const lipped = [rubber(place(wiper, long))]
    if (kind === 'wiper_cased')
      lipped.push(metal([[-w, ri + 0.1 * sec], [-w + 0.12 * base, ri + 0.1 * sec], [-w + 0.12 * base, ri + 0.88 * sec], [-w + base, ri + 0.88 * sec], [-w + base, ro], [-w, ro]])) // prettier-ignore
    return lipped
  }
  if (kind === 'piston_seal') {
    const r = Math.min(sec * 0.29, w) // between the groove and the slide ring
    return [metal(box(-w, w, ro - sec * 0.42, ro)), disc(0, ri + r, r)]
  }
  return [metal(box(-w, w, ri, ro))]
}

/** A seal of a hydraulic cylinder: by itself, or seated between groove and rod or bore. */
export function hydraulic(kind: string, s: Sizes, state: RingState): SealHalf {
  const ri = get(s, 'inside_mm', 40) / 2
  const sec = get(s, 'section_mm') || (get(s, 'outside_mm', 50) - get(s, 'inside_mm', 40)) / 2
  const h = get(s, 'height_mm', 8)
  const wiper = kind in WIPERS
  const base = wiper ? get(s, 'base_mm') || h * 0.62 : h * 0.62
  const [ro, w] = [ri + sec, h / 2]
  const piston = kind === 'piston_seal'
  const seated = state === 'seated'
  const pieces = body(kind, ri, sec, h, base, seated)
  const rod: SealHalf['marks'] = {
    rod: { along: 'diameter', r: ri, at: w, side: 'right' },
    bore: { along: 'diameter', r: ro, at: -w, side: 'left' },
  }
  if (!seated)
    return whole(pieces, [-w, w], ri, ro, {
      ...rod,
      inside: { along: 'diameter', r: ri, at: w, side: 'right' },
      outside: { along: 'diameter', r: ro, at: -w, side: 'left' },
      section: { along: 'wall', from: ri, to: ro, at: w },
      height: { along: 'x', from: -w, to: w, r: ri, side: 'below' },
      base_height: { along: 'x', from: -w, to: -w + base, r: ro, side: 'above' },
    })
  const [from, to] = [-w - PLAY * h, (wiper ? -w + base : w) + PLAY * h]
  const clear = 0.08 * sec
  const at = { from, to, ri, ro, land: LAND * h, wall: WALL * sec, left: clear, right: wiper ? 0.5 * sec : clear } // prettier-ignore
  return whole([...groove(at, piston), ...pieces], [-w, w], ri, ro, {
    ...rod,
    groove_diameter: {
      along: 'diameter',
      r: piston ? ri : ro,
      at: piston ? to : from,
      side: piston ? 'right' : 'left',
    },
    groove_width: { along: 'x', from, to, r: piston ? ri : ro, side: piston ? 'below' : 'above' },
  })
}
