<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { api, resultOf, type Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import { useJob } from '@/job/useJob'
import { useTrade } from '@/job/useTrade'
import { useKeys } from '@/shell/useKeys'
import CounterLine from './CounterLine.vue'
import DueColumn from './DueColumn.vue'
import JobSlip from './JobSlip.vue'

const OpenJob = defineAsyncComponent(() => import('./OpenJob.vue'))
const jobs = ref<Schemas['JobState'][] | null>(null)
const due = ref<Pick<Schemas['Board'], 'due_units' | 'due_tasks'>>({ due_units: [], due_tasks: [] })
const away = ref(false)
const opening = ref(false)
const line = ref<InstanceType<typeof CounterLine> | null>(null)
const job = useJob()
const session = useSession()
const router = useRouter()
const trade = useTrade()
const COLUMNS = [
  { state: 'strip', words: 'to strip', none: 'Nothing to strip.' },
  { state: 'measure', words: 'to measure', none: 'Nothing to measure.' },
  { state: 'order', words: 'to order', none: 'Nothing to order.' },
  { state: 'coming', words: 'parts coming', none: 'No parts on order.' },
  { state: 'fit', words: 'to fit', none: 'Nothing to fit.' },
  { state: 'prove', words: 'to prove', none: 'Nothing to prove.' },
] as const
const columns = computed(() =>
  COLUMNS.map((column) => ({
    ...column,
    jobs: (jobs.value ?? []).filter((each) => each.waits_for === column.state),
  })),
)

/** A column with nothing in it takes less room. */
const widths = computed(() =>
  [...columns.value.map((each) => each.jobs.length), due.value.due_units.length + due.value.due_tasks.length]
    .map((count) => (count ? 'minmax(150px, 1fr)' : 'minmax(96px, 0.55fr)'))
    .join(' '),
)
async function look(): Promise<void> {
  const { answer } = await resultOf(api.GET('/api/jobs'))
  away.value = answer === null
  if (!answer) return
  jobs.value = answer.jobs
  due.value = answer
}
async function opened(number: string): Promise<void> {
  opening.value = false
  await job.take(number)
  await router.push({ name: 'take-in', params: { number } })
}
useKeys([
  { key: '/', words: 'marking, size or job number', run: () => line.value?.focus() },
  { key: 'Alt+j', words: 'take a unit in', run: () => (opening.value = true), inFields: true },
])
onMounted(() => {
  job.state = null
  void look()
  void trade.load()
  void import('./OpenJob.vue') // there at once when the key is pressed
})
</script>

<template>
  <main class="counter">
    <div class="top"><CounterLine ref="line" /></div>
    <div class="board" :style="{ '--columns': widths }">
      <section v-for="column in columns" :key="column.state">
        <h2>
          {{ column.words }} <span v-if="column.jobs.length" class="fig">{{ column.jobs.length }}</span>
        </h2>
        <JobSlip v-for="each in column.jobs" :key="each.job.job_id" :state="each" />
        <p v-if="jobs && !column.jobs.length" class="faint">{{ column.none }}</p>
        <button v-if="column.state === 'strip' && jobs" type="button" class="plain" @click="opening = true">
          take a unit in <kbd>Alt j</kbd>
        </button>
      </section>
      <DueColumn :due="due" :known="jobs !== null" />
    </div>
    <p v-if="jobs && !jobs.length && session.may('people')" class="begin">
      A new shop.
      <RouterLink class="plain" :to="{ name: 'people' }">Add the people</RouterLink> who work here, and import
      a <RouterLink class="plain" :to="{ name: 'shop' }">price list</RouterLink> : parts are confirmed and
      ordered from it.
    </p>
    <p v-if="away" class="note">
      The shop's records cannot be reached at the moment.
      <button class="plain" type="button" @click="look">Try again</button>
    </p>
    <OpenJob v-if="opening" @close="opening = false" @opened="opened" />
  </main>
</template>

<style scoped>
.counter {
  padding: 26px 3vw 20px;
  display: grid;
  grid-template-rows: auto 1fr auto;
  gap: 28px;
}
.begin {
  font-size: 18px;
}
.board {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 18px;
  align-content: start;
}
.board :deep(h2) {
  font-size: 16px;
  font-weight: 650;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 7px;
  margin-bottom: 14px;
  display: flex;
  justify-content: space-between;
}
@media (max-width: 900px) {
  .board {
    grid-template-columns: 1fr;
  }
  .counter {
    padding: 16px;
  }
}
</style>
