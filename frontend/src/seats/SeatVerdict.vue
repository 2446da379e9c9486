<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import ChanceBar from '@/drawing/ChanceBar.vue'
import ChipGroup from '@/entry/ChipGroup.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'

const props = defineProps<{ title: string; judgement: Schemas['SeatJudgement']; why: boolean }>()
const seat = defineModel<Schemas['SeatSide']>({ required: true })
const check = computed(() => props.judgement.check ?? null)
const STATES: Record<string, [string, string]> = {
  accept: ['holds', 'good'],
  cannot_tell: ['not_proven', 'cannot be decided'],
  reject: ['does_not_hold', 'not good'],
}
const state = computed(() => STATES[check.value?.decision ?? ''] ?? ['not_looked_at', 'not measured'])
const colour = computed(
  () => ({ holds: 'good', not_proven: 'unsure', does_not_hold: 'stop' })[state.value[0] as string] ?? 'faint',
)
/** Bodies that run in or over each other have clearance; what is pressed together is tight or loose. */
const runs = computed(() =>
  ['raceway', 'slip_fit', 'thrust_housing_washer'].includes(check.value?.rule ?? ''),
)
const amount = computed(() => {
  const i = check.value?.interference_um
  if (!i) return check.value ? `${check.value.mean_mm.toFixed(4)} mm` : ''
  const r = (um: number): number => Math.round(um)
  if (i.min >= 0) return `${r(i.min)} … ${r(i.max)} µm tight`
  const loose = runs.value ? 'clearance' : 'loose'
  if (i.max <= 0) return `${r(-i.max)} … ${r(-i.min)} µm ${loose}`
  return `${r(-i.min)} ${loose} … ${r(i.max)} µm tight`
})
const SIGNS = [
  { name: 'polished', words: 'polished' },
  { name: 'scored', words: 'scored' },
  { name: 'blued', words: 'blued' },
  { name: 'fretted', words: 'red or brown powder' },
  { name: 'ring_polished', words: 'ring polished' },
] as const
function toggle(name: string): void {
  const now = seat.value.signs ?? []
  const sign = name as (typeof SIGNS)[number]['name']
  seat.value.signs = now.includes(sign) ? now.filter((each) => each !== sign) : [...now, sign]
}
const asksSigns = computed(() => check.value?.decision === 'reject' || (seat.value.signs ?? []).length > 0)
const CONFORMS = { accept: 'conforms', reject: 'does not conform', cannot_tell: 'is not decided' } as const
const PARTS: Record<string, string> = {
  instrument: 'instrument',
  standard: 'setting standard',
  repeats: 'repeats',
  part_temperature: 'part’s temperature',
  instrument_temperature: 'instrument’s temperature',
  expansion: 'expansion',
}
/** What the pages behind the verdict are opened with. */
const behind = computed(() => {
  const c = check.value
  if (!c) return { fits: {}, zone: {}, lost: {} }
  const letter = /^[a-z]/i.test(c.zone)
  return {
    fits: { size: c.nominal_mm, [c.part === 'shaft' ? 'shaft' : 'hole']: letter ? c.zone : null },
    zone: {
      lower_um: c.zone_lower_um,
      upper_um: c.zone_upper_um,
      measured_um: (c.mean_mm - c.nominal_mm) * 1000,
      standard_uncertainty_um: c.standard_uncertainty_um,
    },
    lost: {
      bore_mm: c.nominal_mm,
      width_mm: c.needed_for?.ring_width_mm,
      radial_n: c.needed_for?.radial_n,
      warmer_k: c.needed_for?.warmer_k,
    },
  }
})
const parts = computed(() =>
  Object.entries(check.value?.uncertainty_parts_um ?? {})
    .filter(([, um]) => um >= 0.05)
    .map(([name, um]) => `${PARTS[name] ?? name} ${um.toFixed(1)}`)
    .join(', '),
)
</script>

<template>
  <section class="verdict">
    <h2 :class="colour">
      <VerdictMark :state="state[0] ?? ''" :size="19" silent /> {{ title }} {{ state[1] }}
    </h2>
    <template v-if="check">
      <p class="fig big">{{ amount }}</p>
      <div class="chances">
        <ChanceBar
          v-if="check.holds_probability !== null"
          words="ring holds"
          :chance="check.holds_probability"
          :wanted="check.wanted.holds"
        />
        <ChanceBar
          :words="`in ${check.zone}`"
          :chance="check.conformance_probability"
          :wanted="check.wanted.zone"
        />
      </div>
      <p>{{ check.reason }}</p>
      <p v-for="risk in check.risks" :key="risk" class="risk">{{ risk }}</p>
      <p v-for="found in check.findings" :key="found.code" class="stop">
        {{ found.words }} {{ found.repair }}
      </p>
      <template v-if="check.step_words.length">
        <h3>What would decide it</h3>
        <ul>
          <li v-for="step in check.step_words" :key="step">{{ step }}</li>
        </ul>
      </template>
      <ChipGroup
        v-if="asksSigns"
        class="signs"
        words="seen on the seat"
        :options="[...SIGNS]"
        :chosen="seat.signs ?? []"
        @toggle="toggle"
      />
      <ul v-if="check.repairs.length">
        <li v-for="way in check.repairs" :key="way">{{ way }}</li>
      </ul>
      <slot />
      <div v-if="why" class="why">
        <p>{{ check.creep_reason }}</p>
        <p>
          Form: {{ check.form }}; {{ check.cylindricity_limit_um }} µm is allowed. By ISO 14253-1 alone it
          {{ CONFORMS[check.conformity] }} (guard band {{ check.guard_um.toFixed(1) }} µm).
        </p>
        <p>
          u = {{ check.standard_uncertainty_um.toFixed(1) }} µm ({{ parts }}); U = ±{{
            check.expanded_uncertainty_um.toFixed(1)
          }}
          µm (k = 2).
        </p>
        <p v-for="note in check.notes" :key="note">{{ note }}</p>
        <p>{{ check.sources.join('; ') }}</p>
        <p>
          <ReferenceLink question="look-fits" words="limits and fits" :given="behind.fits" />
          <ReferenceLink
            question="conformance_probability"
            words="chance of lying in the zone"
            :given="behind.zone"
          />
          <ReferenceLink question="interference_lost" words="what load and heat take" :given="behind.lost" />
        </p>
      </div>
    </template>
    <p v-else class="faint">Zone {{ judgement.zones.chosen_zone }}: measure it in two or three planes.</p>
  </section>
</template>

<style scoped>
.verdict {
  padding: 11px 20px;
  border-bottom: 1px solid var(--rule);
}
h2 {
  font-size: 21px;
  display: flex;
  gap: 9px;
  align-items: center;
}
h3 {
  font-size: 14.5px;
  font-weight: 650;
  margin-top: 6px;
}
.big {
  font-size: 30px;
  line-height: 1.1;
  margin: 4px 0 5px;
}
.chances {
  display: grid;
  gap: 2px;
  margin-bottom: 5px;
}
p {
  font-size: 15px;
}
.risk {
  font-weight: 600;
}
ul {
  padding-left: 18px;
  margin-top: 3px;
  font-size: 14.5px;
}
.signs {
  margin: 7px 0 3px;
}
.why p {
  font-size: 14px;
  color: var(--faint);
  margin-top: 4px;
}
</style>
