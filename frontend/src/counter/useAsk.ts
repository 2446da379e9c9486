import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, resultOf, withKey, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { useJob, whereItWaits } from '@/job/useJob'
import { EMPTY, type Feature } from '@/bench/useBench'
import type { FamilyName } from '@/job/useKinds'

export interface Offered {
  key: string
  kind: 'job' | 'unit' | 'marking' | 'size'
  job?: Schemas['JobHead']
  unit?: Schemas['UnitHead']
  reading?: Schemas['CounterReading']
  candidate?: Schemas['CandidateAnswer']
}

const NEW_JOB = {
  owner: '',
  symptom: '',
  unit: 'other',
  plate: '',
  model: '',
  since: '',
  lie_open_days: null,
}
const LOOSE = 'Over the counter'

/** What was said of a part at the Counter: it goes to the Bench as readings. */
interface Said {
  name: string
  kind: string
  sizes: { feature: string; typed: string; unit: string }[]
  instrument: string
}
const NOTHING_SAID: Said = { name: '', kind: '', sizes: [], instrument: 'caliper' }
const PLAIN = ['bore', 'outside', 'width']

/** Two or three sizes without a word: bore, outside and width. */
function threeSizes(text: string): Said {
  const typed = text.split(/\s*[x×*]\s*|\s{1,}(?=[\d.,]+\s|[\d.,]+$)/i).filter(Boolean)
  const sizes = typed.slice(0, 3).map((size, i) => ({ feature: PLAIN[i] ?? 'bore', typed: size, unit: 'mm' }))
  return { ...NOTHING_SAID, name: typed.join(' × '), sizes }
}

/** The Counter's line: asks as one types, and acts on the answer chosen. */
export function useAsk() {
  const text = ref(sessionStorage.getItem('ample:line') ?? '')
  const chosen = ref(0)
  const fault = ref<string | null>(null)
  const router = useRouter()
  const job = useJob()
  const live = useLive(
    () => {
      sessionStorage.setItem('ample:line', text.value)
      return text.value.trim() ? text.value : null
    },
    (asked, signal) => resultOf(api.GET('/api/counter', { params: { query: { text: asked } }, signal })),
    90,
  )
  const offered = computed<Offered[]>(() => {
    const answer = live.answer.value
    if (!answer || !text.value.trim()) return []
    const jobs = answer.jobs.map((each): Offered => ({ key: `j${each.number}`, kind: 'job', job: each }))
    const readings = answer.readings.map((each, i): Offered => ({
      key: `r${i}`,
      kind: 'marking',
      reading: each,
    }))
    const sizes = (answer.by_size?.candidates ?? []).map((each, i): Offered => ({
      key: `s${i}`,
      kind: 'size',
      candidate: each,
    }))
    const exact = jobs.filter((each) => each.job?.number === text.value.trim())
    const units = answer.units.map((each): Offered => ({ key: `u${each.unit_id}`, kind: 'unit', unit: each }))
    const others = jobs.filter((each) => !exact.includes(each))
    return [...exact, ...readings, ...sizes, ...units, ...others].slice(0, 4)
  })

  async function looseJob(): Promise<string | null> {
    if (job.state) return job.state.job.number
    const { answer: board } = await resultOf(api.GET('/api/jobs'))
    const open = board?.jobs.find((each) => each.job.title === LOOSE)
    if (open) return open.job.number
    const { answer, refusal } = await resultOf(
      api.POST('/api/jobs', { body: { ...NEW_JOB, title: LOOSE }, ...withKey() }),
    )
    fault.value = refusal?.message ?? null
    return answer?.number ?? null
  }

  async function toBench(marking: string, said: Said, family: FamilyName = 'bearing'): Promise<void> {
    const number = await looseJob()
    if (!number) return
    const body = {
      name: marking || said.name,
      surroundings: '',
      marking,
      dirty: false,
      rpm: null,
      family,
    }
    const { answer: part, refusal } = await resultOf(
      api.POST('/api/jobs/{number}/parts', { params: { path: { number } }, body, ...withKey() }),
    )
    fault.value = refusal?.message ?? null
    if (!part) return
    if (said.sizes.length) await keepSizes(part, said, marking)
    text.value = ''
    await job.take(number)
    await router.push({ name: 'bench', params: { number, partId: part.part_id } })
  }

  async function keepSizes(part: Schemas['PartHead'], said: Said, marking: string): Promise<void> {
    const observations = said.sizes.map((each) => ({
      feature: each.feature as Feature,
      instrument: said.instrument,
      readings: [{ typed: each.typed, unit: each.unit as 'mm' | 'in' }],
    }))
    const sheet = { ...EMPTY, observations, kind: said.kind, marking }
    await resultOf(
      api.PUT('/api/parts/{part_id}/bench', {
        params: { path: { part_id: part.part_id } },
        body: { version: part.version, sheet },
        ...withKey(),
      }),
    )
  }

  /** Enter pressed before the answer has come waits for it. */
  const waiting = ref(false)
  watch([live.working, text], ([working], [, before]) => {
    if (before !== text.value) waiting.value = false
    else if (waiting.value && !working) {
      waiting.value = false
      void take(offered.value[chosen.value])
    }
  })
  function enter(): void {
    if (live.working.value) waiting.value = Boolean(text.value.trim())
    else void take(offered.value[chosen.value])
  }
  async function take(offer: Offered | undefined): Promise<void> {
    if (!offer) return
    if (offer.job) {
      text.value = ''
      await job.take(offer.job.number)
      if (job.state) await router.push(whereItWaits(job.state))
    } else if (offer.unit) {
      text.value = ''
      await router.push({ name: 'history', params: { unitId: offer.unit.unit_id } })
    } else await identify(offer)
  }
  /** To the Bench with what was understood: a mark and the sizes said beside it, a mark alone, or three sizes. */
  async function identify(offer: Offered): Promise<void> {
    const typed = text.value.trim()
    const asked = live.answer.value?.asked
    if (asked) {
      const said = { name: typed, kind: asked.kind, sizes: asked.sizes, instrument: 'rule' }
      await toBench(asked.marking, said, asked.family as FamilyName)
    } else if (offer.reading) await toBench(typed, NOTHING_SAID, offer.reading.reading.family as FamilyName)
    else await toBench('', threeSizes(typed))
  }
  function move(by: number): void {
    const count = offered.value.length
    if (count) chosen.value = (chosen.value + by + count) % count
  }
  return { text, chosen, offered, fault, answer: live.answer, refusal: live.refusal, take, enter, move }
}
