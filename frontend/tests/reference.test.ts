// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { figure, given, number, unit, words, worked } from '@/reference/figures'

describe('a figure of the handbook', () => {
  it.each([
    ['12', 12],
    ['12,5', 12.5],
    ['.5', 0.5],
    ['−40', -40],
    ['11.5e-6', 11.5e-6],
    ['', null],
    ['12 mm', null],
    ['1.2.3', null],
  ])('as it is typed: %s', (text, value) => expect(number(text)).toBe(value))
  it.each([
    [3.9269908169872414, '3.927'],
    [16666.666666, '16 667'],
    [500, '500'],
    [0, '0'],
    [-0.05, '−0.05'],
    [0.00035, '0.00035'],
    [23938.16, '23 938'],
    [33640123, '33 640 123'],
  ])('as it is shown: %d', (value, text) => expect(figure(value)).toBe(text))
  it.each([
    ['least_squeeze_percent', 2.14912, '2.1'],
    ['growth_um', 15.1267, '15.1'],
    ['groove_diameter_mm', 25.00234, '25.002'],
  ])('of an output counts as far as its unit bears: %s', (name, value, text) =>
    expect(figure(value, name)).toBe(text),
  )
  it('of a list is a sum', () => expect(figure([0.3, 0.3])).toBe('0.3 + 0.3'))
})

describe('a field of the handbook', () => {
  it.each([
    ['shaft_mm', 'mm'],
    ['expansion_per_k', '10⁻⁶/K'],
    ['warmer_k', 'K'],
    ['torque_nm', 'N·m'],
    ['wavelength_nm', 'nm'],
    ['rpm', '1/min'],
    ['l10_h', 'h'],
    ['f0', ''],
  ])('%s is in %s', (name, text) => expect(unit(name)).toBe(text))
  it('of expansion is typed in millionths', () => {
    expect(given('expansion_per_k', '>0', '11.5')).toBeCloseTo(11.5e-6, 12)
  })
  it('that is no number goes to the core as it is, which says so at its name', () => {
    expect(given('shaft_mm', '>0', '50 mm')).toBe('50 mm')
  })
  it('of a choice or a word is what was chosen, and of nothing nothing', () => {
    expect(given('elements', 'choice ball roller', 'ball')).toBe('ball')
    expect(given('shaft_mm', '>0', '  ')).toBeUndefined()
  })
  it('of several is a list, of pairs pairs', () => {
    expect(given('leaves_mm', 'list >0', '0,05 0.1;0.2')).toEqual([0.05, 0.1, 0.2])
    expect(given('shares_and_loads_kn', 'pairs', '0.3:10; 0.7:5')).toEqual([
      [0.3, 10],
      [0.7, 5],
    ])
  })
})

describe('an output', () => {
  it('is called by its name without the unit', () => {
    expect(words('interference_um')).toBe('interference')
    expect(words('outer_ring_per_rev')).toBe('outer ring')
    expect(words('l10_h')).toBe('life L10')
  })
})

describe('the formula with its numbers in it', () => {
  it('has every number that is known', () => {
    const values = { shaft_mm: 50, rpm: 1500, speed_m_s: 3.92699 }
    expect(worked('v = π·{shaft_mm}·{rpm}/60 000 = {speed_m_s} m/s', values)).toBe(
      'v = π·50·1 500/60 000 = 3.927 m/s',
    )
    expect(worked('{a} mm', {})).toBe('… mm')
  })
})
