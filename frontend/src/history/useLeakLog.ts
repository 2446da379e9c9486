import { api, newKey, resultOf, withKey, type Schemas } from '@/api/client'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'

export type LeakLog = Schemas['LeakLog']
export type LogEntry = Schemas['LogEntry']
export type What = LogEntry['what']
export const EMPTY: LeakLog = {
  entries: [],
  emptied: { early: 75, limit: 14 },
  topped_up: { early: null, limit: null },
  temperature: { early: null, limit: null },
  play: { early: null, limit: null },
  lead_days: 0,
  approval_days: 0,
}
/** What is written down, in words; and how its figure is asked for. */
export const WHAT: { what: What; words: string; asks: string }[] = [
  { what: 'emptied', words: 'bottle emptied', asks: '' },
  { what: 'topped_up', words: 'topped up', asks: 'litres' },
  { what: 'temperature', words: 'temperature', asks: '°C' },
  { what: 'play', words: 'play', asks: 'mm or thou' },
  { what: 'note', words: 'note', asks: '' },
]
export const WATCHED = ['emptied', 'topped_up', 'temperature', 'play'] as const

/** The log of a unit: what was done and read on which day, kept and judged as it is written. */
export function useLeakLog(unitId: number) {
  const params = { path: { unit_id: unitId } }
  const held = useJudgedSheet<LeakLog, Schemas['LogJudged'], Schemas['LeakLogSheetAnswer']>(
    {
      name: `leak-log:${unitId}`,
      load: () => resultOf(api.GET('/api/units/{unit_id}/sheets/leak_log', { params })),
      save: (body, key) =>
        resultOf(api.PUT('/api/units/{unit_id}/sheets/leak_log', { params, body, ...withKey(key) })),
      judge: (body, signal) =>
        resultOf(api.POST('/api/units/{unit_id}/sheets/leak_log/judge', { params, body, signal })),
      versions: () => resultOf(api.GET('/api/units/{unit_id}/sheets/leak_log/versions', { params })),
      version: (version) =>
        resultOf(
          api.GET('/api/units/{unit_id}/sheets/leak_log/versions/{version}', {
            params: { path: { unit_id: unitId, version } },
          }),
        ),
    },
    EMPTY,
  )
  const sheet = held.sheet.sheet
  function add(entry: Omit<LogEntry, 'key'>): string {
    const key = `e${newKey().slice(0, 14)}`
    sheet.value.entries = [...(sheet.value.entries ?? []), { ...entry, key }]
    return key
  }
  function remove(key: string): LogEntry | null {
    const gone = (sheet.value.entries ?? []).find((each) => each.key === key) ?? null
    sheet.value.entries = (sheet.value.entries ?? []).filter((each) => each.key !== key)
    return gone
  }
  return { ...held, add, remove }
}
