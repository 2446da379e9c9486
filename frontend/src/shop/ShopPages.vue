<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router'
import { useSession } from '@/api/session'

/** The pages of the Shop. */
const session = useSession()
const route = useRoute()
const PAGES = [
  { name: 'shop', words: 'Tools and codes', right: null },
  { name: 'people', words: 'People', right: 'people' },
  { name: 'record', words: 'Record of changes', right: 'read_audit' },
] as const
</script>

<template>
  <nav class="pages" aria-label="pages of the Shop">
    <template v-for="page in PAGES" :key="page.name">
      <RouterLink
        v-if="!page.right || session.may(page.right)"
        :to="{ name: page.name }"
        :aria-current="route.name === page.name ? 'page' : undefined"
        >{{ page.words }}</RouterLink
      >
    </template>
  </nav>
</template>

<style scoped>
.pages {
  display: flex;
  gap: 28px;
  padding: 0 28px;
  border-bottom: 1px solid var(--rule);
}
a {
  padding: 13px 0 10px;
  font-size: 17px;
  font-weight: 650;
  color: var(--faint);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}
a[aria-current] {
  color: var(--ink);
  border-color: var(--ink);
}
a:hover {
  color: var(--ink);
}
@media print {
  .pages {
    display: none;
  }
}
</style>
