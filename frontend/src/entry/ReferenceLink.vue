<script setup lang="ts">
import { computed } from 'vue'

/** From a why to the page of the handbook that stands behind it, with what is known of it already. */
const props = defineProps<{
  question: string
  words: string
  given?: Record<string, string | number | null | undefined>
}>()
const text = (value: string | number): string =>
  typeof value === 'number' ? String(+value.toFixed(4)) : value
const query = computed(() =>
  Object.fromEntries(
    Object.entries(props.given ?? {}).flatMap(([name, value]) =>
      value === null || value === undefined || value === '' ? [] : [[name, text(value)]],
    ),
  ),
)
</script>

<template>
  <RouterLink class="plain behind" :to="{ name: 'reference', params: { question }, query }">{{
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
