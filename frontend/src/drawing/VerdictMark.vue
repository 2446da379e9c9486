<script setup lang="ts">
import { computed } from 'vue'
import { STATE_WORDS } from './verdicts'

/** A verdict told by shape and word: full disc, half disc, crossed square, open ring. */
const props = defineProps<{ state: string; size?: number; passed?: boolean; silent?: boolean }>()
const CLASSES: Record<string, string> = {
  holds: 'good',
  not_proven: 'unsure',
  does_not_hold: 'stop',
  not_looked_at: 'faint',
}
const px = computed(() => props.size ?? 14)
const word = computed(
  () => (STATE_WORDS[props.state] ?? props.state) + (props.passed ? ', overridden with a reason' : ''),
)
</script>

<template>
  <svg
    :width="px"
    :height="px"
    viewBox="0 0 16 16"
    :class="CLASSES[state]"
    role="img"
    :aria-hidden="silent"
    :aria-label="silent ? undefined : word"
  >
    <title v-if="!silent">{{ word }}</title>
    <g fill="none" stroke="currentColor" stroke-width="2">
      <template v-if="state === 'holds'"><circle cx="8" cy="8" r="6" fill="currentColor" /></template>
      <template v-else-if="state === 'not_proven'">
        <circle cx="8" cy="8" r="6" />
        <path d="M8 2a6 6 0 0 0 0 12z" fill="currentColor" />
      </template>
      <template v-else-if="state === 'does_not_hold'">
        <path d="M2 2h12v12H2zM3 3l10 10M13 3L3 13" />
      </template>
      <template v-else><circle cx="8" cy="8" r="6" /></template>
      <path v-if="passed" d="M1 15L15 1" stroke="var(--paper)" stroke-width="4" />
      <path v-if="passed" d="M1 15L15 1" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: inline-block;
  vertical-align: -2px;
  flex: none;
}
</style>
