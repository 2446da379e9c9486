import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import type { Result } from '@/api/client'
import { useLive } from '@/api/useLive'

let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

/** Answers each question with itself, after as many milliseconds as it says. */
function slowly(asked: string[]) {
  return (question: string, signal: AbortSignal): Promise<Result<string>> =>
    new Promise((resolve, reject) => {
      asked.push(question)
      signal.addEventListener('abort', () => reject(new DOMException('gone', 'AbortError')))
      setTimeout(() => resolve({ answer: question, refusal: null }), Number(question.split(' ')[1]))
    })
}
async function pass(ms: number): Promise<void> {
  await nextTick()
  await vi.advanceTimersByTimeAsync(ms)
}

describe('a question asked as one types', () => {
  it('can be waited for: the answer to what stands now, not to what stood before', async () => {
    const question = ref<string | null>('6205 50')
    const live = scope.run(() => useLive(() => question.value, slowly([]), 100))
    if (!live) throw new Error('no scope')
    await pass(60)
    question.value = '6206 50'
    const result: (string | null)[] = []
    void live.done().then(() => result.push(live.answer.value))
    await pass(140)
    expect(result).toEqual([])
    await pass(20)
    expect(result).toEqual(['6206 50'])
    await live.done()
  })
  it('waits until the typing stops and asks once', async () => {
    const asked: string[] = []
    const question = ref<string | null>(null)
    scope.run(() => useLive(() => question.value, slowly(asked), 100))
    for (const text of ['6 5', '62 5', '620 5']) {
      question.value = text
      await pass(40)
    }
    await pass(200)
    expect(asked).toEqual(['620 5'])
  })
  it('drops an answer that came too late', async () => {
    const question = ref<string | null>('first 500')
    const live = scope.run(() => useLive(() => question.value, slowly([]), 10))
    await pass(50)
    question.value = 'second 20'
    await pass(600)
    expect(live?.answer.value).toBe('second 20')
    expect(live?.working.value).toBe(false)
  })
  it('says which question the answer it holds was given to', async () => {
    const question = ref<string | null>('first 20')
    const live = scope.run(() => useLive(() => question.value, slowly([]), 10))
    await pass(50)
    question.value = 'second 500'
    await pass(200)
    expect([live?.answer.value, live?.answered.value]).toEqual(['first 20', 'first 20'])
    await pass(500)
    expect(live?.answered.value).toBe('second 500')
    question.value = null
    await pass(20)
    expect(live?.answered.value).toBeNull()
  })
  it('is still working when the answer to the question before comes while the next one waits', async () => {
    const question = ref<string | null>('first 50')
    const live = scope.run(() => useLive(() => question.value, slowly([]), 100))
    await pass(120)
    question.value = 'second 20'
    await pass(60)
    expect(live?.answer.value).toBeNull()
    expect(live?.working.value).toBe(true)
    await pass(100)
    expect(live?.answer.value).toBe('second 20')
    expect(live?.working.value).toBe(false)
  })
  it('has no answer where there is no question', async () => {
    const question = ref<string | null>('one 5')
    const live = scope.run(() => useLive(() => question.value, slowly([]), 10))
    await pass(50)
    expect(live?.answer.value).toBe('one 5')
    question.value = null
    await pass(50)
    expect(live?.answer.value).toBeNull()
  })
  it('keeps the last answer beside a refusal', async () => {
    const question = ref<string | null>('good')
    const refusal = { status: 422, code: 'x', message: 'no', field: null, hint: null, current: null }
    const ask = (asked: string): Promise<Result<string>> =>
      Promise.resolve(asked === 'bad' ? { answer: null, refusal } : { answer: asked, refusal: null })
    const live = scope.run(() => useLive(() => question.value, ask, 10))
    await pass(50)
    question.value = 'bad'
    await pass(50)
    expect(live?.answer.value).toBe('good')
    expect(live?.refusal.value?.message).toBe('no')
  })
})
