import { computed, onScopeDispose, ref, toRaw } from 'vue'
import { api, isAway, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { inTurn } from '@/api/inTurn'
import { useHistory } from '@/sheets/useHistory'
import { useLive } from '@/api/useLive'
import { useSheet } from '@/sheets/useSheet'
import { standingDecisions, standingVerdicts, wrongParts } from '@/drawing/standing'
import { useTrade } from '@/job/useTrade'
import * as edit from './lineEdits'
import type { LinePart, LineSheet } from './lineEdits'
import { useLineSelection } from './useLineSelection'

type Answer = Schemas['LineAnswer']
type Check = Schemas['LineCheckAnswer']
const RETRY_MS = 2000

/** The lines of a job: kept, checked as they change, with undo over everything that was done here. */
export function useLine(number: string) {
  const trade = useTrade()
  const turn = inTurn()
  const answer = ref<Answer | null>(null)
  const loadRefusal = ref<Refusal | null>(null)
  const question = ref<{ words: string; go: () => void } | null>(null)

  const held = useSheet<LineSheet>(
    `line:${number}`,
    async (sheet, key) => {
      const { answer: saved, refusal } = await resultOf(
        api.PUT('/api/jobs/{number}/line', {
          params: { path: { number } },
          body: sheet,
          ...withKey(key),
        }),
      )
      if (!saved) return { answer: null, refusal }
      void lookAgain()
      return { answer: { sheet: sheet.sheet, version: saved.version }, refusal: null }
    },
    edit.EMPTY,
    { replaced: true },
  )
  const sheet = held.sheet
  const chosen = useLineSelection(sheet)
  const { lineKey, selected, line, parts, hung, part, endOf, nextPart } = chosen
  const history = useHistory(sheet, chosen.settle)
  const { change } = history

  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))
  async function load(): Promise<void> {
    const { answer: found, refusal } = await resultOf(
      api.GET('/api/jobs/{number}/line', { params: { path: { number } } }),
    )
    loadRefusal.value = refusal
    if (!found) {
      held.openKept()
      if (isAway(refusal)) timer = setTimeout(() => void load(), RETRY_MS)
      chosen.settle()
      return
    }
    answer.value = found
    if (held.ready.value) return chosen.settle() // begun with what was kept here: it is saved and merged by itself
    held.open({ sheet: { ...edit.EMPTY, ...found.sheet } as LineSheet, version: found.version })
    chosen.settle()
  }
  /** Decisions, photos and what has gone to the Bench; the sheet itself stays as it is here. */
  async function lookAgain(): Promise<void> {
    const { answer: found } = await turn(() =>
      resultOf(api.GET('/api/jobs/{number}/line', { params: { path: { number } } })),
    )
    if (found) answer.value = found
  }

  /** A change that may pull tied parts from each other asks first. */
  function changeAsking(to: LineSheet): void {
    const tie = edit.tieBroken(sheet.value, to)
    if (!tie) return change(to)
    question.value = {
      words: `${tie.words || `What is tied stays at the ${tie.end} end`} (${line.value?.name ?? 'its shaft'}). Move it anyway?`,
      go: () => change({ ...to, ties: to.ties.filter((each) => each.key !== tie.key) }),
    }
  }
  function patch(key: string, values: Partial<LinePart>): void {
    const now = toRaw(sheet.value)
    const own = now.parts.find((each) => each.key === key)
    if (!own || JSON.stringify({ ...own, ...values }) === JSON.stringify(own)) return
    const parts = now.parts.map((each) => (each === own ? { ...own, ...values } : each))
    change({ ...now, parts }, `${key}:${Object.keys(values).join()}`)
  }
  function add(kind: string, asBeside = false): void {
    const known = trade.kind(kind)
    if (!known) return
    let now = sheet.value
    if (!line.value) now = withLine(now, 'main shaft')
    const made = { ...edit.makePart(known, lineKey.value), beside: asBeside }
    change(edit.withPart(now, made, asBeside ? null : selected.value))
    selected.value = made.key
  }
  /** Tie the part to its shaft and end, together with its neighbour. */
  function tie(): void {
    const own = part.value
    if (!own || !line.value || own.beside) return
    if (sheet.value.ties.some((each) => each.parts.includes(own.key))) return
    const made: edit.Tie = {
      key: edit.newKeyOf('t'),
      line: line.value.key,
      end: endOf.value,
      parts: nextPart.value ? [own.key, nextPart.value.key] : [own.key],
      thickness: { ...(own.width ?? { typed: '', unit: 'mm', mm: null }) },
      words: `${trade.kindWords(own.kind)} stays at the ${endOf.value} end`,
    }
    change({ ...sheet.value, ties: [...sheet.value.ties, made] })
  }
  function withLine(now: LineSheet, name: string): LineSheet {
    const made = {
      key: edit.newKeyOf('l'),
      name,
      inside: '',
      left_end: 'air',
      right_end: 'air',
      count: 1,
    } as const
    lineKey.value = made.key
    return { ...now, lines: [...now.lines, made] }
  }
  function addLine(name: string): void {
    change(withLine(sheet.value, name))
    selected.value = null
  }
  function removeLine(): void {
    const now = sheet.value
    if (now.parts.some((each) => each.line === lineKey.value)) return
    change({ ...now, lines: now.lines.filter((each) => each.key !== lineKey.value) })
    chosen.settle()
  }
  function remove(): void {
    const own = parts.value.some((each) => each.key === selected.value) ? parts.value : hung.value
    const at = own.findIndex((each) => each.key === selected.value)
    const gone = own[at]
    if (!gone) return
    const next = own[at + 1] ?? own[at - 1] ?? null
    change(edit.withoutPart(sheet.value, gone.key))
    selected.value = next?.key ?? null
  }
  const live = useLive<Schemas['LineCheckRequest'], Check>(
    () =>
      held.ready.value && sheet.value.lines.length
        ? { sheet: sheet.value, access: (answer.value?.access as 'cheap' | 'costly') ?? 'cheap' }
        : null,
    (asked, signal) => resultOf(api.POST('/api/calc/line-check', { body: asked, signal })),
    160,
  )
  const standing = computed(() => standingDecisions(answer.value?.decisions))
  const verdicts = computed(() => standingVerdicts(live.answer.value, standing.value))
  const contradictions = computed(() => live.answer.value?.contradictions ?? [])
  const wrong = computed(() => wrongParts(live.answer.value))

  async function toBench(key: string) {
    const unsaved = await held.stored()
    if (unsaved) return { answer: null, refusal: unsaved }
    const params = { path: { number, key } }
    const result = await resultOf(api.POST('/api/jobs/{number}/line/{key}/bench', { params, ...withKey() }))
    await lookAgain()
    return result
  }
  async function decide(key: string, body: Schemas['DecideRequest']) {
    const unsaved = await held.stored()
    if (unsaved) return unsaved
    const params = { path: { number, key } }
    const result = await resultOf(
      api.POST('/api/jobs/{number}/line/{key}/decision', { params, body, ...withKey() }),
    )
    await lookAgain()
    return result.refusal
  }
  const params = { path: { number } }
  /** Who worked at it and when, and what stood on it then. */
  const versions = () => resultOf(api.GET('/api/jobs/{number}/sheets/strip_down/versions', { params }))
  const version = (at: number) =>
    resultOf(
      api.GET('/api/jobs/{number}/sheets/strip_down/versions/{version}', {
        params: { path: { number, version: at } },
      }),
    )
  return {
    versions,
    version,
    answer,
    loadRefusal,
    held,
    sheet,
    lineKey,
    line,
    parts,
    hung,
    part,
    selected,
    question,
    load,
    lookAgain,
    change,
    changeAsking,
    undoStep: history.undoStep,
    redoStep: history.redoStep,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    patch,
    add,
    addLine,
    tie,
    endOf,
    nextPart,
    removeLine,
    remove,
    select: chosen.select,
    selectLine: chosen.selectLine,
    live,
    verdicts,
    standing,
    contradictions,
    wrong,
    toBench,
    decide,
  }
}
