<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { signed } from './figures'

/** A seat in micrometres about its nominal: the zone, the bearing's own band, the measured points with their uncertainty. */
const props = defineProps<{
  title: string
  nominal: number
  judgement: Schemas['SeatJudgement']
  ring: string
  width: number
  height: number
}>()
const LEFT = 50
const TOP = 44
const BOTTOM = 30
const check = computed(() => props.judgement.check ?? null)
const zones = computed(() => props.judgement.zones)
const zone = computed(() =>
  check.value
    ? { name: check.value.zone, low: check.value.zone_lower_um, high: check.value.zone_upper_um }
    : { name: zones.value.chosen_zone, low: zones.value.zone_lower_um, high: zones.value.zone_upper_um },
)
/** What stands against the seat; nothing for a sleeve, a cage, a drawn cup. */
const band = computed(() => {
  const { ring_lower_um: low, ring_upper_um: high } = zones.value
  return low == null || high == null ? null : { low, high }
})
/** Where the planes stand, each a share of what the zone and the mean leave. */
const place = computed(() => {
  const from = LEFT + inner.value * 0.61
  return { from, step: (inner.value * 0.29) / Math.max(check.value?.planes.length ?? 1, 1) }
})
const points = computed(() => {
  const planes = check.value?.planes ?? []
  const { from, step } = place.value
  return planes.flatMap((plane, p) =>
    plane.readings_um.map((um, i) => ({
      um,
      x: from + step * (p + 0.5) + (i - (plane.readings_um.length - 1) / 2) * 13,
    })),
  )
})
const letters = computed(() => {
  const { from, step } = place.value
  return (check.value?.planes ?? []).map((plane, p) => ({
    x: from + step * (p + 0.5),
    um: plane.mean_um,
    text: 'ABCDEF'[p],
  }))
})
/** The seat along its length, as its planes have it: taper, barrel and waist show here. */
const profile = computed(() => letters.value.map(({ x, um }) => `${x},${y(um)}`).join(' '))
const mean = computed(() => (check.value ? (check.value.mean_mm - check.value.nominal_mm) * 1000 : null))
const inner = computed(() => props.width - LEFT - 16)
const meanX = computed(() => LEFT + inner.value * 0.955)
const expanded = computed(() => check.value?.expanded_uncertainty_um ?? 0)
const bounds = computed(() => {
  const all = [
    zone.value.low,
    zone.value.high,
    ...(band.value ? [band.value.low, band.value.high] : []),
    ...points.value.map((point) => point.um),
  ]
  return { low: Math.min(...all), high: Math.max(...all) }
})
const span = computed(() => bounds.value.high - bounds.value.low || 10)
const range = computed(() => {
  const pad = Math.max(span.value * 0.14, Math.min(expanded.value, span.value * 0.5))
  return { low: bounds.value.low - pad, high: bounds.value.high + pad }
})
const scale = computed(() => (props.height - TOP - BOTTOM) / (range.value.high - range.value.low))
function y(um: number): number {
  return TOP + (range.value.high - um) * scale.value
}
const ticks = computed(() => {
  const raw = (range.value.high - range.value.low) / 6
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500].find((each) => each >= raw) ?? 1000
  const first = Math.ceil(range.value.low / step)
  return Array.from({ length: Math.floor(range.value.high / step) - first + 1 }, (_, i) => (first + i) * step)
})
const words = computed(
  () =>
    `${props.title} seat, nominal ${props.nominal} mm: zone ${zone.value.name} from ${signed(zone.value.low)} to ${signed(zone.value.high)} micrometres, ${band.value ? `${props.ring} from ${signed(band.value.low)} to ${signed(band.value.high)}, ` : ''}${points.value.length} readings`,
)
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="words">
    <text x="14" y="28" class="title">{{ title }}</text>
    <text
      v-if="expanded"
      :x="width - 92"
      y="27"
      text-anchor="end"
      class="tick"
      :class="{ far: expanded > span / 2 }"
    >
      U = ±{{ expanded < 10 ? expanded.toFixed(1) : Math.round(expanded) }} µm
    </text>
    <text :x="width - 16" y="28" text-anchor="end" class="nominal">Ø{{ nominal }}</text>
    <g v-for="tick in ticks" :key="tick">
      <line :x1="LEFT" :x2="width - 16" :y1="y(tick)" :y2="y(tick)" :class="tick === 0 ? 'zero' : 'grid'" />
      <text :x="LEFT - 7" :y="y(tick) + 5" text-anchor="end" class="tick">{{ signed(tick) }}</text>
    </g>
    <line v-if="!ticks.includes(0)" :x1="LEFT" :x2="width - 16" :y1="y(0)" :y2="y(0)" class="zero" />
    <rect
      v-if="band"
      :x="LEFT + inner * 0.04"
      :width="inner * 0.26"
      :y="y(band.high)"
      :height="(band.high - band.low) * scale"
      class="band"
    />
    <text v-if="band" :x="LEFT + inner * 0.17" :y="y(band.low) + 17" text-anchor="middle" class="label">
      {{ ring }}
    </text>
    <rect
      :x="LEFT + inner * 0.35"
      :width="inner * 0.24"
      :y="y(zone.high)"
      :height="(zone.high - zone.low) * scale"
      class="zone"
    />
    <text :x="LEFT + inner * 0.47" :y="y(zone.high) - 8" text-anchor="middle" class="label">
      {{ zone.name }}
    </text>
    <clipPath :id="`field-${title}`">
      <rect x="0" :y="TOP - 4" :width="width" :height="height - TOP - BOTTOM + 8" />
    </clipPath>
    <g :clip-path="`url(#field-${title})`">
      <polyline v-if="letters.length > 1" :points="profile" class="profile" />
      <circle v-for="(point, i) in points" :key="i" :cx="point.x" :cy="y(point.um)" r="4" class="point" />
      <g v-if="mean !== null" class="mean">
        <line :x1="meanX" :x2="meanX" :y1="y(mean + expanded)" :y2="y(mean - expanded)" />
        <line :x1="meanX - 7" :x2="meanX + 7" :y1="y(mean + expanded)" :y2="y(mean + expanded)" />
        <line :x1="meanX - 7" :x2="meanX + 7" :y1="y(mean - expanded)" :y2="y(mean - expanded)" />
        <path :d="`M${meanX} ${y(mean) - 8}l8 8-8 8-8-8z`" />
      </g>
    </g>
    <text v-if="mean !== null" :x="meanX" :y="height - 8" text-anchor="middle" class="tick">mean</text>
    <text
      v-for="letter in letters"
      :key="letter.text"
      :x="letter.x"
      :y="height - 8"
      text-anchor="middle"
      class="tick"
    >
      {{ letter.text }}
    </text>
    <text v-if="!points.length" :x="LEFT + inner * 0.81" :y="y(0) - 12" text-anchor="middle" class="tick">
      not measured
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: hidden;
}
.title {
  font-size: 17px;
  font-weight: 680;
  fill: var(--ink);
}
.nominal {
  font-size: 24px;
  font-weight: 600;
  font-stretch: 72%;
  fill: var(--ink);
}
.grid {
  stroke: var(--rule);
}
.zero {
  stroke: var(--ink);
  stroke-width: 1.8;
}
.tick {
  font-size: 13px;
  fill: var(--faint);
}
.tick.far {
  fill: var(--attention);
}
.label {
  font-size: 14px;
  font-weight: 600;
  fill: var(--ink);
}
.zone {
  fill: url(#hatch-zone);
  stroke: var(--action);
  stroke-width: 2;
}
.band {
  fill: var(--ink);
}
.point {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.profile {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.mean line {
  stroke: var(--attention);
  stroke-width: 2;
}
.mean path {
  fill: var(--attention);
}
</style>
