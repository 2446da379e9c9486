<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dayOf, levels, ticks } from './timeAxis'

/** Readings over the years with the fitted line and its band, the two limits, the dates that follow, and the jobs. */
const props = defineProps<{
  series: Schemas['Series'] | null
  today: string
  jobs: Schemas['UnitJob'][]
  chosen?: string | null
  words: string
}>()
const emit = defineEmits<{ pick: [key: string] }>()
const WIDTH = 836
const HEIGHT = 496
const LEFT = 58
const RIGHT = 22
const TOP = 92
const BOTTOM = 86
const LEAST_DAYS = 240
const LONGEST_AHEAD = 365 * 6

const points = computed(() => props.series?.points ?? [])
const trend = computed(() => props.series?.trend ?? null)
const now = computed(() => dayOf(props.today))
const flags = computed(() => {
  const forecast = trend.value?.forecast
  if (!forecast || trend.value?.confidence === 'steady') return []
  return (
    [
      ['plan', forecast.plan_on],
      ['order by', forecast.order_by],
      ['limit', forecast.limit_on],
    ] as const
  ).flatMap(([words, band]) => (band.likely ? [{ words, day: dayOf(band.likely), band }] : []))
})
const span = computed(() => {
  const days = [
    ...points.value.map((each) => dayOf(each.on)),
    ...props.jobs.map((each) => dayOf(each.opened_on)),
  ]
  const first = Math.min(now.value - LEAST_DAYS, ...days)
  const ahead = flags.value.map((each) => each.day).filter((day) => day < now.value + LONGEST_AHEAD)
  const last = Math.max(now.value + LEAST_DAYS / 3, ...ahead)
  const room = (last - first) * 0.05
  return { from: first - room / 2, to: last + room }
})
const x = (day: number): number =>
  LEFT + ((day - span.value.from) / (span.value.to - span.value.from)) * (WIDTH - LEFT - RIGHT)
const largest = computed(() =>
  Math.max(
    1e-6,
    ...points.value.map((each) => each.value),
    ...(trend.value ? [trend.value.early, trend.value.limit] : []),
  ),
)
const y = (value: number): number =>
  HEIGHT - BOTTOM - (Math.max(value, 0) / (largest.value * 1.08)) * (HEIGHT - TOP - BOTTOM)
