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
  const room = w.value / 2 + under.value * 0.2
  return { rx: Math.min((wide * scale.value) / 2, room - 1), ry: (high * scale.value) / 2 }
}
const nominal = computed(() => squeezed(props.ring.section_mm.nominal, groove.value.depth_mm.nominal))
const least = computed(() => squeezed(props.ring.section_mm.min, groove.value.depth_mm.max))
const most = computed(() => squeezed(props.ring.section_mm.max, groove.value.depth_mm.min))
/** In the triangle under a connector a ring lies against three sides, in any other groove against floor and mate. */
const triangle = computed(() => groove.value.kind === 'tube_thread')
const inCircle = computed(() => (props.ring.across_mm * scale.value) / 2)
const ringAt = computed(() =>
  triangle.value
    ? { x: x0.value + inCircle.value, y: y0.value + inCircle.value }
    : { x: props.width / 2, y: y0.value + d.value / 2 },
)
/** How far the floor of a dovetail reaches under each edge. */
const under = computed(() => props.ring.under_mm * scale.value)
const side = computed(() => x0.value + w.value + under.value)
const foot = computed(() => y0.value + d.value + WALL)
const body = computed(() => {
  const [left, right, top, floor] = [x0.value, x0.value + w.value, y0.value + gap.value, y0.value + d.value]
  const edge = props.width - 30
  return triangle.value
    ? `M${left} ${floor}L${right} ${y0.value}H${edge}V${foot.value}H${left}Z`
    : `M30 ${top}H${left}L${left - under.value} ${floor}H${right + under.value}L${right} ${top}H${edge}V${foot.value}H30Z`
})
const mate = computed(() => {
  const [top, edge] = [y0.value - WALL, props.width - 30]
  return triangle.value
    ? `M30 ${top}H${edge}V${y0.value}H${x0.value}V${foot.value}H30Z`
    : `M30 ${top}H${edge}V${y0.value}H30Z`
})
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
      <path :d="mate" class="mate" />
      <path :d="body" class="body" />
      <ellipse :cx="ringAt.x" :cy="ringAt.y" :rx="free" :ry="free" class="free" />
      <circle v-if="triangle" :cx="ringAt.x" :cy="ringAt.y" :r="inCircle" class="ring" />
      <template v-else>
        <ellipse :cx="ringAt.x" :cy="ringAt.y" :rx="nominal.rx" :ry="nominal.ry" class="ring" />
        <ellipse :cx="ringAt.x" :cy="ringAt.y" :rx="least.rx" :ry="least.ry" class="ghost" />
        <ellipse :cx="ringAt.x" :cy="ringAt.y" :rx="most.rx" :ry="most.ry" class="ghost" />
      </template>
    </g>
    <text :x="44" :y="turned ? height - y0 + 28 : y0 - 18" class="name">{{ names[0] }}</text>
    <text :x="44" :y="turned ? y0 - 18 : y0 + d + 30" class="name">{{ names[1] }}</text>
    <g class="line">
      <path :d="`M${side + 26} ${y0}V${y0 + d}M${side + 18} ${y0}h16M${side + 18} ${y0 + d}h16`" />
      <text :x="side + 40" :y="y0 + d / 2 + 6">{{ fixed(groove.depth_mm.nominal) }}</text>
    </g>
    <g class="line" :transform="turned || under ? `translate(0 ${-d - 58})` : ''">
      <path :d="`M${x0} ${y0 + d + 28}H${x0 + w}M${x0} ${y0 + d + 20}v16M${x0 + w} ${y0 + d + 20}v16`" />
      <text :x="x0 + w / 2" :y="y0 + d + 22" text-anchor="middle">{{ fixed(groove.width_mm.nominal) }}</text>
    </g>
    <text :x="ringAt.x" :y="(turned ? height - ringAt.y : ringAt.y) + 7" text-anchor="middle" class="section">
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
