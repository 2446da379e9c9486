<script setup lang="ts">
import { computed } from 'vue'
import PartSection from '@/drawing/PartSection.vue'
import { partSize } from '@/drawing/sizes'
import { percent } from '@/entry/lengths'
import { useKinds } from '@/job/useKinds'
import type { Offered } from './useAsk'

const props = defineProps<{ offer: Offered; chosen: boolean }>()
const kinds = useKinds()
const reading = computed(() => props.offer.reading?.reading)
const seal = computed(() => (reading.value?.family ?? 'bearing') !== 'bearing')
const kind = computed(() => reading.value?.attributes?.kind ?? props.offer.candidate?.kind ?? 'deep_groove')
const size = computed(() => {
  const d = reading.value?.dimensions ?? props.offer.candidate?.dimensions
  const element = props.offer.candidate?.ball_mm ?? props.offer.reading?.ball_mm
  return d && element !== null && element !== undefined ? partSize(kind.value, d, element) : null
})
const CLOSURES: Record<string, string> = {
  shield_one: 'shield one side',
  shield_two: 'shields both sides',
  low_friction_one: 'low-friction seal one side',
  low_friction_two: 'low-friction seals both sides',
  seal_one: 'contact seal one side',
  seal_two: 'contact seals both sides',
}
const details = computed(() => {
  const a = reading.value?.attributes
  if (!a) return ''
  if (seal.value)
    return [
      kinds.kind(kind.value)?.words,
      a.material,
      a.hardness_shore_a && `${a.hardness_shore_a} Shore A`,
      a.called && `called ${a.called}`,
    ]
      .filter(Boolean)
      .join(', ')
  const said = [kinds.kind(kind.value)?.words ?? kind.value.replace(/_/g, ' ')]
  if (a.closure && a.closure !== 'open') said.push(CLOSURES[a.closure] ?? '')
  if (a.angle) said.push(/^\d+$/.test(a.angle) ? `${a.angle}° contact` : `${a.angle} angle`)
  if (a.bore_shape !== 'cylindrical') said.push('taper bore')
  if (a.clearance !== 'N') said.push(`C${a.clearance}`)
  if (a.class !== 'Normal') said.push(`class ${a.class}`)
  if (a.snap_ring !== 'none') said.push('ring groove')
  return said.join(', ')
})
const stock = computed(() => {
  const held = props.offer.reading?.stock ?? []
  const total = held.reduce((sum, item) => sum + item.stock_quantity, 0)
  return total ? `${total} on the shelf, ${held[0]?.stock_place}` : ''
})
</script>

<template>
  <div class="row" :class="{ chosen }">
    <template v-if="offer.job">
      <span class="draw job">job</span>
      <span class="big fig">{{ offer.job.number }}</span>
      <span class="what"
        ><b>{{ offer.job.title }}</b
        ><em>{{ offer.job.symptom || offer.job.owner }}</em></span
      >
    </template>
    <template v-else-if="offer.unit">
      <span class="draw job">unit</span>
      <span class="big fig">{{ offer.unit.serial || 'no serial number' }}</span>
      <span class="what"
        ><b>{{ offer.unit.title }}</b
        ><em>{{ [offer.unit.model, offer.unit.place].filter(Boolean).join(', ') }}: its history</em></span
      >
    </template>
    <template v-else>
      <span class="draw"
        ><PartSection
          v-if="size"
          :size="size"
          :closure="reading?.attributes?.closure ?? 'open'"
          :width="46"
          half
          :height="58"
          name="section"
      /></span>
      <span class="big fig">{{ reading?.designation ?? offer.candidate?.designation }}</span>
      <span class="what">
        <b>{{
          details || (offer.candidate ? `${percent(offer.candidate.probability)} by size only` : '')
        }}</b>
        <em v-if="reading">
          <template v-if="reading.unread.length">unread: {{ reading.unread.join(' ') }}. </template
          >{{ stock || offer.reading?.assumed.join('; ') }}
        </em>
        <em v-else>{{ offer.candidate?.variant_count }} in the catalogue</em>
      </span>
      <span class="fig size">{{ offer.reading?.size_text ?? offer.candidate?.size_text }}</span>
    </template>
    <kbd v-if="chosen">Enter</kbd>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 7px 16px;
  min-height: 72px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
}
.row.chosen {
  background: var(--sheet);
  box-shadow: inset 5px 0 0 var(--action);
}
.draw {
  width: 46px;
  flex: none;
}
.draw.job {
  color: var(--faint);
  font-size: 14px;
}
.big {
  font-size: 32px;
  line-height: 1;
  min-width: 108px;
  white-space: nowrap;
}
.what {
  flex: 1;
  min-width: 0;
}
.what b {
  font-weight: 600;
  display: block;
  font-size: 16px;
}
.what em {
  font-style: normal;
  color: var(--faint);
  font-size: 14px;
  display: block;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.size {
  font-size: 24px;
  white-space: nowrap;
}
@media (max-width: 600px) {
  .row {
    flex-wrap: wrap;
    gap: 4px 12px;
  }
  .big {
    font-size: 24px;
    min-width: 0;
  }
  .what {
    flex-basis: 100%;
    order: 3;
  }
  .size {
    margin-left: auto;
    font-size: 20px;
  }
}
</style>
