<script setup lang="ts">
import { computed, ref, watch } from 'vue'

/** A plain figure within limits; what is none stays as it is typed and is said so, and nothing is taken. */
const props = defineProps<{
  modelValue: number | null | undefined
  name: string
  label: string
  least: number
  most: number
  whole?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()
const shown = (value: number | null | undefined): string => (value == null ? '' : String(value))
const text = ref(shown(props.modelValue))
function read(typed: string): number | null | undefined {
  const clean = typed.trim().replace(',', '.').replace('−', '-')
  if (!clean) return null
  const value = Number(clean)
  const right = value >= props.least && value <= props.most && !(props.whole && !Number.isInteger(value))
  return right ? value : undefined
}
const wrong = computed(() => read(text.value) === undefined)
watch(text, (typed) => {
  const value = read(typed)
  if (value !== undefined && value !== (props.modelValue ?? null)) emit('update:modelValue', value)
})
watch(
  () => props.modelValue,
  (value) => {
    if (read(text.value) !== (value ?? null)) text.value = shown(value)
  },
)
const limits = computed(() => `${props.least} to ${props.most}`.replace(/-/g, '−'))
</script>

<template>
  <input
    v-model="text"
    :name="name"
    class="fig figure"
    :class="{ wrong }"
    inputmode="decimal"
    maxlength="6"
    :aria-label="label"
    :aria-invalid="wrong"
  />
  <span v-if="wrong" class="limits" role="alert">{{ limits }}</span>
</template>

<style scoped>
.figure {
  width: 46px;
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: inherit;
  font-size: 15px;
  padding: 0 2px;
  margin-right: 5px;
}
.figure:focus {
  border-color: var(--action);
}
.figure.wrong {
  border-color: var(--attention);
  color: var(--attention);
}
.limits {
  font-size: 13px;
  color: var(--attention);
  margin-left: 5px;
  white-space: nowrap;
}
</style>
