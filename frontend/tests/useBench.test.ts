// @vitest-environment node
import { machine, settled, type Answers, type Asked } from './machine'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { bare, useBench, type Sheet } from '@/bench/useBench'
import { useKinds, type Kinds } from '@/job/useKinds'
import { useHand } from '@/shell/hand'

const features = (...names: string[]) => names.map((feature) => ({ feature, words: feature }))
const FAMILIES = [
  { family: 'bearing', features: features('bore', 'outside', 'width') },
  { family: 'lip_seal', features: features('shaft', 'outside', 'width', 'housing_bore') },
  { family: 'o_ring', features: features('inside', 'outside', 'section_1', 'groove_width') },
].map((each) => ({ ...each, groups: [], kinds: [], questions: [], conditions: [] })) as unknown as Kinds[]
const PART = { part_id: 7, name: 'Ring', family: 'bearing', surroundings: '' }
const PLACE = { line: '', needed: 1, units_alike: 2 }
const blank: Sheet = {
  family: null,
  marking: '',
  condition: '',
  kind: '',
  answers: {},
  said: {},
  medium: '',
  temperature_c: null,
  needed: null,
  observations: [],
}
const seen = (feature: string, ...typed: string[]) => ({
  feature: feature as 'bore',
  instrument: 'caliper',
  readings: typed.map((each) => ({ typed: each, unit: 'mm' as const })),
})

/** A server that keeps the sheet of part 7, and says no to a width of "wide" and to a marking of "~". */
class Server {
  held = {
    part: PART,
    place: PLACE,
    tray: [],
    identification: null,
    ring_lists: { built_in: '', known_from: '', confirmed: [], read: [] },
    sheet: { ...blank },
    version: 3,
  }
  away = false
  asked: Asked[] = []
  answers: Answers = ({ method, path, body }) => {
    if (this.away) return null
    if (path === '/api/parts/7/bench' && method === 'GET') return { body: this.held }
    if (path === '/api/parts/7/bench') {
      const sent = body as { sheet: Sheet; version: number }
      this.held = { ...this.held, sheet: sent.sheet as typeof blank, version: sent.version + 1 }
      return { body: this.held }
    }
    if (path === '/api/parts/7/identification')
      return { body: { ...this.held, identification: { item_id: 5, version: 1 } } }
    const { observations, marking, family } = body as {
      observations: { feature: string; values: string[] }[]
      marking: string | null
      family: string
    }
    const at = observations.findIndex((each) => each.values.some((value) => value.startsWith('wide')))
    if (at >= 0) {
      const value = observations[at]?.values.findIndex((each) => each.startsWith('wide')) ?? 0
      return no(`observations[${at}].values[${value}]`, 'There is an “w” in it.')
    }
    if (marking === '~') return no('text', 'That is no marking.')
    return { body: { family, readings: observations, candidates: [], kinds: [], offered: [] } }
  }
  identified = () => this.asked.filter((each) => each.path === '/api/bench/identify')
  lastQuestion = () =>
    this.identified().at(-1)?.body as {
      observations: { values: string[]; instrument: string }[]
      family: string
    }
}
function no(field: string, message: string) {
  return { status: 422, body: { error: { code: 'bad', message, field, hint: null } } }
}

