<script setup lang="ts">
/** Section hatching and dimension arrows; one set of each on the page, used by every drawing. */
</script>

<template>
  <svg width="0" height="0" class="defs" aria-hidden="true">
    <defs>
      <pattern
        id="hatch-outer"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="7" height="7" fill="var(--sheet)" />
        <line y2="7" stroke="var(--hatch)" stroke-width="1.6" />
      </pattern>
      <pattern
        id="hatch-inner"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <rect width="7" height="7" fill="var(--sheet)" />
        <line y2="7" stroke="var(--hatch)" stroke-width="1.6" />
      </pattern>
      <pattern
        id="hatch-zone"
        width="8"
        height="8"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="8" height="8" fill="var(--sheet)" />
        <line y2="8" stroke="var(--action)" stroke-width="1.5" opacity="0.55" />
      </pattern>
      <marker id="arrow" viewBox="-10 -4 10 8" markerWidth="11" markerHeight="9" orient="auto-start-reverse">
        <path d="M-10-2.4L0 0L-10 2.4z" fill="var(--ink)" />
      </marker>
      <marker
        id="arrow-next"
        viewBox="-10 -4 10 8"
        markerWidth="9"
        markerHeight="8"
        orient="auto-start-reverse"
      >
        <path d="M-10-2.6L0 0L-10 2.6z" fill="var(--attention)" />
      </marker>
    </defs>
  </svg>
</template>

<style scoped>
.defs {
  position: absolute;
}
</style>
