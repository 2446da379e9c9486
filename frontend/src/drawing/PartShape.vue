<script setup lang="ts">
import { computed } from 'vue'
import type { Slot } from './lineLayout'
import { fill } from './onLine'
import SectionPieces from './SectionPieces.vue'

/** One part of a line in section, above and below the axis; drawn for its telling side at the left. */
const props = defineProps<{ place: Slot; axis: number }>()
const LEAST = 2
const middle = computed(() => props.place.shapeX + props.place.shapeWidth / 2)
const outer = computed(() => Math.max(props.place.outer, props.place.inner + LEAST))
const filled = computed(() =>
  fill(props.place.drawn, { inner: props.place.inner, outer: outer.value, width: props.place.shapeWidth }),
)
const flip = computed(() =>
  props.place.side === 'right' ? `translate(${2 * middle.value} 0) scale(-1 1)` : undefined,
)
/** A wavy line across the end of what is broken off. */
const torn = computed(() => {
  const { shapeX, shapeWidth } = props.place
  const n = Math.max(2, Math.round(shapeWidth / 9) * 2)
  const points = Array.from(
    { length: n + 1 },
    (_, i) => `${shapeX + (shapeWidth * i) / n} ${props.axis - outer.value + (i % 2 ? 4 : -1)}`,
  )
  return `M${points.join('L')}`
})
const mirrored = computed(() => `translate(0 ${2 * props.axis}) scale(1 -1)`)
</script>

<template>
  <g class="part" :class="{ guess: !place.known }" :transform="flip">
    <SectionPieces
      v-for="side in filled.once ? [-1] : [-1, 1]"
      :key="side"
      :pieces="filled.pieces"
      :scale="1"
      :middle="middle"
      :axis="axis"
      :side="side"
    />
    <template v-if="place.broken">
      <path :d="torn" class="torn" />
      <path :d="torn" class="torn" :transform="mirrored" />
    </template>
  </g>
</template>

<style scoped>
.part {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linejoin: round;
}
.part.guess {
  stroke-width: 1.15;
}
.torn {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 4;
  stroke-linejoin: round;
}
</style>
