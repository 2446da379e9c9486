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

/** What a ring fills of its groove: its section pressed to a depth, the area kept. */
function pressed(cs: number, depth: number, middle: Point, across: 'r' | 'x'): Piece {
  const wide = (Math.PI * cs * cs) / depth / 2 + cs * 0.12
  const [a, b] = across === 'r' ? [wide, depth / 2] : [depth / 2, wide]
  const power = (v: number): number => Math.sign(v) * Math.abs(v) ** 0.55
  return rubber(
    Array.from({ length: 40 }, (_, i) => {
      const at = (i / 40) * 2 * Math.PI
      return [middle[0] + a * power(Math.cos(at)), middle[1] + b * power(Math.sin(at))] as const
    }),
  )
}

const TIGHT = 0.8 // depth of a gland, of the section

/** On a shaft: the ring stands on the bottom of a groove, the bore closes over it. */
function onShaft(ri: number, cs: number): SealHalf {
  const [half, depth] = [cs * 1.4, 2 * cs * TIGHT]
  const [mouth, far] = [ri + depth - 0.12 * cs, half * 1.9]
  const shaft = [[-far, mouth], [-half, mouth], [-half, ri], [half, ri], [half, mouth], [far, mouth]] // prettier-ignore
  const pieces = [
    ghost([...(shaft as unknown as Point[]), [far, ri - cs * 0.8], [-far, ri - cs * 0.8]]),
    ghost(box(-far, far, ri + depth, ri + depth + cs * 0.8)),
    pressed(cs, depth, [0, ri + depth / 2], 'r'),
  ]
  return whole(pieces, [-cs, cs], ri, ri + depth, {
    groove_diameter: { along: 'diameter', r: ri, at: -half, side: 'left' },
    groove_width: { along: 'x', from: -half, to: half, r: ri + depth, side: 'above' },
    groove_depth: { along: 'wall', from: ri, to: mouth, at: half },
  })
}

/** In a bore: the ring stands against the bottom of a groove around it, the shaft closes it. */
function inBore(ro: number, cs: number): SealHalf {
  const [half, depth] = [cs * 1.4, 2 * cs * TIGHT]
  const [mouth, far] = [ro - depth + 0.12 * cs, half * 1.9]
  const housing = [[-far, mouth], [-half, mouth], [-half, ro], [half, ro], [half, mouth], [far, mouth]] // prettier-ignore
  const pieces = [
    ghost([...(housing as unknown as Point[]), [far, ro + cs * 0.8], [-far, ro + cs * 0.8]]),
    ghost(box(-far, far, ro - depth - cs * 0.8, ro - depth)),
    pressed(cs, depth, [0, ro - depth / 2], 'r'),
  ]
  return whole(pieces, [-cs, cs], ro - depth, ro + cs * 0.8, {
    bore_groove_diameter: { along: 'diameter', r: ro, at: -half, side: 'left' },
    groove_width: { along: 'x', from: -half, to: half, r: ro - depth, side: 'below' },
    groove_depth: { along: 'wall', from: mouth, to: ro, at: half },
  })
}

/** In a face: the ring lies against the outer wall of a groove, a flat face closes it. */
function inFace(ro: number, cs: number): SealHalf {
  const [wide, depth] = [2 * cs * 1.35, 2 * cs * 0.75]
  const [inner, back] = [ro - wide, -depth / 2]
  const face = depth / 2
  const block = [
    [face, ro + cs], [face, ro], [back, ro], [back, inner], [face, inner], [face, inner - cs],
    [back - cs, inner - cs], [back - cs, ro + cs],
  ] // prettier-ignore
  const high = (Math.PI * cs * cs) / depth / 2 + cs * 0.12
  const pieces = [
    ghost(block as unknown as Point[]),
    ghost(box(face, face + cs, inner - cs, ro + cs)),
    pressed(cs, depth, [0, ro - high], 'x'),
  ]
  return whole(pieces, [back, face], inner, ro + cs, {
    face_groove_outside: { along: 'diameter', r: ro, at: back, side: 'left' },
    face_groove_inside: { along: 'diameter', r: inner, at: face, side: 'right' },
    groove_depth: { along: 'x', from: back, to: face, r: ro, side: 'above' },
    groove_width: { along: 'wall', from: inner, to: ro, at: back },
  })
}

