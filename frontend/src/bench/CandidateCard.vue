<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { percent } from '@/entry/lengths'
import { useKinds } from '@/job/useKinds'

/** One candidate of the ranking; the chosen one is large and says how each feature agrees. */
const props = defineProps<{
  family: string
  candidate: Schemas['CandidateAnswer']
  chosen: boolean
  why: boolean
  variant: number | null
}>()
const emit = defineEmits<{ choose: []; pick: [key: number | null] }>()
const MARKS: Record<string, string> = {
  agrees: 'holds',
  doubtful: 'not_proven',
  disagrees: 'does_not_hold',
  not_read: 'not_looked_at',
  not_of_this: 'does_not_hold',
}
const kinds = useKinds()
function off(each: Schemas['FeatureAgreement']): string {
  if (each.agreement === 'not_of_this') return 'not on this kind'
  if (each.agreement === 'not_read') return 'not measured'
  if (each.off_mm === null || each.off_mm === undefined) return 'within range'
  const amount = Math.abs(each.off_mm)
  if (amount < 0.005) return 'matches'
  return `${amount >= 0.995 ? amount.toFixed(1) : amount.toFixed(2)} ${each.off_mm > 0 ? 'over' : 'under'}`
}
const options = computed(() =>
  props.candidate.variants.map((each) => ({
    value: each.key,
    label: [
      each.marking,
      [
        each.kind === props.candidate.kind ? '' : (kinds.kind(each.kind)?.words ?? each.kind),
        each.closure === 'open' && each.kind !== 'deep_groove' ? '' : each.closure_words,
        each.clearance === 'N' ? '' : `C${each.clearance}`,
        each.class === 'Normal' ? '' : `class ${each.class}`,
        each.bore_shape === 'cylindrical' ? '' : 'taper bore',
        each.angle && `${each.angle}${/^\d+$/.test(each.angle) ? '°' : ' angle'}`,
      ]
        .filter(Boolean)
        .join(', '),
      each.contradictions?.length ? `not as marked: ${each.contradictions.join(', ')}` : '',
    ]
      .filter(Boolean)
      .join('  ·  '),
  })),
)
/** Of the listed parts of this size none is what must be had. */
const unmet = computed(() =>
  props.candidate.variants.length && props.candidate.variants.every((each) => each.contradictions?.length)
    ? (props.candidate.variants[0]?.contradictions ?? [])
    : [],
)
const kindWords = computed(() => kinds.kind(props.candidate.kind)?.words ?? '')
const others = computed(() =>
  props.candidate.kinds
    .filter((each) => each.kind !== props.candidate.kind && each.probability > 0.02)
    .slice(0, 3)
    .map((each) => `${each.words} ${percent(each.probability)}`)
    .join(', '),
)
/** The name says no more than the size does. */
const named = computed(
  () =>
    props.candidate.designation.replace(/\s/g, '') ===
    props.candidate.size_text.replace(/\s/g, '').replace(/×/g, 'x'),
)
/** Four dimensions in parts of an inch are long; the percentage beside them is never cut off. */
const length = computed(() => {
  const letters = props.candidate.size_text.length
  return letters > 27 ? 'longest' : letters > 17 ? 'long' : ''
})
/** `1 1/8` stays together on its line. */
const called = computed(() => props.candidate.called.replace(/(\d) (?=\d)/g, '$1\u00a0'))
const misfit = computed(() =>
  props.candidate.misfit?.agreement === 'disagrees' ? props.candidate.misfit : null,
)
</script>

