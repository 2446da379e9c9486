import { nextTick, onScopeDispose, ref, watch, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useCaliper } from '@/shell/caliper'
import { handStays } from '@/shell/leading'
import type { Feature, useBench } from './useBench'

/** What the hand can be led to. */
interface Places {
  /** Features with a field on the drawing. */
  asked: Readonly<Ref<Feature[]>>
  next: Readonly<Ref<Schemas['NextMeasurement'] | null>>
  fieldOnDrawing: (feature: Feature) => void
  marking: () => void
  foot: () => void
}

/** Leads the hand to what is worth reading next, and a caliper's reading to the field it is meant for. */
export function useLed(
  bench: ReturnType<typeof useBench>,
  { asked, next, fieldOnDrawing, marking, foot }: Places,
) {
  const caliper = useCaliper()
  /** Where the caliper's next reading lands: the field last entered, or what is to be measured next. */
  const entered = ref<Feature | null>(null)
  const landed = ref<{ feature: string; count: number } | null>(null)
  /** Whether the hand that asked to be led on has stayed; an answer that comes late does not take it from elsewhere. */
  let toBeLed: (() => boolean) | null = null

  const quiet = caliper.listen((sent) => {
    const feature =
      entered.value ?? (asked.value.find((name) => name === next.value?.feature) || asked.value[0])
    if (!feature) return
    bench.land(feature, sent)
    landed.value = { feature, count: (landed.value?.count ?? 0) + 1 }
    caliper.beep()
    if (!entered.value) focusField(feature)
  })
  onScopeDispose(quiet)
  function focusNext(): void {
    const feature = next.value?.feature
    if (feature === 'marking') marking()
    else if (feature) focusField(feature as Feature)
    else foot()
  }
  /** On the drawing, or beside it. */
  function focusField(feature: Feature): void {
    if (asked.value.includes(feature)) fieldOnDrawing(feature)
    else document.querySelector<HTMLInputElement>(`.about input[name="${feature}"]`)?.focus()
  }
  function take(feature: Feature): void {
    if ((bench.pending[feature] ?? '').trim() && !bench.take(feature)) return
    toBeLed = handStays()
    // what was taken is asked about once this change has gone through: until then the answer is of before
    void nextTick(() => answered() && settle())
  }
  /** To be led to the first field when the part is there, if the hand has stayed and is not led on already. */
  function ask(stays: () => boolean): void {
    toBeLed ??= stays
    void nextTick(() => answered() && settle()) // the answer may have come before the kinds of part
  }
  /** Whether there is an answer to go by; before the part has come there is none. */
  function answered(): boolean {
    return !bench.live.working.value && bench.answer.value !== null
  }
  function settle(): void {
    const stays = toBeLed?.()
    toBeLed = null
    if (stays) void nextTick(focusNext)
  }
  watch(
    () => bench.live.working.value,
    () => answered() && settle(),
  )
  return { entered, landed, focusField, focusNext, take, ask }
}
