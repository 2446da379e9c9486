// @vitest-environment node
import { machine, settled, type Asked } from './machine'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useCaliper, type Caliper, type Sent } from '@/shell/caliper'

const caliper = (name: string, more: Partial<Caliper> = {}): Caliper =>
  ({ name, state: 'linked', words: 'linked', battery_percent: 87, ...more }) as Caliper
const sent = (name: string, typed: string): Sent => ({ name, typed, unit: 'mm' }) as Sent

let there: { calipers: Caliper[]; last: number; readings: Sent[] } | null
let asked: Asked[]
function begin(kept: Record<string, string> = {}) {
  asked = machine(() => (there ? { body: there } : null), kept)
  return useCaliper()
}
const tellsAfter = () => asked.map((each) => each.query.get('after'))
beforeEach(() => {
  vi.useFakeTimers()
  there = { calipers: [caliper('caliper 3')], last: 40, readings: [] }
})
afterEach(() => {
  vi.clearAllTimers()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('caliper connected to this bench', () => {
  it('is the only one there is', async () => {
    const own = begin()
    await own.look()
    expect(own.mine?.name).toBe('caliper 3')
    expect(own.words).toBe('connected, battery 87 %')
    expect(own.trouble).toBe(false)
  })
  it('has to be chosen when there are several', async () => {
    there?.calipers.push(caliper('caliper 4'))
    const own = begin()
    await own.look()
    expect(own.mine).toBeUndefined()
    expect(own.words).toContain('choose one')
    expect(own.trouble).toBe(true)
  })
  it('is each in turn, then none, then the first again', async () => {
    there?.calipers.push(caliper('caliper 4'))
    const own = begin()
    await own.look()
    const seen = [0, 1, 2, 3].map(() => (own.choose(), own.chosen))
    expect(seen).toEqual(['caliper 3', 'caliper 4', 'none', 'caliper 3'])
  })
  it('is kept on this machine', async () => {
    const own = begin({ 'ample:caliper': 'none' })
    await own.look()
    expect(own.mine).toBeUndefined()
    expect(own.words).toBe('no caliper connected')
    expect(own.trouble).toBe(false)
  })
  it('is in trouble when it is away or nearly empty, and says why', async () => {
    if (there) there.calipers = [caliper('caliper 3', { state: 'away', words: 'away' })]
    const own = begin()
    await own.look()
    expect([own.words, own.trouble]).toEqual(['away', true])
    if (there) there.calipers = [caliper('caliper 3', { battery_percent: 9 })]
    await own.look()
    expect([own.words, own.trouble]).toEqual(['connected, battery 9 %', true])
  })
  it('says nothing of a battery that it does not know', async () => {
    if (there) there.calipers = [caliper('caliper 3', { battery_percent: null })]
    const own = begin()
    await own.look()
    expect([own.words, own.trouble]).toEqual(['connected', false])
  })
})

describe('what a caliper sends', () => {
  it('lands where one listens, each reading once', async () => {
    const own = begin()
    const landed: string[] = []
    own.listen((each) => landed.push(each.typed))
    await settled(10)
    if (there) there = { ...there, last: 41, readings: [sent('caliper 3', '25.02')] }
    await settled(300)
    if (there) there = { ...there, readings: [] }
    await settled(900)
    expect(landed).toEqual(['25.02'])
    expect(tellsAfter().slice(0, 3)).toEqual([null, '40', '41'])
  })
  it('lands once where shell and bench look before either is answered', async () => {
    const own = begin()
    const landed: string[] = []
    own.listen((each) => landed.push(each.typed))
    await settled(10)
    if (there) there = { ...there, last: 41, readings: [sent('caliper 3', '25.02')] }
    void own.look()
    await own.look()
    expect(tellsAfter().filter((each) => each === '40')).toHaveLength(2)
    expect(landed).toEqual(['25.02'])
  })
  it('of another bench does not land here', async () => {
    there?.calipers.push(caliper('caliper 4'))
    const own = begin({ 'ample:caliper': 'caliper 4' })
    const landed: string[] = []
    own.listen((each) => landed.push(each.typed))
    await settled(10)
    if (there) there.readings = [sent('caliper 3', '11'), sent('caliper 4', '22')]
    await settled(310)
    expect(landed[0]).toBe('22')
    expect(landed).not.toContain('11')
  })
  it('is asked for less often while nobody listens or it is away', async () => {
    const own = begin()
    await own.look()
    await settled(3900)
    expect(asked).toHaveLength(1)
    await settled(200)
    expect(asked).toHaveLength(2)
    own.listen(() => undefined)
    await settled(10)
    await settled(3000)
    expect(asked.length).toBeGreaterThan(8)
  })
  it('is not lost for good when the server is away for a while', async () => {
    const own = begin()
    const landed: string[] = []
    own.listen((each) => landed.push(each.typed))
    await settled(10)
    there = null
    await settled(2000)
    there = { calipers: [caliper('caliper 3')], last: 42, readings: [sent('caliper 3', '30.1')] }
    await settled(310)
    expect(landed[0]).toBe('30.1')
    expect(tellsAfter().at(-1)).not.toBeNull()
  })
  it('does not land after one has stopped listening', async () => {
    const own = begin()
    const landed: string[] = []
    const stop = own.listen((each) => landed.push(each.typed))
    await settled(10)
    stop()
    if (there) there.readings = [sent('caliper 3', '25')]
    await settled(5000)
    expect(landed).toEqual([])
  })
})
