<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** What a lip passes on its way in, as a strip along the shaft: each edge drawn, those that cut it marked. */
const props = defineProps<{ way: readonly Schemas['OnTheWay'][]; width: number }>()
const STEP = 96
const TOP = 26
const LOW = 66
/** The outline of the shaft over one feature, from its left end; the lip comes from the left. */
const SHAPES: Record<string, string> = {
  chamfer: `M0 ${LOW - 16}L22 ${TOP}H${STEP}`,
  no_chamfer: `M0 ${LOW}V${TOP}H${STEP}`,
  shoulder: `M0 ${TOP}H62V${TOP - 10}H${STEP}`,
  keyway: `M0 ${TOP}H24V${TOP + 15}H72V${TOP}H${STEP}`,
  spline: `M0 ${TOP}H14${Array.from({ length: 5 }, () => 'v9h7v-9h7').join('')}H${STEP}`,
  thread: `M0 ${TOP}H12${Array.from({ length: 9 }, () => 'l4 7l4 -7').join('')}H${STEP}`,
  ring_groove: `M0 ${TOP}H42V${TOP + 12}H54V${TOP}H${STEP}`,
  cross_hole: `M0 ${TOP}H36V${LOW + 12}M60 ${LOW + 12}V${TOP}H${STEP}`,
  burr: `M0 ${TOP}H44l3 -9l4 9H${STEP}`,
}
const WORDS: Record<string, string> = {
  chamfer: 'chamfer',
  no_chamfer: 'no chamfer',
  shoulder: 'shoulder',
  keyway: 'keyway',
  spline: 'splines',
  thread: 'thread',
  ring_groove: 'ring groove',
  cross_hole: 'cross hole',
  burr: 'burr',
}
const steps = computed(() =>
  props.way.map((each, i) => ({
    ...each,
    x: 58 + i * STEP,
    shape: SHAPES[each.feature] ?? '',
    words: WORDS[each.feature] ?? each.feature,
  })),
)
const words = computed(
  () => `way in: ${steps.value.map((each) => each.words + (each.harms ? ', harms the lip' : '')).join('; ')}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${Math.max(width, 70 + way.length * STEP)} 112`" role="img" :aria-label="words">
    <path d="M14 14l16 10l-10 12l14 10" class="lip" />
    <path :d="`M36 ${TOP + 4}h14m-5 -4l5 4l-5 4`" class="arrow" />
    <g v-for="(step, i) in steps" :key="i" :transform="`translate(${step.x} 0)`">
      <path :d="step.shape" class="edge" :class="{ harms: step.harms }" />
      <text :x="STEP / 2" y="90" text-anchor="middle" :class="{ harms: step.harms }">
        {{ step.harms ? '☒' : '●' }} {{ step.words }}
      </text>
    </g>
    <line :x1="58" :x2="58 + way.length * STEP" :y1="LOW + 6" :y2="LOW + 6" class="axis" />
  </svg>
</template>

<style scoped>
svg {
  height: 104px;
  max-width: 100%;
  display: block;
}
.lip {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linejoin: round;
}
.arrow {
  fill: none;
  stroke: var(--action);
  stroke-width: 2;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.edge.harms {
  stroke: var(--stop);
}
.axis {
  stroke: var(--faint);
  stroke-dasharray: 14 4 3 4;
}
text {
  font-size: 14px;
  fill: var(--ink);
}
text.harms {
  fill: var(--stop);
  font-weight: 600;
}
</style>
