<script setup lang="ts">
import { computed } from 'vue'
import LaidPart from './LaidPart.vue'
import { layPart } from './partLayout'
import type { RingState } from './seals'
import type { PartSize } from './geometry'

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
  <LaidPart class="drawn" :at="at" :size="size" closure="open" :state="state" :words="words">
    <template v-for="{ label, ...line } in lines" :key="line.feature">
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
  </LaidPart>
</template>

<style scoped>
.drawn {
  max-width: 100%;
  height: auto;
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
