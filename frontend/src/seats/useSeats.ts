import { api, resultOf, withKey, type Schemas } from '@/api/client'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'

export type SeatSheet = Schemas['SeatSheet']
const PLANES = 3
const DIRECTIONS = 2
function side(instrument: string): Schemas['SeatSide'] {
  return {
    zone: '',
    instrument,
    material: 'steel',
    planes: [],
    standard_um: null,
    ring: '',
    hardness_hrc: null,
    roughness_um: null,
    signs: [],
  }
}
const EMPTY: SeatSheet = {
  turning: 'shaft',
  load: 'normal',
  slides: false,
  split: false,
  warmer_inner_k: 10,
  temperature_c: 20,
  instrument_temperature_c: 20,
  radial_n: null,
  running_c: null,
  hollow_mm: 0,
  sleeve_bore: '',
  compound_um: null,
  compound_c: null,
  shaft: side('micrometer'),
  housing: side('bore_gauge'),
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
  const params = { path: { part_id: partId } }
  const { answer, ...rest } = useJudgedSheet<SeatSheet, Schemas['SeatsJudged'], Schemas['SeatsSheetAnswer']>(
    {
      name: `seats:${partId}`,
      load: () => resultOf(api.GET('/api/parts/{part_id}/sheets/seats', { params })),
      save: (body, key) =>
        resultOf(api.PUT('/api/parts/{part_id}/sheets/seats', { params, body, ...withKey(key) })),
      judge: (body, signal) =>
        resultOf(api.POST('/api/parts/{part_id}/sheets/seats/judge', { params, body, signal })),
      versions: () => resultOf(api.GET('/api/parts/{part_id}/sheets/seats/versions', { params })),
      version: (version) =>
        resultOf(
          api.GET('/api/parts/{part_id}/sheets/seats/versions/{version}', {
            params: { path: { part_id: partId, version } },
          }),
        ),
      filled: padded,
      judges: (seats) => seats.fitted !== null,
    },
    EMPTY,
  )
  return { seats: answer, ...rest }
}
