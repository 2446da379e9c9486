<script setup lang="ts">
import { computed } from 'vue'
import DimensionLine from './DimensionLine.vue'
import type { Layout } from './partLayout'
import SectionShape from './SectionShape.vue'
import { hasAxis, type RingState } from './seals'
import type { PartSize } from './geometry'

/** A part as it is laid out on a sheet: section, axis, where it is broken off, dimension lines; fields or labels go on top. */
const props = defineProps<{
  at: Layout
  size: PartSize
  closure: string
  state?: RingState
  /** Only proportions are known: it stands back. */
  guess?: boolean
  next?: string | null
  words: string
}>()
const zigzag = computed(() => {
  if (props.at.breaks === null) return ''
  const [from, to, y] = [props.at.axisFrom + 10, props.at.axisTo - 10, props.at.breaks]
  const third = (to - from) / 3
  return `M${from} ${y}h${third}l7 -9l9 18l7 -9H${to}`
})
</script>

<template>
  <svg width="640" height="468" viewBox="0 0 640 468" role="img" :aria-label="words">
    <g :class="{ guess }" class="part">
      <SectionShape
        :size="size"
        :closure="closure"
        :scale="at.scale"
        :middle="at.middle"
        :axis="at.axis"
        :half="at.broken"
        :state="state"
      />
    </g>
    <line
      v-if="hasAxis(size.kind ?? '')"
      :x1="at.axisFrom"
      :x2="at.axisTo"
      :y1="at.axisY"
      :y2="at.axisY"
      class="axis"
    />
    <path v-if="at.broken" :d="zigzag" class="break" />
    <DimensionLine
      v-for="line in at.lines"
      :key="line.feature"
      :extension="line.extension"
      :from="line.from"
      :to="line.to"
      :next="next === line.feature"
    />
    <slot></slot>
  </svg>
</template>

<style scoped>
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
.break {
  stroke: var(--faint);
  fill: none;
}
</style>
