import { onBeforeUnmount, ref, type Ref } from 'vue'
import type { Refusal } from '@/api/client'

/** Seconds until another try is taken, counted down on the screen; 0 when one is taken now. */
export function useWaiting(): { seconds: Ref<number>; heed: (refusal: Refusal | null) => void } {
  const seconds = ref(0)
  let timer = 0
  function stop(): void {
    window.clearInterval(timer)
  }
  function heed(refusal: Refusal | null): void {
    stop()
    seconds.value = refusal?.status === 429 ? (refusal.retrySeconds ?? 0) : 0
    if (seconds.value)
      timer = window.setInterval(() => {
        seconds.value -= 1
        if (seconds.value <= 0) stop()
      }, 1000)
  }
  onBeforeUnmount(stop)
  return { seconds, heed }
}
