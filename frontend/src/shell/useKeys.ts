import { onMounted, onScopeDispose, shallowRef, toValue, type MaybeRefOrGetter } from 'vue'

export interface Key {
  key: string
  words: string
  run: (event: KeyboardEvent) => void
  inFields?: boolean
}

type Keys = MaybeRefOrGetter<Key[]>
const stacks = shallowRef<Keys[]>([])

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.matches('input, textarea, select, [contenteditable]') ||
      target.closest('[role="dialog"]') !== null)
  )
}

/** Space presses the button that has the focus. */
function presses(event: KeyboardEvent): boolean {
  return (
    event.key === ' ' &&
    event.target instanceof HTMLElement &&
    event.target.closest('button, a, summary') !== null
  )
}

/** The letter that was meant: a forgotten Caps Lock changes nothing. */
function pressed(event: KeyboardEvent): string {
  if (event.key.length !== 1 || !event.getModifierState('CapsLock')) return event.key
  const lower = event.key.toLowerCase()
  return event.key === lower ? event.key.toUpperCase() : lower
}

function matches(key: Key, event: KeyboardEvent): boolean {
  const names = key.key === '+' ? ['+'] : key.key.split('+')
  const main = names.at(-1)
  const wantsControl = names.includes('Ctrl')
  const wantsAlt = names.includes('Alt')
  if (wantsControl !== (event.ctrlKey || event.metaKey) || wantsAlt !== event.altKey) return false
  if (main?.length === 1 && !wantsControl && !wantsAlt) return pressed(event) === main
  return event.key === main || event.key.toLowerCase() === main?.toLowerCase()
}

if (typeof window !== 'undefined')
  window.addEventListener('keydown', (event) => {
    if (event.defaultPrevented) return
    for (const keys of [...stacks.value].reverse())
      for (const key of toValue(keys))
        if (matches(key, event) && !presses(event) && (key.inFields || !typing(event.target))) {
          event.preventDefault()
          key.run(event)
          return
        }
  })

/** The keys of a screen; `?` lists them. A key works outside fields unless it says otherwise. */
export function useKeys(keys: Keys): void {
  onMounted(() => (stacks.value = [...stacks.value, keys]))
  onScopeDispose(() => {
    stacks.value = stacks.value.filter((each) => each !== keys)
  })
}

export function knownKeys(): Key[] {
  return [...stacks.value].reverse().flatMap((keys) => toValue(keys))
}
