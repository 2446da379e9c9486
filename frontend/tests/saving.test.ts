import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { isAway } from '@/api/client'
import { useSaving } from '@/sheets/saving'
import { percent, shown } from '@/entry/lengths'

beforeEach(() => setActivePinia(createPinia()))

describe('the state of saving in words', () => {
  it('says the worst of all sheets', () => {
    const saving = useSaving()
    expect(saving.words).toBe('no changes')
    saving.changed('line')
    expect(saving.words).toBe('saving')
    saving.refused('bench', 'a size cannot be read')
    saving.away('take-in', 'The server does not answer.')
    expect(saving.words).toBe('saved on this device only: The server does not answer.')
    saving.saved('take-in')
    expect(saving.words).toBe('saved on this device only; not accepted: a size cannot be read')
    saving.saved('bench')
    saving.saved('line')
    expect(saving.words).toMatch(/^saved \d\d:\d\d$/)
  })
  it('stays away while it is tried again', () => {
    const saving = useSaving()
    saving.away('line', 'gone')
    saving.working('line')
    expect(saving.state).toBe('away')
  })
})

it.each([
  [0, true],
  [401, true],
  [502, true],
  [503, true],
  [409, false],
  [422, false],
  [500, false],
])('knows that status %i means try again: %s', (status, away) => {
  expect(isAway({ status, code: '', message: '', field: null, hint: null, current: null })).toBe(away)
})

describe('figures as they are shown', () => {
  it('shows lengths in the unit in hand', () => {
    expect(shown(52.02, 'mm')).toBe('52.02')
    expect(shown(28.575, 'in')).toBe('1.1250')
  })
  it('never shows certainty that it does not have', () => {
    expect(percent(0.99999)).toBe('> 99.9 %')
    expect(percent(0.0001)).toBe('< 0.1 %')
    expect(percent(0.123)).toBe('12 %')
  })
})
