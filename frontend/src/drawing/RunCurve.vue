<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** A run: temperatures as they were read, the curve that they are predicted to follow, where it settles, the limit. */
const props = defineProps<{
  readings: { minute: number; temperature: number }[]
  curve: Schemas['CurvePoint'][]
  settles: Schemas['TemperatureBand'] | null
  ambient: number
  limit: number
  minutes: number | null
  words: string
}>()
const WIDTH = 820
const HEIGHT = 206
const LEFT = 46
const RIGHT = 92
const TOP = 14
const BOTTOM = 30
const longest = computed(() =>
  Math.max(
    props.minutes ?? 0,
    15,
    ...props.readings.map((each) => each.minute),
    ...props.curve.map((each) => each.minute),
  ),
)
const hottest = computed(
  () =>
    Math.max(props.limit, props.settles?.high ?? 0, ...props.readings.map((each) => each.temperature)) + 6,
)
const coldest = computed(() => Math.min(props.ambient, ...props.readings.map((each) => each.temperature)) - 2)
const x = (minute: number): number => LEFT + (minute / longest.value) * (WIDTH - LEFT - RIGHT)
const y = (temperature: number): number =>
  TOP + (1 - (temperature - coldest.value) / (hottest.value - coldest.value)) * (HEIGHT - TOP - BOTTOM)
const path = computed(() =>
  props.curve
    .map((each, i) => `${i ? 'L' : 'M'}${x(each.minute).toFixed(1)} ${y(each.temperature_c).toFixed(1)}`)
    .join(''),
)
const STEPS = [1, 2, 5, 10, 20, 30, 60, 120]
const every = computed(() => STEPS.find((each) => longest.value / each <= 10) ?? 240)
const marks = computed(() =>
  Array.from({ length: Math.floor(longest.value / every.value) + 1 }, (_, i) => i * every.value),
)
const end = WIDTH - RIGHT
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words">
    <line :x1="LEFT" :x2="end" :y1="HEIGHT - BOTTOM" :y2="HEIGHT - BOTTOM" class="axis" />
    <g v-for="minute in marks" :key="minute">
      <line :x1="x(minute)" :x2="x(minute)" :y1="HEIGHT - BOTTOM" :y2="HEIGHT - BOTTOM + 5" class="axis" />
      <text :x="x(minute)" :y="HEIGHT - 9" text-anchor="middle">{{ minute }}</text>
    </g>
    <text :x="end + 8" :y="HEIGHT - 9">minutes</text>
    <line :x1="LEFT" :x2="end" :y1="y(limit)" :y2="y(limit)" class="limit" />
    <text :x="end + 8" :y="y(limit) + 5" class="att">limit {{ limit }}</text>
    <template v-if="settles">
      <rect
        :x="LEFT"
        :width="end - LEFT"
        :y="y(settles.high)"
        :height="Math.max(1, y(settles.low) - y(settles.high))"
        class="band"
      />
      <text :x="end + 8" :y="y(settles.likely) + 5" class="settles">{{ Math.round(settles.likely) }} °C</text>
    </template>
    <path :d="path" class="curve" />
    <circle
      v-for="(each, i) in readings"
      :key="i"
      :cx="x(each.minute)"
      :cy="y(each.temperature)"
      r="4.6"
      class="read"
    />
    <text :x="LEFT - 6" :y="y(ambient) + 5" text-anchor="end">{{ ambient }}</text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}
.axis {
  stroke: var(--ink);
}
.limit {
  stroke: var(--attention);
  stroke-width: 1.8;
  stroke-dasharray: 9 5;
}
.band {
  fill: var(--action);
  opacity: 0.13;
}
.curve {
  fill: none;
  stroke: var(--action);
  stroke-width: 2.2;
}
.read {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  font-size: 15px;
  font-stretch: 82%;
  fill: var(--ink);
}
text.att {
  fill: var(--attention);
  font-weight: 650;
}
.settles {
  font-size: 19px;
  font-weight: 650;
  fill: var(--action);
}
</style>
