import { computed, ref } from 'vue'
import { api, told, withKey, type Refusal, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { useSheet } from '@/api/useSheet'

export type SeatSheet = Schemas['SeatSheet']
const PLANES = 3
const DIRECTIONS = 2
const EMPTY: SeatSheet = {
  turning: 'shaft',
  load: 'normal',
  slides: false,
  split: false,
  warmer_inner_k: 10,
  temperature_c: 20,
  shaft: { zone: '', instrument: 'micrometer', planes: [] },
  housing: { zone: '', instrument: 'bore_gauge', planes: [] },
}

/** The grid of fields always has three planes and two directions; empty ones are not yet read. */
function padded(sheet: SeatSheet): SeatSheet {
  const full = JSON.parse(JSON.stringify(sheet)) as SeatSheet
  for (const side of ['shaft', 'housing'] as const) {
    const held = full[side]
    if (!held) continue
    held.planes ??= []
    while (held.planes.length < PLANES) held.planes.push([])
    for (const row of held.planes) while (row.length < DIRECTIONS) row.push('')
  }
  return full
}

/** Both seats of a part: what is typed, kept and judged as it is typed. */
export function useSeats(partId: number) {
  const seats = ref<Schemas['SeatsAnswer'] | null>(null)
  const loadRefusal = ref<Refusal | null>(null)
  const sheet = useSheet<SeatSheet>(
    `seats:${partId}`,
    async (held, key) => {
      const { answer, refusal } = await told(
        api.PUT('/api/parts/{part_id}/seats', {
          params: { path: { part_id: partId } },
          body: held,
          ...withKey(key),
        }),
      )
      return answer
        ? { answer: { sheet: held.sheet, version: answer.version }, refusal: null }
        : { answer: null, refusal: widen(refusal) }
    },
    padded(EMPTY),
  )
  /** What the server holds comes without the empty fields of the grid. */
  function widen(refusal: Refusal): Refusal {
    const current = refusal.current as { sheet?: SeatSheet; version?: number } | null
    return current?.sheet ? { ...refusal, current: { ...current, sheet: padded(current.sheet) } } : refusal
  }
  async function load(): Promise<void> {
    const { answer, refusal } = await told(
      api.GET('/api/parts/{part_id}/seats', { params: { path: { part_id: partId } } }),
    )
    loadRefusal.value = refusal
    if (!answer) return
    seats.value = answer
    sheet.open({ sheet: padded(answer.sheet), version: answer.version })
  }
  const live = useLive<SeatSheet, Schemas['SeatsJudged']>(
    () => (sheet.ready.value && seats.value?.fitted ? sheet.sheet.value : null),
    (asked, signal) =>
      told(
        api.POST('/api/parts/{part_id}/seats/judge', {
          params: { path: { part_id: partId } },
          body: asked,
          signal,
        }),
      ),
  )
  const judged = computed(() => live.answer.value ?? seats.value?.judged ?? null)
  return { seats, sheet, judged, live, load, loadRefusal }
}
