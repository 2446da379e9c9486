import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'

export type JobState = Schemas['JobState']
export type PartState = Schemas['PartState']
export type Mark = 'holds' | 'not_proven' | 'does_not_hold' | 'not_looked_at'

export interface Stage {
  name: 'take-in' | 'line' | 'bench' | 'match' | 'seats' | 'order' | 'fit-up' | 'proof'
  words: string
  mark: Mark
  left: number
}

type Check = PartState['lights'][number]
type TrayStage = Exclude<Stage['name'], 'take-in' | 'line' | 'fit-up' | 'proof'>
const CHECKS: Record<TrayStage, string[]> = {
  bench: ['identity'],
  match: ['interchange'],
  seats: ['shaft', 'housing'],
  order: [],
}

/** A stage is as good as the worst of its checks; an overridden check counts as done. */
function stageOf(name: TrayStage, words: string, parts: PartState[]): Stage {
  const own = (part: PartState): Check[] => part.lights.filter((check) => CHECKS[name].includes(check.light))
  const done = (part: PartState): boolean =>
    name === 'order'
      ? part.order_number !== null
      : own(part).every((check) => check.state === 'holds' || check.passed_reason !== null)
  const left = parts.filter((part) => !done(part)).length
  const checks = parts.flatMap(own).filter((check) => check.passed_reason === null)
  const begun =
    name === 'order'
      ? left < parts.length
      : parts.flatMap(own).some((check) => check.state !== 'not_looked_at')
  let mark: Mark = 'not_proven'
  if (checks.some((check) => check.state === 'does_not_hold')) mark = 'does_not_hold'
  else if (!parts.length || !begun) mark = 'not_looked_at'
  else if (!left) mark = 'holds'
  return { name, words, mark, left }
}

/** Take in is done when its cautions are read; the line when every part is judged and nothing contradicts itself. */
export function earlyStages(state: JobState | null): Stage[] {
  const line = state?.line
  const cautions = state?.cautions_open ?? 0
  const toJudge = (line?.open ?? 0) + (line?.ask ?? 0)
  let mark: Mark = 'holds'
  if (!line?.parts.length) mark = 'not_looked_at'
  else if (line.contradictions) mark = 'does_not_hold'
  else if (toJudge) mark = 'not_proven'
  return [
    { name: 'take-in', words: 'Take in', mark: cautions ? 'not_proven' : 'holds', left: cautions },
    { name: 'line', words: 'Strip-down', mark, left: toJudge + (line?.contradictions ?? 0) },
  ]
}

/** The second half of the job: put together, then proved and closed. */
export function lateStages(state: JobState | null): Stage[] {
  const left = state?.fit_up_left ?? null
  const together = state?.together ?? false
  const fitted: Mark = together ? 'holds' : left === null ? 'not_looked_at' : 'not_proven'
  const closed = state?.closed ?? false
  const proved: Mark = closed ? 'holds' : together ? 'not_proven' : 'not_looked_at'
  return [
    { name: 'fit-up', words: 'Fit-up', mark: fitted, left: together ? 0 : (left ?? 0) },
    { name: 'proof', words: 'Proof', mark: proved, left: 0 },
  ]
}

/** Where a job waits: the screen that its next piece of work is done on. */
export function whereItWaits(state: JobState) {
  const params = { number: state.job.number }
  if (state.waits_for === 'fit') return { name: 'fit-up', params }
  if (state.waits_for === 'prove' || state.waits_for === 'closed') return { name: 'proof', params }
  const first = state.parts.find((part) => part.waits_for === state.waits_for) ?? state.parts[0]
  if (state.waits_for === 'strip' || !first)
    return { name: state.line.parts.length ? 'line' : 'take-in', params }
  const at = { ...params, partId: first.part.part_id }
  if (state.waits_for === 'measure') return { name: 'bench', params: at }
  return first.order_number ? { name: 'order' } : { name: first.match ? 'seats' : 'match', params: at }
}

/** The job in hand, with what is open in each stage. */
export const useJob = defineStore('job', () => {
  const state = ref<JobState | null>(null)
  const instruments = ref<Schemas['InstrumentRecord'][]>([])

  async function take(number: string): Promise<void> {
    const { answer } = await resultOf(api.GET('/api/jobs/{number}', { params: { path: { number } } }))
    if (answer) state.value = answer
  }
  async function refresh(): Promise<void> {
    if (state.value) await take(state.value.job.number)
  }
  async function loadInstruments(): Promise<void> {
    const { answer } = await resultOf(api.GET('/api/instruments'))
    if (answer) instruments.value = answer.instruments
  }
  const stages = computed<Stage[]>(() => {
    const parts = state.value?.parts ?? []
    return [
      ...earlyStages(state.value),
      stageOf('bench', 'Bench', parts),
      stageOf('match', 'Match', parts),
      stageOf('seats', 'Seats', parts),
      stageOf('order', 'Order', parts),
      ...lateStages(state.value),
    ]
  })
  return { state, stages, instruments, take, refresh, loadInstruments }
})
