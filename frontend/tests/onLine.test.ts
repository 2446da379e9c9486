import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { Piece, Point } from '@/drawing/geometry'
import { fill } from '@/drawing/onLine'

/** What the core's own table says is drawn. */
const rows = readFileSync('../src/ample/core/assembly/part_kinds.csv', 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .map((line) => line.split(','))
const at = (rows[0] as string[]).indexOf('drawn')
const DRAWN = [...new Set(rows.slice(1).map((row) => row[at] as string))]
const place = { inner: 25, outer: 52, width: 30 }
const points = (pieces: Piece[]): Point[] =>
  pieces.flatMap((piece) =>
    'points' in piece
      ? piece.points
      : 'at' in piece
        ? [
            [piece.at[0], piece.at[1] - piece.radius] as const,
            [piece.at[0], piece.at[1] + piece.radius] as const,
          ]
        : [piece.from, piece.to],
  )

describe('a part in its place on a line', () => {
  it.each(DRAWN.filter((drawn) => drawn !== 'shaft'))('%s lies between its radii', (drawn) => {
    const { pieces, once } = fill(drawn, place)
    expect(pieces.length).toBeGreaterThan(0)
    if (once) return
    const own = points(pieces)
    const wall = place.outer - place.inner
    for (const [, r] of own) {
      expect(r).toBeGreaterThan(place.inner - 0.07 * wall)
      expect(r).toBeLessThan(place.outer + 0.11 * wall)
    }
    expect(Math.max(...own.map(([, r]) => r))).toBeGreaterThan(place.inner + 0.9 * wall)
  })
  it.each(DRAWN.filter((drawn) => !['shaft', 'o_ring', 'wiper', 'inch_cup', 'inch_cone'].includes(drawn)))(
    '%s fills the width of its place',
    (drawn) => {
      const own = points(fill(drawn, place).pieces).map(([x]) => x)
      expect(Math.max(...own) - Math.min(...own)).toBeGreaterThan(0.85 * place.width)
      expect(Math.max(...own) - Math.min(...own)).toBeLessThan(1.12 * place.width)
    },
  )
  it('draws an O-ring round, as its section is', () => {
    const [piece] = fill('o_ring', { inner: 20, outer: 27, width: 7 }).pieces
    expect(piece).toMatchObject({ what: 'disc', at: [0, 23.5], radius: 3.5 })
  })
  it.each(['taper', 'inch_cone'])('%s has its wide end at the left', (drawn) => {
    const cone = fill(drawn, place).pieces.find((piece) => piece.what === 'ring' && !piece.outer)
    const own = (cone as { points: Point[] }).points
    const half = (side: number): number => Math.max(...own.filter(([x]) => x * side > 5).map(([, r]) => r))
    expect(half(-1)).toBeGreaterThan(half(1))
  })
  it.each(['lip_rubber', 'u_cup', 'wiper'])('%s has its lip at the left', (drawn) => {
    const own = points(fill(drawn, place).pieces.filter((piece) => piece.what === 'rubber'))
    const lowest = own.reduce((a, b) => (b[1] < a[1] ? b : a))
    expect(lowest[0]).toBeLessThan(0)
  })
  it('draws what crosses the axis once', () => {
    expect(fill('screw', place).once).toBe(true)
    expect(fill('key', place).once).toBe(true)
    expect(fill('nut', place).once).toBe(false)
  })
})
