<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import ClashDialog from '@/entry/ClashDialog.vue'
import { percent } from '@/entry/lengths'
import { useJob } from '@/job/useJob'
import { useHand } from '@/shell/hand'
import { handStays } from '@/shell/leading'
import EarlierVersions from '@/sheets/EarlierVersions.vue'
import { useKeys } from '@/shell/useKeys'
import AboutPart from './AboutPart.vue'
import BenchDrawing from './BenchDrawing.vue'
import BenchFoot from './BenchFoot.vue'
import CandidateCard from './CandidateCard.vue'
import ExplanationsCard from './ExplanationsCard.vue'
import KindStrip from './KindStrip.vue'
import MarkingStrip from './MarkingStrip.vue'
import OriginCard from './OriginCard.vue'
import QuestionCard from './QuestionCard.vue'
import ProfileStrip from './ProfileStrip.vue'
import TrayStrip from './TrayStrip.vue'
import { bare, useBench, type Feature, type Sheet } from './useBench'
import WhatIsNeeded from './WhatIsNeeded.vue'
import { useDrawn } from './useDrawn'
import { useLed } from './useLed'
import { useZeroCheck } from './useZeroCheck'
import { statesOf } from '@/drawing/seals'
import { FAMILIES, useKinds, type FamilyName } from '@/job/useKinds'

const route = useRoute()
const router = useRouter()
const hand = useHand()
const job = useJob()
const kinds = useKinds()
const partId = Number(route.params.partId)
const bench = useBench(partId)
const { part, sheet, pending, faults, ready, answer, blank, family, features } = bench
const { checkable, zeroIsRight } = useZeroCheck(() => bench.live.again())
const drawing = ref<InstanceType<typeof BenchDrawing> | null>(null)
const markingField = ref<InstanceType<typeof MarkingStrip> | null>(null)
const foot = ref<InstanceType<typeof BenchFoot> | null>(null)
const at = ref(0)
const variant = ref<number | null>(null)
const why = ref(false)
const refused = ref<string | null>(null)
/** It was unlikely, or did not fit: asked once more, it is confirmed all the same. */
const askedAgain = ref(false)
let confirming = false

