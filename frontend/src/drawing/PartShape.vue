<script setup lang="ts">
import { computed } from 'vue'
import type { Slot } from './lineLayout'

/** One part of a line in section, above and below the axis; drawn for its telling side at the left. */
const props = defineProps<{ place: Slot; axis: number }>()
const s = computed(() => props.place)
const x = computed(() => s.value.shapeX)
const w = computed(() => s.value.shapeWidth)
const h = computed(() => Math.max(2, s.value.outer - s.value.inner))
const flip = computed(() =>
  s.value.side === 'right' ? `translate(${2 * x.value + w.value} 0) scale(-1 1)` : undefined,
)
/** y of a share of the wall, 0 at the inside and 1 at the outside, above the axis. */
const y = (share: number): number => props.axis - s.value.inner - h.value * share
const ball = computed(() => Math.min(w.value * 0.3, h.value * 0.29))
const hatch = computed(() =>
  ['housing', 'cover', 'tube'].includes(s.value.drawn) ? 'url(#hatch-inner)' : 'url(#hatch-outer)',
)
/** A wavy line across the end of what is broken off. */
const torn = computed(() => {
  const n = Math.max(2, Math.round(w.value / 9) * 2)
  const points = Array.from(
    { length: n + 1 },
    (_, i) => `${x.value + (w.value * i) / n} ${y(1) + (i % 2 ? 4 : -1)}`,
  )
  return `M${points.join('L')}`
})
const mirrored = computed(() => `translate(0 ${2 * props.axis}) scale(1 -1)`)
const box = (x0: number, x1: number, low: number, high: number): string =>
  `M${x.value + w.value * x0} ${y(low)}H${x.value + w.value * x1}V${y(high)}H${x.value + w.value * x0}Z`
const quad = (points: [number, number][]): string =>
  `M${points.map(([px, py]) => `${x.value + w.value * px} ${y(py)}`).join('L')}Z`
const zigzag = (from: number, to: number): string => {
  const n = 6
  const steps = Array.from({ length: n + 1 }, (_, i) => [from + ((to - from) * i) / n, i % 2 ? 0.8 : 0.2])
  return `M${steps.map(([px, py]) => `${x.value + w.value * (px as number)} ${y(py as number)}`).join('L')}`
}
</script>

