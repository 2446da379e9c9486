// @vitest-environment node
import './machine'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import { AWAY } from './refusals'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'
import { Kept } from './machine'

interface Sheet {
  note: string
}
const answered = (sheet: Sheet, version: number, jobs: string[]) => ({ sheet, version, judged: null, jobs })
type Answer = ReturnType<typeof answered>

afterEach(() => vi.useRealTimers())

it('what goes out again is answered as then, and what it shows beside the sheet is as it is today', async () => {
  vi.useFakeTimers()
  vi.stubGlobal('localStorage', new Kept())
  setActivePinia(createPinia())
  let jobs = ['0412']
  let deaf = true
  const given = new Map<string, Answer>()
  const scope = effectScope()
  const held = scope.run(() =>
    useJudgedSheet<Sheet, null, Answer>(
      {
        name: 'leak-log:7',
        load: () => Promise.resolve({ answer: answered({ note: '' }, 1, jobs), refusal: null }),
        save: ({ sheet, version }, key) => {
          const first = given.get(key) ?? answered(sheet, version + 1, jobs)
          given.set(key, first)
          if (deaf) return Promise.resolve({ answer: null, refusal: AWAY })
          return Promise.resolve({ answer: first, refusal: null })
        },
        judge: () => Promise.resolve({ answer: { judged: null }, refusal: null }),
        versions: () => Promise.reject(new Error('not asked')),
        version: () => Promise.reject(new Error('not asked')),
      },
      { note: '' },
    ),
  )
  await held?.load()
  if (held) held.sheet.sheet.value.note = 'weeps'
  await nextTick()
  await vi.advanceTimersByTimeAsync(600)
  jobs = ['0412', '0431']
  deaf = false
  await vi.advanceTimersByTimeAsync(2000)
  expect(held?.answer.value?.jobs).toEqual(['0412', '0431'])
  scope.stop()
})
