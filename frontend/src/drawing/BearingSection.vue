<script setup lang="ts">
import { computed } from 'vue'
import { bearingSection, type BearingSize } from './bearing'

/** A bearing in section, to scale, without dimensions; `half` shows the part above the axis, larger. */
const props = defineProps<{
  size: BearingSize
  closure: string
  width: number
  height: number
  scale?: number
  half?: boolean
  name: string
}>()
const tall = computed(() => (props.half ? props.size.D_mm / 2 : props.size.D_mm))
const fit = computed(
  () => props.scale ?? Math.min((props.width - 6) / props.size.B_mm, (props.height - 6) / tall.value),
)
const axis = computed(() => (props.half ? props.height - 3 : props.height / 2))
const s = computed(() => bearingSection(props.size, fit.value, props.width / 2, axis.value, props.closure))
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="name">
    <rect
      v-for="(ring, i) in s.rings"
      :key="i"
      :x="s.left"
      :y="ring.y"
      :width="s.right - s.left"
      :height="ring.height"
      :rx="s.corner / 2"
      :fill="ring.outer ? 'url(#hatch-outer)' : 'url(#hatch-inner)'"
    />
    <circle
      v-for="(ball, i) in s.balls"
      :key="`b${i}`"
      :cx="width / 2"
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
      stroke-width="2"
    />
    <line :x1="s.left - 4" :x2="s.right + 4" :y1="s.axis" :y2="s.axis" class="axis" />
  </svg>
</template>

<style scoped>
svg {
  stroke: var(--ink);
  stroke-width: 1.2;
  display: block;
}
.axis {
  stroke: var(--faint);
  stroke-width: 0.8;
  stroke-dasharray: 8 3 2 3;
}
</style>
