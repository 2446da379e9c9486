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

function markOf(done: number, all: number): Mark {
  if (!all || !done) return 'not_looked_at'
  return done === all ? 'holds' : 'not_proven'
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
    const all = parts.length
    const looked = (part: PartState, light: string): boolean =>
      part.lights.find((each) => each.light === light)?.state !== 'not_looked_at'
    const counts: [Stage['name'], string, number][] = [
      ['bench', 'Bench', parts.filter((part) => part.chosen).length],
      ['match', 'Match', parts.filter((part) => part.match).length],
      ['seats', 'Seats', parts.filter((part) => looked(part, 'shaft') && looked(part, 'housing')).length],
      ['order', 'Order', parts.filter((part) => part.order_number).length],
    ]
    return counts.map(([name, words, done]) => ({ name, words, mark: markOf(done, all), left: all - done }))
  })
  return { state, stages, instruments, take, refresh, loadInstruments }
})
