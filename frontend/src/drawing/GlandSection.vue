<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** An O-ring in its groove, cut across: to scale, squeezed, with the least and the most of it as ghosts. */
const props = defineProps<{ ring: Schemas['DrawnRing']; width: number; height: number }>()
const WALL = 46
const groove = computed(() => props.ring.groove)
const turned = computed(() => groove.value.kind === 'bore')
const scale = computed(() =>
  Math.min(
    (props.width - 300) / groove.value.width_mm.nominal,
    (props.height - 2 * WALL - 60) / groove.value.depth_mm.nominal,
  ),
)
const w = computed(() => groove.value.width_mm.nominal * scale.value)
const d = computed(() => groove.value.depth_mm.nominal * scale.value)
const gap = computed(() => Math.max((groove.value.gap_mm?.nominal ?? 0) * scale.value, 1.5))
const x0 = computed(() => (props.width - w.value) / 2)
const y0 = computed(() => (props.height - d.value) / 2)
/** Squeezed to a depth a section keeps its area: as wide as it must be, until it lies against the walls. */
function squeezed(section: number, depth: number): { rx: number; ry: number } {
  const high = Math.min(section, depth)
  const wide = (section * section) / high
  return { rx: Math.min((wide * scale.value) / 2, w.value / 2 - 1), ry: (high * scale.value) / 2 }
}
const nominal = computed(() => squeezed(props.ring.section_mm.nominal, groove.value.depth_mm.nominal))
const least = computed(() => squeezed(props.ring.section_mm.min, groove.value.depth_mm.max))
const most = computed(() => squeezed(props.ring.section_mm.max, groove.value.depth_mm.min))
const free = computed(() => (props.ring.section_mm.nominal * scale.value) / 2)
/** In a bore the groove is in the upper part, on a shaft and in a face in the lower one. */
const flip = computed(() => (turned.value ? `translate(0 ${props.height}) scale(1 -1)` : ''))
const NAMES: Record<Schemas['Groove']['kind'], readonly [string, string]> = {
  shaft: ['housing bore', 'shaft or piston'],
  bore: ['rod or shaft', 'bore'],
  face: ['cover', 'face'],
  dovetail: ['cover', 'face'],
  tube_thread: ['connector', 'port'],
}
const names = computed(() => NAMES[groove.value.kind])
const fixed = (mm: number): string => mm.toFixed(2)
const words = computed(
  () =>
    `ring of ${fixed(props.ring.section_mm.nominal)} mm section in a groove ${fixed(groove.value.width_mm.nominal)} wide and ${fixed(groove.value.depth_mm.nominal)} deep to the mating surface`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="words">
    <g :transform="flip">
      <rect :x="30" :y="y0 - WALL" :width="width - 60" :height="WALL" class="mate" />
      <path
        :d="`M30 ${y0 + gap}H${x0}V${y0 + d}H${x0 + w}V${y0 + gap}H${width - 30}V${y0 + d + WALL}H30Z`"
        class="body"
      />
      <ellipse :cx="width / 2" :cy="y0 + d / 2" :rx="free" :ry="free" class="free" />
      <ellipse :cx="width / 2" :cy="y0 + d / 2" :rx="nominal.rx" :ry="nominal.ry" class="ring" />
      <ellipse :cx="width / 2" :cy="y0 + d / 2" :rx="least.rx" :ry="least.ry" class="ghost" />
      <ellipse :cx="width / 2" :cy="y0 + d / 2" :rx="most.rx" :ry="most.ry" class="ghost" />
    </g>
    <text :x="44" :y="turned ? height - y0 + 28 : y0 - 18" class="name">{{ names[0] }}</text>
    <text :x="44" :y="turned ? y0 - 18 : y0 + d + 30" class="name">{{ names[1] }}</text>
    <g class="line">
      <path :d="`M${x0 + w + 26} ${y0}V${y0 + d}M${x0 + w + 18} ${y0}h16M${x0 + w + 18} ${y0 + d}h16`" />
      <text :x="x0 + w + 40" :y="y0 + d / 2 + 6">{{ fixed(groove.depth_mm.nominal) }}</text>
    </g>
    <g class="line" :transform="turned ? `translate(0 ${-d - 58})` : ''">
      <path :d="`M${x0} ${y0 + d + 28}H${x0 + w}M${x0} ${y0 + d + 20}v16M${x0 + w} ${y0 + d + 20}v16`" />
      <text :x="x0 + w / 2" :y="y0 + d + 22" text-anchor="middle">{{ fixed(groove.width_mm.nominal) }}</text>
    </g>
    <text :x="width / 2" :y="y0 + d / 2 + 7" text-anchor="middle" class="section">
      {{ fixed(ring.section_mm.nominal) }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
  display: block;
}
.mate {
  fill: url(#hatch-inner);
  stroke: var(--ink);
  stroke-width: 2;
}
.body {
  fill: url(#hatch-outer);
  stroke: var(--ink);
  stroke-width: 2;
}
.ring {
  fill: var(--ink);
  fill-opacity: 0.86;
}
.free {
  fill: none;
  stroke: var(--faint);
  stroke-dasharray: 3 4;
}
.ghost {
  fill: none;
  stroke: var(--attention);
  stroke-width: 1.6;
  stroke-dasharray: 7 4;
}
.name {
  font-size: 14px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5;
}
.line path {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.line text {
  font-size: 19px;
  font-weight: 600;
  font-stretch: 75%;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 6;
}
.section {
  font-size: 21px;
  font-weight: 600;
  font-stretch: 75%;
  fill: var(--sheet);
}
</style>
