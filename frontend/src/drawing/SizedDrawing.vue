<script setup lang="ts">
import { computed } from 'vue'
import { layPart } from './partLayout'
import DimensionLine from './DimensionLine.vue'
import SectionShape from './SectionShape.vue'
import { hasAxis, type RingState } from './seals'
import type { PartSize } from './section'

/** A part in section, to scale, with what is known of its sizes written at their lines. */
export interface Label {
  name?: string
  value: string
  /** What is not known stands back. */
  unknown?: boolean
}
const props = defineProps<{
  size: PartSize
  state?: RingState
  labels: Readonly<Record<string, Label>>
  words: string
}>()
const at = computed(() => layPart(props.size, 'open', Object.keys(props.labels), props.state ?? 'free'))
const lines = computed(() =>
  at.value.lines.map((line) => ({ ...line, label: props.labels[line.feature] ?? { value: '' } })),
)
const tall = (label: Label): number => (label.name ? 50 : 32)
</script>

<template>
  <svg width="640" height="468" viewBox="0 0 640 468" role="img" :aria-label="words">
    <g class="ink">
      <SectionShape
        :size="size"
        closure="open"
        :scale="at.scale"
        :middle="at.middle"
        :axis="at.axis"
        :half="at.broken"
        :state="state"
      />
    </g>
    <line
      v-if="hasAxis(size.kind ?? '')"
      :x1="at.axisFrom"
      :x2="at.axisTo"
      :y1="at.axisY"
      :y2="at.axisY"
      class="axis"
    />
    <template v-for="{ label, ...line } in lines" :key="line.feature">
      <DimensionLine :extension="line.extension" :from="line.from" :to="line.to" :next="false" />
      <rect
        :x="line.field.x - (label.name ? 66 : 52)"
        :y="line.field.y - tall(label) / 2 - 1"
        :width="label.name ? 132 : 104"
        :height="tall(label)"
        :class="label.name ? 'tag' : 'ground'"
      />
      <text v-if="label.name" :x="line.field.x" :y="line.field.y - 8" class="name">{{ label.name }}</text>
      <text
        :x="line.field.x"
        :y="line.field.y + (label.name ? 17 : 8)"
        :class="label.unknown ? 'unknown' : 'fig'"
      >
        {{ label.value }}
      </text>
    </template>
  </svg>
</template>

<style scoped>
svg {
  max-width: 100%;
  height: auto;
}
.ink {
  stroke: var(--ink);
  stroke-width: 2;
}
.axis {
  stroke: var(--faint);
  stroke-dasharray: 16 4 3 4;
}
.ground,
.tag {
  fill: var(--sheet);
}
.tag {
  stroke: var(--rule);
}
text {
  text-anchor: middle;
  font-size: 22px;
  fill: var(--ink);
}
.name {
  font-size: 14px;
  fill: var(--faint);
}
.unknown {
  font-size: 16px;
  fill: var(--faint);
}
</style>