const candidates = computed(() => answer.value?.candidates ?? [])
/** What is offered; nothing where nothing listed comes near. */
const likely = computed(() => (answer.value?.comes_near === false ? [] : candidates.value.slice(0, 4)))
const chosen = computed(() => likely.value[at.value] ?? likely.value[0])
const next = computed(() => answer.value?.next_measurement ?? null)
const anyEvidence = computed(() => Boolean(answer.value?.readings.length || answer.value?.marking.length))
const known = computed(() => anyEvidence.value && (chosen.value?.probability ?? 0) > 0.2)
const { kindDrawn, drawn, state, asked, beside, nextState, begin } = useDrawn(bench, {
  answer,
  chosen,
  anyEvidence,
  known,
})
const nothingFits = computed(
  () => (answer.value?.none_probability ?? 0) > 0.5 || candidates.value[0]?.misfit?.agreement === 'disagrees',
)
const onNoList = computed(() => answer.value?.comes_near === false && anyEvidence.value)
const nearestWords = computed(() => {
  const near = candidates.value[0]
  const led = answer.value?.explanations[0]?.what ?? 'unlisted'
  if (!near?.misfit || led !== 'unlisted' || !likely.value.length) return ''
  const { feature, off_mm } = near.misfit
  return `The closest is ${near.designation}, ${near.size_text}: ${kinds.feature(feature, family.value, near.kind)} off by ${Math.abs(off_mm ?? 0).toFixed(2)} mm.`
})
/** The two sayings that matter most; the rest with `w`. */
const advised = computed(() =>
  anyEvidence.value ? (answer.value?.advice ?? []).slice(0, why.value ? 9 : 2) : [],
)
const picked = computed(
  () => chosen.value?.variants.find((each) => each.key === variant.value) ?? chosen.value?.variants[0],
)
/** Drawn as it must be had; while nobody knows its closure, as the listed part. */
const closure = computed(
  () =>
    answer.value?.requirement.attributes.find((each) => each.name === 'closure')?.value ||
    (picked.value?.closure ?? 'open'),
)
const readings = computed(() =>
  Object.fromEntries(
    features.value.map((name) => [
      name,
      bench.readings(name).map(({ typed, unit, instrument }) => ({
        typed: bare(typed) && (unit ?? 'mm') !== hand.unit ? `${typed} ${unit ?? 'mm'}` : typed,
        instrument: instrument.replace(/_/g, ' '),
      })),
    ]),
  ),
)
const question = ref<InstanceType<typeof QuestionCard> | null>(null)
const origin = ref<InstanceType<typeof OriginCard> | null>(null)
const tray = computed(() => part.value?.tray ?? [])
const { entered, landed, focusField, focusNext, take, ask } = useLed(bench, {
  asked,
  next,
  fieldOnDrawing: (feature) => drawing.value?.focus(feature),
  marking: () => markingField.value?.focus(),
  foot: () => foot.value?.focus(),
})
/** A figure typed while the button has the focus: it begins the next field that is not read yet. */
async function begun(typed: string): Promise<void> {
  const feature = asked.value.find((name) => !bench.readings(name).length) ?? asked.value[0]
  if (!feature) return
  pending[feature] = `${pending[feature] ?? ''}${typed}`
  focusField(feature)
  await nextTick()
  const field = document.activeElement
  if (field instanceof HTMLInputElement) field.setSelectionRange(field.value.length, field.value.length)
}
function drop(feature: Feature, index: number): void {
  pending[feature] = bench.drop(feature, index)
}
/** Pressed before the answer to the last reading has come, it waits for it: only what was seen is confirmed. */
async function confirm(): Promise<void> {
  if (confirming) return
  if (onNoList.value) return void router.push({ name: 'enquiry', params: route.params })
  confirming = true
  try {
    const seen = picked.value
    await bench.judged()
    const now = picked.value
    if (!now || !anyEvidence.value) return
    if (seen && seen.key !== now.key) {
      refused.value = `With the last reading it is ${now.marking}, no longer ${seen.marking}. Confirm again if you agree.`
      return
    }
    const refusal = await bench.choose(now.key, askedAgain.value)
    askedAgain.value = refusal?.code === 'be_sure'
    refused.value = refusal ? `${refusal.message} ${refusal.hint ?? ''}` : null
    if (!refusal) {
      await job.refresh()
      await router.push({ name: 'match', params: route.params })
    }
  } finally {
    confirming = false
  }
}
function go(by: number): void {
  const at = tray.value.findIndex((each) => each.part_id === partId)
  const target = tray.value[(at + by + tray.value.length) % tray.value.length]
  if (target) void router.push({ name: 'bench', params: { ...route.params, partId: target.part_id } })
}
function nextFamily(by: number): FamilyName {
  const at = FAMILIES.findIndex(([name]) => name === family.value)
  return FAMILIES[(at + by + FAMILIES.length) % FAMILIES.length]?.[0] ?? 'bearing'
}
watch(candidates, (now, before) => {
  if (now[0]?.designation === before?.[0]?.designation) return
  at.value = 0
  bench.pointed.value = null
})
/** A candidate, or a listed part of it, is pointed at: what must be had takes its size. */
function point(to: number): void {
  at.value = Math.max(0, Math.min(to, likely.value.length - 1))
  bench.pointed.value = at.value ? (chosen.value?.variants[0]?.key ?? null) : null
}
function pick(key: number | null): void {
  variant.value = key
  bench.pointed.value = key
}
watch([picked, () => answer.value?.title], () => {
  askedAgain.value = false
  refused.value = null
})
watch(
  () => [chosen.value?.designation, chosen.value?.variants[0]?.key] as const,
  () => (variant.value = chosen.value?.variants[0]?.key ?? null),
)
/** What needs the sheet and the kinds of part waits for them, in the order of the keys. */
const waiting: (() => void)[] = []
function soon(run: () => void): () => void {
  return () => (ready.value ? run() : void waiting.push(run))
}
watch(ready, async () => {
  await nextTick()
  for (const run of waiting.splice(0)) {
    run()
    await nextTick()
  }
})
useKeys([
  { key: 'Ctrl+Enter', words: 'confirm, then Match', run: () => void confirm(), inFields: true },
  { key: 'Alt+b', words: 'bore', run: () => drawing.value?.focus('bore'), inFields: true },
  { key: 'Alt+o', words: 'outside', run: () => drawing.value?.focus('outside'), inFields: true },
  { key: 'Alt+w', words: 'width', run: () => drawing.value?.focus('width'), inFields: true },
  ...[1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => ({
    key: String(n),
    words: n === 1 ? 'kind of part, by its picture (1 to 9)' : '',
    run: soon(() => bench.setKind(kinds.groups(family.value)[n - 1]?.group ?? '')),
  })),
  { key: 'f', words: 'next family of part', run: soon(() => bench.setFamily(nextFamily(1))) },
  { key: 'F', words: 'previous family of part', run: soon(() => bench.setFamily(nextFamily(-1))) },
  { key: 'g', words: 'draw it by itself, stretched, in its groove', run: soon(nextState) },
  {
    key: 'e',
    words: 'enquiry sheet',
    run: () => void router.push({ name: 'enquiry', params: route.params }),
  },
  { key: 'q', words: 'answer the question', run: () => question.value?.focus() },
  { key: 'j', words: 'where the machine was built', run: () => origin.value?.focus() },
  { key: 'Alt+t', words: 'assembled width', run: () => focusField('assembled_width'), inFields: true },
  { key: 'Alt+c', words: 'outer ring width', run: () => focusField('outer_ring_width'), inFields: true },
  { key: 'Alt+m', words: 'marking', run: () => markingField.value?.focus(), inFields: true },
  {
    key: 'Alt+ArrowDown',
    words: 'next candidate',
    run: () => point(at.value + 1),
    inFields: true,
  },
  {
    key: 'Alt+ArrowUp',
    words: 'previous candidate',
    run: () => point(at.value - 1),
    inFields: true,
  },
  { key: 'w', words: 'why', run: () => (why.value = !why.value) },
  { key: 'Alt+.', words: 'next part in the tray', run: () => go(1), inFields: true },
  { key: 'Alt+,', words: 'previous part', run: () => go(-1), inFields: true },
  { key: 'n', words: 'next part in the tray', run: () => go(1) },
  { key: 'p', words: 'previous part', run: () => go(-1) },
])
onMounted(async () => {
  const stays = handStays()
  const tables = kinds.loaded ? Promise.resolve() : kinds.load()
  await bench.load()
  await tables
  begin()
  ask(stays)
})
</script>

