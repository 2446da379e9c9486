import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'

export type Caliper = Schemas['Caliper']
export type Sent = Schemas['CaliperReading']
const OFTEN_MS = 300
const SELDOM_MS = 4000

/** The caliper that sends to this bench: which one, whether it is linked, and what it sends. */
export const useCaliper = defineStore('caliper', () => {
  const calipers = ref<Caliper[]>([])
  const chosen = ref(localStorage.getItem('ample:caliper') ?? '')
  const tone = ref(localStorage.getItem('ample:tone') !== 'off')
  watchEffect(() => {
    localStorage.setItem('ample:caliper', chosen.value)
    localStorage.setItem('ample:tone', tone.value ? 'on' : 'off')
  })
  let after: number | null = null
  let latest = 0
  let listener: ((sent: Sent) => void) | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  /** The one that this bench listens to: the one chosen, or the only one there is. */
  const mine = computed<Caliper | undefined>(() => {
    if (chosen.value === 'none') return undefined
    if (chosen.value) return calipers.value.find((each) => each.name === chosen.value)
    return calipers.value.length === 1 ? calipers.value[0] : undefined
  })
  const words = computed(() => {
    if (!calipers.value.length) return ''
    if (chosen.value === 'none') return 'no caliper connected'
    if (!mine.value) return `${calipers.value.length} calipers connected: choose one`
    const battery = mine.value.battery_percent
    const charge = battery === null || battery === undefined ? '' : `, battery ${battery} %`
    return mine.value.state === 'linked' ? `connected${charge}` : mine.value.words
  })
  const trouble = computed(
    () =>
      (!mine.value && calipers.value.length > 1 && chosen.value !== 'none') ||
      (mine.value !== undefined &&
        (mine.value.state !== 'linked' || (mine.value.battery_percent ?? 100) < 15)),
  )

  /** Only the latest look counts, so that what was sent lands once. */
  async function look(): Promise<void> {
    clearTimeout(timer)
    const own = ++latest
    const { answer } = await resultOf(
      api.GET('/api/calipers', { params: { query: after === null ? {} : { after } } }),
    )
    if (own !== latest) return
    if (answer) {
      calipers.value = answer.calipers
      after = answer.last
      for (const sent of answer.readings) if (sent.name === mine.value?.name) listener?.(sent)
    }
    timer = setTimeout(
      () => void look(),
      listener && mine.value?.state !== 'away' && mine.value ? OFTEN_MS : SELDOM_MS,
    )
  }
  /** Listen while a screen with fields is open; what was sent before does not land. */
  function listen(take: (sent: Sent) => void): () => void {
    listener = take
    after = null
    void look()
    return () => {
      if (listener === take) listener = null
    }
  }
  /** The next choice: each caliper in turn, none, then whichever is alone. */
  function choose(): void {
    const names = [...calipers.value.map((each) => each.name), 'none']
    const at = names.indexOf(chosen.value || (mine.value?.name ?? ''))
    chosen.value = names[(at + 1) % names.length] ?? ''
  }
  function beep(): void {
    if (!tone.value || typeof AudioContext === 'undefined') return
    const audio = new AudioContext()
    const voice = audio.createOscillator()
    const level = audio.createGain()
    voice.frequency.value = 880
    level.gain.setValueAtTime(0.08, audio.currentTime)
    level.gain.exponentialRampToValueAtTime(0.0005, audio.currentTime + 0.14)
    voice.connect(level).connect(audio.destination)
    voice.start()
    voice.stop(audio.currentTime + 0.15)
    voice.onended = () => void audio.close()
  }
  return { calipers, chosen, tone, mine, words, trouble, look, listen, choose, beep }
})
