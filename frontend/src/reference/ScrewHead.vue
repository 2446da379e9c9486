<script setup lang="ts">
import { computed } from 'vue'

/** The head of a hexagon screw with the mark of its grade: figures on a metric one, strokes on an inch one. */
const props = defineProps<{ grade: string }>()
/** An inch screw of grade g has g − 2 strokes. */
const strokes = computed(() => (props.grade.includes('.') ? 0 : Number(props.grade) - 2))
const at = (turn: number, from: number, to: number): string => {
  const [x, y] = [Math.sin(turn), -Math.cos(turn)]
  return `M${(from * x).toFixed(2)} ${(from * y).toFixed(2)}L${(to * x).toFixed(2)} ${(to * y).toFixed(2)}`
}
const hexagon = Array.from({ length: 6 }, (_, corner) => {
  const turn = (corner * Math.PI) / 3
  return `${(20 * Math.cos(turn)).toFixed(2)},${(20 * Math.sin(turn)).toFixed(2)}`
}).join(' ')
</script>

<template>
  <svg viewBox="-21 -21 42 42" class="head" aria-hidden="true">
    <polygon :points="hexagon" />
    <circle r="16" />
    <text v-if="!strokes" y="4">{{ grade }}</text>
    <path v-for="stroke in strokes" :key="stroke" :d="at((2 * Math.PI * stroke) / strokes, 6.5, 13.5)" />
  </svg>
</template>

<style scoped>
.head {
  width: 46px;
  height: 46px;
  display: inline-block;
  vertical-align: middle;
  margin: 0;
}
polygon,
circle,
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
circle {
  stroke-width: 0.7;
}
path {
  stroke-width: 2;
}
text {
  font-size: 11px;
  font-weight: 650;
  text-anchor: middle;
  fill: var(--ink);
}
</style>
