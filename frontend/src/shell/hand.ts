import { defineStore } from 'pinia'
import { ref, watchEffect } from 'vue'

/** What is in the hand: unit, instrument, and the light in the shop. Kept on this machine. */
export const useHand = defineStore('hand', () => {
  const unit = ref<'mm' | 'in'>(localStorage.getItem('ample:unit') === 'in' ? 'in' : 'mm')
  const instrument = ref(localStorage.getItem('ample:instrument') ?? 'caliper')
  const night = ref(localStorage.getItem('ample:night') === 'on')
  watchEffect(() => {
    localStorage.setItem('ample:unit', unit.value)
    localStorage.setItem('ample:instrument', instrument.value)
    localStorage.setItem('ample:night', night.value ? 'on' : 'off')
    document.documentElement.dataset.night = night.value ? 'on' : 'off'
  })
  return {
    unit,
    instrument,
    night,
    toggleUnit: () => (unit.value = unit.value === 'mm' ? 'in' : 'mm'),
    toggleNight: () => (night.value = !night.value),
  }
})
