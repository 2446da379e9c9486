<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import PartShape from './PartShape.vue'
import { markOf } from './standing'
import VerdictMark from './VerdictMark.vue'
import { bodyPath, layLine, type DrawnKind, type LaidPart, type Slot } from './lineLayout'

type Part = Schemas['LinePart']
/** A line in section from data: parts to one scale, flags, ties, verdicts. Screen and paper use the same. */
const props = defineProps<{
  parts: Part[]
  kinds: Map<string, DrawnKind>
  width: number
  height: number
  name: string
  selected?: string | null
  facing?: Record<string, { left: string; right: string }>
  verdicts?: Record<string, string>
  wrong?: Set<string>
  ties?: Schemas['Tie'][]
  ends?: { left: string; inside: string; right: string }
  marks?: { part: string; x: number; y: number; label: string }[]
  first?: number
  /** While it is put together: what is in, what comes next and from where, with what it is driven; the rest stands back. */
  standing?: Record<string, 'in' | 'next' | 'later'>
  arrow?: { key: string; to: 1 | -1; driver: Schemas['Driver'] | null }
  label: (part: Part | undefined) => string
}>()
const emit = defineEmits<{
  pick: [key: string, place: { x: number; y: number }]
  grab: [key: string, event: PointerEvent]
}>()