<template>
  <g class="part" :class="{ guess: !s.known }" :transform="flip">
    <g v-for="half in 2" :key="half" :transform="half === 2 ? mirrored : undefined">
      <template v-if="s.drawn === 'shaft'" />
      <template v-else-if="s.drawn === 'ball'">
        <path :d="box(0, 1, 0, 0.3)" fill="url(#hatch-inner)" />
        <path :d="box(0, 1, 0.7, 1)" fill="url(#hatch-outer)" />
        <circle :cx="x + w / 2" :cy="y(0.5)" :r="ball" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'roller'">
        <path :d="box(0, 1, 0, 0.28)" fill="url(#hatch-inner)" />
        <path :d="box(0, 1, 0.72, 1)" fill="url(#hatch-outer)" />
        <path :d="box(0.2, 0.8, 0.28, 0.72)" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'needle'">
        <path :d="box(0, 1, 0.7, 1)" fill="url(#hatch-outer)" />
        <path :d="box(0.1, 0.9, 0.05, 0.7)" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'thrust'">
        <path :d="box(0, 0.3, 0, 1)" fill="url(#hatch-outer)" />
        <path :d="box(0.7, 1, 0, 1)" fill="url(#hatch-inner)" />
        <circle :cx="x + w / 2" :cy="y(0.5)" :r="Math.min(w * 0.2, h * 0.3)" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'taper' || s.drawn === 'cup' || s.drawn === 'cone'">
        <path
          v-if="s.drawn !== 'cup'"
          :d="
            quad([
              [0, 0],
              [1, 0],
              [1, 0.24],
              [0, 0.46],
            ])
          "
          fill="url(#hatch-inner)"
        />
        <path
          v-if="s.drawn !== 'cup'"
          :d="
            quad([
              [0.08, 0.46],
              [0.92, 0.28],
              [0.92, 0.62],
              [0.08, 0.84],
            ])
          "
          fill="var(--sheet)"
        />
        <path
          v-if="s.drawn !== 'cone'"
          :d="
            quad([
              [0.06, s.drawn === 'cup' ? 0.62 : 0.88],
              [1, s.drawn === 'cup' ? 0.12 : 0.64],
              [1, 1],
              [0.06, 1],
            ])
          "
          fill="url(#hatch-outer)"
        />
      </template>
      <template v-else-if="s.drawn === 'lip_seal'">
        <path :d="box(0.02, 0.98, 0.82, 1)" class="dark" />
        <path :d="box(0.74, 0.98, 0.34, 1)" class="dark" />
        <path
          :d="
            quad([
              [0.98, 0.34],
              [0.74, 0.56],
              [0.1, 0.3],
              [0.42, 0.02],
            ])
          "
          class="dark"
        />
        <circle :cx="x + w * 0.26" :cy="y(0.36)" :r="Math.max(1.6, h * 0.09)" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'o_ring'">
        <ellipse :cx="x + w / 2" :cy="y(0.5)" :rx="Math.max(2.4, w / 2)" :ry="h / 2" class="dark" />
      </template>
      <template v-else-if="s.drawn === 'u_cup' || s.drawn === 'wiper' || s.drawn === 'piston_seal'">
        <path
          :d="
            quad([
              [1, 0],
              [1, 1],
              [0, 1],
              [0.1, 0.78],
              [0.55, 0.5],
              [0.1, 0.22],
              [0, 0],
            ])
          "
          class="dark"
        />
      </template>
      <template v-else-if="s.drawn === 'face_seal'">
        <path :d="box(0.62, 1, 0.1, 1)" fill="url(#hatch-outer)" />
        <path :d="box(0.44, 0.6, 0.2, 0.8)" class="dark" />
        <path :d="zigzag(0.02, 0.44)" class="wire" />
      </template>
      <template v-else-if="s.drawn === 'gear'">
        <path :d="box(0, 1, 0, 1)" fill="url(#hatch-outer)" />
        <path :d="box(0.04, 0.96, 0.9, 1)" fill="var(--sheet)" />
      </template>
      <template v-else-if="s.drawn === 'thin'">
        <path :d="box(0, 1, 0, 1)" class="dark" />
      </template>
      <template v-else-if="s.drawn === 'circlip'">
        <path
          :d="`M${x + w} ${y(0)}H${x + w * 0.5}Q${x} ${y(0)} ${x} ${y(0.3)}V${y(0.7)}Q${x} ${y(1)} ${x + w * 0.5} ${y(1)}H${x + w}Z`"
          class="dark"
        />
      </template>
      <template v-else-if="s.drawn === 'nut'">
        <path
          :d="
            quad([
              [0, 0],
              [1, 0],
              [1, 1],
              [0.25, 1],
              [0, 0.75],
            ])
          "
          fill="url(#hatch-outer)"
        />
      </template>
      <template v-else-if="s.drawn === 'key'">
        <path v-if="half === 1" :d="box(0, 1, 0, 1)" class="dark" />
      </template>
      <template v-else-if="s.drawn === 'screw'">
        <path
          v-if="half === 1"
          :d="`M${x} ${axis - h * 1.6}h${w * 0.25}v${h * 3.2}h${-w * 0.25}z`"
          class="dark"
        />
        <path
          v-if="half === 1"
          :d="`M${x + w * 0.25} ${axis - h * 0.8}H${x + w}V${axis + h * 0.8}H${x + w * 0.25}Z`"
          fill="url(#hatch-outer)"
        />
      </template>
      <template v-else-if="s.drawn === 'spring'">
        <path :d="zigzag(0, 1)" class="wire" />
      </template>
      <template v-else-if="s.drawn === 'wire'">
        <path v-if="half === 1" :d="`M${x} ${axis}q${w * 0.25} -14 ${w * 0.5} 0t${w * 0.5} 0`" class="wire" />
      </template>
      <template v-else>
        <path :d="box(0, 1, 0, 1)" :fill="hatch" />
      </template>
      <path v-if="s.broken" :d="torn" class="torn" />
    </g>
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
.dark {
  fill: var(--ink);
  fill-opacity: 0.86;
}
.torn {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 4;
  stroke-linejoin: round;
}
.wire {
  fill: none;
  stroke-width: 2;
}
</style>
