import { describe, expect, it } from 'vitest'
import { layPart } from '../src/drawing/partLayout'
import type { PartSize, Point } from '../src/drawing/geometry'
import { halfSection } from '../src/drawing/section'
import { USUAL } from '../src/drawing/sizes'

const KINDS = Object.keys(USUAL)
const usual = (kind: string): PartSize => USUAL[kind] as PartSize
const points = (size: PartSize): Point[] =>
  halfSection(size).pieces.flatMap((piece) =>
    'points' in piece ? piece.points : 'at' in piece ? [piece.at] : [piece.from, piece.to],
  )
const scaled = (size: PartSize, by: number): PartSize => ({
  ...size,
  d_mm: size.d_mm * by,
  D_mm: size.D_mm * by,
  B_mm: size.B_mm * by,
  T_mm: size.T_mm && size.T_mm * by,
  C_mm: size.C_mm && size.C_mm * by,
  ball_mm: size.ball_mm * by,
})
const WITH_CUP = ['bore', 'outside', 'width', 'outer_ring_width']
const ASKED: Record<string, string[]> = {
  taper: ['bore', 'outside', 'assembled_width', 'outer_ring_width', 'inner_ring_width'],
  inch_taper: ['bore', 'outside', 'assembled_width', 'outer_ring_width', 'inner_ring_width'],
  metric_cone: ['bore', 'inner_ring_width'],
  metric_cup: ['outside', 'outer_ring_width'],
  inch_cone: ['bore', 'inner_ring_width'],
  inch_cup: ['outside', 'outer_ring_width'],
  insert: WITH_CUP,
}
const asked = (kind: string): string[] =>
  ASKED[kind] ?? (kind.startsWith('track') ? WITH_CUP : ['bore', 'outside', 'width'])

describe('the section of every kind', () => {
  it.each(KINDS)('%s stays between its bore and its outside', (kind) => {
    const size = usual(kind)
    const half = halfSection(size)
    const radii = points(size).map(([, r]) => r)
    if (half.outside) expect(Math.max(...radii)).toBeLessThanOrEqual(half.outside + 1e-6)
    const solid = kind === 'track_roller_stud' || kind === 'drawn_cup_closed'
    if (half.bore && !solid) expect(Math.min(...radii)).toBeGreaterThanOrEqual(half.bore - 1e-6)
  })
  it.each(KINDS)('%s is as wide as it is sold', (kind) => {
    const size = usual(kind)
    const half = halfSection(size)
    const wide = half.whole[1] - half.whole[0]
    expect(wide).toBeCloseTo(size.T_mm ?? size.B_mm, 6)
  })
  it.each(KINDS)('%s grows with its sizes and keeps its shape', (kind) => {
    const one = points(usual(kind))
    const ten = points(scaled(usual(kind), 10))
    one.forEach(([x, r], i) => {
      expect(ten[i]?.[0]).toBeCloseTo(10 * x, 6)
      expect(ten[i]?.[1]).toBeCloseTo(10 * r, 6)
    })
  })
  it.each(KINDS)('%s has no ring turned inside out', (kind) => {
    for (const piece of halfSection(usual(kind)).pieces) {
      if (!('points' in piece)) continue
      let area = 0
      piece.points.forEach(([x, r], i) => {
        const [nx, nr] = piece.points[(i + 1) % piece.points.length] as Point
        area += x * nr - nx * r
      })
      expect(Math.abs(area)).toBeGreaterThan(0)
    }
  })
})

/** Half a field, where the drawing begins on its sheet, and where what stands beside it begins: px. */
const [FIELD_HALF, SHEET_LEFT, ABOUT_LEFT] = [84, 18, 626]
describe('the bench sheet', () => {
  const bores = [3, 10, 25, 60, 150, 400]
  it.each(KINDS.flatMap((kind) => bores.map((bore) => [kind, bore] as const)))(
    '%s of %d mm: the drawing and its fields stay on the sheet and apart',
    (kind, bore) => {
      const base = usual(kind)
      const size = scaled(base, bore / (base.d_mm || base.D_mm * 0.7))
      const at = layPart(size, 'open', asked(kind))
      const tops = at.lines.map((line) => line.field)
      for (const { x, y } of tops) {
        expect(x).toBeGreaterThan(FIELD_HALF - SHEET_LEFT)
        expect(x).toBeLessThan(ABOUT_LEFT - FIELD_HALF - SHEET_LEFT)
        expect(y).toBeGreaterThan(36)
        expect(y).toBeLessThan(432)
      }
      tops.forEach((a, i) =>
        tops.slice(i + 1).forEach((b) => {
          expect(Math.abs(a.x - b.x) >= 168 || Math.abs(a.y - b.y) >= 72).toBe(true)
        }),
      )
    },
  )
  it('breaks a thin ring off short of its axis, so that its section can be seen', () => {
    const thin = usual('thin_section')
    const at = layPart(scaled(thin, 3), 'open', ['bore', 'outside', 'width'])
    expect(at.broken).toBe(true)
    expect(((thin.D_mm - thin.d_mm) / 2) * 3 * at.scale).toBeGreaterThan(60)
  })
  it('draws an ordinary bearing whole and to one scale', () => {
    const at = layPart(usual('deep_groove'), 'open', ['bore', 'outside', 'width'])
    expect(at.broken).toBe(false)
    const outside = at.lines.find((line) => line.feature === 'outside')
    expect((outside?.to[1] ?? 0) - (outside?.from[1] ?? 0) + 2).toBeCloseTo(52 * at.scale, 6)
  })
})
