<script setup lang="ts">
import Select from 'primevue/select'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import ClashDialog from '@/entry/ClashDialog.vue'
import { percent } from '@/entry/lengths'
import { useJob } from '@/job/useJob'
import { useHand } from '@/shell/hand'
import { useKeys } from '@/shell/useKeys'
import BenchDrawing from './BenchDrawing.vue'
import CandidateCard from './CandidateCard.vue'
import KeptSizes from './KeptSizes.vue'
import MarkingStrip from './MarkingStrip.vue'
import { SEATS, useBench, type Feature } from './useBench'

const route = useRoute()
const router = useRouter()
const hand = useHand()
const job = useJob()
const partId = Number(route.params.partId)
const bench = useBench(partId)
const { part, sheet, pending, faults, live } = bench
const drawing = ref<InstanceType<typeof BenchDrawing> | null>(null)
const markingField = ref<InstanceType<typeof MarkingStrip> | null>(null)
const goButton = ref<HTMLButtonElement | null>(null)
const rung = ref(0)
const variant = ref<number | null>(null)
const why = ref(false)
const refused = ref<string | null>(null)
const wantsFocus = ref(false)

const answer = live.answer
const candidates = computed(() => answer.value?.candidates ?? [])
const chosen = computed(() => candidates.value[rung.value] ?? candidates.value[0])
const next = computed(() => answer.value?.next_measurement ?? null)
const reading = computed(() => answer.value?.marking[0])
const stated = computed(() =>
  (reading.value?.spans ?? [])
    .filter((span) => span.certainty === 'stated' || span.certainty === 'half_read')
    .map((span) => span.attribute),
)
const anyEvidence = computed(() => Boolean(answer.value?.readings.length || answer.value?.marking.length))
const known = computed(() => anyEvidence.value && (chosen.value?.probability ?? 0) > 0.2)
const drawn = computed(() => {
  const d = anyEvidence.value ? chosen.value?.dimensions : undefined
  return d && chosen.value
    ? { d_mm: d.d_mm ?? 25, D_mm: d.D_mm ?? 52, B_mm: d.B_mm ?? 15, ball_mm: chosen.value.ball_mm }
    : { d_mm: 25, D_mm: 52, B_mm: 15, ball_mm: 7.94 }
})
const picked = computed(
  () => chosen.value?.variants.find((each) => each.key === variant.value) ?? chosen.value?.variants[0],
)
const readings = computed<Record<Feature, { typed: string }[]>>(() => ({
  bore: bench.observation('bore')?.readings ?? [],
  outside: bench.observation('outside')?.readings ?? [],
  width: bench.observation('width')?.readings ?? [],
}))
/** What is kept of a seal or ring, each size by its name: an order of figures alone could mislead. */
const keptSizes = computed(() =>
  (sheet.sheet.value.observations ?? []).map(({ feature, readings: [first] }) => ({
    name: feature.replace(/_/g, ' '),
    typed: `${first?.typed ?? ''} ${first?.unit ?? 'mm'}`,
  })),
)
const seats = computed(() =>
  SEATS.flatMap((name) => {
    const held = bench.observation(name)?.readings[0]
    return held
      ? [
          {
            name,
            words: name === 'shaft_seat' ? 'shaft' : 'housing',
            typed: `${held.typed} ${held.unit ?? 'mm'}`,
          },
        ]
      : []
  }),
)
const CONDITIONS = [
  ['', 'not said'],
  ['new', 'as new'],
  ['worn', 'worn'],
  ['spun', 'spun'],
  ['rusty', 'rusty'],
] as const
const tray = computed(() => part.value?.tray ?? [])
const stateOf = (id: number) => job.state?.parts.find((each) => each.part.part_id === id)
const instruments = computed(() =>
  job.instruments.map((each) => ({
    value: each.name,
    label: each.name.replace(/_/g, ' '),
    words: each.words,
  })),
)
const instrument = computed(() =>
  job.instruments.find(
    (each) => each.name === (sheet.sheet.value.observations?.[0]?.instrument ?? hand.instrument),
  ),
)

