<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { bearingSection, type BearingSize } from '@/drawing/bearing'
import DimensionLine from '@/drawing/DimensionLine.vue'
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
const lines = computed(() => [
  {
    feature: 'outside',
    extension: `M${s.value.left - 6} ${top.value}H${outsideX.value - 8}M${s.value.left - 6} ${bottom.value}H${outsideX.value - 8}`,
    from: [outsideX.value, top.value + 1],
    to: [outsideX.value, bottom.value - 1],
  },
  {
    feature: 'bore',
    extension: `M${s.value.right + 6} ${boreTop.value}H${boreX.value + 8}M${s.value.right + 6} ${boreBottom.value}H${boreX.value + 8}`,
    from: [boreX.value, boreTop.value + 1],
    to: [boreX.value, boreBottom.value - 1],
  },
  {
    feature: 'width',
    extension: `M${s.value.left} ${bottom.value + 6}V${bottom.value + 26}M${s.value.right} ${bottom.value + 6}V${bottom.value + 26}`,
    from: [s.value.left + 1, bottom.value + 18],
    to: [s.value.right - 1, bottom.value + 18],
  },
])
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
      <DimensionLine
        v-for="line in lines"
        :key="line.feature"
        :extension="line.extension"
        :from="line.from"
        :to="line.to"
        :next="next === line.feature"
      />
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
</style>
