<script setup lang="ts">
import { computed, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { useHand } from '@/shell/hand'

/** A size as people write it; the core reads it, both units stand beside it, a fault stands at it. */
type Size = Schemas['Size']
const props = defineProps<{ label: string; name: string; size: Size | undefined }>()
const emit = defineEmits<{ change: [size: Size] }>()
const hand = useHand()
const typed = computed(() => props.size?.typed ?? '')
const live = useLive<{ text: string; unit: 'mm' | 'in' }, Schemas['LengthAnswer']>(
  () => (typed.value.trim() ? { text: typed.value, unit: props.size?.unit ?? 'mm' } : null),
  (asked, signal) => resultOf(api.POST('/api/calc/length', { body: asked, signal })),
)
watch(live.answer, (answer) => {
  const mm = answer ? Number(answer.mm.toFixed(7)) : null
  if (typed.value.trim() && mm !== (props.size?.mm ?? null))
    emit('change', { typed: typed.value, unit: props.size?.unit ?? 'mm', mm })
})
const fault = computed(() =>
  typed.value.trim() && live.refusal.value && live.refusal.value.status === 422
    ? live.refusal.value.message
    : '',
)
const other = computed(() => {
  const answer = live.answer.value
  if (!answer || !typed.value.trim()) return ''
  return (props.size?.unit ?? 'mm') === 'mm' && answer.unit === 'mm'
    ? `${answer.inch.toFixed(4)} in`
    : `${answer.mm.toFixed(3)} mm`
})
function onInput(event: Event): void {
  emit('change', { typed: (event.target as HTMLInputElement).value, unit: hand.unit, mm: null })
}
</script>

<template>
  <label class="size"
    >{{ label }}
    <input :name="name" class="fig" maxlength="40" autocomplete="off" :value="typed" @input="onInput" />
    <span :class="fault ? 'stop' : 'faint'" :role="fault ? 'alert' : undefined">{{
      fault || other || (size?.unit ?? hand.unit)
    }}</span>
  </label>
</template>

<style scoped>
.size {
  display: grid;
  font-size: 13px;
  color: var(--faint);
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  font-size: 18px;
  padding: 1px 0;
  color: var(--ink);
}
span {
  font-size: 13px;
  min-height: 18px;
}
</style>
