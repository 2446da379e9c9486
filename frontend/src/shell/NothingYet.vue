<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useJob } from '@/job/useJob'
import { useKeys } from '@/shell/useKeys'

/** A stage that has nothing to show yet: what is missing, and the way there. */
const route = useRoute()
const router = useRouter()
const job = useJob()
const STAGES: Record<string, string> = { bench: 'Bench', match: 'Match', seats: 'Seats' }
const stage = computed(() => STAGES[String(route.params.stage)] ?? 'This stage')
const held = computed(() => job.state?.job ?? null)
const way = computed(() =>
  held.value ? { name: 'line', params: { number: held.value.number } } : { name: 'counter' },
)
useKeys([{ key: 'Enter', words: 'go there', run: () => void router.push(way.value) }])
</script>

<template>
  <main class="nothing">
    <h1>{{ held ? 'No part in the tray yet' : 'No job selected' }}</h1>
    <p v-if="held">
      {{ stage }} works on a part of job <b class="fig">{{ held.number }}</b> {{ held.title }}. Enter its
      parts in Strip-down and send one to the Bench, or type a marking or a size in the field above.
    </p>
    <p v-else>{{ stage }} works on a part of a job. Choose a job at the Counter, or take a unit in there.</p>
    <RouterLink class="go" :to="way"
      ><span>{{ held ? 'Go to Strip-down' : 'Go to the Counter' }}</span
      ><kbd>Enter</kbd></RouterLink
    >
  </main>
</template>

<style scoped>
.nothing {
  padding: 12vh 24px 0;
  max-width: 640px;
  margin: 0 auto;
}
h1 {
  font-size: 34px;
  font-stretch: 88%;
}
p {
  font-size: 19px;
  margin: 14px 0 26px;
}
.go {
  display: inline-flex;
  width: auto;
  text-decoration: none;
}
</style>
