import { computed } from 'vue'
import { api, resultOf, withKey, type Refusal } from '@/api/client'
import { useJob } from '@/job/useJob'
import { useHand } from '@/shell/hand'

/** Keeping that the zero of the instrument in hand was checked: only of the shop's own instruments, once a day. */
export function useZeroCheck(again: () => void) {
  const hand = useHand()
  const job = useJob()
  const held = computed(() => job.instruments.find((each) => each.name === hand.instrument))
  /** The instrument whose zero can still be kept as checked today; empty when there is none. */
  const checkable = computed(() =>
    held.value?.calibrated_on && !held.value.zero_checked ? held.value.name : '',
  )
  async function zeroIsRight(): Promise<Refusal | null> {
    if (!checkable.value) return null
    const { answer, refusal } = await resultOf(
      api.POST('/api/instruments/zero', { body: { name: checkable.value }, ...withKey() }),
    )
    if (answer) {
      job.instruments = answer.instruments
      again()
    }
    return refusal
  }
  return { checkable, zeroIsRight }
}
