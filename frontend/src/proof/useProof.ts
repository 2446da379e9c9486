import { computed } from 'vue'
import { api, newKey, resultOf, withKey, type Schemas } from '@/api/client'
import { useJudgedSheet } from '@/sheets/useJudgedSheet'

export type Proof = Schemas['ProofSheet']
export type Rows = 'set_points' | 'plays' | 'fills' | 'runs' | 'tasks' | 'compared' | 'changes'
export const EMPTY: Proof = {
  set_points: [],
  plays: [],
  fills: [],
  runs: [],
  checks: [],
  tasks: [],
  compared: [],
  changes: [],
  note_next: '',
  closed: false,
  reason: '',
}
const BLANK: { [R in Rows]: Omit<NonNullable<Proof[R]>[number], 'key'> } = {
  set_points: {
    what: '',
    least: null,
    most: null,
    unit: 'mm',
    readings: [''],
    doubt: 0,
    left_loose: false,
    note: '',
  },
  plays: {
    what: '',
    least_mm: null,
    most_mm: null,
    pairs: [{ pushed: '', pulled: '' }],
    dial_mm: 0.01,
    pitch_mm: null,
    leaves: '',
  },
  fills: { what: '', side: '', wanted_l: null, filled_l: '', level: '', bled: false },
  runs: { what: '', rpm: null, minutes: null, ambient_c: 20, limit_c: 80, readings: [] },
  tasks: { what: '', due: null, done: false, reading: '' },
  compared: { what: '', before: '', after: '', unit: '' },
  changes: { what: '' },
}

/** Setting and proving a job: rows as they are typed, each judged at once, and what stands against closing. */
export function useProof(number: string) {
  const params = { path: { number } }
  const held = useJudgedSheet<Proof, Schemas['ProofJudged'], Schemas['ProofSheetAnswer']>(
    {
      name: `proof:${number}`,
      load: () => resultOf(api.GET('/api/jobs/{number}/sheets/proof', { params })),
      save: (body, key) =>
        resultOf(api.PUT('/api/jobs/{number}/sheets/proof', { params, body, ...withKey(key) })),
      judge: (body, signal) =>
        resultOf(api.POST('/api/jobs/{number}/sheets/proof/judge', { params, body, signal })),
      versions: () => resultOf(api.GET('/api/jobs/{number}/sheets/proof/versions', { params })),
      version: (version) =>
        resultOf(
          api.GET('/api/jobs/{number}/sheets/proof/versions/{version}', {
            params: { path: { number, version } },
          }),
        ),
    },
    EMPTY,
  )
  const sheet = held.sheet.sheet
  function add<R extends Rows>(rows: R, more: object = {}): string {
    const key = `p${newKey().slice(0, 14)}`
    const blank = JSON.parse(JSON.stringify(BLANK[rows])) as object
    sheet.value[rows] = [...(sheet.value[rows] ?? []), { ...blank, key, ...more }] as Proof[R]
    return key
  }
  function remove(rows: Rows, key: string): void {
    const kept = (sheet.value[rows] ?? []).filter((each) => each.key !== key)
    Object.assign(sheet.value, { [rows]: kept })
  }
  function check(key: string, what: Partial<Schemas['CheckResult']>): void {
    const now = sheet.value.checks?.find((each) => each.key === key)
    const row = { key, result: '' as const, reading: '', note: '', ...now, ...what }
    sheet.value.checks = now
      ? (sheet.value.checks ?? []).map((each) => (each.key === key ? row : each))
      : [...(sheet.value.checks ?? []), row]
  }
  async function sign(version: number): Promise<string> {
    const { answer, refusal } = await resultOf(
      api.POST('/api/jobs/{number}/sheets/proof/signature', {
        params,
        body: { version },
        ...withKey(newKey()),
      }),
    )
    if (answer) held.answer.value = answer
    return refusal?.message ?? ''
  }
  /** The judgement of a row, by its key. */
  const judgedBy = computed(() => {
    const now = held.judged.value
    return {
      points: new Map(now?.set_points.map((each) => [each.key, each])),
      plays: new Map(now?.plays.map((each) => [each.key, each.play])),
      fills: new Map(now?.fills.map((each) => [each.key, each])),
      runs: new Map(now?.runs.map((each) => [each.key, each])),
      compared: new Map(now?.compared.map((each) => [each.key, each])),
    }
  })
  return { ...held, add, remove, check, sign, judgedBy }
}