let scope: EffectScope
let server: Server
function begin(kept: Record<string, string> = {}) {
  server.asked = machine(server.answers, kept)
  useKinds().families = FAMILIES
  const bench = scope.run(() => useBench(7))
  if (!bench) throw new Error('the scope has ended')
  return bench
}
async function begun(sheet: Partial<Sheet> = {}) {
  server.held.sheet = { ...blank, ...sheet } as typeof blank
  const bench = begin()
  await bench.load()
  await settled(200)
  return bench
}
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
  server = new Server()
})
afterEach(async () => {
  scope.stop()
  await settled(3000) // what is on its way is let come in
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a part on the bench', () => {
  it('is asked about once its sheet is here, and not before', async () => {
    const bench = begin()
    await settled(500)
    expect(server.identified()).toEqual([])
    expect(bench.blank.value).toBe(false)
    await bench.load()
    await settled(500)
    expect(server.identified()).toHaveLength(1)
    expect(bench.blank.value).toBe(true)
  })
  it('is asked about with what is kept and what is being typed, each with its unit', async () => {
    const bench = await begun({ observations: [seen('bore', '24.98')] })
    bench.pending.outside = '2 in'
    bench.pending.width = '15'
    await settled(300)
    expect(server.lastQuestion().observations.map((each) => each.values)).toEqual([
      ['24.98 mm'],
      ['2 in'],
      ['15 mm'],
    ])
  })
  it('keeps a reading with the unit it was taken in, though the fields change theirs', async () => {
    const bench = await begun()
    bench.pending.bore = '25.02'
    bench.take('bore')
    useHand().unit = 'in'
    await settled(300)
    expect(server.lastQuestion().observations[0]?.values).toEqual(['25.02 mm'])
    expect(bench.pending.bore).toBe('')
  })
  it('saves what was taken, a little later', async () => {
    const bench = await begun()
    bench.pending.bore = '25'
    bench.take('bore')
    await settled(1000)
    expect(server.held.sheet.observations).toEqual([seen('bore', '25')])
  })
  it('does not take nothing', async () => {
    const bench = await begun()
    bench.pending.bore = '   '
    expect(bench.take('bore')).toBe(false)
    expect(bench.sheet.sheet.value.observations).toEqual([])
  })
  it('is loaded by itself when the server comes back, with what was typed meanwhile', async () => {
    server.away = true
    const bench = begin()
    await bench.load()
    bench.sheet.sheet.value.marking = '62?5'
    expect(bench.loadRefusal.value?.code).toBe('no_answer')
    server.away = false
    await settled(4000)
    expect(bench.loadRefusal.value).toBeNull()
    expect(server.held.sheet.marking).toBe('62?5')
  })
  it('finds again what was being typed in a field on this machine', () => {
    const bench = begin({ 'ample:pending:7': '{"bore":"24."}' })
    expect(bench.pending.bore).toBe('24.')
  })
})

describe('what cannot be read', () => {
  it('is said at its field, and the rest is ranked all the same', async () => {
    const bench = await begun({ observations: [seen('bore', '25')] })
    bench.pending.width = 'wide'
    await settled(300)
    expect(bench.faults.width).toContain('w')
    expect(bench.faults.bore).toBeUndefined()
    expect(server.lastQuestion().observations.map((each) => each.values)).toEqual([['25 mm']])
    expect(bench.answer.value?.readings).toHaveLength(1)
  })
  it('is not taken, and what was typed stays', async () => {
    const bench = await begun()
    bench.pending.width = 'wide'
    await settled(300)
    expect(bench.take('width')).toBe(false)
    expect(bench.pending.width).toBe('wide')
  })
  it('leaves the other repeats of its own field', async () => {
    const bench = await begun({ observations: [seen('width', '14.9', '15.0')] })
    bench.pending.width = 'wide'
    await settled(300)
    expect(server.lastQuestion().observations[0]?.values).toEqual(['14.9 mm', '15.0 mm'])
  })
  it('as a marking is said there, and is forgotten once it is mended', async () => {
    const bench = await begun({ marking: '~', observations: [seen('bore', '25')] })
    expect(bench.faults.marking).toContain('no marking')
    bench.sheet.sheet.value.marking = '6205'
    await settled(300)
    expect(bench.faults.marking).toBeUndefined()
  })
})

describe('another family', () => {
  it('takes the sizes over to what is like them there', async () => {
    const bench = await begun({
      observations: [seen('bore', '35'), seen('outside', '52'), seen('width', '7')],
    })
    bench.setFamily('lip_seal')
    await settled(300)
    expect(bench.sheet.sheet.value.observations?.map((each) => each.feature)).toEqual([
      'shaft',
      'outside',
      'width',
    ])
    expect(server.lastQuestion().family).toBe('lip_seal')
  })
  it('leaves typed what has no like, so that nothing is lost on the way back', async () => {
    const bench = await begun({ family: 'lip_seal', observations: [seen('housing_bore', '52.01')] })
    bench.setFamily('o_ring')
    expect(bench.sheet.sheet.value.observations).toEqual([])
    expect(bench.pending.housing_bore).toBe('52.01')
  })
  it('forgets the picture and the answers, which were of the other one', async () => {
    const bench = await begun({ kind: 'ball', answers: { rows: '1' } })
    bench.setFamily('o_ring')
    expect([bench.sheet.sheet.value.kind, bench.sheet.sheet.value.answers]).toEqual(['', {}])
  })
  it('has no answer until its own comes', async () => {
    const bench = await begun({ observations: [seen('bore', '25')] })
    expect(bench.answer.value).not.toBeNull()
    bench.setFamily('o_ring')
    await nextTick()
    expect(bench.answer.value).toBeNull()
    await settled(300)
    expect(bench.answer.value).not.toBeNull()
  })
  it('that it is already changes nothing', async () => {
    const bench = await begun({ kind: 'ball' })
    bench.setFamily('bearing')
    expect(bench.sheet.sheet.value.kind).toBe('ball')
  })
})

