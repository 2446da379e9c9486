<script setup lang="ts">
import { computed } from 'vue'

/** The feature that tells one build from another, drawn. */
const props = defineProps<{ picture: string; name: string }>()
const screws = computed(() => {
  const count = { screws_4: 4, screws_6: 6 }[props.picture] ?? 0
  return Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * (i + 0.5)) / count
    return { x: 50 + 31 * Math.cos(angle), y: 50 + 31 * Math.sin(angle) }
  })
})
</script>

<template>
  <svg viewBox="0 0 100 100" width="86" height="86" role="img" :aria-label="name">
    <template v-if="screws.length">
      <circle cx="50" cy="50" r="42" fill="url(#hatch-outer)" />
      <circle cx="50" cy="50" r="17" fill="var(--sheet)" />
      <g v-for="(screw, i) in screws" :key="i">
        <circle :cx="screw.x" :cy="screw.y" r="6.5" fill="var(--sheet)" />
        <path :d="`M${screw.x - 4} ${screw.y}h8`" />
      </g>
    </template>
    <template v-else-if="picture === 'square_ring' || picture === 'round_ring'">
      <path d="M4 20H96V86H72V52H28V86H4Z" fill="url(#hatch-outer)" />
      <rect v-if="picture === 'square_ring'" x="33" y="55" width="34" height="34" class="dark" />
      <circle v-else cx="50" cy="71" r="18" class="dark" />
    </template>
    <template v-else-if="picture === 'spacer' || picture === 'no_spacer'">
      <rect x="4" y="40" width="92" height="20" fill="var(--paper)" />
      <template v-for="x in picture === 'spacer' ? [10, 66] : [24, 52]" :key="x">
        <rect :x="x" y="14" width="24" height="26" fill="url(#hatch-outer)" />
        <rect :x="x" y="60" width="24" height="26" fill="url(#hatch-outer)" />
      </template>
      <template v-if="picture === 'spacer'">
        <rect x="34" y="28" width="32" height="12" class="dark" />
        <rect x="34" y="60" width="32" height="12" class="dark" />
      </template>
    </template>
    <template v-else>
      <path d="M20 12H80V30H66V62L40 84L30 74L48 56V30H20Z" class="dark" />
      <path v-if="picture === 'two_lips'" d="M66 50L84 70L78 76L60 60Z" class="dark" />
      <rect x="4" y="86" width="92" height="10" fill="var(--paper)" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linejoin: round;
}
.dark {
  fill: var(--ink);
  fill-opacity: 0.85;
}
</style>