const marks = computed(() => ticks(span.value.from, span.value.to))
const heights = computed(() => levels(largest.value * 1.05))
const shown = computed(() =>
  (trend.value?.line ?? [])
    .map((each) => ({ ...each, day: dayOf(each.on) }))
    .filter((each) => each.day <= span.value.to),
)
const line = computed(() => path(shown.value.map((each) => [each.day, each.likely])))
const band = computed(() =>
  shown.value.length
    ? `${path([
        ...shown.value.map((each) => [each.day, each.high] as [number, number]),
        ...[...shown.value].reverse().map((each) => [each.day, each.low] as [number, number]),
      ])}Z`
    : '',
)
function path(places: [number, number][]): string {
  if (!places.length) return ''
  const roof = largest.value * 1.08
  return `M${places.map(([day, value]) => `${x(day).toFixed(1)} ${y(Math.min(value, roof)).toFixed(1)}`).join('L')}`
}
/** Flags that would run into each other stand one above the other. */
const flagged = computed(() => {
  const ends = [-1000, -1000, -1000]
  return [...flags.value]
    .filter((each) => each.day >= span.value.from && each.day <= span.value.to)
    .sort((a, b) => a.day - b.day)
    .map((each) => {
      const at = x(each.day)
      const wide = each.words.length * 7.6 + 14
      const left = at + wide > WIDTH - 4
      const begins = left ? at - wide : at
      const level = Math.max(
        0,
        ends.findIndex((end) => begins - 6 > end),
      )
      ends[level] = begins + wide
      return { ...each, at, level, wide, left, begins }
    })
})
function flagPath(flag: { at: number; level: number; wide: number; left: boolean }): string {
  const [way, top] = [flag.left ? -1 : 1, 10 + flag.level * 20]
  return `M${flag.at} ${top}h${way * flag.wide}l${-way * 6} 8l${way * 6} 8h${-way * flag.wide}z`
}
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" :width="WIDTH" :height="HEIGHT" role="img" :aria-label="words">
    <g v-for="value in heights" :key="`h${value}`">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(value)" :y2="y(value)" class="grid" />
      <text :x="LEFT - 8" :y="y(value) + 5" text-anchor="end" class="tick">{{ value }}</text>
    </g>
    <text :x="LEFT - 8" :y="TOP - 22" text-anchor="end" class="unit">{{ series?.unit }}</text>
    <g v-for="tick in marks" :key="`t${tick.day}`">
      <line
        :x1="x(tick.day)"
        :x2="x(tick.day)"
        :y1="HEIGHT - BOTTOM"
        :y2="HEIGHT - BOTTOM + 6"
        class="rule"
      />
      <text
        :x="x(tick.day)"
        :y="HEIGHT - BOTTOM + 22"
        text-anchor="middle"
        class="tick"
        :class="{ year: tick.year }"
      >
        {{ tick.words }}
      </text>
    </g>
    <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="HEIGHT - BOTTOM" :y2="HEIGHT - BOTTOM" class="rule" />
    <path v-if="band" :d="band" class="band" />
    <path v-if="line" :d="line" class="line" />
    <template v-if="trend">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(trend.early)" :y2="y(trend.early)" class="early" />
      <text :x="LEFT + 6" :y="y(trend.early) - 6" class="early-words">
        plan at {{ Number(trend.early.toPrecision(3)) }}
      </text>
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(trend.limit)" :y2="y(trend.limit)" class="limit" />
      <text :x="LEFT + 6" :y="y(trend.limit) - 6" class="limit-words">limit {{ trend.limit }}</text>
    </template>
    <g v-if="trend?.changed_on" class="changed">
      <line
        :x1="x(dayOf(trend.changed_on))"
        :x2="x(dayOf(trend.changed_on))"
        :y1="TOP"
        :y2="HEIGHT - BOTTOM"
      />
      <text :x="x(dayOf(trend.changed_on)) + 5" :y="TOP + 12">changed here</text>
    </g>
    <g class="now">
      <line :x1="x(now)" :x2="x(now)" :y1="TOP - 8" :y2="HEIGHT - BOTTOM" />
      <text :x="x(now)" :y="TOP - 14" text-anchor="middle">today</text>
    </g>
    <circle
      v-for="point in points"
      :key="point.key"
      :cx="x(dayOf(point.on))"
      :cy="y(point.value)"
      :r="point.key === chosen ? 8 : 5"
      class="point"
      :class="{ chosen: point.key === chosen }"
      @click="emit('pick', point.key)"
    />
    <g v-for="flag in flagged" :key="flag.words" class="flag" :class="{ stop: flag.words === 'limit' }">
      <line :x1="flag.at" :x2="flag.at" :y1="22 + flag.level * 20" :y2="HEIGHT - BOTTOM" />
      <path :d="flagPath(flag)" />
      <text :x="flag.begins + (flag.left ? 10 : 6)" :y="23 + flag.level * 20">{{ flag.words }}</text>
    </g>
    <g v-for="job in jobs" :key="job.number" class="job">
      <path :d="`M${x(dayOf(job.opened_on))} ${HEIGHT - BOTTOM + 34}l7 11h-14z`" />
      <text
        :x="Math.min(Math.max(x(dayOf(job.opened_on)), LEFT + 20), WIDTH - 60)"
        :y="HEIGHT - BOTTOM + 62"
        text-anchor="middle"
      >
        {{ job.number }}
      </text>
      <title>{{ job.title }}: {{ job.fitted.join('; ') || job.symptom }}</title>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  max-width: 100%;
  height: auto;
}
.grid {
  stroke: var(--rule);
}
.rule {
  stroke: var(--ink);
}
.tick,
.unit {
  font-size: 13px;
  fill: var(--faint);
}
.year {
  fill: var(--ink);
  font-weight: 650;
}
.band {
  fill: var(--hatch);
  fill-opacity: 0.26;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
}
.point {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
  cursor: pointer;
}
.point.chosen {
  fill: var(--action);
  stroke: var(--action);
}
.early {
  stroke: var(--unsure);
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}
.early-words {
  fill: var(--unsure);
  font-size: 13px;
  font-weight: 600;
}
.limit {
  stroke: var(--stop);
  stroke-width: 1.8;
}
.limit-words {
  fill: var(--stop);
  font-size: 13px;
  font-weight: 600;
}
.now line {
  stroke: var(--faint);
  stroke-dasharray: 2 4;
}
.now text {
  font-size: 13px;
  fill: var(--faint);
}
.changed line {
  stroke: var(--unsure);
  stroke-dasharray: 3 4;
}
.changed text {
  font-size: 13px;
  fill: var(--unsure);
}
.flag line {
  stroke: var(--action);
  stroke-width: 1.6;
}
.flag path {
  fill: var(--action);
}
.flag text {
  fill: var(--on-action);
  font-size: 13px;
  font-weight: 650;
}
.flag.stop line {
  stroke: var(--stop);
}
.flag.stop path {
  fill: var(--stop);
}
.flag.stop text {
  fill: var(--sheet);
}
.job path {
  fill: var(--ink);
}
.job text {
  font-size: 14px;
  font-weight: 650;
  font-stretch: 80%;
  fill: var(--ink);
}
</style>
