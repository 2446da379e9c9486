// @vitest-environment node
import { machine } from './machine'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, effectScope, nextTick, ref, type EffectScope } from 'vue'
import type { Schemas } from '@/api/client'
import type { useBench, Feature } from '@/bench/useBench'
import { useDrawn } from '@/bench/useDrawn'
import { useKinds, type FamilyName, type Kinds } from '@/job/useKinds'

type Candidate = Schemas['CandidateAnswer']
const OTHER_GROOVES = ['bore_groove_diameter', 'face_groove_outside', 'face_groove_inside', 'dovetail_diameter', 'dovetail_opening', 'connector_diameter', 'connector_leg'] // prettier-ignore
const RING = ['inside', 'outside', 'section_1', 'section_2', 'length', 'groove_diameter', ...OTHER_GROOVES, 'groove_width', 'groove_depth'] // prettier-ignore
const CUP = ['rod', 'section', 'height', 'groove_diameter', 'groove_width', 'base_height']
const BEARING = ['bore', 'outside', 'width', 'shaft_seat', 'housing_seat']
function family(name: FamilyName, features: string[], kinds: [kind: string, group: string][]): Kinds {
  return {
    family: name,
    features: features.map((feature) => ({ feature, words: feature.replace(/_/g, ' ') })),
    groups: [...new Set(kinds.map(([, group]) => group))].map((group) => ({
      group,
      words: group,
      pictured: kinds.find(([, own]) => own === group)?.[0] ?? '',
    })),
    kinds: kinds.map(([kind, group]) => ({
      kind,
      group,
      words: kind,
      offered: features.slice(0, 3),
      measured: features,
      called: {},
    })),
    questions: [],
    conditions: [],
  } as unknown as Kinds
}
const FAMILIES = [
  family('bearing', BEARING, [['deep_groove', 'ball']]),
  family('o_ring', RING, [
    ['o_ring', 'round'],
    ['square_ring', 'square'],
    ['backup_split', 'backup'],
  ]),
  family('hydraulic_seal', CUP, [
    ['u_cup', 'u_cup'],
    ['wiper', 'wiper'],
  ]),
]
const candidate = (kind: string, dimensions = {}) =>
  ({ kind, dimensions, designation: kind, ball_mm: 0 }) as unknown as Candidate
const answered = (kinds: string[], offered: string[] = []) =>
  ({ kinds: kinds.map((kind) => ({ kind })), offered }) as unknown as Schemas['IdentifyAnswer']

let scope: EffectScope
beforeEach(() => {
  machine(() => null)
  useKinds().families = FAMILIES
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})

/** A bench of one family, with what is said, read and answered to be set by the test. */
function bench(of: FamilyName, readings: Partial<Record<Feature, string>> = {}) {
  const sheet = ref({ kind: '' })
  const name = ref(of)
  const answer = ref<Schemas['IdentifyAnswer'] | null>(null)
  const chosen = ref<Candidate | undefined>()
  const made = {
    sheet: { sheet },
    family: name,
    features: computed(() => (useKinds().family(name.value)?.features ?? []).map((each) => each.feature)),
    readings: (feature: Feature) =>
      readings[feature] ? [{ typed: readings[feature], instrument: 'caliper' }] : [],
  } as unknown as ReturnType<typeof useBench>
  const drawn = scope.run(() =>
    useDrawn(made, {
      answer,
      chosen,
      anyEvidence: computed(() => Object.keys(readings).length > 0),
      known: computed(() => chosen.value !== undefined),
    }),
  )
  if (!drawn) throw new Error('the scope has ended')
  return { sheet, name, answer, chosen, drawn }
}

describe('what is drawn on the bench', () => {
  it('is the most usual kind of the family while nothing is known', () => {
    expect(bench('bearing').drawn.kindDrawn.value).toBe('deep_groove')
    expect(bench('o_ring').drawn.kindDrawn.value).toBe('o_ring')
  })
  it('is the picture pointed at, before any answer', () => {
    const { sheet, drawn } = bench('o_ring')
    sheet.value.kind = 'square'
    expect(drawn.kindDrawn.value).toBe('square_ring')
  })
  it('is not what an answer to an earlier picture named', () => {
    const { sheet, answer, chosen, drawn } = bench('o_ring', { inside: '20' })
    answer.value = answered(['backup_split'])
    chosen.value = candidate('backup_split')
    sheet.value.kind = 'round'
    expect(drawn.kindDrawn.value).toBe('o_ring')
    expect(drawn.drawn.value.kind).toBe('o_ring')
  })
  it('is the likeliest part to its own sizes once something is read', () => {
    const { answer, chosen, drawn } = bench('o_ring', { inside: '20' })
    answer.value = answered(['o_ring'], ['inside'])
    chosen.value = candidate('o_ring', { inside_mm: 19.8, section_mm: 3.6 })
    expect(drawn.drawn.value.sizes).toEqual({ inside_mm: 19.8, section_mm: 3.6 })
  })
  it('follows the family at once', () => {
    const { name, drawn } = bench('bearing')
    name.value = 'hydraulic_seal'
    expect(drawn.kindDrawn.value).toBe('u_cup')
  })
})

