<script setup lang="ts">
/** A dimension line with its extension lines and arrows; the one worth measuring next stands out. */
defineProps<{ extension: string; from: number[]; to: number[]; next: boolean }>()
</script>

<template>
  <g class="dim" :class="{ next }">
    <path :d="extension" />
    <line
      :x1="from[0]"
      :y1="from[1]"
      :x2="to[0]"
      :y2="to[1]"
      :marker-start="`url(#arrow${next ? '-next' : ''})`"
      :marker-end="`url(#arrow${next ? '-next' : ''})`"
    />
  </g>
</template>

<style scoped>
.dim line,
.dim path {
  stroke: var(--ink);
  stroke-width: 1.1;
  fill: none;
}
.dim.next line,
.dim.next path {
  stroke: var(--attention);
  stroke-width: 1.6;
}
</style>
