import { describe, expect, it } from 'vitest'
import * as edit from '@/line/lineEdits'
import type { LinePart, LineSheet, Tie } from '@/line/lineEdits'

const KIND = { kind: 'lip_seal', left: 'lip', right: 'flat' }
function part(key: string, line = 'main', beside = false): LinePart {
  return { ...edit.makePart(KIND, line), key, beside }
}
function sheetOf(letters: string, ties: Tie[] = []): LineSheet {
  const line = {
    key: 'main',
    name: 'shaft',
    inside: 'oil',
    left_end: 'air',
    right_end: 'water',
    count: 1,
  } as const
  return { lines: [line], parts: [...letters].map((each) => part(each)), ties, loose: [] }
}
const order = (sheet: LineSheet, line = 'main') =>
  edit
    .along(sheet, line)
    .map((each) => each.key)
    .join('')
const tie = (parts: string, end: 'left' | 'right'): Tie => ({
  key: 'tie1',
  line: 'main',
  end,
  parts: [...parts],
  thickness: { typed: '', unit: 'mm', mm: null },
  words: 'shim',
})

describe('a line', () => {
  it('takes a part after the chosen one, or at its end', () => {
    expect(order(edit.withPart(sheetOf('abc'), part('x'), 'a'))).toBe('axbc')
    expect(order(edit.withPart(sheetOf('abc'), part('x'), null))).toBe('abcx')
  })
  it('moves a part past its neighbours and stops at the ends', () => {
    expect(order(edit.moved(sheetOf('abc'), 'a', 1))).toBe('bac')
    expect(order(edit.moved(sheetOf('abc'), 'c', -2))).toBe('cab')
    expect(order(edit.moved(sheetOf('abc'), 'c', 1))).toBe('abc')
  })
  it('moves past what hangs beside it without counting it', () => {
    const sheet = sheetOf('ab')
    sheet.parts.splice(1, 0, part('h', 'main', true))
    expect(order(edit.moved(sheet, 'a', 1))).toBe('ba')
  })
  it('puts a dragged part at its place, on another shaft too', () => {
    expect(order(edit.movedTo(sheetOf('abcd'), 'a', 'main', 2))).toBe('bcad')
    const two = sheetOf('abc')
    two.lines = [
      ...two.lines,
      { key: 'othr', name: 'other', inside: '', left_end: '', right_end: '', count: 1 },
    ]
    const moved = edit.movedTo(two, 'b', 'othr', 0)
    expect([order(moved), order(moved, 'othr')]).toEqual(['ac', 'b'])
  })
  it('loses a tie with its last part', () => {
    const sheet = sheetOf('abc', [tie('ab', 'left')])
    expect(edit.withoutPart(sheet, 'a').ties[0]?.parts).toEqual(['b'])
    expect(edit.withoutPart(edit.withoutPart(sheet, 'a'), 'b').ties).toEqual([])
  })
})

describe('orientation', () => {
  it('turns the marks and leaves what stands before each face', () => {
    const seal = { ...part('a'), left: { mark: 'lip' as const, looks_at: 'air' as const } }
    const turned = edit.turned(seal)
    expect(turned.left).toEqual({ mark: 'flat', looks_at: 'air' })
    expect(turned.right?.mark).toBe('lip')
  })
  it('reverses a line with its faces, ends and ties; twice is the same line', () => {
    const sheet = sheetOf('abc', [tie('ab', 'left')])
    const back = edit.reversed(sheet, 'main')
    expect(order(back)).toBe('cba')
    expect(back.lines[0]).toMatchObject({ left_end: 'water', right_end: 'air' })
    expect(back.parts[0]?.right?.mark).toBe('lip')
    expect(back.ties[0]?.end).toBe('right')
    expect(edit.reversed(back, 'main')).toEqual(sheet)
  })
})

describe('what is tied', () => {
  it('may lie where it lay', () => {
    const sheet = sheetOf('abcdef', [tie('ab', 'left')])
    expect(edit.tieBroken(sheet, edit.moved(sheet, 'd', 1))).toBeNull()
  })
  it('is pulled apart by a part between, or by going over the middle', () => {
    const sheet = sheetOf('abcdef', [tie('ab', 'left')])
    expect(edit.tieBroken(sheet, edit.moved(sheet, 'a', 2))?.key).toBe('tie1')
    const one = sheetOf('abcdef', [tie('a', 'left')])
    expect(edit.tieBroken(one, edit.moved(one, 'a', 1))).toBeNull()
    expect(edit.tieBroken(one, edit.moved(one, 'a', 4))?.key).toBe('tie1')
  })
  it('is not asked about twice', () => {
    const apart = sheetOf('acbdef', [tie('ab', 'left')])
    expect(edit.tieBroken(apart, edit.moved(apart, 'a', 3))).toBeNull()
  })
})

it('makes keys that the server takes', () => {
  const keys = Array.from({ length: 200 }, () => edit.newKeyOf('p'))
  expect(new Set(keys).size).toBe(200)
  for (const key of keys) expect(key).toMatch(/^[a-z0-9]{4,24}$/)
})
