import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

type State = 'saved' | 'changed' | 'working' | 'away' | 'refused'

function where(kept: boolean): string {
  return kept ? 'saved on this device only' : 'browser storage is full, leave this page open'
}

/** The state of saving in words, for the strip at the bottom. */
export const useSaving = defineStore('saving', () => {
  const states = ref(new Map<string, { state: State; words: string }>())
  const savedAt = ref<Date | null>(null)
  const revision = ref(0)
  /** What these pages saved last, by name: a load that a save overtook answers with less than that. */
  const newest = new Map<string, { sheet: unknown; version: number }>()

  function set(name: string, state: State, words = ''): void {
    states.value.set(name, { state, words })
  }
  function saved(name: string): void {
    const before = states.value.get(name)
    states.value.delete(name)
    if (before && before.state !== 'saved') {
      savedAt.value = new Date()
      revision.value++
    }
  }
  const worst = computed<{ state: State; words: string }>(() => {
    const order: State[] = ['away', 'refused', 'working', 'changed']
    for (const state of order) {
      const found = [...states.value.values()].find((each) => each.state === state)
      if (found) return found
    }
    return { state: 'saved', words: '' }
  })
  const words = computed(() => {
    const { state, words: why } = worst.value
    if (state === 'away' || state === 'refused') return why
    if (state === 'working' || state === 'changed') return 'saving'
    return savedAt.value
      ? `saved ${savedAt.value.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
      : 'no changes'
  })
  return {
    words,
    state: computed(() => worst.value.state),
    revision,
    newest,
    saved,
    changed: (name: string) => set(name, 'changed'),
    working: (name: string) => {
      if (states.value.get(name)?.state !== 'away') set(name, 'working')
    },
    away: (name: string, why: string, kept = true) => set(name, 'away', `${where(kept)}: ${why}`),
    refused: (name: string, why: string, kept = true) =>
      set(name, 'refused', `${where(kept)}; not accepted: ${why}`),
  }
})
