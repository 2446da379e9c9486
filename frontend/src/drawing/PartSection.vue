<script setup lang="ts">
import { computed } from 'vue'
import SectionShape from './SectionShape.vue'
import { hasAxis, USUAL_SEALS } from './seals'
import type { Piece, PartSize } from './geometry'
import { halfSection } from './section'

/** A part in section, to scale, without dimensions; `half` shows the part above the axis, larger, `ring` that
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
  if (flat.value) return outside
  if (alone.value) return outside - inside.value
  return props.half ? outside : 2 * outside
})
/** A thin ring about a wide axis shows nothing to scale: its section alone is drawn, larger. */
const alone = computed(() => {
  if (props.ring) return true
  const outside = Math.max(ends.value.outside, ...reach.value)
  return (props.size.kind ?? '') in USUAL_SEALS && outside - Math.min(...reach.value) < 0.34 * outside
})
const inside = computed(() => Math.max(Math.min(...reach.value), 0))
/** How far a piece reaches from the axis, and along it. */
const radii = (piece: Piece): number[] =>
  'points' in piece
    ? piece.points.map(([, r]) => r)
    : 'radius' in piece
      ? [piece.at[1] - piece.radius, piece.at[1] + piece.radius]
      : []
const along = (piece: Piece): number[] =>
  'points' in piece
    ? piece.points.map(([x]) => x)
    : 'radius' in piece
      ? [piece.at[0] - piece.radius, piece.at[0] + piece.radius]
      : []
const flat = computed(() => !hasAxis(props.size.kind ?? ''))
const reach = computed(() => ends.value.pieces.flatMap(radii))
const span = computed(() => {
  const xs = ends.value.pieces.flatMap(along)
  return [Math.min(...xs, ends.value.whole[0]), Math.max(...xs, ends.value.whole[1])] as const
})
const fit = computed(
  () =>
    (alone.value ? undefined : props.scale) ??
    Math.min((props.width - 6) / (span.value[1] - span.value[0]), (props.height - 6) / tall.value),
)
const axis = computed(() => {
  if (flat.value) return props.height - 3
  if (alone.value) return props.height - 3 + inside.value * fit.value
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
      :half="half || alone"
    />
    <line
      v-if="!alone && !flat"
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
