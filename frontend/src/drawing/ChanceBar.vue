<script setup lang="ts">
import { computed } from 'vue'

/** A chance as a bar, with the chance that is wanted as a mark across it. */
const props = defineProps<{ words: string; chance: number; wanted: number; also?: string }>()
/** As the words beside it have it; a chance is never written as none or as all. */
const percent = computed(() => {
  const figure = Math.round(props.chance * 100)
  return figure < 1 ? 'under 1 %' : figure > 99 ? 'over 99 %' : `${figure} %`
})
const enough = computed(() => props.chance >= props.wanted)
</script>

<template>
  <div class="chance" :class="{ enough }">
    <span>{{ words }}</span>
    <svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
      <rect x="0" y="2" width="100" height="6" class="whole" />
      <rect x="0" y="2" :width="chance * 100" height="6" class="own" />
      <line :x1="wanted * 100" :x2="wanted * 100" y1="0" y2="10" />
    </svg>
    <b class="fig">{{ percent }}</b>
    <small v-if="also">{{ also }}</small>
  </div>
</template>

<style scoped>
.chance {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr) 76px;
  gap: 0 10px;
  align-items: center;
  font-size: 14.5px;
}
svg {
  height: 12px;
  width: 100%;
}
.whole {
  fill: var(--rule);
}
.own {
  fill: var(--unsure);
}
.enough .own {
  fill: var(--good);
}
line {
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
b {
  font-size: 17px;
  text-align: right;
  white-space: nowrap;
}
small {
  grid-column: 2 / -1;
  font-size: 13.5px;
  color: var(--faint);
}
</style>
