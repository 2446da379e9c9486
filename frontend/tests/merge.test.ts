import { describe, expect, it } from 'vitest'
import { merge, mergeOrder, takeTheirs } from '@/sheets/merge'

interface Part {
  key: string
  name?: string
  note?: string
}
const sheet = (...parts: Part[]) => ({ parts })
const keys = (merged: { sheet: { parts: Part[] } }) => merged.sheet.parts.map((part) => part.key).join('')

describe('two people at one sheet', () => {
  it('keeps what each typed in another field', () => {
    const base = { marking: '', note: '' }
    const found = merge(base, { marking: '62?5', note: '' }, { marking: '', note: 'rust' })
    expect(found.sheet).toEqual({ marking: '62?5', note: 'rust' })
    expect(found.clashes).toEqual([])
    expect(found.taken).toEqual(['note'])
  })
  it('asks only about a field that both changed, and keeps mine until it is decided', () => {
    const found = merge({ marking: '' }, { marking: '6205' }, { marking: '6206' })
    expect(found.sheet.marking).toBe('6205')
    expect(found.clashes).toEqual([{ path: 'marking', mine: '6205', theirs: '6206' }])
  })
  it('keeps parts that both added at once', () => {
    const found = merge(
      sheet({ key: 'a' }),
      sheet({ key: 'a' }, { key: 'm' }),
      sheet({ key: 'a' }, { key: 't' }),
    )
    expect(keys(found)).toBe('amt')
    expect(found.clashes).toEqual([])
  })
  it('takes a part out that the other took out, and keeps my other change', () => {
    const base = sheet({ key: 'a' }, { key: 'b' }, { key: 'c' })
    const found = merge(
      base,
      sheet({ key: 'a', name: 'cup' }, { key: 'b' }, { key: 'c' }),
      sheet({ key: 'a' }, { key: 'c' }),
    )
    expect(found.sheet.parts).toEqual([{ key: 'a', name: 'cup' }, { key: 'c' }])
  })
  it('asks when one changed what the other took out', () => {
    const found = merge(sheet({ key: 'a', name: '' }), sheet({ key: 'a', name: 'cup' }), sheet())
    expect(found.sheet.parts).toEqual([{ key: 'a', name: 'cup' }])
    expect(found.clashes[0]?.theirs).toBe('nothing')
  })
  it('merges both changes of one part by field', () => {
    const found = merge(
      sheet({ key: 'a', name: '', note: '' }),
      sheet({ key: 'a', name: 'cup', note: '' }),
      sheet({ key: 'a', name: '', note: 'split' }),
    )
    expect(found.sheet.parts).toEqual([{ key: 'a', name: 'cup', note: 'split' }])
  })
  it('puts words of both into a set of words, and takes out what either took out', () => {
    const found = merge(
      { signs: ['heat', 'play'] },
      { signs: ['heat', 'leak'] },
      { signs: ['play', 'noise'] },
    )
    expect(found.sheet.signs).toEqual(['leak', 'noise'])
  })
  it('takes a reading of one feature whole: two means of one width are not mixed', () => {
    const width = (typed: string) => [{ feature: 'width', readings: [{ typed }] }]
    const found = merge(
      { observations: width('15') },
      { observations: width('15.1') },
      { observations: width('14.9') },
    )
    expect(found.clashes).toEqual([{ path: 'observations.width', mine: '15.1', theirs: '14.9' }])
  })
  it('changes nothing that is the same', () => {
    const same = sheet({ key: 'a', name: 'x' })
    expect(merge(same, same, same)).toEqual({ sheet: same, clashes: [], taken: [] })
  })
})

describe('the order of two people', () => {
  const order = (base: string, mine: string, theirs: string) =>
    mergeOrder([...base], [...mine], [...theirs], [...new Set([...mine, ...theirs])]).join('')
  it('is theirs where I moved nothing', () => expect(order('abc', 'abc', 'cab')).toBe('cab'))
  it('is mine where I moved something', () => expect(order('abc', 'bac', 'abc')).toBe('bac'))
  it('puts what they added after its neighbour', () => expect(order('abc', 'bac', 'axbc')).toBe('baxc'))
  it('puts what they added in front at the front', () => expect(order('ab', 'ba', 'xab')).toBe('xba'))
  it('holds every name once', () => {
    const found = order('abcd', 'dcmba', 'abxcdy')
    expect([...found].sort().join('')).toBe('abcdmxy')
  })
})

describe('taking theirs', () => {
  it('puts their value of one path into mine', () => {
    const mine = { parts: [{ key: 'a', name: 'mine', note: 'n' }] }
    const theirs = { parts: [{ key: 'a', name: 'theirs', note: '' }] }
    expect(takeTheirs(mine, theirs, 'parts.a.name').parts).toEqual([{ key: 'a', name: 'theirs', note: 'n' }])
  })
  it('takes a part out that they took out', () => {
    expect(takeTheirs(sheet({ key: 'a' }, { key: 'b' }), sheet({ key: 'b' }), 'parts.a').parts).toEqual([
      { key: 'b' },
    ])
  })
})
