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
const onNoList = computed(() => props.explanations.every((each) => each.what === 'unlisted'))
const shown = computed(() => props.explanations.slice(0, 3))
</script>

<template>
  <section class="odd" aria-label="what would explain the readings">
    <h2>{{ onNoList ? 'Not in the catalogue' : 'No listed part fits all readings' }}</h2>
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
  border-left: 5px solid var(--attention);
  border-bottom: 1px solid var(--rule);
  padding: 8px 20px 6px 15px;
}
h2 {
  font-size: 17px;
  margin: 0 0 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 14px;
  align-items: baseline;
  padding: 3px 0;
}
.fig {
  font-size: 18px;
  white-space: nowrap;
  grid-column: 2;
  grid-row: 1;
}
li:first-child .fig {
  font-size: 24px;
}
p {
  margin: 0;
  line-height: 1.25;
}
li:not(:first-child) b {
  font-weight: 500;
}
p b::after,
p span::after {
  content: ' ';
}
p span {
  color: var(--faint);
}
p button {
  padding: 0;
}
</style>