function focusNext(): void {
  const feature = next.value?.feature
  if (feature === 'marking') markingField.value?.focus()
  else if (feature) drawing.value?.focus(feature as Feature)
  else goButton.value?.focus()
}
function take(feature: Feature): void {
  if (pending[feature].trim() && !bench.take(feature)) return
  wantsFocus.value = true
  if (!live.working.value) settle()
}
function settle(): void {
  if (!wantsFocus.value) return
  wantsFocus.value = false
  void nextTick(focusNext)
}
function drop(feature: Feature, index: number): void {
  pending[feature] = bench.drop(feature, index)
}
async function thisIsIt(): Promise<void> {
  if (!picked.value) return
  const refusal = await bench.choose(picked.value.key)
  refused.value = refusal ? `${refusal.message} ${refusal.hint ?? ''}` : null
  if (!refusal) {
    await job.refresh()
    await router.push({ name: 'match', params: route.params })
  }
}
function go(by: number): void {
  const at = tray.value.findIndex((each) => each.part_id === partId)
  const target = tray.value[(at + by + tray.value.length) % tray.value.length]
  if (target) void router.push({ name: 'bench', params: { ...route.params, partId: target.part_id } })
}
watch(
  () => live.working.value,
  (working) => !working && settle(),
)
watch(candidates, (now, before) => {
  if (now[0]?.designation !== before?.[0]?.designation) rung.value = 0
})
watch(
  () => [chosen.value?.designation, chosen.value?.variants[0]?.key] as const,
  () => (variant.value = chosen.value?.variants[0]?.key ?? null),
)
useKeys([
  { key: 'Ctrl+Enter', words: 'this is it: to Match', run: () => void thisIsIt(), inFields: true },
  { key: 'Alt+b', words: 'bore', run: () => drawing.value?.focus('bore'), inFields: true },
  { key: 'Alt+o', words: 'outside', run: () => drawing.value?.focus('outside'), inFields: true },
  { key: 'Alt+w', words: 'width', run: () => drawing.value?.focus('width'), inFields: true },
  { key: 'Alt+m', words: 'marking', run: () => markingField.value?.focus(), inFields: true },
  {
    key: 'Alt+ArrowDown',
    words: 'next candidate',
    run: () => (rung.value = Math.min(rung.value + 1, candidates.value.length - 1)),
    inFields: true,
  },
  {
    key: 'Alt+ArrowUp',
    words: 'candidate before',
    run: () => (rung.value = Math.max(rung.value - 1, 0)),
    inFields: true,
  },
  { key: 'w', words: 'why', run: () => (why.value = !why.value) },
  { key: 'n', words: 'next part in the tray', run: () => go(1) },
  { key: 'p', words: 'part before', run: () => go(-1) },
])
onMounted(async () => {
  await bench.load()
  wantsFocus.value = true
})
</script>

