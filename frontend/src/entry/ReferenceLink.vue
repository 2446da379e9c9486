<script setup lang="ts">
/** From a why to the page of the handbook that stands behind it. */
defineProps<{ question: string; words: string }>()
</script>

<template>
  <RouterLink class="plain behind" :to="{ name: 'reference', params: { question } }">{{ words }}</RouterLink>
</template>

<style scoped>
.behind {
  display: inline-block; /* so that a row of them breaks between two */
}
.behind:not(:last-child) {
  margin-right: 14px;
}
</style>
