<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { percent, size } from '@/entry/lengths'

/** One rung of the ladder; the chosen one is large and says how each feature agrees. */
const props = defineProps<{
  candidate: Schemas['CandidateAnswer']
  chosen: boolean
  why: boolean
  stated: readonly string[]
}>()
const variant = defineModel<number | null>('variant', { default: null })
defineEmits<{ choose: [] }>()
const MARKS: Record<string, string> = {
  agrees: 'holds',
  doubtful: 'not_proven',
  disagrees: 'does_not_hold',
  not_read: 'not_looked_at',
}
function off(each: Schemas['AgreementAnswer']): string {
  if (each.off_mm === null || each.off_mm === undefined) return 'not read'
  const amount = Math.abs(each.off_mm)
  if (amount < 0.005) return 'as listed'
  return `${amount >= 0.995 ? amount.toFixed(1) : amount.toFixed(2)} ${each.off_mm > 0 ? 'over' : 'under'}`
}
const options = computed(() =>
  props.candidate.variants.map((each) => ({
    value: each.key,
    label: `${each.marking}  ·  ${each.closure_words}${each.clearance === 'N' ? '' : `, C${each.clearance}`}${each.class === 'Normal' ? '' : `, class ${each.class}`}`,
  })),
)
const picked = computed(
  () => props.candidate.variants.find((each) => each.key === variant.value) ?? props.candidate.variants[0],
)
const basis = computed(() => (props.stated.includes('closure') ? 'by its marking' : 'not marked, look'))
const misfit = computed(() =>
  props.candidate.misfit?.agreement === 'disagrees' ? props.candidate.misfit : null,
)
</script>

<template>
  <article class="card" :class="{ chosen }" @click="$emit('choose')">
    <div class="top">
      <span class="fig size">{{ size(candidate.dimensions) }}</span><span
        class="fig p"
        :class="{ act: chosen }"
        >{{ percent(candidate.probability) }}</span
      >
    </div>
    <div class="bar" role="presentation">
      <div :style="{ width: `${candidate.probability * 100}%` }"></div>
    </div>
    <template v-if="chosen">
      <div class="agree">
        <span v-for="each in candidate.features" :key="each.feature"
          ><VerdictMark :state="MARKS[each.agreement] ?? ''" silent /> {{ each.feature
          }}<em>{{ off(each) }}</em></span
        >
      </div>
      <p v-if="misfit" class="stop misfit">
        <b>Does not fit:</b> {{ misfit.feature }} off by {{ Math.abs(misfit.off_mm ?? 0).toFixed(2) }} mm,
        {{ misfit.sigmas?.toFixed(0) }} times the doubt.
      </p>
      <div class="vars">
        <b>{{ candidate.designation }}</b>, {{ candidate.variant_count }} on the list. Closure {{ basis }}:
        <b>{{ picked?.closure_words }}</b>.
      </div>
      <Select
        v-model="variant"
        :options="options"
        option-label="label"
        option-value="value"
        class="pick"
        aria-label="which of the listed parts"
        :virtual-scroller-options="undefined"
        scroll-height="300px"
      />
      <dl v-if="why" class="why">
        <template v-for="each in candidate.features" :key="each.feature"
          ><dt>{{ each.feature }}</dt>
          <dd>
            {{
              each.sigmas === null
                ? 'not read'
                : `${each.sigmas?.toFixed(1)} doubts outside the maker's limits (ISO 492)`
            }}
          </dd></template
        >
        <dt>counts</dt>
        <dd>
          readings with the instrument's doubt, wear of crept rings, slips of reading (1 %), how often the
          size is met, and 5 % for parts that are not listed
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
}
.size {
  font-size: 24px;
  line-height: 1;
  white-space: nowrap;
}
.p {
  font-size: 20px;
  line-height: 1;
  white-space: nowrap;
}
.chosen .size {
  font-size: 38px;
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
