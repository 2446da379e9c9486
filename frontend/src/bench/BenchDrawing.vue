<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { bearingSection, type BearingSize } from '@/drawing/bearing'
import type { Unit } from '@/entry/lengths'
import DimensionField from './DimensionField.vue'
import { FEATURES, type Feature } from './useBench'

/** The part in section, to scale; its dimension lines carry the fields. */
const props = defineProps<{
  size: BearingSize
  closure: string
  known: boolean
  unit: Unit
  readings: Record<Feature, { typed: string }[]>
  worth: readonly Schemas['DoubtAnswer'][]
  next: string | null
  faults: Partial<Record<string, string>>
}>()
const pending = defineModel<Record<Feature, string>>('pending', { required: true })
const emit = defineEmits<{
  take: [feature: Feature]
  drop: [feature: Feature, index: number]
  leave: [feature: Feature]
}>()
const MIDDLE = 352
const AXIS = 200
const scale = computed(() => Math.min(372 / props.size.D_mm, 300 / props.size.B_mm))
const s = computed(() => bearingSection(props.size, scale.value, MIDDLE, AXIS, props.closure))
const top = computed(() => AXIS - (props.size.D_mm * scale.value) / 2)
const bottom = computed(() => AXIS + (props.size.D_mm * scale.value) / 2)
const boreTop = computed(() => AXIS - (props.size.d_mm * scale.value) / 2)
const boreBottom = computed(() => AXIS + (props.size.d_mm * scale.value) / 2)
const outsideX = computed(() => Math.min(s.value.left - 110, 190))
const boreX = computed(() => Math.max(s.value.right + 112, 520))
const places = computed<Record<Feature, { x: number; y: number }>>(() => ({
  outside: { x: outsideX.value, y: AXIS },
  bore: { x: boreX.value, y: AXIS },
  width: { x: MIDDLE, y: bottom.value + 68 },
}))
const fields = ref<Partial<Record<Feature, InstanceType<typeof DimensionField>>>>({})
defineExpose({ focus: (feature: Feature) => fields.value[feature]?.focus() })
</script>

<template>
  <div class="drawing">
    <svg
      width="760"
      height="500"
      viewBox="0 0 760 500"
      role="img"
      :aria-label="`section of a ball bearing ${size.d_mm} by ${size.D_mm} by ${size.B_mm} millimetres${known ? '' : ', proportions only'}`"
    >
      <g :class="{ guess: !known }" class="part">
        <rect
          v-for="(ring, i) in s.rings"
          :key="i"
          :x="s.left"
          :y="ring.y"
          :width="s.right - s.left"
          :height="ring.height"
          :rx="s.corner"
          :fill="ring.outer ? 'url(#hatch-outer)' : 'url(#hatch-inner)'"
        />
        <circle
          v-for="(ball, i) in s.balls"
          :key="`b${i}`"
          :cx="MIDDLE"
          :cy="ball.cy"
          :r="ball.r"
          fill="var(--sheet)"
        />
        <line
          v-for="(cover, i) in s.covers"
          :key="`c${i}`"
          :x1="cover.x"
          :x2="cover.x"
          :y1="cover.y1"
          :y2="cover.y2"
          :stroke-width="cover.contact ? 3.6 : 2.2"
        />
      </g>
      <line :x1="s.left - 44" :x2="s.right + 44" :y1="AXIS" :y2="AXIS" class="axis" />
      <g class="dim" :class="{ next: next === 'outside' }">
        <path :d="`M${s.left - 6} ${top}H${outsideX - 8}M${s.left - 6} ${bottom}H${outsideX - 8}`" />
        <line
          :x1="outsideX"
          :x2="outsideX"
          :y1="top + 1"
          :y2="bottom - 1"
          :marker-start="`url(#arrow${next === 'outside' ? '-next' : ''})`"
          :marker-end="`url(#arrow${next === 'outside' ? '-next' : ''})`"
        />
      </g>
      <g class="dim" :class="{ next: next === 'bore' }">
        <path :d="`M${s.right + 6} ${boreTop}H${boreX + 8}M${s.right + 6} ${boreBottom}H${boreX + 8}`" />
        <line
          :x1="boreX"
          :x2="boreX"
          :y1="boreTop + 1"
          :y2="boreBottom - 1"
          :marker-start="`url(#arrow${next === 'bore' ? '-next' : ''})`"
          :marker-end="`url(#arrow${next === 'bore' ? '-next' : ''})`"
        />
      </g>
      <g class="dim" :class="{ next: next === 'width' }">
        <path :d="`M${s.left} ${bottom + 6}V${bottom + 26}M${s.right} ${bottom + 6}V${bottom + 26}`" />
        <line
          :x1="s.left + 1"
          :x2="s.right - 1"
          :y1="bottom + 18"
          :y2="bottom + 18"
          :marker-start="`url(#arrow${next === 'width' ? '-next' : ''})`"
          :marker-end="`url(#arrow${next === 'width' ? '-next' : ''})`"
        />
      </g>
    </svg>
    <DimensionField
      v-for="feature in FEATURES"
      :key="feature"
      :ref="(el) => (fields[feature] = el as InstanceType<typeof DimensionField>)"
      v-model="pending[feature]"
      :label="feature"
      :unit="unit"
      :readings="readings[feature]"
      :worth="worth.find((each) => each.feature === feature)"
      :next="next === feature"
      :fault="faults[feature]"
      :x="places[feature].x"
      :y="places[feature].y"
      @take="emit('take', feature)"
      @drop="(i: number) => emit('drop', feature, i)"
      @leave="emit('leave', feature)"
    />
  </div>
</template>

<style scoped>
.drawing {
  position: relative;
  width: 760px;
  height: 500px;
}
.part {
  stroke: var(--ink);
  stroke-width: 2;
}
.part.guess {
  opacity: 0.32;
}
.axis {
  stroke: var(--faint);
  stroke-dasharray: 16 4 3 4;
}
.dim line,
.dim path {
  stroke: var(--ink);
  stroke-width: 1.1;
  fill: none;
}
.dim.next line,
.dim.next path {
  stroke: var(--attention);
  stroke-width: 1.6;
}
</style>