<template>
  <main class="two bench">
    <section class="left">
      <div class="where">
        <h1>{{ part?.part.name }}</h1>
        <span class="faint">{{ part?.part.surroundings }}</span>
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
      </div>
      <p v-if="bench.loadRefusal.value" class="note">
        {{ bench.loadRefusal.value.message }} {{ bench.loadRefusal.value.hint }}
        <button class="plain" type="button" @click="bench.load()">Try again</button>
      </p>
      <KeptSizes
        v-if="part && part.part.family !== 'bearing'"
        v-model="sheet.sheet.value"
        :family="part.part.family"
        class="sheet-kept"
      />
      <div v-else class="sheet">
        <BenchDrawing
          ref="drawing"
          v-model:pending="pending"
          :size="drawn"
          :closure="picked?.closure ?? 'open'"
          :known="known"
          :unit="hand.unit"
          :readings="readings"
          :worth="answer?.readings ?? []"
          :next="next?.feature ?? null"
          :faults="faults"
          @take="take"
          @drop="drop"
          @leave="bench.take"
        />
        <aside class="about">
          <h2>condition</h2>
          <div role="radiogroup" aria-label="condition" class="chips">
            <button
              v-for="[name, words] in CONDITIONS"
              :key="name"
              type="button"
              role="radio"
              class="chip"
              :aria-checked="(sheet.sheet.value.condition ?? '') === name"
              @click="sheet.sheet.value.condition = name"
            >
              {{ words }}
            </button>
          </div>
          <h2>read with</h2>
          <Select
            :model-value="instrument?.name"
            :options="instruments"
            option-label="label"
            option-value="value"
            class="tool"
            aria-label="instrument"
            @update:model-value="bench.setInstrument"
          />
          <p class="faint" :class="{ att: instrument?.overdue }">{{ instrument?.words }}</p>
          <template v-if="seats.length">
            <h2>it sat on</h2>
            <p v-for="seat in seats" :key="seat.name">
              {{ seat.words }} <b class="fig">{{ seat.typed }}</b>
              <button type="button" class="plain" @click="bench.drop(seat.name, 0)">drop</button>
            </p>
          </template>
        </aside>
      </div>
      <MarkingStrip
        ref="markingField"
        v-model="sheet.sheet.value.marking"
        :answer="answer"
        :fault="faults.marking"
        @next="focusNext"
      />
    </section>
    <section class="ladder" aria-label="what it can be">
      <p v-if="answer?.unit_hint" class="note att">
        <b>{{ answer.unit_hint.message }}</b>
        <button type="button" class="plain" @click="hand.toggleUnit()">Switch the fields</button>
      </p>
      <div class="rungs">
        <template v-if="anyEvidence">
          <CandidateCard
            v-for="(candidate, i) in candidates.slice(0, 4)"
            :key="`${candidate.designation}-${candidate.dimensions.B_mm}`"
            v-model:variant="variant"
            :candidate="candidate"
            :chosen="i === rung"
            :why="why"
            :stated="stated"
            @choose="rung = i"
          />
          <div class="none" :class="{ att: (answer?.none_probability ?? 0) > 0.5 }">
            <span>none of the listed sizes</span
            ><span class="fig">{{ percent(answer?.none_probability ?? 0) }}</span>
          </div>
        </template>
        <div v-else-if="part && part.part.family !== 'bearing'" class="start">
          <p v-for="each in keptSizes" :key="each.name" class="kept-size">
            <span class="fig">{{ each.typed }}</span> {{ each.name }}
          </p>
          <h2>Kept for the enquiry</h2>
          <p>
            The shop's lists hold bearings. What is read here of a
            {{ part.part.family.replace('_', ' ') }} stays with the job; a supplier is asked by these sizes.
          </p>
        </div>
        <div v-else class="start">
          <h2>Nothing read yet</h2>
          <p>Type what the caliper says, or what can be read on the ring.</p>
        </div>
      </div>
      <div v-if="part?.part.family === 'bearing'" class="foot">
        <p v-if="part?.identification" class="said-before">
          said to be <b>{{ part.identification.item.marking }}</b> by {{ part.identification.person }}, sure
          to {{ percent(part.identification.probability) }}
        </p>
        <p v-if="refused" class="do stop" role="alert">{{ refused }}</p>
        <p v-if="next" class="do">
          <b>{{ next.reason.split(':')[0] }}.</b>
          {{
            next.reason
              .split(':')
              .slice(1)
              .join(':')
              .trim()
              .replace(/^./, (c) => c.toUpperCase())
          }}
          <span class="faint">{{ next.gain_bits.toFixed(1) }} bit</span>
        </p>
        <p v-else-if="anyEvidence" class="do settled">Nothing more to measure would change this.</p>
        <button ref="goButton" type="button" class="go" :disabled="!picked || !anyEvidence" @click="thisIsIt">
          <span>This is it: {{ picked?.marking ?? '' }}</span
          ><kbd>{{ next ? 'Ctrl Enter' : 'Enter' }}</kbd>
        </button>
      </div>
    </section>
    <ClashDialog v-if="sheet.hasClashes.value" :clashes="sheet.clashes.value" @decide="sheet.decide" />
  </main>
</template>

<style scoped>
.kept-size .fig {
  font-size: 30px;
}
.sheet-kept {
  background: var(--sheet);
}
.left {
  display: grid;
  grid-template-rows: 58px minmax(0, 1fr) 116px;
}
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
.sheet {
  position: relative;
  background: var(--sheet);
  overflow: hidden;
}
.drawing {
  position: absolute;
  left: 18px;
  top: 14px;
}
.about {
  position: absolute;
  right: 20px;
  top: 16px;
  width: 196px;
  font-size: 14px;
}
.about h2 {
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  margin-bottom: 5px;
}
.about h2:not(:first-child) {
  margin-top: 14px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.tool {
  width: 100%;
  margin-bottom: 4px;
}
.ladder {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
}
.rungs {
  overflow: auto;
  grid-row: 2;
}
.none {
  display: flex;
  justify-content: space-between;
  padding: 13px 20px;
  font-size: 16px;
  color: var(--faint);
}
.none .fig {
  font-size: 20px;
}
.none.att {
  color: var(--attention);
  font-weight: 600;
}
.start {
  padding: 60px 30px;
}
.start h2 {
  font-size: 24px;
  margin-bottom: 6px;
}
.foot {
  grid-row: 3;
}
.do {
  padding: 13px 20px;
  border-top: 2px solid var(--attention);
  background: var(--sheet);
  font-size: 16px;
}
.do b {
  color: var(--attention);
}
.do.settled {
  border-top-color: var(--good);
}
.do .faint {
  font-size: 14px;
}
.said-before {
  padding: 8px 20px;
  font-size: 14px;
  border-top: 1px solid var(--rule);
}
@media (max-width: 900px) {
  .left {
    grid-template-rows: 58px 520px auto;
  }
  .mark {
    flex-wrap: wrap;
    padding: 12px 20px;
  }
}
</style>
