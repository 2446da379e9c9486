import type { Piece, Point } from '../geometry'
import { box } from '../shapes'
import { disc, get, ghost, metal, rubber, whole, type RingState, type SealHalf, type Sizes } from './pieces'

function xProfile(r: number, c: number): Point[] {
  return Array.from({ length: 48 }, (_, i) => {
    const a = (i / 48) * 2 * Math.PI
    const reach = c * (0.74 + 0.26 * Math.cos(4 * (a - Math.PI / 4)))
    return [1.18 * reach * Math.cos(a), r + 1.18 * reach * Math.sin(a)] as const
  })
}

/** An O-ring or its like: free, stretched on its groove, or squeezed in it. */
export function roundRing(kind: string, s: Sizes, state: RingState): SealHalf {
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
  const marks: SealHalf['marks'] =
    state === 'seated'
      ? {
          groove_diameter: { along: 'diameter', r: ri, at: -half, side: 'left' },
          groove_width: { along: 'x', from: -half, to: half, r: ri + depth, side: 'above' },
          groove_depth: { along: 'wall', from: ri, to: ri + depth - 0.12 * c, at: half },
        }
      : {
          inside: { along: 'diameter', r: ri, at: cs * 0.3, side: 'right' },
          outside: { along: 'diameter', r: top, at: -cs * 0.3, side: 'left' },
          section_1: { along: 'wall', from: ri, to: top, at: cs },
          section_2: { along: 'x', from: -cs, to: cs, r: ri, side: 'below' },
        }
  return whole(pieces, [-cs, cs], ri, out, marks)
}

/** A backup ring, which keeps an O-ring from being pressed into the gap. */
export function backup(kind: string, s: Sizes): SealHalf {
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
