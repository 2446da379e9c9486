<script setup lang="ts">
/** From a why to the page of the handbook that stands behind it. */
defineProps<{ question: string; words: string }>()
</script>

<template>
  <RouterLink class="plain behind" :to="{ name: 'reference', params: { question } }">{{ words }}</RouterLink>
</template>

<style scoped>
.behind {
  white-space: nowrap;
}
.behind + .behind::before {
  content: '·';
  display: inline-block;
  padding: 0 6px;
  color: var(--faint);
}
</style>
