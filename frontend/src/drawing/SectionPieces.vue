<script setup lang="ts">
import type { Piece, Point } from './geometry'

/** The pieces of a section in ink, on one side of the axis (-1 above it, 1 below). */
const props = defineProps<{ pieces: Piece[]; scale: number; middle: number; axis: number; side: number }>()
const x = (mm: number): number => props.middle + mm * props.scale
const y = (mm: number): number => props.axis + props.side * mm * props.scale
const path = (points: readonly Point[]): string =>
  `M${points.map(([px, r]) => `${x(px).toFixed(2)} ${y(r).toFixed(2)}`).join('L')}Z`
const fill = (piece: Piece): string =>
  piece.what === 'ring' ? `url(#hatch-${piece.outer ? 'outer' : 'inner'})` : 'var(--sheet)'
</script>

<template>
  <g class="section">
    <template v-for="(piece, i) in pieces" :key="i">
      <path
        v-if="piece.what === 'ring' || piece.what === 'roller'"
        :d="path(piece.points)"
        :fill="fill(piece)"
      />
      <circle
        v-else-if="piece.what === 'ball'"
        :cx="x(piece.at[0])"
        :cy="y(piece.at[1])"
        :r="piece.radius * scale"
        fill="var(--sheet)"
      />
      <path
        v-else-if="piece.what === 'rubber' || piece.what === 'ghost'"
        :d="path(piece.points)"
        :class="piece.what"
      />
      <circle
        v-else-if="piece.what === 'disc' || piece.what === 'spring' || piece.what === 'outline'"
        :class="piece.what"
        :cx="x(piece.at[0])"
        :cy="y(piece.at[1])"
        :r="piece.radius * scale"
      />
      <line
        v-else
        :class="piece.what"
        :x1="x(piece.from[0])"
        :y1="y(piece.from[1])"
        :x2="x(piece.to[0])"
        :y2="y(piece.to[1])"
        :stroke-width="piece.what === 'cover' ? (piece.contact ? 3.4 : 2) : undefined"
      />
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
