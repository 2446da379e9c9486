import { computed, onScopeDispose, readonly, ref, shallowRef, toRaw, watch, type Ref } from 'vue'
import { isAway, newKey, type Refusal, type Told } from './client'
import { merge, takeTheirs, type Clash } from './merge'
import { useSaving } from './saving'

interface Held<T> {
  sheet: T
  version: number
}
interface Draft<T> {
  base: T
  version: number
  mine: T
}

const RETRY_MS = 1500

function text<T>(value: T): string {
  return JSON.stringify(toRaw(value))
}
function copy<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}

/**
 * A sheet that loses nothing: every change is kept on this machine at once, saved shortly after, tried again
 * while the server is away, and merged by field when someone else saved meanwhile. A large sheet that is never
 * changed in place but only `replaced` is not looked into at every change.
 */
export function useSheet<T>(
  name: string,
  save: (held: Held<T>, key: string) => Promise<Told<Held<T>>>,
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
  const storageName = `ample:${name}`
  const earlyName = `${storageName}:early`
  let base = copy(empty)
  let baseText = text(base)
  let version = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let key = newKey()
  let busy = false
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
    if (mine === baseText) {
      localStorage.removeItem(storageName)
      return false
    }
    try {
      localStorage.setItem(storageName, `{"base":${baseText},"version":${version},"mine":${mine}}`)
      keptHere = true
    } catch (full) {
      if (!(full instanceof DOMException)) throw full
      keptHere = false // it is said so in the strip; the server is tried all the same
    }
    return true
  }

  /** Typed before what the server holds has come: kept beside any draft, and merged in when it comes. */
  function keepEarly(): void {
    if (!dirty()) return localStorage.removeItem(earlyName)
    try {
      localStorage.setItem(earlyName, `{"base":${baseText},"version":0,"mine":${text(sheet.value)}}`)
      keptHere = true
    } catch (full) {
      if (!(full instanceof DOMException)) throw full
      keptHere = false
    }
    saving.away(name, 'What the server holds has not come yet.', keptHere)
  }
  function typedEarly(): Draft<T> | null {
    if (dirty()) return { base, version, mine: copy(sheet.value) }
    const kept = localStorage.getItem(earlyName)
    return kept ? (JSON.parse(kept) as Draft<T>) : null
  }

  /** Begin with what the server holds; a draft of an earlier visit, and what was typed already, is merged in. */
  function open(loaded: Held<T>): void {
    const own = saving.newest.get(name) as Held<T> | undefined
    const held = own && own.version > loaded.version ? own : loaded
    const early = typedEarly()
    setBase(copy(held.sheet))
    version = held.version
    sheet.value = copy(held.sheet)
    ready.value = true
    const kept = localStorage.getItem(storageName)
    if (kept) {
      const draft = JSON.parse(kept) as Draft<T>
      if (draft.version === held.version) sheet.value = draft.mine
      else settle(draft.base, draft.mine, held)
    }
    if (early) sheet.value = merge(early.base, early.mine, sheet.value).sheet
    localStorage.removeItem(earlyName)
    if (!dirty()) saving.saved(name)
  }

  /** While the server is away: begin with what is kept here of an earlier visit; false when nothing is. */
  function openKept(): boolean {
    const kept = ready.value ? null : localStorage.getItem(storageName)
    if (!kept) return false
    const draft = JSON.parse(kept) as Draft<T>
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

  async function flush(): Promise<void> {
    if (busy || !ready.value || clashes.value.length) return
    if (!dirty()) return saving.saved(name)
    busy = true
    const sent = copy(sheet.value)
    saving.working(name)
    const told = await save({ sheet: sent, version }, key)
    busy = false
    if (told.answer) {
      setBase(sent)
      version = told.answer.version
      saving.newest.set(name, { sheet: copy(sent), version })
      refusal.value = null
      key = newKey()
      keep()
      saving.saved(name)
      if (dirty()) schedule(0)
    } else refused(told.refusal, sent)
  }

  function refused(why: Refusal, sent: T): void {
    refusal.value = why
    if (isAway(why)) {
      saving.away(name, why.message, keptHere)
      schedule(RETRY_MS)
    } else if (why.status === 409 && why.current) {
      key = newKey()
      settle(base, text(sheet.value) === text(sent) ? sent : sheet.value, why.current as unknown as Held<T>)
      keep()
      schedule(0)
    } else {
      key = newKey()
      saving.refused(name, why.message, keptHere)
    }
  }

  watch(
    sheet,
    () => {
      if (!ready.value) return keepEarly()
      if (keep()) {
        saving.changed(name)
        key = newKey()
        schedule(500)
      }
    },
    { deep: !replaced },
  )
  onScopeDispose(() => {
    closed = true
    clearTimeout(timer)
    if (dirty() && !busy && !clashes.value.length) void flush()
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
    flush,
  }
}
