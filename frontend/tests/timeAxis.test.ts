import { describe, expect, it } from 'vitest'
import { dayOf, dayWords, isoOf, levels, ticks } from '@/drawing/timeAxis'

describe('days', () => {
  it('go to a number and back, over leap days and summer time', () => {
    for (const iso of ['1970-01-01', '2024-02-29', '2026-03-29', '2026-10-25', '2199-12-31'])
      expect(isoOf(dayOf(iso))).toBe(iso)
    expect(dayOf('2024-03-01') - dayOf('2024-02-28')).toBe(2)
  })
  it('are written as a person writes them', () => {
    expect(dayWords('2026-11-07')).toBe('7 Nov 2026')
  })
})

describe('ticks', () => {
  it.each([
    ['2026-01-10', '2026-11-20', 9],
    ['2024-05-01', '2028-02-01', 9],
    ['2000-01-01', '2049-12-31', 10],
  ])('between %s and %s are few, inside, and years at their beginning', (from, to, most) => {
    const found = ticks(dayOf(from), dayOf(to))
    expect(found.length).toBeGreaterThan(2)
    expect(found.length).toBeLessThanOrEqual(most)
    for (const tick of found) {
      expect(tick.day).toBeGreaterThanOrEqual(dayOf(from))
      expect(tick.day).toBeLessThanOrEqual(dayOf(to))
      expect(isoOf(tick.day).endsWith('-01')).toBe(true)
      if (tick.year) expect(isoOf(tick.day)).toBe(`${tick.words}-01-01`)
    }
  })
})

describe('levels', () => {
  it.each([
    [97, [0, 50]],
    [0.31, [0, 0.1, 0.2, 0.3]],
    [1200, [0, 500, 1000]],
  ])('up to %s are round', (largest, wanted) => {
    expect(levels(largest)).toEqual(wanted)
  })
})
