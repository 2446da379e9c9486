<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import TimeChart from '@/drawing/TimeChart.vue'
import { dayWords } from '@/drawing/timeAxis'
import ClashDialog from '@/entry/ClashDialog.vue'
import FigureInput from '@/entry/FigureInput.vue'
import { handStays } from '@/shell/leading'
import { useKeys } from '@/shell/useKeys'
import VersionsDialog from '@/sheets/VersionsDialog.vue'
import DateFlags from './DateFlags.vue'
import LogForm from './LogForm.vue'
import UnitJobs from './UnitJobs.vue'
import { useLeakLog, WATCHED, WHAT, type LogEntry, type What } from './useLeakLog'

/** A unit over the years: its log on one axis with its jobs, what follows from it, and the next line to write. */
const route = useRoute()
const log = useLeakLog(Number(route.params.unitId))
const { answer, sheet, judged, live, load, loadRefusal, looking } = log
const held = sheet.sheet
const form = ref<InstanceType<typeof LogForm> | null>(null)
const looked = ref<What>('emptied')
const picked = ref<string | null>(null)
const card = ref(false)
const unit = computed(() => answer.value?.unit ?? null)
const today = computed(() => answer.value?.today ?? new Date().toISOString().slice(0, 10))
const series = computed(() => judged.value?.series.find((each) => each.what === looked.value) ?? null)
const words = (what: What): string => WHAT.find((each) => each.what === what)?.words ?? what
const watched = computed(() => (looked.value === 'note' ? null : looked.value))
const entries = computed(() =>
  [...(held.value.entries ?? [])].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)),
)
const lasted = computed(
  () =>
    new Map(
      judged.value?.series.flatMap((each) =>
        each.points.map((point) => [point.key, `${Number(point.value.toPrecision(4))} ${each.unit}`]),
      ),
    ),
)
const refused = computed(() => live.refusal.value?.message ?? sheet.refusal.value?.message ?? '')
function write(entry: Omit<LogEntry, 'key'>): void {
  picked.value = log.add(entry)
  if (entry.what !== 'note') looked.value = entry.what
}
/** Taken away by mistake: it stands in the fields again. */
function takeAway(key: string): void {
  const gone = log.remove(key)
  if (gone) form.value?.refill(gone)
}
const print = (): void => window.print()
function takenBack(old: object): void {
  log.takeBack(old as Parameters<typeof log.takeBack>[0])
  looking.value = false
}
useKeys([
  { key: 'n', words: 'new log entry', run: () => form.value?.focus() },
  ...WHAT.map((each, i) => ({
    key: String(i + 1),
    words: each.words,
    run: () => {
      form.value?.choose(each.what)
      if (each.what !== 'note') looked.value = each.what
    },
  })),
  { key: 'j', words: 'switch between log and jobs', run: () => (card.value = !card.value) },
  { key: 'v', words: 'earlier versions', run: () => (looking.value = true) },
  { key: 'p', words: 'print', run: print },
])
watch(judged, (now) => {
  if (now?.series.length && !now.series.some((each) => each.what === looked.value) && !picked.value)
    looked.value = now.series[0]?.what ?? 'emptied'
})
onMounted(async () => {
  const stays = handStays()
  await load()
  await nextTick()
  if (stays()) form.value?.focus()
})
</script>

