<script setup lang="ts">
import { computed } from 'vue'
import { hasAxis, type RingState } from './seals'
import type { PartSize } from './geometry'
import { halfSection } from './section'
import SectionPieces from './SectionPieces.vue'

/** A part's section in ink: both halves about the axis, or the upper one alone. */
const props = defineProps<{
  size: PartSize
  closure: string
  scale: number
  middle: number
  axis: number
  half?: boolean
  state?: RingState
}>()
const pieces = computed(() => halfSection(props.size, props.closure, props.state).pieces)
const sides = computed(() => (props.half || !hasAxis(props.size.kind ?? '') ? [-1] : [-1, 1]))
</script>

<template>
  <g>
    <SectionPieces
      v-for="side in sides"
      :key="side"
      :pieces="pieces"
      :scale="scale"
      :middle="middle"
      :axis="axis"
      :side="side"
    />
  </g>
</template>