const LEFT = 64
/** Room for ties and flags above the parts, for marks and numbers below. */
const ABOVE = computed(() => (props.ties?.length || props.verdicts ? 96 : 74))
const BELOW = computed(() => (props.verdicts ? 66 : 40))
const laid = computed<LaidPart[]>(() =>
  props.parts.map((part) => ({
    key: part.key,
    kind: part.kind,
    inside_mm: part.inside?.mm ?? null,
    outside_mm: part.outside?.mm ?? null,
    width_mm: part.width?.mm ?? null,
    left_mark: part.left?.mark ?? 'flat',
    right_mark: part.right?.mark ?? 'flat',
  })),
)
const layout = computed(() =>
  layLine(laid.value, props.kinds, {
    width: props.width - 2 * LEFT,
    height: props.height - ABOVE.value - BELOW.value,
    slot: 19,
    scroll: true,
  }),
)
const full = computed(() => Math.max(props.width, layout.value.width + 2 * LEFT))
const shift = computed(() => Math.max(LEFT, (full.value - layout.value.width) / 2))
const axis = computed(() => ABOVE.value + (props.height - ABOVE.value - BELOW.value) / 2)
const foot = computed(() => props.height - 34)
/** Each part with all that its drawing depends on in one word: what has not changed is not drawn again. */
const rows = computed(() =>
  layout.value.slots.map((slot, i) => {
    const part = byKey.value.get(slot.key)
    const states = [
      slot.key === props.selected,
      props.wrong?.has(slot.key),
      props.verdicts?.[slot.key],
      props.standing?.[slot.key],
    ]
    const places = Object.values(slot).map((each) => (typeof each === 'number' ? each.toFixed(2) : each))
    return {
      slot,
      i,
      sign: [i + (props.first ?? 1), props.height, part?.name, ...states, ...places].join('|'),
    }
  }),
)
const byKey = computed(() => new Map(props.parts.map((part) => [part.key, part])))
const body = computed(() => bodyPath(layout.value.slots, axis.value))
interface Flag {
  key: string
  x: number
  y: number
  to: number
  words: string
  wrong: boolean
}
/** So that the third flag over another stays within the drawing. */
const FLAG_STEP = 20
/** Flags of faces that tell the way round; where they would run into each other, one stands higher. */
const flags = computed<Flag[]>(() => {
  const found: Flag[] = []
  const free = [-1000, -1000, -1000]
  for (const slot of layout.value.slots) {
    const part = byKey.value.get(slot.key)
    if (!part || !slot.side) continue
    const wrong = props.wrong?.has(slot.key) ?? false
    const mark = part[slot.side]?.mark ?? ''
    const to = props.facing?.[slot.key]?.[slot.side]?.replace('_', ' ')
    const words = to ? `${mark} to ${to}` : mark.replace('_', ' ')
    const x = slot.x + slot.width / 2
    const half = words.length * 3.5
    const level = free.findIndex((until) => x - half > until)
    if (level < 0) {
      if (!wrong && slot.key !== props.selected) continue
    } else free[level] = x + half + 8
    const near = layout.value.slots.filter((each) => Math.abs(each.x + each.width / 2 - x) < half + 40)
    const height = Math.max(slot.outer, ...near.filter((each) => !each.broken).map((each) => each.outer))
    const y = level > 0 ? ABOVE.value - 12 - level * FLAG_STEP : axis.value - height - 12
    found.push({ key: slot.key, x, y, to: slot.side === 'left' ? -1 : 1, words, wrong })
  }
  return found
})
const brackets = computed(() =>
  (props.ties ?? []).flatMap((tie) => {
    const own = layout.value.slots.filter((slot) => tie.parts.includes(slot.key))
    const [a, b] = [own[0], own.at(-1)]
    if (!a || !b) return []
    const size = tie.thickness?.typed ? ` ${tie.thickness.typed}` : ''
    return [{ key: tie.key, x1: a.x, x2: b.x + b.width, words: `${tie.words || 'stays together'}${size}` }]
  }),
)
const TUBE = 52
const GAP = 10
/** The next part's way in: an arrow, and the tube that drives it, cut through above and below the axis. */
const way = computed(() => {
  const slot = layout.value.slots.find((each) => each.key === props.arrow?.key)
  if (!props.arrow || !slot) return null
  const { to, driver } = props.arrow
  const edge = to > 0 ? slot.x - GAP : slot.x + slot.width + GAP
  const outside = byKey.value.get(slot.key)?.outside?.mm ?? null
  const perMm = outside ? slot.outer / (outside / 2) : 0
  const third = (slot.outer - slot.inner) / 3
  const [from, until] =
    driver?.ring === 'outer' ? [slot.outer - third, slot.outer] : [slot.inner, slot.inner + third]
  const low = driver?.inside_over_mm && perMm ? (driver.inside_over_mm / 2) * perMm : from
  const high = driver?.outside_under_mm && perMm ? (driver.outside_under_mm / 2) * perMm : until
  const start = to > 0 ? edge - TUBE : edge
  return {
    tubes: driver ? [axis.value - high, axis.value + low].map((y) => ({ x: start, y })) : [],
    thick: Math.max(3, high - low),
    arrow: `M${edge - to * (TUBE + 34)} ${axis.value}h${to * 26}m${-to * 9} -6l${to * 9} 6l${-to * 9} 6`,
  }
})
const endOf = computed(() => layout.value.width + 10)
/** Where in a part's slot a click fell, as shares of its width and of the drawing's height. */
function placeIn(slot: Slot, event: MouseEvent): { x: number; y: number } {
  const frame = (event.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect()
  if (!frame) return { x: 0.5, y: 0.5 }
  const x = (event.clientX - frame.left - shift.value - slot.x) / slot.width
  const clamp = (value: number): number => Math.min(1, Math.max(0, value))
  return { x: clamp(x), y: clamp((event.clientY - frame.top) / props.height) }
}
const placed = computed(() =>
  (props.marks ?? []).flatMap((mark) => {
    const slot = layout.value.slots.find((each) => each.key === mark.part)
    return slot ? [{ ...mark, cx: slot.x + mark.x * slot.width, cy: mark.y * props.height }] : []
  }),
)
function numbered(slot: Slot): boolean {
  return slot.width >= 12
}
function verdictMark(key: string): string {
  return markOf(props.verdicts?.[key] ?? 'open')
}
</script>

<template>
  <svg
    :width="full"
    :height="height"
    :viewBox="`0 0 ${full} ${height}`"
    role="listbox"
    tabindex="0"
    :aria-label="name"
    :aria-activedescendant="rows.some((row) => row.slot.key === selected) ? `part-${selected}` : undefined"
  >
    <g :transform="`translate(${shift} 0)`">
      <path :d="body" class="body" />
      <path :d="body" class="body" :transform="`translate(0 ${2 * axis}) scale(1 -1)`" />
      <g
        v-for="{ slot, i, sign } in rows"
        :id="`part-${slot.key}`"
        :key="slot.key"
        v-memo="[sign]"
        role="option"
        :aria-selected="slot.key === selected"
        :aria-label="`${i + (first ?? 1)} ${label(byKey.get(slot.key))}`"
        class="pick"
        :class="{ later: standing?.[slot.key] === 'later' }"
        @click="emit('pick', slot.key, placeIn(slot, $event))"
        @pointerdown="emit('grab', slot.key, $event)"
      >
        <rect :x="slot.x" y="30" :width="slot.width" :height="height - 34" fill="transparent" />
        <PartShape :place="slot" :axis="axis" />
        <line
          :x1="slot.x + slot.width / 2"
          :x2="slot.x + slot.width / 2"
          :y1="axis + Math.max(slot.outer, slot.body) + 5"
          :y2="foot - 12"
          class="drop"
        />
        <g v-if="verdicts" :transform="`translate(${slot.x + slot.width / 2 - 7} ${foot - 9})`">
          <VerdictMark :state="verdictMark(slot.key)" silent />
        </g>
        <text
          v-if="numbered(slot)"
          :x="slot.x + slot.width / 2"
          :y="height - 6"
          text-anchor="middle"
          class="number"
          :class="{ on: slot.key === selected }"
        >
          {{ i + (first ?? 1) }}
        </text>
        <rect
          v-if="slot.key === selected"
          :x="slot.x - 3"
          :y="axis - Math.max(slot.outer, slot.body) - 6"
          :width="slot.width + 6"
          :height="2 * Math.max(slot.outer, slot.body) + 12"
          class="chosen"
          :class="{ wrong: wrong?.has(slot.key) }"
        />
      </g>
      <line :x1="-46" :x2="layout.width + 46" :y1="axis" :y2="axis" class="axis" />
      <g v-for="flag in flags" :key="`f${flag.key}`" class="flag" :class="{ wrong: flag.wrong }">
        <path
          :d="`M${flag.x - 14 * flag.to} ${flag.y}h${28 * flag.to}m${-8 * flag.to} -4l${8 * flag.to} 4l${-8 * flag.to} 4`"
        />
        <text :x="flag.x" :y="flag.y - 7" text-anchor="middle">{{ flag.words }}</text>
      </g>
      <g v-for="(tie, i) in brackets" :key="tie.key" class="tie">
        <path :d="`M${tie.x1} ${34 + (i % 2) * 15}v-8H${tie.x2}v8`" />
        <text :x="(tie.x1 + tie.x2) / 2" :y="21 + (i % 2) * 15" text-anchor="middle">{{ tie.words }}</text>
      </g>
      <template v-if="ends && layout.slots.length">
        <text :x="-22" :y="axis - 26" text-anchor="end" class="medium">{{ ends.left }}</text>
        <text :x="endOf + 12" :y="axis - 26" class="medium">{{ ends.right }}</text>
      </template>
      <g v-if="way" class="way">
        <rect
          v-for="tube in way.tubes"
          :key="tube.y"
          :x="tube.x"
          :y="tube.y"
          :width="TUBE"
          :height="way.thick"
        />
        <path :d="way.arrow" />
      </g>
      <g v-for="mark in placed" :key="mark.label" class="photo">
        <circle :cx="mark.cx" :cy="mark.cy" r="8" />
        <text :x="mark.cx" :y="mark.cy + 4" text-anchor="middle">{{ mark.label }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
svg:focus-visible {
  outline: none; /* the chosen part is framed */
}
svg {
  display: block;
  touch-action: pan-x;
}
.body {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.axis {
  stroke: var(--faint);
  stroke-dasharray: 16 4 3 4;
}
.pick {
  touch-action: none;
  cursor: pointer;
}
.drop {
  stroke: var(--rule);
}
.number {
  font-size: 15px;
  font-stretch: 80%;
  font-weight: 650;
  fill: var(--ink);
}
.chosen {
  fill: none;
  stroke: var(--action);
  stroke-width: 2.4;
}
.chosen.wrong {
  stroke: var(--attention);
}
.flag path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.flag text {
  font-size: 13px;
  font-stretch: 84%;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.flag.wrong path {
  stroke: var(--attention);
  stroke-width: 2;
}
.flag.wrong text {
  fill: var(--attention);
  font-weight: 700;
}
.tie path {
  fill: none;
  stroke: var(--action);
  stroke-width: 1.8;
}
.tie text {
  font-size: 13px;
  font-weight: 600;
  fill: var(--action);
}
.medium {
  font-size: 15px;
  fill: var(--faint);
}
.later {
  opacity: 0.2;
}
.way rect {
  fill: var(--halo);
  stroke: var(--attention);
  stroke-width: 1.6;
}
.way path {
  fill: none;
  stroke: var(--attention);
  stroke-width: 3;
}
.photo circle {
  fill: var(--sheet);
  stroke: var(--action);
}
.photo text {
  font-size: 13px;
  font-weight: 700;
  fill: var(--action);
}
</style>