describe('a caliper that sends', () => {
  const sent = { name: 'caliper 3', typed: '25.01', unit: 'mm', number: 1, received_at: '' } as never
  it('lands with its own name', async () => {
    const bench = await begun()
    bench.land('bore', sent)
    expect(bench.readings('bore')).toEqual([{ typed: '25.01', unit: 'mm', instrument: 'caliper 3' }])
  })
  it('stands beside the readings of another instrument, each with its own', async () => {
    const bench = await begun({ observations: [seen('bore', '25')] })
    bench.land('bore', sent)
    expect(bench.readings('bore').map((each) => each.instrument)).toEqual(['caliper', 'caliper 3'])
    expect(bench.sheet.sheet.value.observations).toHaveLength(2)
    expect(bench.drop('bore', 1)).toBe('25.01')
    expect(bench.readings('bore').map((each) => each.typed)).toEqual(['25'])
  })
})

describe('readings', () => {
  it('are taken back one by one, the last with its field', async () => {
    const bench = await begun({ observations: [seen('bore', '25', '25.2')] })
    expect(bench.drop('bore', 1)).toBe('25.2')
    expect(bench.readings('bore')).toHaveLength(1)
    expect(bench.drop('bore', 0)).toBe('25')
    expect(bench.sheet.sheet.value.observations).toEqual([])
  })
  it('keep the instrument that they were taken with when another is taken in hand', async () => {
    const bench = await begun({ observations: [seen('bore', '16')] })
    useHand().instrument = 'micrometer'
    bench.pending.bore = '15.873'
    bench.take('bore')
    expect(bench.readings('bore').map((each) => [each.typed, each.instrument])).toEqual([
      ['16', 'caliper'],
      ['15.873', 'micrometer'],
    ])
    await settled(300)
    expect(server.lastQuestion().observations.map((each) => [each.instrument, each.values])).toEqual([
      ['caliper', ['16 mm']],
      ['micrometer', ['15.873 mm']],
    ])
  })
  it('that cannot be saved keep the part from being named', async () => {
    const bench = await begun()
    bench.pending.bore = '25'
    server.away = true
    const choosing = bench.choose(5, false)
    await settled(100)
    expect((await choosing)?.status).toBe(0)
    expect(server.asked.every((each) => !each.path.endsWith('/identification'))).toBe(true)
  })
  it('being typed are taken and saved before the part is named', async () => {
    const bench = await begun()
    bench.pending.bore = '25'
    const choosing = bench.choose(5, false)
    await settled(100)
    expect(await choosing).toBeNull()
    expect(server.asked.slice(-2).map((each) => each.path)).toEqual([
      '/api/parts/7/bench',
      '/api/parts/7/identification',
    ])
    expect(server.held.sheet.observations).toHaveLength(1)
  })
})

describe('a picture and an answer', () => {
  it('are taken back by choosing them again', async () => {
    const bench = await begun()
    bench.setKind('ball')
    bench.setAnswer('rows', '1')
    bench.setAnswer('rows', '1')
    expect(bench.sheet.sheet.value.answers).toEqual({})
    bench.setKind('ball')
    expect(bench.sheet.sheet.value.kind).toBe('')
  })
})

describe('a figure without a unit of its own', () => {
  it.each(['25', '25.02', '25,02', '.187', '1-1'])('%s', (text) => expect(bare(text)).toBe(true))
  it.each(['25 mm', '1/8', '1.125 in', '12 thou', '3/16"', '2.5cm', '40 µm'])('not %s', (text) =>
    expect(bare(text)).toBe(false),
  )
})
