import { computed, ref } from 'vue'
import { api, resultOf, withKey, type Schemas } from '@/api/client'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'

export type FitUp = Schemas['FitUpSheet']
export type Step = Schemas['FitUpStep']
export type Tick = Schemas['Tick']
export const EMPTY: FitUp = {
  ticks: [],
  choices: [],
  shop: ['heater', 'press', 'freezer'],
  wrench: 'N·m',
  worked_s: 0,
  running_since: null,
  together: false,
  reason: '',
}
export const WAYS = ['warm', 'press', 'chill'] as const
export const WRENCHES = ['N·m', 'ft-lb', 'in-lb'] as const
const STEP_CODES = new Set(['steps_open'])

/** Fitting up a job: its steps with what is ticked, which one is looked at, and the clock of the work. */
export function useFitUp(number: string) {
  const params = { path: { number } }
  const held = useJudgedSheet<FitUp, Schemas['FitUpJudged'], Schemas['FitUpSheetAnswer']>(
    {
      name: `fit-up:${number}`,
      load: () => resultOf(api.GET('/api/jobs/{number}/sheets/fit_up', { params })),
      save: (body, key) =>
        resultOf(api.PUT('/api/jobs/{number}/sheets/fit_up', { params, body, ...withKey(key) })),
      judge: (body, signal) =>
        resultOf(api.POST('/api/jobs/{number}/sheets/fit_up/judge', { params, body, signal })),
      versions: () => resultOf(api.GET('/api/jobs/{number}/sheets/fit_up/versions', { params })),
      version: (version) =>
        resultOf(
          api.GET('/api/jobs/{number}/sheets/fit_up/versions/{version}', {
            params: { path: { number, version } },
          }),
        ),
    },
    EMPTY,
  )
  const sheet = held.sheet.sheet
  const steps = computed<Step[]>(() => held.judged.value?.steps ?? [])
  const ticks = computed(() => new Map((sheet.value.ticks ?? []).map((each) => [each.key, each])))
  /** The step that is looked at; without a choice the first that is not ticked. */
  const chosen = ref<string | null>(null)
  const open = computed(() => steps.value.find((each) => !ticks.value.has(each.key))?.key ?? null)
  const at = computed(() => {
    const key = chosen.value ?? open.value
    const found = steps.value.findIndex((each) => each.key === key)
    return found >= 0 ? found : Math.max(0, steps.value.length - 1)
  })
  const step = computed<Step | null>(() => steps.value[at.value] ?? null)
  function look(by: number): void {
    const next = steps.value[Math.min(steps.value.length - 1, Math.max(0, at.value + by))]
    if (next) chosen.value = next.key
  }
  /** The step is done: on to the next that is not. */
  function tick(): void {
    const [now, here] = [step.value, at.value]
    if (!now) return
    chosen.value = now.key
    if (!ticks.value.has(now.key)) change(now.key, {})
    const next = steps.value.slice(here + 1).find((each) => !ticks.value.has(each.key))
    chosen.value = next?.key ?? (open.value ? null : now.key)
  }
  function untick(): void {
    const now = step.value
    if (!now) return
    chosen.value = now.key
    sheet.value.ticks = (sheet.value.ticks ?? []).filter((each) => each.key !== now.key)
    sheet.value.together = false
  }
  /** What was reached or noted at a step; that ticks it. */
  function change(key: string, what: Partial<Tick>): void {
    const now = ticks.value.get(key) ?? { key, reached: '', note: '' }
    const others = (sheet.value.ticks ?? []).filter((each) => each.key !== key)
    sheet.value.ticks = [...others, { ...now, ...what }]
  }
  function choose(part: string, what: Partial<Schemas['PartChoice']>): void {
    const choices = sheet.value.choices ?? []
    const now = choices.find((each) => each.key === part) ?? {
      key: part,
      way: '' as const,
      supplied_with: '',
    }
    sheet.value.choices = [...choices.filter((each) => each.key !== part), { ...now, ...what }]
  }
  /** The clock of the work: started and stopped by hand, kept with the sheet. */
  function toggleClock(now: number): void {
    const since = sheet.value.running_since
    if (!since) {
      sheet.value.running_since = new Date(now).toISOString()
      return
    }
    sheet.value.worked_s = worked(now)
    sheet.value.running_since = null
  }
  function worked(now: number): number {
    const since = sheet.value.running_since
    const running = since ? Math.max(0, Math.round((now - new Date(since).getTime()) / 1000)) : 0
    return Math.min(10_000_000, (sheet.value.worked_s ?? 0) + running)
  }
  const refused = computed(() => held.live.refusal.value ?? held.sheet.refusal.value)
  const stepsOpen = computed(() => STEP_CODES.has(held.sheet.refusal.value?.code ?? ''))
  return {
    ...held, steps, ticks, chosen, at, step, look, tick, untick, change, choose, toggleClock, worked, refused, stepsOpen,
  } // prettier-ignore
}

/** Hours and minutes, as a clock shows them. */
export function clockWords(seconds: number): string {
  const hours = Math.floor(seconds / 3600)
  const minutes = Math.floor((seconds % 3600) / 60)
  return `${hours}:${String(minutes).padStart(2, '0')}`
}
export function timerWords(seconds: number): string {
  const minutes = Math.floor(seconds / 60)
  return `${minutes}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`
}
