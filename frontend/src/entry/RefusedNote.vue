<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** Dangerous or outdated practice, refused in words with what to do instead. */
defineProps<{ refused: readonly Schemas['Refusal'][]; notUnderstood?: readonly string[] }>()
</script>

<template>
  <p v-for="each in refused" :key="each.practice" class="refused" role="alert">
    <b>Do not do this: “{{ each.told_by }}”.</b> {{ each.why }} Instead: {{ each.instead }}
  </p>
  <p v-if="notUnderstood?.length" class="unread">
    Not understood, so not checked: “{{ notUnderstood.join('”, “') }}”.
  </p>
</template>

<style scoped>
.refused {
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
}
.unread {
  font-size: 14px;
  color: var(--faint);
}
.refused b {
  color: var(--attention);
}
</style>
