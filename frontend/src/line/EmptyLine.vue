<script setup lang="ts">
import { useTrade } from '@/job/useTrade'

/** Before the first part: what a line is, and the keys of the kinds met most. */
defineEmits<{ add: [kind: string] }>()
const trade = useTrade()
</script>

<template>
  <div class="empty">
    <h2>Nothing removed yet.</h2>
    <p>
      Enter the parts from left to right. One key adds a part after the selected one. The order can be
      reversed later.
    </p>
    <ul>
      <li v-for="kind in trade.tables?.kinds.slice(0, 18)" :key="kind.kind">
        <button type="button" @click="$emit('add', kind.kind)">
          <kbd>{{ kind.key }}</kbd> {{ kind.words }}
        </button>
      </li>
    </ul>
    <p class="faint"><kbd>+</kbd> any other part by name</p>
  </div>
</template>

<style scoped>
.empty {
  max-width: 900px;
  margin: 30px auto;
  display: grid;
  gap: 12px;
}
.empty h2 {
  font-size: 28px;
}
.empty ul {
  columns: 3;
  list-style: none;
  padding: 0;
  font-size: 16px;
}
.empty li button {
  padding: 3px 0;
}
</style>
