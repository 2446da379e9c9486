<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { percent } from '@/entry/lengths'

/** No listed part fits all readings: what single thing would explain them, likeliest first. */
const props = defineProps<{
  explanations: Schemas['Explanation'][]
  /** The instrument in hand, where its zero can be kept as checked. */
  instrument: string
}>()
defineEmits<{ again: [feature: string]; zero: [] }>()
const shown = computed(() => props.explanations.slice(0, 3))
</script>

<template>
  <section class="odd" aria-label="what would explain the readings">
    <h2>No listed part fits all readings</h2>
    <ul>
      <li v-for="each in shown" :key="`${each.what}-${each.feature}`">
        <span class="fig">{{ percent(each.share) }}</span>
        <p>
          <b>{{ each.words }}</b>
          <button
            v-if="each.what === 'one_reading'"
            type="button"
            class="plain"
            @click="$emit('again', each.feature)"
          >
            {{ each.do }}
          </button>
          <template v-else
            ><span>{{ each.do }}</span>
            <button
              v-if="each.what === 'zero_error' && instrument"
              type="button"
              class="plain"
              @click="$emit('zero')"
            >
              Checked: its zero is right
            </button>
          </template>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.odd {
  border: 1.5px solid var(--attention);
  border-left-width: 5px;
  padding: 8px 12px 9px;
  margin-bottom: 10px;
}
h2 {
  font-size: 19px;
  margin: 0 0 5px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 10px;
  align-items: baseline;
  border-top: 1px solid var(--rule);
  padding: 5px 0;
}
li:first-child .fig {
  font-size: 24px;
}
.fig {
  font-size: 19px;
  text-align: right;
  white-space: nowrap;
}
p {
  margin: 0;
  line-height: 1.3;
}
li:first-child b {
  font-size: 18px;
}
li:not(:first-child) b {
  font-weight: 500;
}
p span,
p button {
  color: var(--faint);
  display: block;
}
p button {
  color: var(--action);
  padding: 0;
  text-align: left;
}
</style>
