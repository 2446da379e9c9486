/** A finger or the mouse drags a part over another; let go, the two keys are told. */
export function useDragging(dropped: (key: string, target: string) => void) {
  const FAR_PX = 8
  let held: { key: string; x: number; far: boolean; over: string | null } | null = null

  function move(event: PointerEvent): void {
    if (!held) return
    held.far ||= Math.abs(event.clientX - held.x) > FAR_PX
    if (!held.far) return
    const below = document.elementFromPoint(event.clientX, event.clientY)?.closest('[role="option"]')
    held.over = below?.id.replace('part-', '') ?? null
  }
  function letGo(): void {
    window.removeEventListener('pointermove', move)
    const { key, far, over } = held ?? { key: '', far: false, over: null }
    held = null
    if (far && over && over !== key) dropped(key, over)
  }
  function grab(key: string, event: PointerEvent): void {
    held = { key, x: event.clientX, far: false, over: null }
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', letGo, { once: true })
  }
  return { grab }
}
