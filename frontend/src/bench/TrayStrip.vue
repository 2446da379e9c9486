<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useJob } from '@/job/useJob'

/** The parts that lie in the tray, by their places; what has been told is marked. */
defineProps<{ tray: Schemas['BenchAnswer']['tray']; partId: number }>()
const route = useRoute()
const job = useJob()
const stateOf = (id: number) => job.state?.parts.find((each) => each.part.part_id === id)
</script>

<template>
  <nav class="tray" aria-label="tray">
    <span>tray</span>
    <RouterLink
      v-for="each in tray"
      :key="each.part_id"
      :to="{ name: 'bench', params: { ...route.params, partId: each.part_id } }"
      :title="each.name"
      :aria-label="`${each.position}: ${each.name}`"
      :class="{ now: each.part_id === partId, done: stateOf(each.part_id)?.chosen }"
      >{{ each.position }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.tray {
  margin-left: auto;
  display: flex;
  gap: 5px;
  align-items: center;
  font-size: 13px;
  color: var(--faint);
}
.tray a {
  width: 28px;
  height: 28px;
  border: 1.5px solid var(--rule);
  display: grid;
  place-items: center;
  font-size: 14px;
  color: inherit;
  text-decoration: none;
}
.tray a.done {
  border-color: var(--good);
  color: var(--good);
}
.tray a.now {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
}
</style>