<template>
  <main class="two history">
    <section class="left">
      <div class="where">
        <h1>{{ unit?.title ?? 'History' }}</h1>
        <span class="faint">{{
          [unit?.model, unit?.serial && `no. ${unit.serial}`, unit?.place].filter(Boolean).join(', ')
        }}</span>
        <RouterLink
          v-for="job in answer?.unit_jobs.slice(-3)"
          :key="job.number"
          :to="{ name: 'take-in', params: { number: job.number } }"
          class="job"
          >job {{ job.number }}</RouterLink
        >
        <button type="button" class="plain print" @click="looking = true">earlier <kbd>v</kbd></button>
        <a class="plain out" :href="`/api/units/${route.params.unitId}/sheets/leak_log/csv`" download>CSV</a>
        <button type="button" class="plain out" @click="print">print <kbd>p</kbd></button>
      </div>
      <p v-if="loadRefusal" class="note">
        {{ loadRefusal.message }} {{ loadRefusal.hint }}
        <button class="plain" type="button" @click="load">Try again</button>
      </p>
      <div class="sheet">
        <TimeChart
          :series="series"
          :today="today"
          :jobs="answer?.unit_jobs ?? []"
          :chosen="picked"
          :words="`${words(looked)} over time`"
          @pick="picked = $event"
        />
      </div>
      <LogForm ref="form" :today="today" :fault="refused" @add="write" />
    </section>
    <aside class="right" role="region" aria-label="limits and log">
      <div class="looked" role="radiogroup" aria-label="quantity shown">
        <button
          v-for="each in WATCHED"
          :key="each"
          type="button"
          role="radio"
          class="chip"
          :aria-checked="looked === each"
          @click="looked = each"
        >
          {{ words(each) }}
        </button>
      </div>
      <DateFlags :series="series" :today="today" />
      <div v-if="watched" class="limits">
        <span>plan at</span>
        <FigureInput
          v-if="held[watched]"
          v-model="held[watched]!.early"
          name="early"
          label="planning limit"
          :least="-1000"
          :most="100000"
        />
        <span>limit</span>
        <FigureInput
          v-if="held[watched]"
          v-model="held[watched]!.limit"
          name="limit"
          label="limit"
          :least="-1000"
          :most="100000"
        />
        <span>{{ series?.unit ?? '' }}</span>
        <span>lead time</span>
        <FigureInput
          v-model="held.lead_days"
          name="lead"
          label="lead time, days"
          :least="0"
          :most="3650"
          whole
        />
        <span>approval</span>
        <FigureInput
          v-model="held.approval_days"
          name="approval"
          label="approval time, days"
          :least="0"
          :most="3650"
          whole
        />
        <span>days</span>
      </div>
      <div class="looked tabs" role="radiogroup" aria-label="log or jobs">
        <button type="button" role="radio" class="chip" :aria-checked="!card" @click="card = false">
          log
        </button>
        <button type="button" role="radio" class="chip" :aria-checked="card" @click="card = true">
          jobs {{ answer?.unit_jobs.length ?? '' }} <kbd>j</kbd>
        </button>
      </div>
      <UnitJobs v-if="card" :jobs="answer?.unit_jobs ?? []" />
      <ol v-else class="entries" aria-label="the log">
        <li
          v-for="entry in entries"
          :key="entry.key"
          :class="{ chosen: entry.key === picked, other: entry.what !== looked }"
          @click="picked = entry.key"
        >
          <b class="fig">{{ dayWords(entry.on) }}</b>
          <span
            >{{ words(entry.what) }} {{ entry.amount }}
            <i v-if="lasted.get(entry.key) && entry.what !== 'play' && entry.what !== 'temperature'">{{
              entry.what === 'emptied' ? `after ${lasted.get(entry.key)}` : lasted.get(entry.key)
            }}</i>
            <em v-if="entry.note">{{ entry.note }}</em></span
          >
          <button
            type="button"
            class="gone"
            :aria-label="`delete ${words(entry.what)} of ${dayWords(entry.on)}`"
            @click.stop="takeAway(entry.key)"
          >
            ×
          </button>
        </li>
      </ol>
    </aside>
    <VersionsDialog
      v-if="looking"
      title="Leak log"
      :list="log.versions"
      :look="log.version"
      @close="looking = false"
      @back="takenBack"
    />
    <ClashDialog v-if="sheet.hasClashes.value" :clashes="sheet.clashes.value" @decide="sheet.decide" />
  </main>
</template>

<style scoped>
.left {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  overflow: auto;
}
.sheet {
  background: var(--sheet);
  padding: 8px 10px;
  display: grid;
  align-content: center;
}
.job {
  color: var(--action);
  font-weight: 600;
  white-space: nowrap;
}
.print {
  margin-left: auto;
}
.print,
.out {
  white-space: nowrap;
}
.right {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--paper);
}
.looked {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  padding: 13px 20px;
  border-bottom: 1px solid var(--rule);
}
.tabs {
  padding: 8px 20px;
}
.limits {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 7px;
  align-items: baseline;
  padding: 0 20px 12px;
  font-size: 14px;
  color: var(--faint);
  border-bottom: 1px solid var(--rule);
}
.entries {
  list-style: none;
  margin: 0;
  padding: 6px 0;
  overflow: auto;
  min-height: 0;
  flex: 1;
}
.entries li {
  display: grid;
  grid-template-columns: 96px 1fr auto;
  gap: 8px;
  align-items: baseline;
  padding: 4px 14px 4px 20px;
  font-size: 14.5px;
}
.entries li.other {
  color: var(--faint);
}
.entries li.chosen {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--action);
}
.entries b {
  font-size: 16px;
}
.entries i {
  font-style: normal;
  color: var(--faint);
}
.entries em {
  font-style: normal;
  display: block;
  color: var(--faint);
}
.gone {
  padding: 2px 8px;
  color: var(--faint);
  font-size: 17px;
}
@media (max-width: 900px) {
  .two {
    display: block;
    height: auto;
  }
  .left {
    display: flex;
    flex-direction: column;
    border-right: 0;
  }
  .left form {
    order: -1;
  }
  .sheet {
    overflow-x: auto;
  }
  .sheet :deep(svg) {
    min-width: 680px;
  }
  .where {
    order: -2;
    flex-wrap: wrap;
    height: auto;
    padding: 10px 20px;
  }
  .entries {
    max-height: none;
  }
}
@media print {
  .left form,
  .looked,
  .gone,
  .print,
  .out {
    display: none;
  }
  .two {
    display: block;
    height: auto;
  }
  .left,
  .right,
  .entries {
    overflow: visible;
    border: 0;
    display: block;
  }
}
</style>
