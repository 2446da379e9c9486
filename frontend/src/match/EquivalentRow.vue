<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'

const props = defineProps<{
  equivalent: Schemas['Equivalent']
  now: boolean
  beside: boolean
  taken: boolean
}>()
const MARKS: Record<string, string> = {
  drop_in: 'holds',
  fits_with_differences: 'not_proven',
  needs_change: 'not_proven',
  not_interchangeable: 'does_not_hold',
}
const WORDS: Record<string, string> = {
  drop_in: 'drop-in',
  fits_with_differences: 'fits, with differences',
  needs_change: 'needs a change',
  not_interchangeable: 'not interchangeable',
}
const contradicts = computed(() => props.equivalent.interchange.contradictions.length > 0)
const mark = computed(() =>
  contradicts.value ? 'does_not_hold' : (MARKS[props.equivalent.interchange.verdict] ?? ''),
)
const item = computed(() => props.equivalent.item)
const best = computed(() => props.equivalent.offers[0])
const differs = computed(() =>
  props.equivalent.interchange.attributes
    .filter((each) => each.judgement !== 'same' && !['load', 'speed'].includes(each.name))
    .map((each) => (['closure', 'kind'].includes(each.name) ? each.to : `${each.name} ${each.to}`))
    .slice(0, 2)
    .join(', '),
)
</script>

<template>
  <div class="row" :class="{ now, long: item.marking.length > 14 }" role="option" :aria-selected="now">
    <VerdictMark :state="mark" :size="16" silent />
    <span class="main"
      ><b class="fig">{{ item.marking }}</b
      ><em
        >{{ item.maker }}<template v-if="taken"> · taken</template
        ><template v-if="beside"> · beside</template></em
      ></span
    >
    <span class="words"
      >{{ differs || WORDS[equivalent.interchange.verdict]
      }}<em v-if="equivalent.record"
        >{{ equivalent.record.source }} ({{ equivalent.record.said_by }})</em
      ></span
    >
    <span class="price"
      ><b v-if="item.stock_quantity" class="good">{{ item.stock_quantity }} here</b
      ><b v-else-if="best" class="fig">{{ best.price }}</b
      ><em>{{
        item.stock_quantity ? item.stock_place : best ? `${best.lead_days} days` : 'no offer'
      }}</em></span
    >
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 20px 128px 1fr 62px;
  gap: 8px;
  align-items: center;
  padding: 6px 16px 6px 20px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
  min-height: 50px;
}
/** A long marking stands over its words. */
.row.long {
  grid-template-columns: 20px 1fr 62px;
}
.row.long .main {
  grid-column: 2;
}
.row.long .main b {
  white-space: normal;
  font-size: 18px;
}
.row.long .words {
  grid-column: 2;
  grid-row: 2;
}
.row.long .price {
  grid-column: 3;
  grid-row: 1 / 3;
}
.row.now {
  background: var(--sheet);
  box-shadow: inset 5px 0 0 var(--action);
}
.main b {
  font-size: 20px;
  display: block;
  line-height: 1.1;
  white-space: nowrap;
}
em {
  font-style: normal;
  color: var(--faint);
  font-size: 13px;
  display: block;
}
.words {
  font-size: 14px;
  line-height: 1.2;
}
.price {
  text-align: right;
}
.price b {
  font-size: 17px;
  white-space: nowrap;
}
.price .good {
  font-size: 14px;
}
</style>
