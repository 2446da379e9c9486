<script setup lang="ts">
/** From a why to the page of the handbook that stands behind it, with what is known of it already. */
defineProps<{ question: string; words: string; given?: Record<string, string> }>()
</script>

<template>
  <RouterLink class="plain behind" :to="{ name: 'reference', params: { question }, query: given ?? {} }">{{
    words
  }}</RouterLink>
</template>

<style scoped>
.behind {
  display: inline-block; /* so that a row of them breaks between two */
}
.behind:not(:last-child) {
  margin-right: 14px;
}
</style>
