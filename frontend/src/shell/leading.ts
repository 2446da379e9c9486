const MODIFIERS = ['Shift', 'Alt', 'Control', 'Meta', 'CapsLock']

/**
 * Where the hand is now; the answer tells later whether it is still there, or nowhere, and no key was pressed since,
 * so that it may be led on. Whoever has gone elsewhere or types on is left alone.
 */
export function handStays(): () => boolean {
  const here = document.activeElement ?? document.body
  let typedOn = false
  const onKey = (event: KeyboardEvent): void => {
    if (MODIFIERS.includes(event.key)) return
    typedOn = true
    window.removeEventListener('keydown', onKey, true)
  }
  window.addEventListener('keydown', onKey, true)
  return () => {
    window.removeEventListener('keydown', onKey, true)
    const now = document.activeElement ?? document.body
    return !typedOn && (now === here || now === document.body)
  }
}
