import { computed, onScopeDispose, ref, type Ref } from 'vue'
import { isAway, type Refusal, type Schemas, type Result } from '@/api/client'
import { useLive } from '@/api/useLive'
import { useSheet } from './useSheet'

/** What a kind of sheet answers, whatever the kind. */
export interface Sheeted<S, J> {
  sheet: S
  version: number
  judged: J | null
}
/** The doors of one kind of sheet on one subject: how it is fetched, kept and judged. */
export interface Doors<S, J, A extends Sheeted<S, J>> {
  /** Under which its draft is kept on this machine, such as `seats:7`. */
  name: string
  load: () => Promise<Result<A>>
  save: (held: { sheet: S; version: number }, key: string) => Promise<Result<A>>
  judge: (sheet: S, signal: AbortSignal) => Promise<Result<{ judged: J | null }>>
  /** Who worked at it and when, and what stood on it then. */
  versions: () => Promise<Result<Schemas['Versions']>>
  version: (version: number) => Promise<Result<{ version: number; sheet: S; tables: Schemas['Table'][] }>>
  /** As it is filled in here: with the empty fields that the server does not keep. */
  filled?: (sheet: S) => S
  /** Whether it is judged as it is typed; always, when not said. */
  judges?: (answer: A) => boolean
}
const RETRY_MS = 1500

/** A sheet that a person fills in and the core judges: draft, saving, merging, and the judgement as it is typed. */
export function useJudgedSheet<S, J, A extends Sheeted<S, J>>(doors: Doors<S, J, A>, empty: S) {
  const filled = doors.filled ?? ((sheet: S): S => sheet)
  const answer = ref(null) as Ref<A | null>
  const loadRefusal = ref<Refusal | null>(null)
  const sheet = useSheet<S>(
    doors.name,
    async (held, key, again) => {
      const result = await doors.save(held, key)
      if (result.refusal) return { answer: null, refusal: filledRefusal(result.refusal) }
      const today = again ? (await doors.load()).answer : null
      answer.value = today ?? result.answer
      return { answer: { sheet: held.sheet, version: result.answer.version }, refusal: null }
    },
    filled(empty),
  )
  /** What stands at the server beside a clash comes without the empty fields. */
  function filledRefusal(refusal: Refusal): Refusal {
    const current = refusal.current as { sheet?: S; version?: number } | null
    return current?.sheet ? { ...refusal, current: { ...current, sheet: filled(current.sheet) } } : refusal
  }
  let retry: ReturnType<typeof setTimeout> | undefined
  let gone = false
  onScopeDispose(() => {
    gone = true
    clearTimeout(retry)
  })
  /** While the server is away a kept draft is shown, and it is asked again. */
  async function load(): Promise<void> {
    clearTimeout(retry)
    const result = await doors.load()
    loadRefusal.value = result.refusal
    if (result.refusal) {
      sheet.openKept()
      if (isAway(result.refusal) && !gone) retry = setTimeout(() => void load(), RETRY_MS)
      return
    }
    answer.value = result.answer
    const { sheet: held, version } = result.answer
    if (!sheet.ready.value) sheet.open({ sheet: filled(held), version })
  }
  const live = useLive<S, { judged: J | null }>(
    () =>
      sheet.ready.value && answer.value && (doors.judges?.(answer.value) ?? true) ? sheet.sheet.value : null,
    doors.judge,
  )
  const judged = computed<J | null>(() => live.answer.value?.judged ?? answer.value?.judged ?? null)
  /** What stood there then stands there again, as a change of today. */
  function takeBack(old: { sheet: S }): void {
    sheet.sheet.value = filled(JSON.parse(JSON.stringify(old.sheet)) as S)
  }
  const looking = ref(false)
  const { versions, version } = doors
  return { answer, sheet, judged, live, load, loadRefusal, looking, takeBack, versions, version }
}
