<script setup lang="ts">
import { computed } from 'vue'
import SectionShape from './SectionShape.vue'
import { halfSection, type PartSize } from './section'

/** A bearing in section, to scale, without dimensions; `half` shows the part above the axis, larger, `ring` that
 * part alone, as a picture of its kind. */
const props = defineProps<{
  size: PartSize
  closure: string
  width: number
  height: number
  scale?: number
  half?: boolean
  ring?: boolean
  name: string
}>()
const ends = computed(() => halfSection(props.size, props.closure))
const tall = computed(() => {
  const outside = Math.max(ends.value.outside, ...reach.value)
  if (props.ring) return outside - inside.value
  return props.half ? outside : 2 * outside
})
const inside = computed(() => Math.max(Math.min(...reach.value), 0))
const reach = computed(() =>
  ends.value.pieces.flatMap((piece) => ('points' in piece ? piece.points.map(([, r]) => r) : [])),
)
const span = computed(() => {
  const xs = ends.value.pieces.flatMap((piece) => ('points' in piece ? piece.points.map(([x]) => x) : []))
  return [Math.min(...xs, ends.value.whole[0]), Math.max(...xs, ends.value.whole[1])] as const
})
const fit = computed(
  () =>
    props.scale ??
    Math.min((props.width - 6) / (span.value[1] - span.value[0]), (props.height - 6) / tall.value),
)
const axis = computed(() => {
  if (props.ring) return props.height - 3 + inside.value * fit.value
  return props.half ? props.height - 3 : props.height / 2
})
const middle = computed(() => props.width / 2 - ((span.value[0] + span.value[1]) / 2) * fit.value)
const ink = computed(() => (fit.value * tall.value < 60 ? 0.9 : 1.2))
</script>

<template>
  <svg
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="name"
    :style="{ strokeWidth: `${ink}px` }"
  >
    <SectionShape
      :size="size"
      :closure="closure"
      :scale="fit"
      :middle="middle"
      :axis="axis"
      :half="half || ring"
    />
    <line
      v-if="!ring"
      :x1="middle + span[0] * fit - 4"
      :x2="middle + span[1] * fit + 4"
      :y1="axis"
      :y2="axis"
      class="axis"
    />
  </svg>
</template>

<style scoped>
svg {
  stroke: var(--ink);
  display: block;
}
.axis {
  stroke: var(--faint);
  stroke-width: 0.8;
  stroke-dasharray: 8 3 2 3;
}
</style>
