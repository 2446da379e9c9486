import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'

export type Kinds = Schemas['KindsAnswer']
export type FamilyName = NonNullable<Schemas['KindsRequest']['family']>
const STORED = 'ample:kinds:6'
const REFRESH_MS = 2000
/** Families in the order in which they are offered, as they are called here. */
export const FAMILIES = [
  ['bearing', 'bearing'],
  ['lip_seal', 'lip seal'],
  ['o_ring', 'ring'],
  ['hydraulic_seal', 'hydraulic'],
  ['face_seal', 'face seal'],
  ['retaining_ring', 'circlip'],
  ['washer', 'washer'],
  ['key', 'key'],
] as const satisfies readonly (readonly [FamilyName, string])[]

/** Kinds of part by picture, and the questions that tell them, by family: kept on this machine, so that the bench
 * opens at once, and asked for anew a little later. */
export const useKinds = defineStore('kinds', () => {
  const kept = localStorage.getItem(STORED)
  const families = ref<Kinds[]>(kept ? (JSON.parse(kept) as Kinds[]) : [])
  const byName = computed(
    () => new Map(families.value.flatMap((each) => each.kinds.map((kind) => [kind.kind, kind] as const))),
  )
  const loaded = computed(() => families.value.length === FAMILIES.length)

  let loading: Promise<void> | null = null
  /** Asked for by two screens at once it is fetched once. */
  function load(): Promise<void> {
    loading ??= fetched().finally(() => (loading = null))
    return loading
  }
  async function fetched(): Promise<void> {
    const found = await Promise.all(
      FAMILIES.map(([family]) => resultOf(api.POST('/api/calc/kinds', { body: { family } }))),
    )
    const answers = found.flatMap(({ answer }) => (answer ? [answer] : []))
    if (answers.length < FAMILIES.length) {
      if (!loaded.value) setTimeout(() => void load(), REFRESH_MS) // nothing can be measured without them
      return
    }
    families.value = answers
    localStorage.setItem(STORED, JSON.stringify(answers))
  }
  if (kept) setTimeout(() => void load(), REFRESH_MS)
  const family = (name: string): Kinds | undefined => families.value.find((each) => each.family === name)
  const groups = (name: string) => family(name)?.groups ?? []
  const kind = (name: string) => byName.value.get(name)
  const feature = (name: string, of = 'bearing', as = ''): string =>
    byName.value.get(as)?.called[name] ??
    family(of)?.features.find((each) => each.feature === name)?.words ??
    name.replace(/_/g, ' ')
  const question = (name: string, of = 'bearing') =>
    family(of)?.questions.find((each) => each.question === name)
  const attribute = (name: string) => families.value[0]?.attributes.find((each) => each.name === name)
  /** A value of an attribute in words; one that has none as it is. */
  const valueWords = (name: string, value: string): string =>
    attribute(name)?.values.find((each) => each.value === value)?.words ?? value.replace(/_/g, ' ')
  /** The group that a kind or a group stands under. */
  const groupOf = (name: string): string => kind(name)?.group ?? name
  return { families, loaded, load, family, groups, kind, feature, question, attribute, valueWords, groupOf }
})
