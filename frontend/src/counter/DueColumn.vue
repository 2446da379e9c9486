<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import { dayWords } from '@/drawing/timeAxis'

/** What is due: units whose log asks for parts or a plan, and what somebody wanted to come back to. */
defineProps<{ due: Pick<Schemas['Board'], 'due_units' | 'due_tasks'>; known: boolean }>()
function dates(unit: Schemas['DueUnit']): { words: string; day: string }[] {
  const found: { words: string; day: string | null }[] = [
    { words: 'order by', day: unit.order_by },
    { words: 'plan', day: unit.plan_on },
    { words: 'limit', day: unit.limit_on },
  ]
  return found.flatMap((each) => (each.day ? [{ words: each.words, day: each.day }] : []))
}
const WHAT: Record<string, string> = {
  emptied: 'drip bottle fills faster',
  topped_up: 'topped up more often',
  temperature: 'running warmer',
  play: 'play increasing',
}
</script>

<template>
  <section aria-label="due">
    <h2>
      due
      <span v-if="due.due_units.length + due.due_tasks.length" class="fig">{{
        due.due_units.length + due.due_tasks.length
      }}</span>
    </h2>
    <RouterLink
      v-for="unit in due.due_units"
      :key="`${unit.unit_id}${unit.what}`"
      :to="{ name: 'history', params: { unitId: unit.unit_id } }"
      class="due"
    >
      <b>{{ unit.title }}</b>
      <span class="faint">{{ unit.place }}</span>
      <span>{{ WHAT[unit.what] ?? unit.what }}</span>
      <b v-if="unit.already_passed" class="att">{{
        unit.already_passed === 'limit' ? 'over its limit' : 'time to plan'
      }}</b>
      <span v-for="each in dates(unit)" :key="each.words"
        >{{ each.words }} <b class="fig">{{ dayWords(each.day) }}</b></span
      >
    </RouterLink>
    <RouterLink
      v-for="task in due.due_tasks"
      :key="task.job + task.what"
      :to="{ name: 'proof', params: { number: task.job } }"
      class="due"
    >
      <b>{{ task.what }}</b>
      <span>{{ task.job }} {{ task.title }}</span>
      <span
        >on <b class="fig">{{ dayWords(task.due) }}</b></span
      >
    </RouterLink>
    <p v-if="known && !due.due_units.length && !due.due_tasks.length" class="faint">Nothing is due.</p>
  </section>
</template>

<style scoped>
.due {
  display: grid;
  gap: 2px;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 9px 11px;
  margin-bottom: 10px;
  font-size: 14.5px;
  color: var(--ink);
  text-decoration: none;
}
.due:hover {
  border-color: var(--ink);
}
.fig {
  font-size: 16px;
}
</style>
