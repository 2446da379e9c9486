import { describe, expect, it } from 'vitest'
import { uncertainty, percent, shown } from '../src/entry/lengths'

describe('a length as it is shown', () => {
  it('has two decimals in mm and four in inches', () => {
    expect(shown(28.575, 'mm')).toBe('28.57')
    expect(shown(28.575, 'in')).toBe('1.1250')
  })
  it('has as many as the instrument is worth', () => {
    expect(shown(24.9962, 'mm', 3)).toBe('24.996')
    expect(shown(25.4, 'in', 3)).toBe('1.00000')
  })
})

describe('a doubt as it is shown', () => {
  it('is rounded to hundredths, and to thousandths where the instrument reads them', () => {
    expect(uncertainty(0.04, 'mm')).toBe('±0.04 mm')
    expect(uncertainty(0.0052, 'mm')).toBe('±0.005 mm')
    expect(uncertainty(0.0254, 'in')).toBe('±0.0010 in')
  })
})

describe('a chance as it is shown', () => {
  it.each([
    [1, '> 99.9 %'],
    [0.9996, '> 99.9 %'],
    [0.9992, '99.9 %'],
    [0.993, '99.3 %'],
    [0.9, '90 %'],
    [0.456, '46 %'],
    [0.1, '10 %'],
    [0.0994, '9.9 %'],
    [0.0006, '0.1 %'],
    [0.0004, '< 0.1 %'],
    [0, '< 0.1 %'],
  ])('%f is said as %s', (p, words) => expect(percent(p)).toBe(words))
  it('is never said as certain, nor as impossible', () => {
    expect(percent(1)).not.toContain('100')
    expect(percent(0)).not.toBe('0 %')
  })
  it('never falls as the chance grows', () => {
    const read = (p: number): number => Number(percent(p).replace(/[^\d.]/g, ''))
    for (let p = 0; p < 0.9995; p += 0.0005) expect(read(p + 0.0005)).toBeGreaterThanOrEqual(read(p))
  })
})
