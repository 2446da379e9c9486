<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dayWords } from '@/drawing/timeAxis'

/** What the log says, largest first: does it get worse, and the day to plan, to order, and of the limit. */
const props = defineProps<{ series: Schemas['Series'] | null; today: string }>()
const WORDS: Record<string, string> = {
  firm: 'getting worse',
  weak: 'probably getting worse',
  steady: 'no trend found',
  too_few: 'too few readings',
}
const trend = computed(() => props.series?.trend ?? null)
const rows = computed(() => {
  const forecast = trend.value?.forecast
  return forecast
    ? (
        [
          ['plan on', forecast.plan_on],
          ['order by', forecast.order_by],
          ['limit', forecast.limit_on],
        ] as const
      ).map(([words, band]) => ({ words, ...band, past: Boolean(band.likely && band.likely <= props.today) }))
    : []
})
const any = computed(() => rows.value.some((row) => row.likely))
const passed = computed(() => {
  const { already_passed } = trend.value ?? {}
  if (already_passed === 'limit') return 'Already over the limit.'
  return already_passed === 'early' ? 'The planning date has passed.' : ''
})
</script>

<template>
  <section class="dates" aria-label="trend">
    <template v-if="trend">
      <h2 :class="{ att: trend.confidence === 'firm', unsure: trend.confidence === 'weak' }">
        {{ WORDS[trend.confidence] }}
      </h2>
      <p v-if="passed" class="stop passed">{{ passed }}</p>
      <p v-if="trend.changed_on" class="unsure">
        It changed on {{ dayWords(trend.changed_on) }}. What happened then?
      </p>
      <dl v-if="any && trend.confidence !== 'steady'">
        <div v-for="row in rows" :key="row.words" :class="{ past: row.past, limit: row.words === 'limit' }">
          <dt>{{ row.words }}</dt>
          <dd>
            <b class="fig">{{ row.likely ? dayWords(row.likely) : 'not within 50 years' }}</b>
            <span v-if="row.low && row.high">{{ dayWords(row.low) }} to {{ dayWords(row.high) }}</span>
          </dd>
        </div>
      </dl>
      <p v-else-if="trend.confidence === 'steady' && any" class="faint">
        This could be chance. If not, the limit is reached about
        {{ dayWords(rows[2]?.likely ?? today) }}.
      </p>
      <p v-if="any && trend.confidence !== 'steady'" class="faint">
        80 % interval: the true date lies between the two four times in five.
      </p>
    </template>
    <template v-else-if="series">
      <h2>no limit set</h2>
      <p class="faint">Set the limit below to get a date.</p>
    </template>
    <template v-else>
      <h2>no entries yet</h2>
      <p class="faint">Log each emptying, top-up or reading, in any order.</p>
    </template>
  </section>
</template>

<style scoped>
.dates {
  padding: 16px 20px;
}
h2 {
  font-size: 28px;
  font-stretch: 80%;
}
dl {
  margin: 12px 0 8px;
}
dl div {
  display: grid;
  grid-template-columns: 74px 1fr;
  align-items: baseline;
  margin-bottom: 8px;
}
dt {
  color: var(--faint);
}
dd {
  margin: 0;
}
dd b {
  display: block;
  font-size: 30px;
  line-height: 1.05;
}
dd span {
  font-size: 14px;
  color: var(--faint);
}
.past b {
  color: var(--attention);
}
.limit b {
  color: var(--stop);
}
.passed {
  font-weight: 650;
}
p {
  margin: 6px 0;
  font-size: 14px;
}
</style>
