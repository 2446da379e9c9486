import { computed, onScopeDispose, readonly, ref, shallowRef, toRaw, watch, type Ref } from 'vue'
import { isAway, newKey, type Refusal, type Result } from '@/api/client'
import { Drafts, onPageLeft, openPages, type Draft, type Sent } from './drafts'
import { merge, takeTheirs, type Clash } from './merge'
import { useSaving } from './saving'

interface Held<T> {
  sheet: T
  version: number
}

const RETRY_MS = 1500
const TURN_MS = 100
const MOST_TURNS = 80
const UNSAVED: Refusal = {
  status: 0,
  code: 'not_saved',
  message: 'What you entered is not saved yet.',
  field: null,
  hint: 'Try again once it is.',
  current: null,
}

function text<T>(value: T): string {
  return JSON.stringify(toRaw(value))
}
function copy<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}

/**
 * A sheet that loses nothing: every change is kept on this machine at once, saved shortly after, tried again
 * while the server is away, and merged by field when someone else saved meanwhile. A large sheet that is never
 * changed in place but only `replaced` is not looked into at every change. What goes out `again` may be answered
 * with what was answered then, though other things have changed since.
 */
export function useSheet<T>(
  name: string,
  save: (held: Held<T>, key: string, again: boolean) => Promise<Result<Held<T>>>,
  empty: T,
  { replaced = false } = {},
) {
  const saving = useSaving()
  const sheet = (replaced ? shallowRef(copy(empty)) : ref(copy(empty))) as Ref<T>
  const clashes = ref<Clash[]>([])
  const theirs = ref<Held<T> | null>(null) as Ref<Held<T> | null>
  const refusal = ref<Refusal | null>(null)
  const ready = ref(false)
  const merged = ref<string[]>([])
  const drafts = new Drafts<T>(name)
  let base = copy(empty)
  let baseText = text(base)
  let version = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  /** What has gone out and is not answered yet: it goes out again as it was, before anything typed since. */
  let sent: Sent<T> | null = null
  let onItsWay: Promise<void> | null = null
  let closed = false
  let keptHere = true

  const dirty = (): boolean => text(sheet.value) !== baseText
  function setBase(value: T): void {
    base = value
    baseText = text(value)
  }

  /** Keep what is not saved yet on this machine; true when there is something. */
  function keep(): boolean {
    const mine = text(sheet.value)
    if (mine === baseText && !sent) {
      drafts.drop()
      return false
    }
    // where there is no room it is said so in the strip; the server is tried all the same
    keptHere = drafts.keep({ base: baseText, version, mine, sent: sent ? text(sent) : undefined })
    return true
  }

  /** Typed before what the server holds has come: kept beside any draft, and merged in when it comes. */
  function keepEarly(): void {
    if (!dirty()) return drafts.drop(true)
    keptHere = drafts.keep({ base: baseText, version: 0, mine: text(sheet.value) }, true)
    saving.away(name, 'Waiting for the server.', keptHere)
  }
  function typedEarly(): Draft<T> | null {
    if (dirty()) return { base, version, mine: copy(sheet.value) }
    return drafts.own(true)
  }

  /** Begin with what the server holds; a draft of an earlier visit, and what was typed already, is merged in. */
  function open(loaded: Held<T>): void {
    const own = saving.newest.get(name) as Held<T> | undefined
    const held = own && own.version > loaded.version ? own : loaded
    const early = typedEarly()
    begin(held)
    ready.value = true
    const draft = drafts.own()
    if (draft) resume(draft, held)
    if (early) sheet.value = merge(early.base, early.mine, sheet.value).sheet
    drafts.drop(true)
    if (!dirty() && !sent) saving.saved(name)
    void takeLeft()
  }
  function begin(held: Held<T>): void {
    setBase(copy(held.sheet))
    version = held.version
    sheet.value = copy(held.sheet)
  }
  /** Go on with a draft; what had gone out without an answer is asked about first: it may be stored already. */
  function resume(draft: Draft<T>, held: Held<T>): void {
    if (draft.sent) {
      begin({ sheet: draft.base, version: draft.version })
      sent = draft.sent
      sheet.value = draft.mine
      void flush()
    } else if (draft.version === held.version) sheet.value = draft.mine
    else settle(draft.base, draft.mine, held)
  }

  /** What other pages of this machine have left behind is merged in; pages that are open keep theirs. */
  async function takeLeft(): Promise<void> {
    const open = await openPages()
    if (closed || !ready.value) return
    for (const { base: from, mine, sent: unanswered } of drafts.takeLeft(open)) {
      const now = copy(sheet.value)
      // what it had sent may be stored here already: only what was typed after that is its own then
      const stored = unanswered && text(merge(from, unanswered.sheet, now).sheet) === text(now)
      const result = merge(stored ? unanswered.sheet : from, mine, now)
      sheet.value = result.sheet
      if (result.clashes.length) {
        theirs.value = { sheet: now, version }
        clashes.value = [...clashes.value, ...result.clashes]
      }
    }
  }

  /** While the server is away: begin with what is kept here of an earlier visit; false when nothing is. */
  function openKept(): boolean {
    const draft = ready.value ? null : drafts.own()
    if (!draft) return false
    open({ sheet: draft.base, version: draft.version })
    return true
  }

  function settle(from: T, mine: T, held: Held<T>): void {
    const result = merge(from, mine, held.sheet)
    setBase(copy(held.sheet))
    version = held.version
    sheet.value = result.sheet
    merged.value = result.taken
    if (result.clashes.length) {
      theirs.value = held
      clashes.value = result.clashes
    }
  }

  /** For a clash: keep mine, or take theirs. */
  function decide(path: string, takeTheir: boolean): void {
    if (takeTheir && theirs.value) sheet.value = takeTheirs(sheet.value, theirs.value.sheet, path)
    clashes.value = clashes.value.filter((clash) => clash.path !== path)
    if (!clashes.value.length) {
      theirs.value = null
      schedule(0)
    }
  }

  function schedule(waitMs: number): void {
    clearTimeout(timer)
    if (!closed) timer = setTimeout(() => void flush(), waitMs)
  }

  /** Saves what is not saved yet; while something is on its way, waits for its answer. */
  function flush(): Promise<void> {
    return (onItsWay ??= send().finally(() => (onItsWay = null)))
  }
  async function send(): Promise<void> {
    if (!ready.value || clashes.value.length) return
    if (!dirty() && !sent) return saving.saved(name)
    const again = sent !== null
    const going = sent ?? { sheet: copy(sheet.value), version, key: newKey() }
    sent = going
    if (!closed) keep()
    saving.working(name)
    const result = await save({ sheet: going.sheet, version: going.version }, going.key, again)
    if (result.answer) {
      sent = null
      setBase(going.sheet)
      version = result.answer.version
      saving.newest.set(name, { sheet: copy(going.sheet), version })
      refusal.value = null
      if (closed) forget(going)
      else keep()
      if (!dirty()) saving.saved(name)
      else if (closed) await send()
      else schedule(0)
    } else refused(result.refusal, going.sheet)
  }

  /** Waits until all that was typed is stored; the reason when it cannot be for now. */
  async function stored(): Promise<Refusal | null> {
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      await flush()
      if (ready.value && !dirty() && !sent) return null
      if (clashes.value.length) break
      if (refusal.value && refusal.value.status !== 409) return refusal.value
      if (!ready.value) await new Promise((go) => setTimeout(go, TURN_MS))
    }
    return UNSAVED
  }
  const settled = async (): Promise<boolean> => (await stored()) === null

  /** This sheet has been left, and may be open anew: its draft goes only when it is of what was just stored. */
  function forget(stored: Sent<T>): void {
    const draft = drafts.own()
    if (draft?.sent && text(draft.mine) === text(stored.sheet)) drafts.drop()
  }

  function refused(why: Refusal, gone: T): void {
    refusal.value = why
    if (isAway(why)) {
      saving.away(name, why.message, keptHere)
      schedule(RETRY_MS)
      return
    }
    sent = null
    if (why.status === 409 && why.current) {
      settle(base, text(sheet.value) === text(gone) ? gone : sheet.value, why.current as unknown as Held<T>)
      keep()
      schedule(0)
    } else {
      keep()
      saving.refused(name, why.message, keptHere)
    }
  }

  watch(
    sheet,
    () => {
      if (!ready.value) return keepEarly()
      if (keep()) {
        saving.changed(name)
        schedule(refusal.value && isAway(refusal.value) ? RETRY_MS : 500)
      }
    },
    { deep: !replaced },
  )
  const stopListening = onPageLeft(() => void takeLeft())
  onScopeDispose(() => {
    closed = true
    stopListening()
    clearTimeout(timer)
    if (dirty() && !onItsWay && !clashes.value.length) void flush()
  })
  return {
    sheet,
    clashes: readonly(clashes),
    merged: readonly(merged),
    refusal: readonly(refusal),
    ready: readonly(ready),
    hasClashes: computed(() => clashes.value.length > 0),
    open,
    openKept,
    decide,
    stored,
    settled,
  }
}
