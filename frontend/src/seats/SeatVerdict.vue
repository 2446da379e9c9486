<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'

const props = defineProps<{ title: string; judgement: Schemas['SeatJudgement']; why: boolean }>()
const check = computed(() => props.judgement.check ?? null)
const STATES: Record<string, [string, string]> = {
  accept: ['holds', 'conforms'],
  cannot_tell: ['not_proven', 'cannot be decided'],
  reject: ['does_not_hold', 'does not conform'],
}
const state = computed(() => STATES[check.value?.decision ?? ''] ?? ['not_looked_at', 'not measured'])
const colour = computed(
  () => ({ holds: 'good', not_proven: 'unsure', does_not_hold: 'stop' })[state.value[0] as string] ?? 'faint',
)
const amount = computed(() => {
  const i = check.value?.interference_um
  if (!i) return ''
  const r = (um: number): number => Math.round(um)
  if (i.min >= 0) return `${r(i.min)} … ${r(i.max)} µm tight`
  if (i.max <= 0) return `${r(-i.max)} … ${r(-i.min)} µm loose`
  return `${r(-i.min)} loose … ${r(i.max)} µm tight`
})
const likely = computed(() => {
  const um = Math.round(check.value?.interference_um.likely ?? 0)
  return um === 0 ? 'most likely line to line' : `most likely ${Math.abs(um)} ${um > 0 ? 'tight' : 'loose'}`
})
const creep = computed(() => {
  const p = check.value?.creep_probability ?? 0
  return p > 0
    ? `Chance of ring creep at this load: ${p < 0.001 ? 'under 0.1' : (p * 100).toFixed(p < 0.1 ? 1 : 0)} %.`
    : ''
})
</script>

<template>
  <section class="verdict">
    <h2 :class="colour">
      <VerdictMark :state="state[0] ?? ''" :size="19" silent /> {{ title }} {{ state[1] }}
    </h2>
    <template v-if="check">
      <p class="fig big">{{ amount }}</p>
      <p>{{ likely }}. {{ creep }} {{ check.reason }}</p>
      <ul v-if="check.repairs.length">
        <li v-for="way in check.repairs" :key="way">{{ way }}</li>
      </ul>
      <div v-if="why" class="why">
        <p>{{ check.creep_reason }}</p>
        <p v-for="note in check.notes" :key="note">{{ note }}</p>
        <p>
          Guard band {{ check.guard_um.toFixed(1) }} µm of U = ±{{
            check.expanded_uncertainty_um.toFixed(1)
          }}. {{ check.sources.join('; ') }}
        </p>
      </div>
    </template>
    <p v-else class="faint">Zone {{ judgement.zones.chosen_zone }}: measure it in two or three planes.</p>
  </section>
</template>

<style scoped>
.verdict {
  padding: 12px 20px;
  border-bottom: 1px solid var(--rule);
}
h2 {
  font-size: 21px;
  display: flex;
  gap: 9px;
  align-items: center;
}
.big {
  font-size: 30px;
  line-height: 1.1;
  margin: 4px 0 3px;
}
p {
  font-size: 15px;
}
ul {
  padding-left: 18px;
  margin-top: 5px;
  font-size: 14.5px;
}
.why p {
  font-size: 14px;
  color: var(--faint);
  margin-top: 4px;
}
</style>
