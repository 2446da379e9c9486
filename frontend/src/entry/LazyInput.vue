<script setup lang="ts">
import { ref, watch } from 'vue'

/** A field that is taken when it is left or Enter is pressed; what is being typed stays whatever comes meanwhile. */
const props = defineProps<{ value: string }>()
const emit = defineEmits<{ take: [text: string] }>()
const text = ref(props.value)
const field = ref<HTMLInputElement | null>(null)
watch(
  () => props.value,
  (value) => {
    if (document.activeElement !== field.value) text.value = value
  },
)
function take(): void {
  const typed = text.value.trim()
  text.value = typed
  if (typed !== props.value) emit('take', typed)
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <input ref="field" v-model="text" @change="take" />
</template>
