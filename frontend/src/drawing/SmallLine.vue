<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useTrade } from '@/job/useTrade'
import PartShape from './PartShape.vue'
import { bodyPath, layLine } from './lineLayout'

/** A job's first line, small: what it looks like, without words. */
const props = defineProps<{ parts: Schemas['OutlinePart'][]; name: string }>()
const WIDTH = 250
const HEIGHT = 66
const trade = useTrade()
const own = computed(() => {
  const line = props.parts[0]?.line
  return props.parts.filter((part) => part.line === line && !part.beside).slice(0, 40)
})
const layout = computed(() =>
  layLine(own.value, trade.kinds, { width: WIDTH - 16, height: HEIGHT - 6, slot: 3 }),
)
const body = computed(() => bodyPath(layout.value.slots, HEIGHT / 2, 5))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="name">
    <g :transform="`translate(${Math.max(7, (WIDTH - layout.width) / 2)} 0)`">
      <path :d="body" class="body" />
      <path :d="body" class="body" :transform="`translate(0 ${HEIGHT}) scale(1 -1)`" />
      <PartShape
        v-for="slot in layout.slots"
        :key="slot.key"
        :place="slot"
        :axis="HEIGHT / 2"
        class="small"
      />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  margin-top: 8px;
}
.body {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 0.9;
}
.small {
  stroke-width: 0.9;
}
</style>
