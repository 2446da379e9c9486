import { computed, shallowRef, toRaw, type Ref } from 'vue'
import { merge } from './merge'

const MOST_STEPS = 200
const TYPING_MS = 2000

/** One change that can be taken back; sheets are never changed in place here. */
interface Step<T> {
  before: T
  after: T
}

/** Undo and redo over a sheet that others change too: only what was done here is taken back. */
export function useHistory<T>(sheet: Ref<T>, settle: () => void) {
  const done = shallowRef<Step<T>[]>([])
  const undone = shallowRef<Step<T>[]>([])
  let lastTag = ''
  let lastAt = 0

  /** Every change goes through here, so that all of it can be taken back; typing in one field (`tag`) is one step. */
  function change(to: T, tag = ''): void {
    const before = toRaw(sheet.value)
    const after = toRaw(to)
    if (before === after) return
    const last = done.value.at(-1)
    if (tag && tag === lastTag && last && Date.now() - lastAt < TYPING_MS) last.after = after
    else done.value = [...done.value.slice(-MOST_STEPS), { before, after }]
    lastTag = tag
    lastAt = Date.now()
    undone.value = []
    sheet.value = to
  }
  function step(from: typeof done, onto: typeof undone, back: boolean): boolean {
    const last = from.value.at(-1)
    if (!last) return false
    from.value = from.value.slice(0, -1)
    onto.value = [...onto.value, last]
    const [now, then] = back ? [last.after, last.before] : [last.before, last.after]
    sheet.value = merge(now, then, toRaw(sheet.value)).sheet
    settle()
    return true
  }
  return {
    change,
    undoStep: () => step(done, undone, true),
    redoStep: () => step(undone, done, false),
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  }
}
