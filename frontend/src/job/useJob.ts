import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'

export type JobState = Schemas['JobState']
export type PartState = Schemas['PartState']
export type Mark = 'holds' | 'not_proven' | 'does_not_hold' | 'not_looked_at'

export interface Stage {
  name: 'bench' | 'match' | 'seats' | 'order'
  words: string
  mark: Mark
  left: number
}

type Light = PartState['lights'][number]
const LIGHTS: Record<Stage['name'], string[]> = {
  bench: ['identity'],
  match: ['interchange'],
  seats: ['shaft', 'housing'],
  order: [],
}

/** A stage is as good as the worst of its lights; a light passed with a reason counts as done. */
function stageOf(name: Stage['name'], words: string, parts: PartState[]): Stage {
  const own = (part: PartState): Light[] => part.lights.filter((light) => LIGHTS[name].includes(light.light))
  const done = (part: PartState): boolean =>
    name === 'order'
      ? part.order_number !== null
      : own(part).every((light) => light.state === 'holds' || light.passed_reason !== null)
  const left = parts.filter((part) => !done(part)).length
  const lights = parts.flatMap(own).filter((light) => light.passed_reason === null)
  const begun =
    name === 'order'
      ? left < parts.length
      : parts.flatMap(own).some((light) => light.state !== 'not_looked_at')
  let mark: Mark = 'not_proven'
  if (lights.some((light) => light.state === 'does_not_hold')) mark = 'does_not_hold'
  else if (!parts.length || !begun) mark = 'not_looked_at'
  else if (!left) mark = 'holds'
  return { name, words, mark, left }
}

/** The job in hand, with what is open in each stage. */
export const useJob = defineStore('job', () => {
  const state = ref<JobState | null>(null)
  const instruments = ref<Schemas['InstrumentRecord'][]>([])

  async function take(number: string): Promise<void> {
    const { answer } = await told(api.GET('/api/jobs/{number}', { params: { path: { number } } }))
    if (answer) state.value = answer
  }
  async function refresh(): Promise<void> {
    if (state.value) await take(state.value.job.number)
  }
  async function loadInstruments(): Promise<void> {
    const { answer } = await told(api.GET('/api/instruments'))
    if (answer) instruments.value = answer.instruments
  }
  const stages = computed<Stage[]>(() => {
    const parts = state.value?.parts ?? []
    return [
      stageOf('bench', 'Bench', parts),
      stageOf('match', 'Match', parts),
      stageOf('seats', 'Seats', parts),
      stageOf('order', 'Order', parts),
    ]
  })
  return { state, stages, instruments, take, refresh, loadInstruments }
})
