// @vitest-environment node
import { machine, settled, type Answers, type Asked } from './machine'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useTrade, type Trade } from '@/job/useTrade'
import * as edit from '@/line/lineEdits'
import type { LinePart, LineSheet } from '@/line/lineEdits'
import { useLine } from '@/line/useLine'

const KINDS = ['lip_seal', 'shim', 'bearing'].map((kind) => ({
  kind,
  key: kind[0],
  words: kind.replace('_', ' '),
  left: 'flat',
  right: 'flat',
}))
const MAIN = {
  key: 'main',
  name: 'main shaft',
  inside: 'oil',
  left_end: 'air',
  right_end: 'water',
  count: 1,
} as const
const part = (key: string, more: Partial<LinePart> = {}): LinePart => ({
  ...edit.makePart({ kind: 'shim', left: 'flat', right: 'flat' }, 'main'),
  key,
  ...more,
})
const sheetOf = (letters: string): LineSheet => ({
  lines: [{ ...MAIN }],
  parts: [...letters].map((each) => part(each)),
  ties: [],
  loose: [],
})

/** A server that keeps one line, checks nothing and refuses what was made from an older version. */
class Server {
  sheet = sheetOf('abc')
  version = 1
  away = false
  asked: Asked[] = []
  answers: Answers = ({ method, path, body }) => {
    if (this.away) return null
    if (path === '/api/calc/line-check')
      return { body: { verdicts: {}, contradictions: [], facing: {}, loose: [], refused: [] } }
    if (path.endsWith('/line') && method === 'PUT')
      return this.put(body as { sheet: LineSheet; version: number })
    if (path.endsWith('/line')) return { body: this.whole() }
    return { body: { part_id: 12 } }
  }
  private put(sent: { sheet: LineSheet; version: number }) {
    if (sent.version !== this.version)
      return {
        status: 409,
        body: {
          error: {
            code: 'changed',
            message: 'changed',
            field: null,
            hint: null,
            current: { sheet: this.sheet, version: this.version },
          },
        },
      }
    this.sheet = sent.sheet
    this.version += 1
    return { body: this.whole() }
  }
  whole = () => ({
    sheet: this.sheet,
    version: this.version,
    access: 'cheap',
    decisions: [],
    photos: [],
    acknowledged: [],
    on_bench: {},
    judged_by: {},
  })
}

let scope: EffectScope
let server: Server
async function begun(letters = 'abc') {
  server.sheet = sheetOf(letters)
  server.asked = machine(server.answers)
  useTrade().tables = { kinds: KINDS } as unknown as Trade
  const line = scope.run(() => useLine('0409'))
  if (!line) throw new Error('the scope has ended')
  await line.load()
  await settled(300)
  return line
}
const order = (line: Awaited<ReturnType<typeof begun>>) => line.parts.value.map((each) => each.key).join('')
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
  server = new Server()
})
afterEach(async () => {
  scope.stop()
  await settled(3000)
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a line on the screen', () => {
  it('opens on its first part', async () => {
    const line = await begun()
    expect([line.line.value?.name, line.selected.value, order(line)]).toEqual(['main shaft', 'a', 'abc'])
  })
  it('adds a part after the chosen one and chooses it', async () => {
    const line = await begun()
    line.add('bearing')
    const made = line.part.value
    expect(made?.kind).toBe('bearing')
    expect(order(line)).toBe(`a${made?.key}bc`)
  })
  it('makes a shaft for the first part when there is none', async () => {
    const line = await begun('')
    server.sheet.lines = []
    line.change({ ...edit.EMPTY })
    line.add('shim')
    expect(line.sheet.value.lines.map((each) => each.name)).toEqual(['main shaft'])
    expect(line.parts.value).toHaveLength(1)
  })
  it('does not add what no table knows', async () => {
    const line = await begun()
    line.add('unicorn')
    expect(order(line)).toBe('abc')
    expect(line.canUndo.value).toBe(false)
  })
  it('chooses the neighbour of what is taken off', async () => {
    const line = await begun()
    line.selected.value = 'b'
    line.remove()
    expect([order(line), line.selected.value]).toEqual(['ac', 'c'])
    line.remove()
    expect([order(line), line.selected.value]).toEqual(['a', 'a'])
  })
  it('stops at its ends', async () => {
    const line = await begun()
    line.select(-5)
    expect(line.selected.value).toBe('a')
    line.select(99)
    expect(line.selected.value).toBe('c')
  })
  it('goes round its shafts, and takes away only an empty one', async () => {
    const line = await begun()
    line.addLine('second shaft')
    expect([line.line.value?.name, line.selected.value]).toEqual(['second shaft', null])
    line.selectLine(1)
    expect([line.line.value?.name, line.selected.value]).toEqual(['main shaft', 'a'])
    line.removeLine()
    expect(line.sheet.value.lines).toHaveLength(2)
    line.selectLine(1)
    line.removeLine()
    expect(line.sheet.value.lines).toHaveLength(1)
    expect(line.line.value?.name).toBe('main shaft')
  })
})

