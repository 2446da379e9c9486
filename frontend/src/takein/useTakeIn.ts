import { ref } from 'vue'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { useSheet } from '@/sheets/useSheet'

export type TakeInSheet = Required<Schemas['TakeInSheet']>
const EMPTY: TakeInSheet = {
  title: '',
  owner: '',
  symptom: '',
  unit: 'other',
  plate: '',
  model: '',
  build: '',
  serial: '',
  built_in: '',
  since: '',
  lie_open_days: null,
  access: 'cheap',
  units_alike: 1,
  planned: '',
  note_next: '',
  signs: [],
  energies: [],
  fluids: [],
  works: [],
  duties: [],
  spares: [],
  checked: {},
}

/** A list of words with one put in, or taken out when it was there. */
export function toggled(list: readonly string[], name: string): string[] {
  return list.includes(name) ? list.filter((each) => each !== name) : [...list, name]
}

/** A unit taken in: what is known of it, and what the core makes of that. */
export function useTakeIn(number: string) {
  const answer = ref<Schemas['TakeInAnswer'] | null>(null)
  const loadRefusal = ref<Refusal | null>(null)
  const params = { path: { number } }
  const asked = () => resultOf(api.GET('/api/jobs/{number}/take-in', { params }))
  const held = useSheet<TakeInSheet>(
    `take-in:${number}`,
    async (sheet, key, again) => {
      const { answer: saved, refusal } = await resultOf(
        api.PUT('/api/jobs/{number}/take-in', { params, body: sheet, ...withKey(key) }),
      )
      if (!saved) return { answer: null, refusal }
      const today = again ? (await asked()).answer : null
      answer.value = today ?? saved
      return { answer: { sheet: saved.sheet as TakeInSheet, version: saved.version }, refusal: null }
    },
    EMPTY,
  )
  async function load(): Promise<void> {
    const { answer: found, refusal } = await asked()
    loadRefusal.value = refusal
    if (!found) {
      held.openKept()
      return
    }
    answer.value = found
    if (!held.ready.value) held.open({ sheet: found.sheet as TakeInSheet, version: found.version })
  }
  async function read(caution: string): Promise<Refusal | null> {
    const { answer: found, refusal } = await resultOf(
      api.POST('/api/jobs/{number}/cautions/{caution}', {
        params: { path: { number, caution } },
        ...withKey(),
      }),
    )
    if (found) answer.value = found
    return refusal
  }
  /** Who worked at it and when, and what stood on it then. */
  const versions = () => resultOf(api.GET('/api/jobs/{number}/sheets/take_in/versions', { params }))
  const version = (at: number) =>
    resultOf(
      api.GET('/api/jobs/{number}/sheets/take_in/versions/{version}', {
        params: { path: { number, version: at } },
      }),
    )
  return { versions, version, answer, loadRefusal, held, sheet: held.sheet, load, read }
}
