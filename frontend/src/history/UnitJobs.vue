<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import { dayWords } from '@/drawing/timeAxis'

/** The unit's card: each of its jobs with what was fitted, what was set, and what it left to say. */
const props = defineProps<{ jobs: Schemas['UnitJob'][] }>()
const newest = computed(() => [...props.jobs].reverse())
</script>

<template>
  <ol class="jobs" aria-label="the jobs of the unit">
    <li v-for="job in newest" :key="job.number">
      <p>
        <RouterLink class="plain fig" :to="{ name: 'take-in', params: { number: job.number } }">{{
          job.number
        }}</RouterLink>
        <b class="fig">{{ dayWords(job.opened_on) }}</b>
        <span class="faint">{{ job.closed ? 'closed' : 'open' }}</span>
      </p>
      <p>{{ job.symptom }}</p>
      <p v-if="job.fitted.length"><i>fitted</i> {{ job.fitted.join('; ') }}</p>
      <p v-if="job.reached?.length"><i>reached</i> {{ job.reached.join('; ') }}</p>
      <p v-if="job.note"><i>note</i> {{ job.note }}</p>
    </li>
  </ol>
</template>

<style scoped>
.jobs {
  list-style: none;
  padding: 0;
  margin: 0;
  overflow: auto;
  min-height: 0;
  flex: 1;
}
li {
  padding: 9px 20px;
  border-bottom: 1px solid var(--rule);
  font-size: 14.5px;
  display: grid;
  gap: 2px;
}
.fig {
  font-size: 17px;
  margin-right: 8px;
}
i {
  font-style: normal;
  color: var(--faint);
}
</style>
