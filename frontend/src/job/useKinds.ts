import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'

export type Kinds = Schemas['KindsAnswer']
const STORED = 'ample:kinds'

/** Kinds of bearing by picture, and the questions that tell them: asked once, kept on this machine. */
export const useKinds = defineStore('kinds', () => {
  const kept = localStorage.getItem(STORED)
  const tables = ref<Kinds | null>(kept ? (JSON.parse(kept) as Kinds) : null)
  const groups = computed(() => tables.value?.groups ?? [])
  const byName = computed(() => new Map((tables.value?.kinds ?? []).map((kind) => [kind.kind, kind])))
  const words = computed(
    () => new Map((tables.value?.features ?? []).map((each) => [each.feature, each.words])),
  )

  async function load(): Promise<void> {
    const { answer } = await told(api.POST('/api/calc/kinds', { body: { family: 'bearing' } }))
    if (!answer) return
    tables.value = answer
    localStorage.setItem(STORED, JSON.stringify(answer))
  }
  const kind = (name: string) => byName.value.get(name)
  const feature = (name: string): string => words.value.get(name) ?? name.replace(/_/g, ' ')
  const question = (name: string) => tables.value?.questions.find((each) => each.question === name)
  /** The group that a kind or a group stands under. */
  const groupOf = (name: string): string => kind(name)?.group ?? name
  return { tables, groups, load, kind, feature, question, groupOf }
})
