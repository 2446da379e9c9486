<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import DimensionLine from '@/drawing/DimensionLine.vue'
import { figure, unit, words } from '../figures'
import { laid, type LaidLabel, type LaidLine } from './laid'
import { Numbers, type Drawer } from './sketch'

/** What a page of the handbook is about, drawn with its own numbers; the field in hand stands out. */
const props = defineProps<{
  page: Schemas['Page']
  drawer: Drawer
  /** Inputs and outputs by name, in the units of the page. */
  values: Readonly<Record<string, unknown>>
  /** The field in hand. */
  looking: string
}>()
const WIDTH = 780
const HEIGHT = 290
const inputs = computed(() => new Set(props.page.fields.map((each) => each.name)))
const at = computed(() =>
  laid(
    props.drawer(new Numbers(props.values)),
    WIDTH,
    HEIGHT,
    (name) => inputs.value.has(name) || typeof props.values[name] === 'number',
  ),
)
const said = (name: string): string => {
  const value = props.values[name]
  return typeof value === 'number' ? `${figure(value, name)} ${unit(name)}`.trim() : ''
}
/** From outside to either end. */
function outside(line: LaidLine): string[] {
  const [[x1, y1], [x2, y2]] = [line.from, line.to]
  const long = Math.hypot(x2 - x1, y2 - y1) || 1
  const [dx, dy] = [(20 * (x2 - x1)) / long, (20 * (y2 - y1)) / long]
  return [`M${x1 - dx} ${y1 - dy}L${x1} ${y1}`, `M${x2 + dx} ${y2 + dy}L${x2} ${y2}`]
}
const turned = (label: LaidLabel): string => (label.upright ? `rotate(-90 ${label.x} ${label.y})` : '')
</script>

<template>
  <svg class="sketch" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`drawing: ${page.words}`">
    <path v-for="(shape, i) in at.shapes" :key="i" :d="shape.d" :class="shape.fill" />
    <template v-for="line in at.lines" :key="line.name">
      <g v-if="line.short" class="short" :class="{ next: line.name === looking }">
        <path :d="line.extension" />
        <path
          v-for="(d, i) in outside(line)"
          :key="i"
          :d="d"
          :marker-end="`url(#arrow${line.name === looking ? '-next' : ''})`"
        />
      </g>
      <DimensionLine
        v-else
        :extension="line.extension"
        :from="line.from"
        :to="line.to"
        :next="line.name === looking"
      />
    </template>
    <polyline v-for="leader in at.leaders" :key="leader.name" :points="leader.points" class="leader" />
    <text
      v-for="label in at.labels"
      :key="label.name"
      :x="label.x"
      :y="label.y"
      :text-anchor="label.anchor"
      :transform="turned(label)"
      :class="{ next: label.name === looking }"
    >
      {{ words(label.name) }}
      <tspan v-if="said(label.name)" class="fig" dx="6">{{ said(label.name) }}</tspan>
    </text>
  </svg>
</template>

<style scoped>
.sketch {
  display: block;
  width: 100%;
  max-width: 780px;
  margin: 10px 0 4px;
}
path {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linejoin: round;
}
.part {
  fill: url(#hatch-outer);
}
.other {
  fill: url(#hatch-inner);
}
.whole {
  fill: var(--sheet);
}
.rubber {
  fill: var(--rubber, var(--ink));
  stroke: var(--ink);
}
.oil {
  fill: color-mix(in srgb, var(--action) 16%, var(--sheet));
}
.shim {
  fill: color-mix(in srgb, var(--attention) 30%, var(--sheet));
}
.line,
.ghost,
.axis {
  fill: none;
}
.ghost {
  stroke-dasharray: 6 4;
  stroke: var(--faint);
}
.axis {
  stroke: var(--faint);
  stroke-width: 1;
  stroke-dasharray: 14 4 3 4;
}
.share {
  fill: color-mix(in srgb, var(--action) 26%, var(--sheet));
}
.short path {
  fill: none;
  stroke-width: 1.1;
}
.short.next path {
  stroke: var(--attention);
  stroke-width: 1.6;
}
.leader {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1;
}
text {
  font-size: 15px;
  fill: var(--faint);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
  stroke-linejoin: round;
}
text .fig {
  font-size: 18px;
  fill: var(--ink);
}
@media (max-width: 700px) {
  text {
    font-size: 25px;
  }
  text .fig {
    font-size: 28px;
  }
}
text.next,
text.next .fig {
  fill: var(--attention);
}
</style>
