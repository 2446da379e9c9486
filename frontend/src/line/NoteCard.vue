<script setup lang="ts">
import type { Schemas } from '@/api/client'
import RefusedNote from '@/entry/RefusedNote.vue'
import type { LinePart } from './lineEdits'

/** A note on the part; dangerous plans are refused in words. */
defineProps<{ part: LinePart; refused: Schemas['Refusal'][] }>()
const emit = defineEmits<{ patch: [values: Partial<LinePart>] }>()
function text(event: Event): string {
  return (event.target as HTMLTextAreaElement).value
}
</script>

<template>
  <section class="note-card" aria-label="note">
    <textarea
      name="note"
      rows="4"
      maxlength="200"
      aria-label="note on the part"
      placeholder="what the next person should know"
      :value="part.note"
      @input="emit('patch', { note: text($event) })"
    />
    <RefusedNote :refused="refused" />
  </section>
</template>

<style scoped>
.note-card {
  display: grid;
  gap: 8px;
}
textarea {
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 8px;
  font-size: 16px;
  resize: vertical;
}
</style>
