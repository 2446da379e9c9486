import type { Piece, Point } from '../geometry'
import { box } from '../shapes'
import { disc, get, ghost, metal, rubber, whole, type SealHalf, type Sizes } from './pieces'

/** A stamped ring's section: its left face has the rounded edges of the punch. */
export function clip(x1: number, x2: number, r1: number, r2: number): Point[] {
  const round = Math.min(0.5 * (x2 - x1), 0.3 * (r2 - r1))
  const corner = (x: number, r: number, from: number): Point[] =>
    Array.from({ length: 5 }, (_, i) => {
      const a = from - (i * Math.PI) / 8
      return [x + round * Math.cos(a), r + round * Math.sin(a)] as const
    })
  return [
    [x2, r1],
    ...corner(x1 + round, r1 + round, (3 * Math.PI) / 2),
    ...corner(x1 + round, r2 - round, Math.PI),
    [x2, r2],
  ]
}

/** A retaining ring in the groove of its shaft or bore. */
export function retaining(kind: string, s: Sizes): SealHalf {
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
  else pieces.push(metal(inBore ? clip(at, at + t, g - deep, g) : clip(at, at + t, g, g + deep)))
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

/** A washer, shim or felt. */
export function washer(kind: string, s: Sizes): SealHalf {
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

/** A slice of a disc: the flat side above. */
function slice(l: number, h: number): Point[] {
  const disc = (h * h + (l * l) / 4) / (2 * h)
  return Array.from({ length: 17 }, (_, i) => {
    const x = -l / 2 + (l * i) / 16
    return [x, disc - Math.sqrt(Math.max(disc * disc - x * x, 0))] as const
  })
}
/** A key: side, plan and end. */
export function key(kind: string, s: Sizes): SealHalf {
  const [b, h, l] = [get(s, 'width_mm', 8), get(s, 'height_mm', 7), get(s, 'length_mm', 32)]
  const x0 = -l / 2
  const side = kind === 'key_woodruff' ? slice(l, h) : box(x0, l / 2, 0, h)
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
