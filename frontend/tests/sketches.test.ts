import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { SKETCHES } from '@/reference/sketch'
import { laid } from '@/reference/sketch/laid'
import { Numbers, type Sketch } from '@/reference/sketch/sketch'

/** The published cases of the handbook: what each drawing is given. */
interface Case {
  inputs: Record<string, number>
  names: Set<string>
}
const pairs = (cell: string): [string, string][] =>
  cell.split(' ').flatMap((pair): [string, string][] => {
    const at = pair.indexOf('=')
    return at < 0 ? [] : [[pair.slice(0, at), pair.slice(at + 1)]]
  })
const cases = new Map<string, Case[]>()
for (const row of readFileSync('../tests/published/calculations.csv', 'utf8').split('\n')) {
  const cells = row.match(/"[^"]*"|[^,]+/g) ?? []
  const [question = '', inputs = '', outputs = ''] = cells.map((cell) => cell.replace(/"/g, ''))
  if (!(question in SKETCHES)) continue
  const given = pairs(inputs)
  const numbers = given.flatMap(([name, value]): [string, number][] =>
    value !== '' && Number.isFinite(Number(value)) ? [[name, Number(value)]] : [],
  )
  const found: Case = {
    inputs: Object.fromEntries(numbers),
    names: new Set([...given, ...pairs(outputs)].map(([name]) => name)),
  }
  cases.set(question, [...(cases.get(question) ?? []), found])
}
/** Drawn larger than they are, or of a coupling of no size. */
const NOT_TO_SCALE = new Set(['flange_gap_mm', 'swing_diameter_mm'])
const every = (sketch: Sketch): number[] =>
  sketch.shapes.flatMap((shape) =>
    shape.form === 'path' ? shape.points.flat() : [...shape.at, shape.form === 'circle' ? shape.r : shape.rx],
  )
const known = (): boolean => true

describe.each(Object.entries(SKETCHES))('the drawing of %s', (question, drawer) => {
  it('draws every length of its page as long as it is', () => {
    const own = (cases.get(question) ?? []).filter((each) => Object.keys(each.inputs).length)
    for (const { inputs } of own) {
      for (const line of drawer(new Numbers(inputs)).dimensions) {
        const value = inputs[line.name]
        if (value === undefined || value <= 0 || NOT_TO_SCALE.has(line.name)) continue
        const along = line.along === 'x' ? 0 : 1
        expect(Math.abs(line.to[along] - line.from[along]), line.name).toBeCloseTo(value, 6)
      }
    }
  })
  it('names only what its page asks or answers', () => {
    const names = new Set((cases.get(question) ?? []).flatMap((each) => [...each.names]))
    const sketch = drawer(new Numbers({}))
    const said = [...sketch.dimensions, ...(sketch.notes ?? [])].map((each) => each.name)
    expect(said.filter((name) => names.has(name)).length).toBeGreaterThan(0)
  })
  it('stays on its sheet, before anything is filled in and with figures that cannot be', () => {
    const fields = [...new Set((cases.get(question) ?? []).flatMap((each) => Object.keys(each.inputs)))]
    const odd = [1e-4, 7, 5000, -3, Number.NaN]
    const tried = [{}, ...odd.flatMap((value) => fields.map((name) => ({ [name]: value })))]
    for (const values of tried) {
      const sketch = drawer(new Numbers(values))
      expect(every(sketch).every(Number.isFinite)).toBe(true)
      const at = laid(sketch, 780, 290, known)
      expect(at.scale).toBeGreaterThan(0)
      for (const label of at.labels) {
        expect(label.x, label.name).toBeGreaterThan(0)
        expect(label.x, label.name).toBeLessThan(780)
        expect(label.y, label.name).toBeGreaterThan(0)
        expect(label.y, label.name).toBeLessThan(290)
      }
    }
  })
})

it('shows a dimension too short for its arrows with the arrows outside', () => {
  const sketch: Sketch = {
    shapes: [{ form: 'circle', fill: 'line', at: [0, 0], r: 100 }],
    dimensions: [
      { name: 'long', from: [-100, 0], to: [100, 0], along: 'x', off: 1 },
      { name: 'short', from: [95, 0], to: [100, 0], along: 'x', off: 2 },
    ],
  }
  const [long, short] = laid(sketch, 780, 290, known).lines
  expect([long?.short, short?.short]).toEqual([false, true])
  expect(long?.from[1]).toBeLessThan(short?.from[1] ?? 0)
})
it('leaves out what the page does not know', () => {
  const sketch: Sketch = {
    shapes: [{ form: 'circle', fill: 'line', at: [0, 0], r: 1 }],
    dimensions: [{ name: 'unknown', from: [-1, 0], to: [1, 0], along: 'x', off: 1 }],
    notes: [{ name: 'known', at: [0, 0], dx: 0.1, dy: 0 }],
  }
  const at = laid(sketch, 780, 330, (name) => name === 'known')
  expect(at.lines).toEqual([])
  expect(at.labels.map((each) => each.name)).toEqual(['known'])
})