const FLANK = (66 * Math.PI) / 180
/** In a dovetail of a face: its opening is narrower than the ring, its floor wider. */
function inDovetail(middle: number, cs: number): SealHalf {
  const [open, depth] = [2 * cs * 0.84, 2 * cs * 0.8]
  const [face, back, under] = [depth / 2, -depth / 2, depth / Math.tan(FLANK)]
  const [low, high] = [middle - open / 2, middle + open / 2]
  const [bottom, top] = [low - under - cs, high + under + cs]
  const block = [
    [face, top], [face, high], [back, high + under], [back, low - under], [face, low], [face, bottom],
    [back - cs, bottom], [back - cs, top],
  ] // prettier-ignore
  const pieces = [
    ghost(block as unknown as Point[]),
    ghost(box(face, face + cs, bottom, top)),
    pressed(cs, depth, [0, middle], 'x'),
  ]
  return whole(pieces, [back, face], low, high, {
    dovetail_diameter: { along: 'diameter', r: high, at: face, side: 'right' },
    groove_depth: { along: 'x', from: back, to: face, r: high + under, side: 'above' },
    dovetail_opening: { along: 'wall', from: low, to: high, at: face },
  })
}

/** Under a connector that is screwed in: a triangle between its flange, what it stands on and the chamfer of the port. */
function underConnector(ri: number, cs: number): SealHalf {
  const leg = 2 * cs * 1.33
  const [left, right] = [-leg / 2, leg / 2]
  const ring = (leg * (2 - Math.SQRT2)) / 2
  const port = [[right, ri], [left, ri + leg], [left, ri + leg + cs], [right + 2 * cs, ri + leg + cs], [right + 2 * cs, ri]] // prettier-ignore
  const pieces = [
    ghost(box(left - cs, left, ri - cs, ri + leg + cs)),
    ghost(box(left, right + 2 * cs, ri - cs, ri)),
    ghost(port as unknown as Point[]),
    disc(left + ring, ri + ring, ring),
  ]
  return whole(pieces, [left, right], ri, ri + leg, {
    connector_diameter: { along: 'diameter', r: ri, at: right, side: 'right' },
    connector_leg: { along: 'x', from: left, to: right, r: ri + leg, side: 'above' },
  })
}

/** An O-ring or its like: free, stretched on its groove, or squeezed in it. */
export function roundRing(kind: string, s: Sizes, state: RingState): SealHalf {
  const c = get(s, 'section_mm', 3.53) / 2
  const free = get(s, 'inside_mm', 37.7) / 2
  if (state === 'in_bore') return inBore((free + 2 * c) * 0.985, c)
  if (state === 'in_dovetail') return inDovetail(free + c, c)
  if (state === 'under_connector') return underConnector(free * 1.01, c)
  if (state === 'in_face') return inFace((free + 2 * c) * 0.99, c)
  const ri = state === 'free' ? free : free * 1.03
  const cs = state === 'free' ? c : c * 0.987
  if (state === 'seated') return onShaft(ri, cs)
  const r = ri + cs
  const top = ri + 2 * cs
  const pieces: Piece[] = []
  if (kind === 'square_ring') pieces.push(rubber(box(-cs, cs, ri, top)))
  else if (kind === 'x_ring') pieces.push(rubber(xProfile(r, cs)))
  else pieces.push(disc(0, r, cs))
  if (state === 'stretched') pieces.push({ what: 'outline', at: [0, free + c], radius: c })
  return whole(pieces, [-cs, cs], ri, top, {
    inside: { along: 'diameter', r: ri, at: cs * 0.3, side: 'right' },
    outside: { along: 'diameter', r: top, at: -cs * 0.3, side: 'left' },
    section_1: { along: 'wall', from: ri, to: top, at: cs },
    section_2: { along: 'x', from: -cs, to: cs, r: ri, side: 'below' },
  })
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
