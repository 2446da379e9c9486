<script setup lang="ts">
import { computed } from 'vue'
import { hasAxis, type RingState } from './seals'
import type { Piece, PartSize, Point } from './geometry'
import { halfSection } from './section'

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
const x = (mm: number): number => props.middle + mm * props.scale
const y = (mm: number, side: number): number => props.axis + side * mm * props.scale
const path = (points: readonly Point[], side: number): string =>
  `M${points.map(([px, r]) => `${x(px).toFixed(2)} ${y(r, side).toFixed(2)}`).join('L')}Z`
const fill = (piece: Piece): string =>
  piece.what === 'ring' ? `url(#hatch-${piece.outer ? 'outer' : 'inner'})` : 'var(--sheet)'
</script>

<template>
  <g class="section">
    <template v-for="side in sides" :key="side">
      <template v-for="(piece, i) in pieces" :key="i">
        <path
          v-if="piece.what === 'ring' || piece.what === 'roller'"
          :d="path(piece.points, side)"
          :fill="fill(piece)"
        />
        <circle
          v-else-if="piece.what === 'ball'"
          :cx="x(piece.at[0])"
          :cy="y(piece.at[1], side)"
          :r="piece.radius * scale"
          fill="var(--sheet)"
        />
        <path
          v-else-if="piece.what === 'rubber' || piece.what === 'ghost'"
          :d="path(piece.points, side)"
          :class="piece.what"
        />
        <circle
          v-else-if="piece.what === 'disc' || piece.what === 'spring' || piece.what === 'outline'"
          :class="piece.what"
          :cx="x(piece.at[0])"
          :cy="y(piece.at[1], side)"
          :r="piece.radius * scale"
        />
        <line
          v-else
          :class="piece.what"
          :x1="x(piece.from[0])"
          :y1="y(piece.from[1], side)"
          :x2="x(piece.to[0])"
          :y2="y(piece.to[1], side)"
          :stroke-width="piece.what === 'cover' ? (piece.contact ? 3.4 : 2) : undefined"
        />
      </template>
    </template>
  </g>
</template>

<style scoped>
.section {
  stroke-linejoin: round;
}
.rubber,
.disc {
  fill: var(--ink);
  fill-opacity: 0.82;
}
.ghost {
  fill: var(--rule);
  fill-opacity: 0.45;
  stroke: var(--hatch);
}
.spring {
  fill: var(--sheet);
}
.outline {
  fill: none;
  stroke-dasharray: 4 3;
}
.wire {
  stroke-width: 2;
}
.line {
  stroke-width: 1;
  stroke-dasharray: 6 3 2 3;
}
</style>
