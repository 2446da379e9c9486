import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { bodyPath, layLine, type DrawnKind, type LaidPart } from '@/drawing/lineLayout'

/** The kinds as the core's own table has them. */
const table = readFileSync('../src/ample/core/assembly/part_kinds.csv', 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .map((line) => line.split(','))
const head = table[0] as string[]
const kinds = new Map<string, DrawnKind>(
  table.slice(1).map((row) => {
    const of = (name: string): string => row[head.indexOf(name)] ?? ''
    const share = (name: string): number => Number(of(`${name}_share`))
    return [
      of('kind'),
      {
        kind: of('kind'),
        drawn: of('drawn'),
        telling: of('telling'),
        inside_share: share('inside'),
        outside_share: share('outside'),
        width_share: share('width'),
      },
    ]
  }),
)
const room = { width: 1100, height: 200, slot: 19 }
function part(kind: string, sizes: Partial<LaidPart> = {}): LaidPart {
  return {
    key: kind,
    kind,
    inside_mm: null,
    outside_mm: null,
    width_mm: null,
    left_mark: 'flat',
    right_mark: 'flat',
    ...sizes,
  }
}

describe('a line on paper', () => {
  it('draws what is known to one scale', () => {
    const { slots, scale } = layLine(
      [
        part('ball_bearing', { inside_mm: 25, outside_mm: 52, width_mm: 15 }),
        part('gear', { inside_mm: 25, outside_mm: 60, width_mm: 30 }),
      ],
      kinds,
      room,
    )
    expect(slots[0]?.shapeWidth).toBeCloseTo(15 * scale)
    expect(slots[1]?.shapeWidth).toBeCloseTo(30 * scale)
    expect(slots[1]?.outer).toBeCloseTo(30 * scale)
    expect(slots.every((slot) => slot.known)).toBe(true)
  })
  it('gives what is unknown a place in proportion to the shaft', () => {
    const { slots, scale } = layLine([part('lip_seal'), part('shaft', { outside_mm: 40 })], kinds, room)
    expect(slots[0]?.known).toBe(false)
    expect(slots[0]?.inner).toBeCloseTo(20 * scale)
    expect(slots[0]?.outer).toBeGreaterThan(slots[0]?.inner ?? 0)
  })
  it.each([1, 12, 40, 200])('keeps %i parts apart and in order', (count) => {
    const parts = Array.from({ length: count }, (_, i) => ({
      ...part([...kinds.keys()][i % kinds.size] as string),
      key: `k${i}`,
    }))
    const { slots, width } = layLine(parts, kinds, { ...room, scroll: true })
    for (const [i, slot] of slots.entries()) {
      expect(slot.width).toBeGreaterThanOrEqual(room.slot)
      expect(slot.outer).toBeLessThanOrEqual(room.height / 2)
      if (i) expect(slot.x).toBeCloseTo((slots[i - 1]?.x ?? 0) + (slots[i - 1]?.width ?? 0))
    }
    expect(width).toBeCloseTo(slots.reduce((sum, slot) => sum + slot.width, 0))
  })
  it('fits twelve parts into the width it has', () => {
    const { width } = layLine(
      Array.from({ length: 12 }, () => part('ball_bearing')),
      kinds,
      room,
    )
    expect(width).toBeLessThanOrEqual(room.width + 1)
  })
  it('breaks off what is far larger than the rest instead of making all else tiny', () => {
    const small = Array.from({ length: 6 }, () =>
      part('ball_bearing', { inside_mm: 20, outside_mm: 47, width_mm: 14 }),
    )
    const { slots } = layLine(
      [...small, part('gear', { inside_mm: 20, outside_mm: 400, width_mm: 30 })],
      kinds,
      room,
    )
    expect(slots.at(-1)?.broken).toBe(true)
    expect(slots[0]?.broken).toBe(false)
    expect(slots[0]?.outer).toBeGreaterThan(50)
  })
  it('knows the side of a lip and of a wide end', () => {
    const side = (kind: string, marks: Partial<LaidPart>) =>
      layLine([part(kind, marks)], kinds, room).slots[0]?.side
    expect(side('lip_seal', { left_mark: 'lip' })).toBe('left')
    expect(side('lip_seal', { right_mark: 'spring' })).toBe('right')
    expect(side('taper_bearing', { right_mark: 'wide' })).toBe('right')
    expect(side('circlip', { left_mark: 'sharp' })).toBe('right')
    expect(side('spacer', { left_mark: 'flat' })).toBe('')
  })
  it('does not let a ring in its gland thicken the shaft', () => {
    const { slots, scale } = layLine(
      [
        part('rod', { outside_mm: 28, width_mm: 100 }),
        part('o_ring', { inside_mm: 43, outside_mm: 50, width_mm: 3.5 }),
      ],
      kinds,
      room,
    )
    expect(slots[1]?.body).toBeCloseTo(14 * scale)
  })
  it('draws the shaft from end to end and back to the axis', () => {
    const { slots } = layLine([part('ball_bearing'), part('shaft', { outside_mm: 60 })], kinds, room)
    const path = bodyPath(slots, 100)
    expect(path.startsWith('M-14 100V')).toBe(true)
    expect(path.endsWith('V100')).toBe(true)
    expect(bodyPath([], 100)).toBe('')
  })
})
