<script setup lang="ts">
import { computed } from 'vue'
import { useTrade } from '@/job/useTrade'
import type { LinePart } from './lineEdits'

/** What to look at on this kind of part, how, and the criterion; ticked here, judged by the core. */
const props = defineProps<{ part: LinePart }>()
const emit = defineEmits<{ patch: [values: Partial<LinePart>] }>()
const trade = useTrade()
const questions = computed(() => trade.tables?.cards[trade.kind(props.part.kind)?.card ?? ''] ?? [])
const found = computed(() => props.part.findings ?? {})
function answer(question: string, value: string): void {
  const rest = { ...found.value }
  if (!value || rest[question] === value) Reflect.deleteProperty(rest, question)
  else rest[question] = value
  emit('patch', { findings: rest })
}
/** A length as it is said: 0.25, 10 thou, 0.01 in; what cannot be read the core says at the field. */
function typed(question: string, event: Event): void {
  answer(question, (event.target as HTMLInputElement).value.trim())
}
</script>

<template>
  <section class="card" aria-label="condition">
    <div
      v-for="each in questions"
      :key="each.question"
      class="question"
      role="group"
      :aria-label="each.words"
    >
      <p>
        <b>{{ each.words }}</b> <span class="faint">{{ each.how }} {{ each.criterion }}</span>
      </p>
      <div v-if="each.answers.length" class="chips">
        <button
          v-for="option in each.answers"
          :key="option.name"
          type="button"
          class="chip"
          :aria-pressed="found[each.question] === option.name"
          @click="answer(each.question, option.name)"
        >
          {{ option.words }}
        </button>
      </div>
      <label v-else class="depth"
        ><input
          class="fig"
          inputmode="decimal"
          :name="`finding-${each.question}`"
          :aria-label="each.words"
          :value="found[each.question] ?? ''"
          @change="typed(each.question, $event)"
        />
        mm, thou or in</label
      >
    </div>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 9px;
  align-content: start;
}
p {
  font-size: 14px;
  line-height: 1.3;
}
p b {
  font-size: 15px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 3px;
}
.depth input {
  width: 90px;
  font-size: 18px;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
}
</style>
