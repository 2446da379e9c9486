import { nextTick, onScopeDispose, readonly, ref, watch, type Ref } from 'vue'
import type { Refusal, Result } from './client'

/** Asks again whenever the question changes: debounced, the stale call cancelled, stale answers dropped. */
export function useLive<Q, A>(
  question: () => Q | null,
  ask: (question: Q, signal: AbortSignal) => Promise<Result<A>>,
  waitMs = 110,
) {
  const answer = ref<A | null>(null) as Ref<A | null>
  /** The question that the answer was given to. */
  const answered = ref<Q | null>(null) as Ref<Q | null>
  const refusal = ref<Refusal | null>(null)
  const working = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let call: AbortController | undefined

  async function run(asked: Q): Promise<void> {
    call?.abort()
    const own = new AbortController()
    call = own
    working.value = true
    try {
      const result = await ask(asked, own.signal)
      if (call !== own) return
      refusal.value = result.refusal
      if (result.answer !== null) {
        answer.value = result.answer
        answered.value = asked
      }
    } catch (failure) {
      if (!(failure instanceof DOMException)) throw failure
    } finally {
      if (call === own) working.value = false
    }
  }

  function again(): void {
    const asked = question()
    if (asked !== null) void run(asked)
    else working.value = false
  }

  watch(
    () => JSON.stringify(question()),
    () => {
      clearTimeout(timer)
      call?.abort()
      call = undefined // an answer to the question before is stale already
      if (question() === null) {
        answer.value = null
        answered.value = null
        refusal.value = null
        working.value = false
      } else {
        working.value = true
        timer = setTimeout(again, waitMs)
      }
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    clearTimeout(timer)
    call?.abort()
  })
  /** Waits until the question as it stands now has been answered, or refused. */
  async function done(): Promise<void> {
    await nextTick()
    if (!working.value) return
    await new Promise<void>((go) => {
      const stop = watch(working, (still) => {
        if (still) return
        stop()
        go()
      })
    })
  }
  return {
    answer: answer as Readonly<Ref<A | null>>,
    answered: answered as Readonly<Ref<Q | null>>,
    refusal: readonly(refusal),
    working: readonly(working),
    again,
    done,
  }
}
