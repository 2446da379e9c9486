<script setup lang="ts">
import { computed, nextTick, onMounted, onScopeDispose, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import LineDrawing from '@/drawing/LineDrawing.vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import LazyInput from '@/entry/LazyInput.vue'
import { useJob } from '@/job/useJob'
import { useTrade } from '@/job/useTrade'
import { along } from '@/line/lineEdits'
import { useKeys } from '@/shell/useKeys'
import VersionsDialog from '@/sheets/VersionsDialog.vue'
import StepFigures from './StepFigures.vue'
import StepList from './StepList.vue'
import StepNotes from './StepNotes.vue'
import TogetherCard from './TogetherCard.vue'
import { clockWords, useFitUp, WAYS, WRENCHES } from './useFitUp'

/** Fitting up, a step at a time: the line as it stands, the next part with its way in, figures large, ticked by one key. */
const route = useRoute()
const router = useRouter()
const trade = useTrade()
const job = useJob()
const number = String(route.params.number)
const fit = useFitUp(number)
const { answer, judged, step, steps, ticks, loadRefusal, looking } = fit
const sheet = fit.sheet.sheet
const now = ref(Date.now())
const started = ref<number | null>(null)
const why = ref(false)
const torqueField = ref<InstanceType<typeof LazyInput> | null>(null)
const clock = setInterval(() => (now.value = Date.now()), 500)
onScopeDispose(() => clearInterval(clock))
const timer = computed(() =>
  started.value === null ? null : Math.max(0, (now.value - started.value) / 1000),
)
const lines = computed(() => answer.value?.strip_down.lines ?? [])
const line = computed(
  () => lines.value.find((each) => each.key === step.value?.line) ?? lines.value[0] ?? null,
)
const parts = computed(() => {
  const held = answer.value?.strip_down
  return held && line.value
    ? along({ ...held, parts: held.parts ?? [], lines: held.lines ?? [] } as never, line.value.key)
    : []
})
const reached = computed(() => new Map((judged.value?.reached ?? []).map((each) => [each.key, each])))
const standing = computed(() => {
  const found: Record<string, 'in' | 'next' | 'later'> = {}
  for (const each of steps.value.filter((one) => one.does === 'fit'))
    found[each.part] = ticks.value.has(each.key) ? 'in' : 'later'
  if (step.value) found[step.value.part] = ticks.value.has(`fit.${step.value.part}`) ? 'in' : 'next'
  return found
})
const arrow = computed(() => {
  const here = step.value
  if (!here || here.does !== 'fit' || !here.comes_from || ticks.value.has(here.key)) return undefined
  return { key: here.part, to: here.comes_from === 'left' ? (1 as const) : (-1 as const), driver: here.tool }
})
const facing = computed(() => {
  const found: Record<string, { left: string; right: string; left_said: boolean; right_said: boolean }> = {}
  for (const each of steps.value.filter((one) => one.does === 'fit')) {
    const looks = (side: string): string => each.faces.find((face) => face.side === side)?.looks_at ?? ''
    found[each.part] = { left: looks('left'), right: looks('right'), left_said: false, right_said: false }
  }
  return found
})
const choice = computed(() => sheet.value.choices?.find((each) => each.key === step.value?.part))
const bearing = computed(() => trade.kind(step.value ? kindOf(step.value.part) : '')?.family === 'bearing')
function kindOf(part: string): string {
  return answer.value?.strip_down.parts?.find((each) => each.key === part)?.kind ?? ''
}
const tick = computed(() => (step.value ? ticks.value.get(step.value.key) : undefined))
const torqueReached = computed(() => (step.value ? reached.value.get(step.value.key) : undefined))
function done(): void {
  started.value = null
  fit.tick()
}
function cycle<T>(list: readonly T[], value: T): T {
  return list[(list.indexOf(value) + 1) % list.length] as T
}
function nextWay(): void {
  if (!step.value || !bearing.value) return
  const way = choice.value?.way || (step.value.warming ? 'warm' : 'press')
  fit.choose(step.value.part, { way: cycle(WAYS, way as (typeof WAYS)[number]) })
}
/** Enter in the torque: taken, ticked, on to the next step. */
function onwards(event: KeyboardEvent): void {
  ;(event.target as HTMLElement).blur()
  done()
}
function takenBack(old: object): void {
  fit.takeBack(old as Parameters<typeof fit.takeBack>[0])
  looking.value = false
}
useKeys([
  { key: ' ', words: 'done, next step', run: done },
  { key: 'PageDown', words: 'done, with a foot pedal', run: done },
  { key: 'ArrowRight', words: 'show the next step', run: () => fit.look(1) },
  { key: 'ArrowLeft', words: 'show the previous step', run: () => fit.look(-1) },
  { key: 'Escape', words: 'go to the first open step', run: () => (fit.chosen.value = null) },
  { key: 'u', words: 'undo: not done', run: fit.untick },
  {
    key: 't',
    words: 'start or stop the timer',
    run: () => (started.value = started.value === null ? Date.now() : null),
  },
  { key: 'c', words: 'start or stop the job clock', run: () => fit.toggleClock(Date.now()) },
  { key: 'f', words: 'torque reached', run: () => torqueField.value?.focus() },
  {
    key: 'g',
    words: 'torque wrench unit',
    run: () => (sheet.value.wrench = cycle(WRENCHES, sheet.value.wrench ?? 'N·m')),
  },
  { key: 'm', words: 'warm, press or chill', run: nextWay },
  { key: 'w', words: 'why at this step', run: () => (why.value = !why.value) },
  { key: 'v', words: 'earlier versions', run: () => (looking.value = true) },
  {
    key: 'p',
    words: 'print the sheet',
    run: () => void router.push({ name: 'fit-up-sheet', params: { number } }),
  },
])
watch(
  () => fit.sheet.sheet.value.together,
  () => void job.refresh(),
)
onMounted(async () => {
  if (!trade.tables) await trade.load()
  await fit.load()
  await nextTick()
})
</script>

<template>
  <main class="two fitup">
    <section class="left">
      <div class="where">
        <h1 v-if="step">
          Step <b class="fig">{{ fit.at.value + 1 }}</b> of <b class="fig">{{ steps.length }}</b>
        </h1>
        <h1 v-else>Fit-up</h1>
        <span class="faint"
          >{{ line?.name }}{{ step && step.same_on > 1 ? `, the same on each of ${step.same_on}` : '' }}</span
        >
        <button
          type="button"
          class="clock"
          :aria-pressed="Boolean(sheet.running_since)"
          @click="fit.toggleClock(Date.now())"
        >
          worked <b class="fig">{{ clockWords(fit.worked(now)) }}</b>
          {{ sheet.running_since ? 'running' : '' }}
          <kbd>c</kbd>
        </button>
        <button type="button" class="plain" @click="looking = true">earlier <kbd>v</kbd></button>
        <RouterLink class="plain" :to="{ name: 'fit-up-sheet', params: { number } }"
          >print <kbd>p</kbd></RouterLink
        >
      </div>
      <p v-if="loadRefusal" class="note">
        {{ loadRefusal.message }} {{ loadRefusal.hint }}
        <button class="plain" type="button" @click="fit.load">Try again</button>
      </p>
      <p v-else-if="fit.refused.value && !fit.stepsOpen.value" class="note" role="alert">
        {{ fit.refused.value.message }} {{ fit.refused.value.hint }}
      </p>
      <div v-if="judged && !steps.length" class="nothing">
        <h2>Nothing to fit yet.</h2>
        <p>
          The steps are the
          <RouterLink class="plain" :to="{ name: 'line', params: { number } }">strip-down</RouterLink>
          reversed: enter the parts there in the order they came off.
        </p>
        <p v-if="judged.off_line.length" class="att">
          In the tray but not on the strip-down: {{ judged.off_line.join(', ') }}.
        </p>
      </div>
      <template v-if="step">
        <div class="drawn">
          <LineDrawing
            :parts="parts"
            :kinds="trade.kinds"
            :width="830"
            :height="208"
            :name="`${line?.name ?? 'line'}, assembled so far`"
            :selected="step.part"
            :facing="facing"
            :standing="standing"
            :arrow="arrow"
            :label="(part) => part?.name || trade.kindWords(part?.kind ?? '')"
            @pick="(key) => (fit.chosen.value = `fit.${key}`)"
          />
        </div>
        <article class="step" tabindex="0" aria-live="polite">
          <h2>{{ step.words }}</h2>
          <StepFigures :step="step" :wrench="sheet.wrench" :timer="timer" />
          <StepNotes :step="step" :why="why" />
        </article>
        <div class="foot">
          <div class="fields">
            <label v-if="step.torque">
              reached
              <LazyInput
                ref="torqueField"
                :key="step.key"
                name="reached"
                class="fig"
                inputmode="decimal"
                maxlength="20"
                :value="tick?.reached ?? ''"
                :aria-invalid="torqueReached?.holds === false"
                @take="(text) => step && fit.change(step.key, { reached: text })"
                @keydown.enter="onwards"
              />
              <button
                type="button"
                class="plain"
                @click="sheet.wrench = cycle(WRENCHES, sheet.wrench ?? 'N·m')"
              >
                {{ sheet.wrench }}
              </button>
              <kbd>f</kbd> <kbd>g</kbd>
              <b v-if="torqueReached?.holds === false" class="stop"
                >{{ (torqueReached.off_percent ?? 0) > 0 ? '+' : '−'
                }}{{ Math.abs(torqueReached.off_percent ?? 0) }} %: not what was recorded</b
              >
            </label>
            <button v-if="bearing && step.does !== 'grease'" type="button" class="chip" @click="nextWay">
              {{ choice?.way || (step.warming ? 'warm' : 'press') }} <kbd>m</kbd>
            </button>
            <label v-if="step.does === 'fit' || step.does === 'free'">
              supplied with
              <LazyInput
                :key="step.part"
                name="supplied"
                class="supplied"
                maxlength="60"
                placeholder="no transport ring or plug"
                :value="choice?.supplied_with ?? ''"
                @take="(text) => step && fit.choose(step.part, { supplied_with: text })"
              />
            </label>
            <label>
              note
              <LazyInput
                :key="step.key"
                name="note"
                maxlength="200"
                class="wide"
                :value="tick?.note ?? ''"
                @take="(text) => step && fit.change(step.key, { note: text })"
              />
            </label>
          </div>
          <button type="button" class="go" @click="done">
            <span>{{
              tick ? 'Done. Next open step' : step.does === 'tighten' && step.torque ? 'Tight: done' : 'Done'
            }}</span>
            <kbd>Space</kbd>
          </button>
        </div>
      </template>
    </section>
    <aside class="right" role="region" aria-label="steps and completion">
      <StepList
        :steps="steps"
        :ticks="ticks"
        :at="step?.key ?? null"
        :reached="reached"
        :wrench="sheet.wrench ?? 'N·m'"
        @pick="fit.chosen.value = $event"
      />
      <TogetherCard
        v-if="judged && steps.length"
        v-model="sheet"
        :judged="judged"
        :refused="fit.stepsOpen.value ? (fit.refused.value?.message ?? '') : ''"
        :number="number"
      />
    </aside>
    <VersionsDialog
      v-if="looking"
      title="Fit-up"
      :list="fit.versions"
      :look="fit.version"
      @close="looking = false"
      @back="takenBack"
    />
    <ClashDialog
      v-if="fit.sheet.hasClashes.value"
      :clashes="fit.sheet.clashes.value"
      @decide="fit.sheet.decide"
    />
  </main>
</template>

<style scoped>
.left {
  display: flex;
  flex-direction: column;
}
.where,
.drawn {
  flex: none;
}
.clock {
  margin-left: auto;
  font-size: 15px;
  white-space: nowrap;
}
.clock b {
  font-size: 24px;
  margin: 0 3px;
}
.clock[aria-pressed='true'] b {
  color: var(--action);
}
.where .plain {
  white-space: nowrap;
}
.drawn {
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
  overflow-x: auto;
}
.nothing {
  padding: 40px;
  font-size: 18px;
  display: grid;
  gap: 12px;
}
.step {
  padding: 12px 24px 6px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.step h2 {
  font-size: 25px;
  font-stretch: 90%;
}
.foot {
  flex: none;
  padding: 0 24px 14px;
  display: grid;
  gap: 8px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  align-items: center;
  font-size: 15px;
  color: var(--faint);
}
.fields input {
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 2px 4px;
  width: 130px;
}
.fields input.fig {
  width: 84px;
  font-size: 24px;
}
.fields input.supplied {
  width: 190px;
}
.fields input.wide {
  width: 240px;
}
.fields input:focus {
  border-color: var(--action);
}
.fields label {
  display: flex;
  align-items: baseline;
  gap: 7px;
  white-space: nowrap;
}
.right {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
@media (max-width: 900px) {
  .steps {
    max-height: none;
  }
}
</style>