<template>
  <article class="card" :class="{ chosen }" @click="$emit('choose')">
    <div class="top">
      <span class="fig size" :class="length"
        >{{ candidate.size_text }}<em v-if="!chosen && !named">{{ candidate.designation }}</em></span
      ><span class="fig p" :class="{ act: chosen }">{{ percent(candidate.probability) }}</span>
    </div>
    <div class="bar" role="presentation">
      <div :style="{ width: `${candidate.probability * 100}%` }"></div>
    </div>
    <template v-if="chosen">
      <div class="agree" :class="{ many: candidate.features.length > 3 }">
        <span v-for="each in candidate.features" :key="each.feature"
          ><VerdictMark :state="MARKS[each.agreement] ?? ''" silent />
          {{ kinds.feature(each.feature, family, candidate.kind) }}<em>{{ off(each) }}</em></span
        >
      </div>
      <p v-if="misfit" class="stop misfit">
        <b>Does not fit:</b> {{ kinds.feature(misfit.feature, family, candidate.kind) }} off by
        {{ Math.abs(misfit.off_mm ?? 0).toFixed(2) }} mm, {{ misfit.sigmas?.toFixed(0) }} σ outside new-part
        limits.
      </p>
      <div class="vars">
        <b>{{ candidate.designation }}</b> {{ kindWords
        }}<template v-if="candidate.called"
          >, called <b>{{ called }}</b></template
        >, {{ candidate.variant_count }} catalogue {{ candidate.variant_count === 1 ? 'item' : 'items' }} in
        this size.<template v-if="others"> Same size: {{ others }}.</template>
      </div>
      <slot />
      <p v-if="unmet.length" class="unmet att">
        No catalogue item meets the requirement. The closest differs in {{ unmet.join(', ') }}.
      </p>
      <Select
        :model-value="variant"
        :options="options"
        option-label="label"
        option-value="value"
        class="pick"
        aria-label="catalogue items"
        :virtual-scroller-options="undefined"
        scroll-height="300px"
        @update:model-value="(key: number) => emit('pick', key)"
      />
      <dl v-if="why" class="why">
        <template v-for="each in candidate.features" :key="each.feature"
          ><dt>{{ kinds.feature(each.feature, family, candidate.kind) }}</dt>
          <dd>
            {{
              each.sigmas === null ? 'not measured' : `${each.sigmas?.toFixed(1)} σ outside new-part limits`
            }}
          </dd></template
        >
        <dt>counts</dt>
        <dd>
          readings with their measurement uncertainty, wear, stretch, swell and set typical of this kind of
          part, gross errors (1 %), how common the size is, and 5 % for parts not in the catalogue
        </dd>
      </dl>
    </template>
  </article>
</template>

<style scoped>
.card {
  padding: 10px 20px 9px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
}
.card.chosen {
  background: var(--sheet);
  padding: 14px 20px 13px;
  cursor: default;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.size {
  font-size: 24px;
  line-height: 1.1;
  white-space: nowrap;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
.size em {
  font-style: normal;
  font-size: 15px;
  color: var(--faint);
  margin-left: 10px;
}
.p {
  flex: none;
  font-size: 20px;
  line-height: 1;
  white-space: nowrap;
}
.chosen .size {
  font-size: 38px;
}
.size.long {
  font-size: 20px;
}
.chosen .size.long {
  font-size: 29px;
}
.size.longest {
  font-size: 17px;
}
.chosen .size.longest {
  font-size: 21px;
}
.chosen .p {
  font-size: 30px;
}
.bar {
  height: 7px;
  margin: 7px 0 0;
  background: var(--rule);
}
.chosen .bar {
  margin: 9px 0 10px;
}
.bar div {
  height: 7px;
  background: var(--action);
}
.agree {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  font-size: 15px;
  gap: 4px;
}
.agree.many {
  grid-template-columns: 1fr 1fr;
}
.agree em {
  font-style: normal;
  color: var(--faint);
  display: block;
  font-size: 14px;
}
.vars {
  margin: 10px 0 8px;
  font-size: 15px;
}
.unmet {
  margin-top: 7px;
  font-size: 15px;
}
.pick {
  margin-top: 8px;
}
.misfit {
  margin-top: 8px;
  font-size: 15px;
}
.pick {
  width: 100%;
  font-size: 15px;
}
.why {
  margin-top: 10px;
  display: grid;
  grid-template-columns: 70px 1fr;
  font-size: 14px;
  gap: 2px 8px;
}
.why dt {
  color: var(--faint);
}
.why dd {
  margin: 0;
}
</style>
