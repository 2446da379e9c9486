import { computed, onScopeDispose, reactive, ref, watch } from 'vue'
import { api, isAway, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { useSheet } from '@/sheets/useSheet'
import { useKinds, type FamilyName } from '@/job/useKinds'
import type { BuiltIn } from '@/job/origins'
import { useHand } from '@/shell/hand'
import { NO_RUBBER } from './rubber'
import { useReadings, type Faults, type Feature, type Pending, type Sheet } from './useReadings'

export type { Feature, Pending, Sheet } from './useReadings'
/** What a bearing sat on: the Line knows it, or it is read at the unit. */
export const SEATS = ['shaft_seat', 'housing_seat'] as const
type Question = Schemas['IdentifyRequest']
type Answer = Schemas['IdentifyAnswer']

const RETRY_MS = 1500
export const EMPTY: Sheet = {
  family: null,
  marking: '',
  condition: '',
  kind: '',
  answers: {},
  said: {},
  medium: '',
  temperature_c: null,
  needed: null,
  rubber: NO_RUBBER,
  observations: [],
}

/** One part on the bench: its sheet, what is being typed, and the ranking as it moves. */
export function useBench(partId: number) {
  const hand = useHand()
  const kinds = useKinds()
  const part = ref<Schemas['BenchAnswer'] | null>(null)
  const loadRefusal = ref<Refusal | null>(null)
  const faults = reactive<Faults>({})
  const pendingName = `ample:pending:${partId}`
  const pending = reactive<Pending>({ ...JSON.parse(localStorage.getItem(pendingName) ?? '{}') })

  const sheet = useSheet<Sheet>(
    `bench:${partId}`,
    async (held, key) => {
      const { answer, refusal } = await resultOf(
        api.PUT('/api/parts/{part_id}/bench', {
          params: { path: { part_id: partId } },
          body: held,
          ...withKey(key),
        }),
      )
      return answer
        ? { answer: { sheet: answer.sheet, version: answer.version }, refusal: null }
        : { answer: null, refusal }
    },
    EMPTY,
  )

  let retry: ReturnType<typeof setTimeout> | undefined
  let gone = false
  onScopeDispose(() => {
    gone = true
    clearTimeout(retry)
  })
  /** While the server is away it is asked again; what is typed meanwhile is merged in when it answers. */
  async function load(): Promise<void> {
    clearTimeout(retry)
    const { answer, refusal } = await resultOf(
      api.GET('/api/parts/{part_id}/bench', { params: { path: { part_id: partId } } }),
    )
    loadRefusal.value = refusal
    if (refusal && isAway(refusal) && !gone) retry = setTimeout(() => void load(), RETRY_MS)
    if (!answer) return
    part.value = answer
    sheet.open({ sheet: answer.sheet, version: answer.version })
    const used = sheet.sheet.value.observations?.at(-1)?.instrument
    if (used) hand.instrument = used
  }

  /** The family that the part lies here as: as it was sent here, or as it was said since. */
  const family = computed<FamilyName>(() => sheet.sheet.value.family ?? part.value?.part.family ?? 'bearing')
  /** All that is measured of the family, in order. */
  const features = computed(
    () => (kinds.family(family.value)?.features.map((each) => each.feature) ?? []) as Feature[],
  )
  watch(pending, () => localStorage.setItem(pendingName, JSON.stringify(pending)))

  const readings = useReadings(sheet.sheet, family, pending, faults)
  const { take } = readings

  /** The listed part that was pointed at; else the likeliest is meant. */
  const pointed = ref<number | null>(null)
  /** The sheet and the kinds of part have come. */
  const ready = computed(() => sheet.ready.value && features.value.length > 0)
  const onLine = computed(() => Boolean(part.value?.place.line))
  /** How many the unit needs: the strip-down says it; of a part beside it, as it is said here. */
  const needed = computed(() => {
    const place = part.value?.place
    return onLine.value ? (place?.needed ?? 1) : (sheet.sheet.value.needed ?? 1) * (place?.units_alike ?? 1)
  })
  const question = computed<Question | null>(() => {
    if (!ready.value) return null
    const condition = sheet.sheet.value.condition || null
    const observations = features.value.flatMap((feature) => {
      const values = new Map<string, string[]>()
      const add = (instrument: string, typed: string, unit: string) =>
        values.set(instrument, [
          ...(values.get(instrument) ?? []),
          `${typed}${bare(typed) ? ` ${unit}` : ''}`,
        ])
      for (const each of readings.readings(feature)) add(each.instrument, each.typed, each.unit ?? 'mm')
      const typing = (pending[feature] ?? '').trim()
      if (typing) add(hand.instrument, typing, hand.unit)
      return [...values].map(([instrument, own]) => ({
        feature,
        values: own,
        unit: hand.unit,
        instrument,
        condition,
      }))
    })
    return {
      family: family.value,
      kind: sheet.sheet.value.kind || null,
      answers: sheet.sheet.value.answers ?? {},
      observations,
      marking: sheet.sheet.value.marking || null,
      condition: sheet.sheet.value.condition ?? '',
      said: sheet.sheet.value.said ?? {},
      duty: {
        rpm: part.value?.part.rpm ?? null,
        dirty: part.value?.part.dirty ?? null,
        medium: sheet.sheet.value.medium ?? '',
        temperature_c: sheet.sheet.value.temperature_c ?? null,
      },
      origin: part.value?.ring_lists.built_in || 'unknown',
      confirmed: part.value?.ring_lists.confirmed ?? [],
      read_before: part.value?.ring_lists.read ?? [],
      count: needed.value,
      chosen: pointed.value,
      limit: 6,
      variants: 18,
      at_hand: hand.instrument,
    }
  })

  /** What cannot be read is said at its field; the rest is ranked all the same. */
  async function ask(asked: Question, signal: AbortSignal) {
    const left = structuredClone(JSON.parse(JSON.stringify(asked)) as Question)
    for (const name of Object.keys(faults) as Feature[]) faults[name] = undefined
    for (let tries = 0; ; tries++) {
      const result = await resultOf(api.POST('/api/bench/identify', { body: left, signal }))
      const place = result.refusal?.field?.match(/^observations\[(\d+)\]/)
      const wrong = place ? left.observations?.[Number(place[1])] : undefined
      if (tries > 3 || !result.refusal || (!wrong && result.refusal.field !== 'text')) return result
      if (wrong) {
        faults[wrong.feature as Feature] = result.refusal.message
        const value = result.refusal.field?.match(/values\[(\d+)\]/)
        wrong.values.splice(value ? Number(value[1]) : 0, value ? 1 : wrong.values.length)
        left.observations = left.observations?.filter((each) => each.values.length)
      } else {
        faults.marking = result.refusal.message
        left.marking = null
      }
    }
  }
  const live = useLive<Question, Answer>(() => question.value, ask)
  /** Waits until all that was typed is taken and has been judged. */
  async function judged(): Promise<void> {
    for (const feature of features.value) take(feature)
    await live.done()
  }
  /** What is known of the part; while it has just become one of another family, nothing. */
  const answer = computed(() => (live.answered.value?.family === family.value ? live.answer.value : null))
  /** Nothing stands on the sheet. */
  const blank = computed(
    () => question.value !== null && !question.value.observations?.length && !question.value.marking,
  )

  /** A kind or a group by its picture; what was answered about another kind no longer counts. */
  function setKind(kind: string): void {
    sheet.sheet.value.kind = sheet.sheet.value.kind === kind ? '' : kind
    sheet.sheet.value.answers = {}
  }
  function setAnswer(question: string, answer: string): void {
    const { [question]: had, ...rest } = sheet.sheet.value.answers ?? {}
    sheet.sheet.value.answers = had === answer ? rest : { ...rest, [question]: answer }
  }

  /** What is seen of an attribute, or known from paper; empty takes it back. */
  function say(name: string, value: string): void {
    const rest = Object.entries(sheet.sheet.value.said ?? {}).filter(([each]) => each !== name)
    sheet.sheet.value.said = Object.fromEntries(value ? [...rest, [name, value]] : rest)
  }

  /** Said of the whole job: it goes to its take-in, and every O-ring of the job is ranked by it. */
  async function sayBuiltIn(built: BuiltIn): Promise<Refusal | null> {
    if (!part.value) return null
    const { answer, refusal } = await resultOf(
      api.PUT('/api/jobs/{number}/built-in', {
        params: { path: { number: part.value.job.number } },
        body: { built_in: built },
        ...withKey(),
      }),
    )
    if (answer) await load()
    return refusal
  }

  async function choose(itemId: number, sure: boolean): Promise<Refusal | null> {
    for (const feature of features.value) take(feature)
    const unsaved = await sheet.stored()
    if (unsaved) return unsaved
    const version = part.value?.identification?.version ?? 0
    const { answer, refusal } = await resultOf(
      api.POST('/api/parts/{part_id}/identification', {
        params: { path: { part_id: partId } },
        body: { item_id: itemId, version, sure },
        ...withKey(),
      }),
    )
    if (answer) part.value = answer
    else if (refusal.status === 409) await load()
    return refusal
  }
  /** Who worked at it and when, and what stood on it then. */
  const versions = () =>
    resultOf(api.GET('/api/parts/{part_id}/sheets/bench/versions', { params: { path: { part_id: partId } } }))
  const version = (at: number) =>
    resultOf(
      api.GET('/api/parts/{part_id}/sheets/bench/versions/{version}', {
        params: { path: { part_id: partId, version: at } },
      }),
    )
  return {
    versions,
    version,
    part,
    family,
    features,
    setFamily: readings.setFamily,
    sheet,
    pending,
    faults,
    live,
    ready,
    answer,
    blank,
    load,
    loadRefusal,
    readings: readings.readings,
    take,
    land: readings.land,
    drop: readings.drop,
    setKind,
    setAnswer,
    say,
    sayBuiltIn,
    pointed,
    onLine,
    needed,
    judged,
    choose,
  }
}

/** A figure without a unit of its own. */
export function bare(text: string): boolean {
  return !/(mm|cm|um|µm|in|inch|inches|thou|mil|"|″|”|''|\/)/i.test(text)
}
