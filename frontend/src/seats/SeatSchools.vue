<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** Which zone each side is given, which other one is usual too, and why. */
const props = defineProps<{ judged: Schemas['SeatsJudged']; why: boolean }>()
const sides = computed(() =>
  (['shaft', 'housing'] as const).flatMap((side) => {
    const zones = props.judged[side]?.zones
    return zones ? [{ side, zones }] : []
  }),
)
const sources = computed(() => [...new Set(sides.value.map((each) => each.zones.source))].join(' '))
</script>

<template>
  <section class="schools">
    <p v-for="{ side, zones } in sides" :key="side">
      <b>{{ side }} {{ zones.zone }} or {{ zones.other_zone }}?</b>
      {{ zones.reason }} {{ zones.schools }}
    </p>
    <p v-if="why" class="faint">{{ sources }}</p>
  </section>
</template>

<style scoped>
.schools {
  padding: 11px 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
  font-size: 14.5px;
  display: grid;
  gap: 6px;
}
</style>
