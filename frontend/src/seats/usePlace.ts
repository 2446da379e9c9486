import { api, resultOf, withKey, type Schemas } from '@/api/client'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'

export type PlaceSheet = Schemas['PlaceSheet']
const EMPTY: PlaceSheet = {
  rpm: null,
  pressure_bar: null,
  min_c: null,
  max_c: null,
  medium: '',
  roughness_um: null,
  hardness_hrc: null,
  runout_mm: null,
  eccentricity_mm: null,
  track_depth: '',
  housing_depth: '',
  lead: false,
  dry: false,
  way_in: [],
  motion: 'static',
  pressure_from: 'inside',
  gap: '',
  hardness_shore_a: null,
  swell_percent: 0,
}

/** The place of a seal or ring: what is typed of it beside its sizes, kept and judged as it is typed. */
export function usePlace(partId: number) {
  const params = { path: { part_id: partId } }
  return useJudgedSheet<PlaceSheet, Schemas['PlaceJudged'], Schemas['PlaceSheetAnswer']>(
    {
      name: `place:${partId}`,
      load: () => resultOf(api.GET('/api/parts/{part_id}/sheets/place', { params })),
      save: (body, key) =>
        resultOf(api.PUT('/api/parts/{part_id}/sheets/place', { params, body, ...withKey(key) })),
      judge: (body, signal) =>
        resultOf(api.POST('/api/parts/{part_id}/sheets/place/judge', { params, body, signal })),
      versions: () => resultOf(api.GET('/api/parts/{part_id}/sheets/place/versions', { params })),
      version: (version) =>
        resultOf(
          api.GET('/api/parts/{part_id}/sheets/place/versions/{version}', {
            params: { path: { part_id: partId, version } },
          }),
        ),
      filled: (sheet) => ({ ...EMPTY, ...sheet, way_in: [...(sheet.way_in ?? [])] }),
      judges: (place) => place.going_in !== null,
    },
    EMPTY,
  )
}
