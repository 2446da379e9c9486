import { computed, onScopeDispose, ref, shallowRef, toRaw, watch } from 'vue'
import { api, isAway, told, withKey, type Refusal, type Schemas } from '@/api/client'
import { merge } from '@/api/merge'
import { useLive } from '@/api/useLive'
import { useSheet } from '@/api/useSheet'
import { standingDecisions, standingVerdicts, wrongParts } from '@/drawing/standing'
import { useTrade } from '@/job/useTrade'
import * as edit from './lineEdits'
import type { LinePart, LineSheet } from './lineEdits'

type Answer = Schemas['LineAnswer']
type Check = Schemas['LineCheckAnswer']
const MOST_STEPS = 200
const TYPING_MS = 2000
const RETRY_MS = 2000

/** One change that can be taken back; sheets are never changed in place here. */
interface Step {
  before: LineSheet
  after: LineSheet
}

/** The lines of a job: kept, checked as they change, with undo over everything that was done here. */
export function useLine(number: string) {
  const trade = useTrade()
  const answer = ref<Answer | null>(null)
  const loadRefusal = ref<Refusal | null>(null)
  const lineKey = ref('')
  const selected = ref<string | null>(null)
  const done = shallowRef<Step[]>([])
  const redo = shallowRef<Step[]>([])
  const question = ref<{ words: string; go: () => void } | null>(null)

  const held = useSheet<LineSheet>(
    `line:${number}`,
    async (sheet, key) => {
      const { answer: saved, refusal } = await told(
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

  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))
  async function load(): Promise<void> {
    const { answer: found, refusal } = await told(
      api.GET('/api/jobs/{number}/line', { params: { path: { number } } }),
    )
    loadRefusal.value = refusal
    if (!found) {
      held.openKept()
      if (isAway(refusal)) timer = setTimeout(() => void load(), RETRY_MS)
      settleSelection()
      return
    }
    answer.value = found
    if (held.ready.value) return settleSelection() // begun with what was kept here: it is saved and merged by itself
    held.open({ sheet: { ...edit.EMPTY, ...found.sheet } as LineSheet, version: found.version })
    settleSelection()
  }
  /** Decisions, photos and what has gone to the Bench; the sheet itself stays as it is here. */
  async function lookAgain(): Promise<void> {
    const { answer: found } = await told(api.GET('/api/jobs/{number}/line', { params: { path: { number } } }))
    if (found) answer.value = found
  }

  const line = computed(() => sheet.value.lines.find((each) => each.key === lineKey.value) ?? null)
  const parts = computed(() => edit.along(sheet.value, lineKey.value))
  const hung = computed(() => edit.beside(sheet.value, lineKey.value))
  const part = computed(() => sheet.value.parts.find((each) => each.key === selected.value) ?? null)

  function settleSelection(): void {
    if (!sheet.value.lines.some((each) => each.key === lineKey.value))
      lineKey.value = sheet.value.lines[0]?.key ?? ''
    if (!part.value || part.value.line !== lineKey.value) selected.value = parts.value[0]?.key ?? null
  }
  watch(() => sheet.value.lines.map((each) => each.key).join(), settleSelection)
  watch(
    () => sheet.value.parts.length,
    () => !part.value && settleSelection(),
  )

  let lastTag = ''
  let lastAt = 0
  /** Every change goes through here, so that all of it can be taken back; typing in one field is one step. */
  function change(to: LineSheet, tag = ''): void {
    const before = toRaw(sheet.value)
    const after = toRaw(to)
    if (before === after) return
    const last = done.value.at(-1)
    if (tag && tag === lastTag && last && Date.now() - lastAt < TYPING_MS) last.after = after
    else done.value = [...done.value.slice(-MOST_STEPS), { before, after }]
    lastTag = tag
    lastAt = Date.now()
    redo.value = []
    sheet.value = to
  }
  /** A change that may pull tied parts from each other asks first. */
  function changeAsking(to: LineSheet): void {
    const tie = edit.tieBroken(sheet.value, to)
    if (!tie) return change(to)
    question.value = {
      words: `${tie.words || 'What is tied'} stays at the ${tie.end} end of ${line.value?.name ?? 'its shaft'}. Move it away?`,
      go: () => change({ ...to, ties: to.ties.filter((each) => each.key !== tie.key) }),
    }
  }
  /** Take back only what was done here: what someone else did meanwhile stays. */
  function step(from: typeof done, onto: typeof redo, back: boolean): boolean {
    const last = from.value.at(-1)
    if (!last) return false
    from.value = from.value.slice(0, -1)
    onto.value = [...onto.value, last]
    const [now, then] = back ? [last.after, last.before] : [last.before, last.after]
    sheet.value = merge(now, then, toRaw(sheet.value)).sheet
    settleSelection()
    return true
  }
  const undoStep = () => step(done, redo, true)
  const redoStep = () => step(redo, done, false)

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
  const endOf = computed<'left' | 'right'>(() => {
    const at = parts.value.findIndex((each) => each.key === selected.value)
    return at <= (parts.value.length - 1) / 2 ? 'left' : 'right'
  })
  const nextPart = computed(
    () => parts.value[parts.value.findIndex((each) => each.key === selected.value) + 1] ?? null,
  )
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
    settleSelection()
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
  function select(by: number): void {
    const all = [...parts.value, ...hung.value]
    const at = all.findIndex((each) => each.key === selected.value)
    const next = all[Math.min(all.length - 1, Math.max(0, at + by))]
    if (next) selected.value = next.key
  }
  function selectLine(by: number): void {
    const lines = sheet.value.lines
    const at = lines.findIndex((each) => each.key === lineKey.value)
    const next = lines[(at + by + lines.length) % lines.length]
    if (!next) return
    lineKey.value = next.key
    selected.value = parts.value[0]?.key ?? null
  }

  const live = useLive<Schemas['LineCheckRequest'], Check>(
    () =>
      held.ready.value && sheet.value.lines.length
        ? { sheet: sheet.value, access: (answer.value?.access as 'cheap' | 'costly') ?? 'cheap' }
        : null,
    (asked, signal) => told(api.POST('/api/calc/line-check', { body: asked, signal })),
    160,
  )
  const standing = computed(() => standingDecisions(answer.value?.decisions))
  const verdicts = computed(() => standingVerdicts(live.answer.value, standing.value))
  const contradictions = computed(() => live.answer.value?.contradictions ?? [])
  const wrong = computed(() => wrongParts(live.answer.value))

  async function toBench(key: string) {
    await held.flush()
    const params = { path: { number, key } }
    const result = await told(api.POST('/api/jobs/{number}/line/{key}/bench', { params, ...withKey() }))
    await lookAgain()
    return result
  }
  async function decide(key: string, body: Schemas['DecideRequest']) {
    await held.flush()
    const params = { path: { number, key } }
    const result = await told(
      api.POST('/api/jobs/{number}/line/{key}/decision', { params, body, ...withKey() }),
    )
    await lookAgain()
    return result.refusal
  }
  return {
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
    undoStep,
    redoStep,
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => redo.value.length > 0),
    patch,
    add,
    addLine,
    tie,
    endOf,
    nextPart,
    removeLine,
    remove,
    select,
    selectLine,
    live,
    verdicts,
    standing,
    contradictions,
    wrong,
    toBench,
    decide,
  }
}