<template>
  <main class="two bench">
    <section class="left">
      <div class="where">
        <h1>{{ part?.part.name ?? 'Bench' }}</h1>
        <span class="faint">{{ part?.part.surroundings }}</span>
        <EarlierVersions
          title="Bench"
          :settled="sheet.settled"
          :list="bench.versions"
          :look="bench.version"
          @back="sheet.sheet.value = $event as Sheet"
        />
        <TrayStrip :tray="tray" :part-id="partId" />
      </div>
      <p v-if="bench.loadRefusal.value" class="note">
        {{ bench.loadRefusal.value.message }} {{ bench.loadRefusal.value.hint }}
        <button class="plain" type="button" @click="bench.load()">Try again</button>
      </p>
      <KindStrip
        :family="family"
        :kind="sheet.sheet.value.kind ?? ''"
        @choose="bench.setKind"
        @family="bench.setFamily"
      />
      <div class="sheet">
        <BenchDrawing
          ref="drawing"
          v-model:pending="pending"
          :family="family"
          :state="state"
          :size="drawn"
          :closure="closure"
          :known="known"
          :unit="hand.unit"
          :asked="asked"
          :readings="readings"
          :landed="landed"
          :worth="answer?.readings ?? []"
          :next="next?.feature ?? null"
          :faults="faults"
          @take="take"
          @drop="drop"
          @leave="bench.take"
          @focus="entered = $event"
        />
        <AboutPart
          v-model:pending="pending"
          v-model:state="state"
          v-model:rubber="sheet.sheet.value.rubber"
          v-model:medium="sheet.sheet.value.medium"
          :material="sheet.sheet.value.said?.material ?? ''"
          :family="family"
          :kind="kindDrawn"
          :beside="beside"
          :states="statesOf(kindDrawn)"
          :condition="sheet.sheet.value.condition ?? ''"
          :answer="answer"
          :faults="faults"
          :instrument="hand.instrument"
          :loose-needles="['needle', 'track'].includes(kinds.groupOf(kindDrawn))"
          @material="bench.say('material', $event)"
          @condition="sheet.sheet.value.condition = $event"
          @instrument="hand.instrument = $event"
          @take="take"
          @drop="(feature) => drop(feature, 0)"
          @leave="bench.take"
          @focus="entered = $event"
        />
      </div>
      <MarkingStrip
        ref="markingField"
        v-model="sheet.sheet.value.marking"
        :answer="answer"
        :fault="faults.marking"
        @next="focusNext"
      />
    </section>
    <section class="ranking" aria-label="candidates">
      <p v-if="answer?.unit_hint" class="note att">
        <b>{{ answer.unit_hint.message }}</b>
        <button type="button" class="plain" @click="hand.toggleUnit()">Switch the fields</button>
      </p>
      <div class="candidates">
        <template v-if="anyEvidence">
          <ExplanationsCard
            v-if="answer?.explanations.length"
            :explanations="answer.explanations"
            :instrument="checkable"
            @again="(feature: string) => focusField(feature as Feature)"
            @zero="async () => (refused = (await zeroIsRight())?.message ?? null)"
          />
          <CandidateCard
            v-for="(candidate, i) in likely"
            :key="`${candidate.designation}-${candidate.size_text}`"
            :variant="variant"
            :family="family"
            :candidate="candidate"
            :chosen="i === at"
            :why="why"
            @choose="point(i)"
            @pick="pick"
          >
            <WhatIsNeeded v-if="answer" :bench="bench" :family="family" :requirement="answer.requirement" />
          </CandidateCard>
          <div v-if="!likely.length && answer" class="needs">
            <WhatIsNeeded :bench="bench" :family="family" :requirement="answer.requirement" />
          </div>
          <div v-else class="none" :class="{ att: nothingFits }">
            <span>not in the catalogue</span
            ><span class="fig">{{ percent(answer?.none_probability ?? 0) }}</span>
          </div>
          <p v-if="nothingFits" class="enquire">
            {{ nearestWords }}
            <RouterLink :to="{ name: 'enquiry', params: route.params }"
              >Enquiry sheet with a dimensioned drawing <kbd>e</kbd></RouterLink
            >
          </p>
        </template>
        <div v-else-if="blank" class="start">
          <h2>Nothing measured yet</h2>
          <p>Choose its picture, type what the caliper shows, or any marking you can read on it.</p>
        </div>
      </div>
      <ProfileStrip
        v-if="family === 'hydraulic_seal' && anyEvidence"
        :kinds="answer?.kinds ?? []"
        :candidates="candidates"
        @choose="bench.setKind"
      />
      <div class="asks">
        <QuestionCard
          ref="question"
          :family="family"
          :next="anyEvidence || sheet.sheet.value.kind ? (answer?.next_question ?? null) : null"
          :answers="sheet.sheet.value.answers ?? {}"
          :possible="(answer?.kinds ?? []).map((each) => each.kind)"
          @answer="bench.setAnswer"
        />
        <OriginCard
          v-if="family === 'o_ring' && part && (anyEvidence || part.ring_lists.built_in)"
          ref="origin"
          :lists="part.ring_lists"
          @say="async (built) => (refused = (await bench.sayBuiltIn(built))?.message ?? null)"
        />
      </div>
      <BenchFoot
        ref="foot"
        :advised="advised"
        :said-before="part?.identification ?? null"
        :refused="refused"
        :next="next"
        :any-evidence="anyEvidence"
        :ready="ready"
        :title="answer?.title || picked?.marking || ''"
        :sure="askedAgain"
        :listed="!onNoList"
        @figure="begun"
        @go="confirm"
      />
    </section>
    <ClashDialog v-if="sheet.hasClashes.value" :clashes="sheet.clashes.value" @decide="sheet.decide" />
  </main>
</template>

<style scoped>
.left {
  display: grid;
  grid-template-rows: 50px auto minmax(0, 1fr) 100px;
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
.ranking {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto auto;
  min-height: 0;
}
.candidates {
  overflow: auto;
  grid-row: 2;
}
.needs {
  padding: 10px 20px;
}
.none {
  display: flex;
  justify-content: space-between;
  padding: 13px 20px;
  font-size: 16px;
  color: var(--faint);
}
.enquire {
  padding: 0 20px 12px;
  font-size: 15px;
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
.asks {
  grid-row: 3;
}
.foot {
  grid-row: 4;
}
@media (max-width: 900px) {
  .left {
    grid-template-rows: 58px auto auto auto;
  }
  .sheet {
    overflow-x: auto;
    display: grid;
    grid-template-rows: 482px auto;
  }
  .mark {
    flex-wrap: wrap;
    padding: 12px 20px;
  }
}
</style>