describe('the states of a ring', () => {
  it('go round: free, stretched, on a shaft, in a bore, in a face, in a dovetail, under a connector, free', () => {
    const { drawn } = bench('o_ring')
    const seen = [0, 1, 2, 3, 4, 5, 6].map(() => (drawn.nextState(), drawn.state.value))
    expect(seen).toEqual([
      'stretched',
      'seated',
      'in_bore',
      'in_face',
      'in_dovetail',
      'under_connector',
      'free',
    ])
  })
  it('begin seated when only the groove is known', () => {
    const { drawn } = bench('o_ring', { groove_diameter: '50.6' })
    drawn.begin()
    expect(drawn.state.value).toBe('seated')
  })
  it.each([
    ['bore_groove_diameter', 'in_bore'],
    ['face_groove_inside', 'in_face'],
    ['dovetail_opening', 'in_dovetail'],
    ['connector_leg', 'under_connector'],
  ])('begin in the groove that was measured: %s', (feature, state) => {
    const { drawn } = bench('o_ring', { [feature]: '50.6' })
    drawn.begin()
    expect(drawn.state.value).toBe(state)
  })
  it('begin free when the ring itself was read as well', () => {
    const { drawn } = bench('o_ring', { groove_diameter: '50.6', inside: '49' })
    drawn.begin()
    expect(drawn.state.value).toBe('free')
  })
  it('fall back to free where a kind has no such state', async () => {
    const { name, drawn } = bench('o_ring')
    drawn.state.value = 'stretched'
    name.value = 'hydraulic_seal'
    await nextTick()
    expect(drawn.state.value).toBe('free')
  })
})

describe('the fields', () => {
  it('of the groove stand on the drawing when it is drawn seated, and beside it when free', () => {
    const { drawn } = bench('o_ring')
    expect(drawn.asked.value).not.toContain('groove_diameter')
    expect(drawn.beside.value).toContain('groove_diameter')
    drawn.state.value = 'seated'
    expect(drawn.asked.value).toEqual(expect.arrayContaining(['groove_diameter', 'groove_width']))
    expect(drawn.beside.value).not.toContain('groove_diameter')
  })
  it('never stand in both places, nor in none, whatever is drawn', () => {
    for (const of of ['o_ring', 'hydraulic_seal'] as const) {
      const { drawn } = bench(of)
      const all = [...drawn.asked.value, ...drawn.beside.value]
      expect(new Set(all).size).toBe(all.length)
      const own = RING.filter((name) => !OTHER_GROOVES.includes(name))
      expect(all.sort()).toEqual([...(of === 'o_ring' ? own : CUP)].sort())
    }
  })
  it('of a groove are those of the groove that is drawn', () => {
    const { drawn } = bench('o_ring')
    drawn.state.value = 'in_face'
    expect(drawn.asked.value).toEqual(
      expect.arrayContaining(['face_groove_outside', 'face_groove_inside', 'groove_depth']),
    )
    expect([...drawn.asked.value, ...drawn.beside.value]).not.toContain('groove_diameter')
  })
  it('hold what has been read already', () => {
    const { drawn } = bench('hydraulic_seal', { groove_width: '9' })
    const place = [...drawn.asked.value, ...drawn.beside.value]
    expect(place).toContain('groove_width')
  })
  it('that were read stay in sight on a kind that they are not measured on', () => {
    const { drawn } = bench('o_ring', { length: '82' })
    const kind = useKinds().kind('o_ring')
    if (kind) kind.measured = kind.measured.filter((name) => name !== 'length')
    expect(drawn.beside.value).toContain('length')
  })
  it('leave the seats of a bearing to their own place', () => {
    const { drawn } = bench('bearing', { shaft_seat: '25' })
    expect([...drawn.asked.value, ...drawn.beside.value]).not.toContain('shaft_seat')
  })
})