describe('taking back', () => {
  it('undoes and redoes each change, and says whether there is one', async () => {
    const line = await begun()
    line.change(edit.moved(line.sheet.value, 'a', 1))
    line.change(edit.moved(line.sheet.value, 'a', 1))
    expect(order(line)).toBe('bca')
    line.undoStep()
    expect(order(line)).toBe('bac')
    line.undoStep()
    expect([order(line), line.canUndo.value, line.undoStep()]).toEqual(['abc', false, false])
    line.redoStep()
    line.redoStep()
    expect([order(line), line.canRedo.value]).toEqual(['bca', false])
  })
  it('forgets what could be done again once something else is done', async () => {
    const line = await begun()
    line.change(edit.moved(line.sheet.value, 'a', 1))
    line.undoStep()
    line.patch('c', { name: 'shim 0.3' })
    expect(line.canRedo.value).toBe(false)
  })
  it('takes typing in one field as one step', async () => {
    const line = await begun()
    for (const name of ['s', 'sh', 'shi', 'shim']) line.patch('a', { name })
    line.undoStep()
    expect(line.part.value?.name).toBe('')
  })
  it('takes typing after a pause, or in another part, as its own step', async () => {
    const line = await begun()
    line.patch('a', { name: 'one' })
    await settled(2500)
    line.patch('a', { name: 'one two' })
    line.patch('b', { name: 'other' })
    line.undoStep()
    line.undoStep()
    expect(line.sheet.value.parts.map((each) => each.name)).toEqual(['one', '', ''])
  })
  it('leaves alone what someone else did meanwhile', async () => {
    const line = await begun()
    line.patch('a', { name: 'mine' })
    server.sheet = { ...sheetOf('abc'), parts: [part('a'), part('b', { name: 'theirs' }), part('c')] }
    server.version = 7
    await settled(3000)
    expect(server.sheet.parts.map((each) => each.name)).toEqual(['mine', 'theirs', ''])
    line.undoStep()
    await settled(3000)
    expect(server.sheet.parts.map((each) => each.name)).toEqual(['', 'theirs', ''])
  })
  it('makes no step of a change that changes nothing', async () => {
    const line = await begun()
    line.patch('a', { name: '' })
    line.patch('nobody', { name: 'x' })
    expect(line.canUndo.value).toBe(false)
  })
})

describe('what is tied', () => {
  it('is tied with its neighbour to the nearer end', async () => {
    const line = await begun()
    line.tie()
    expect(line.sheet.value.ties).toMatchObject([{ line: 'main', end: 'left', parts: ['a', 'b'] }])
    line.tie()
    expect(line.sheet.value.ties).toHaveLength(1)
    line.selected.value = 'c'
    line.tie()
    expect(line.sheet.value.ties[1]).toMatchObject({ end: 'right', parts: ['c'] })
  })
  it('is not moved away before one has been asked', async () => {
    const line = await begun('abcd')
    line.tie()
    line.changeAsking(edit.movedTo(line.sheet.value, 'a', 'main', 3))
    expect(order(line)).toBe('abcd')
    expect(line.question.value?.words).toContain('stays at the left end (main shaft)')
    line.question.value?.go()
    expect(order(line)).not.toBe('abcd')
    expect(line.sheet.value.ties).toEqual([])
  })
  it('does not ask where nothing is tied', async () => {
    const line = await begun()
    line.changeAsking(edit.movedTo(line.sheet.value, 'a', 'main', 2))
    expect(line.question.value).toBeNull()
    expect(order(line)).not.toBe('abc')
  })
})

describe('what is kept', () => {
  it('is saved before a part goes to the Bench', async () => {
    const line = await begun()
    line.patch('a', { name: 'shim 0.3' })
    const going = line.toBench('a')
    await settled(100)
    expect((await going).answer).toMatchObject({ part_id: 12 })
    const paths = server.asked.map((each) => `${each.method} ${each.path}`)
    expect(paths.indexOf('PUT /api/jobs/0409/line')).toBeLessThan(
      paths.indexOf('POST /api/jobs/0409/line/a/bench'),
    )
    expect(server.sheet.parts[0]?.name).toBe('shim 0.3')
  })
  it('is there again after the server was away', async () => {
    const line = await begun()
    server.away = true
    line.patch('a', { name: 'while away' })
    await settled(3000)
    expect(server.sheet.parts[0]?.name).toBe('')
    server.away = false
    await settled(4000)
    expect(server.sheet.parts[0]?.name).toBe('while away')
  })
  it('is opened from this machine while the server is away', async () => {
    const line = await begun()
    server.away = true
    line.patch('a', { name: 'kept here' })
    await settled(1000)
    const again = scope.run(() => useLine('0409'))
    await again?.load()
    expect(again?.loadRefusal.value?.code).toBe('no_answer')
    expect(again?.part.value?.name).toBe('kept here')
  })
})
