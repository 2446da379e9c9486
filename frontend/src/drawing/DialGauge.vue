<script setup lang="ts">
import { computed } from 'vue'

/** A dial with its target band, needle and the uncertainty of the reading; the scale reaches past the band on both sides. */
const props = defineProps<{
  least: number | null
  most: number | null
  value: number | null
  uncertainty: number | null
  unit: string
  words: string
  wrong: boolean
}>()
const WIDTH = 190
const RADIUS = 78
const HALF_SWEEP = 66
const BEYOND = 1.1
const middle = { x: WIDTH / 2, y: 92 }
const range = computed(() => {
  const ends = [props.least, props.most].filter((each): each is number => each !== null)
  const least = ends.length ? Math.min(...ends) : (props.value ?? 0)
  const most = ends.length ? Math.max(...ends) : (props.value ?? 1)
  const half = Math.max((most - least) / 2, Math.abs(most) * 0.1, 1e-6)
  const centre = (least + most) / 2
  const reach = half * (1 + BEYOND)
  return { from: centre - reach, to: centre + reach }
})
function at(value: number, radius: number): { x: number; y: number } {
  const share = (value - range.value.from) / (range.value.to - range.value.from)
  const angle = ((-HALF_SWEEP + 2 * HALF_SWEEP * Math.min(1.04, Math.max(-0.04, share))) * Math.PI) / 180
  return { x: middle.x + radius * Math.sin(angle), y: middle.y - radius * Math.cos(angle) }
}
function arc(from: number, to: number, radius: number): string {
  const [a, b] = [at(from, radius), at(to, radius)]
  return `M${a.x.toFixed(1)} ${a.y.toFixed(1)}A${radius} ${radius} 0 0 1 ${b.x.toFixed(1)} ${b.y.toFixed(1)}`
}
const scale = computed(() => arc(range.value.from, range.value.to, RADIUS))
const band = computed(() =>
  props.least === null && props.most === null
    ? ''
    : arc(props.least ?? range.value.from, props.most ?? range.value.to, RADIUS - 6),
)
const spreadArc = computed(() =>
  props.value !== null && props.uncertainty
    ? arc(props.value - props.uncertainty, props.value + props.uncertainty, RADIUS - 20)
    : '',
)
const needle = computed(() => (props.value === null ? null : at(props.value, RADIUS - 2)))
const ticks = computed(() =>
  [props.least, props.most]
    .filter((each): each is number => each !== null)
    .map((value) => ({ value, ...at(value, RADIUS + 9), anchor: value === props.least ? 'end' : 'start' })),
)
const said = (value: number): string => String(Number(value.toPrecision(4)))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 104`" :width="WIDTH" height="104" role="img" :aria-label="words">
    <path :d="scale" class="scale" />
    <path v-if="band" :d="band" class="band" />
    <path v-if="spreadArc" :d="spreadArc" class="unsure" />
    <line
      v-if="needle"
      :x1="middle.x"
      :y1="middle.y"
      :x2="needle.x"
      :y2="needle.y"
      class="needle"
      :class="{ wrong }"
    />
    <circle :cx="middle.x" :cy="middle.y" r="4.5" class="hub" />
    <text
      v-for="tick in ticks"
      :key="`${tick.anchor}${tick.value}`"
      :x="tick.x"
      :y="tick.y"
      :text-anchor="tick.anchor"
    >
      {{ said(tick.value) }}
    </text>
  </svg>
</template>

<style scoped>
path {
  fill: none;
}
.scale {
  stroke: var(--faint);
  stroke-width: 1.4;
}
.band {
  stroke: var(--good);
  stroke-width: 11;
  opacity: 0.5;
}
.unsure {
  stroke: var(--ink);
  stroke-width: 4;
  opacity: 0.35;
}
.needle {
  stroke: var(--ink);
  stroke-width: 2.6;
}
.needle.wrong {
  stroke: var(--attention);
}
.hub {
  fill: var(--ink);
}
text {
  font-size: 14px;
  font-stretch: 80%;
  fill: var(--ink);
}
</style>
