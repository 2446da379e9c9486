import type { Half, PartSize, Piece, Point } from '../geometry'

export const ring = (points: Point[], outer: boolean): Piece => ({ what: 'ring', points, outer })
export const roller = (x: number, r: number, length: number, thick: number, tilt = 0): Piece => {
  const c = Math.cos(tilt)
  const s = Math.sin(tilt)
  const corner = (dx: number, dr: number): Point => [x + dx * c - dr * s, r + dx * s + dr * c]
  const l = length / 2
  const t = thick / 2
  return { what: 'roller', points: [corner(-l, -t), corner(l, -t), corner(l, t), corner(-l, t)] }
}
/** A barrel: wider in the middle than at its ends. */
export const barrel = (x: number, r: number, length: number, thick: number, tilt: number): Piece => {
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
export const arc = (radius: number, from: number, to: number): Point[] =>
  Array.from({ length: 13 }, (_, i) => {
    const x = from + ((to - from) * i) / 12
    return [x, Math.sqrt(Math.max(radius * radius - x * x, 0))] as const
  })

export const GROOVE = 0.42
export const plain = (size: PartSize, pieces: Piece[]): Half => {
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

export function covers(closure: string, w: number, inside: number, outside: number): Piece[] {
  const sides = closure.endsWith('_two') ? [-1, 1] : closure.endsWith('_one') ? [-1] : []
  const contact = closure.startsWith('seal')
  const gap = contact ? 0 : (outside - inside) * 0.12
  return sides.map((side) => {
    const x = side * w * 0.86
    return { what: 'cover', from: [x, outside], to: [x, inside + gap], contact }
  })
}
