<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { figure, given, unit, words, worked } from './figures'
import { openedWith } from './opened'
import PageSketch from './sketch/PageSketch.vue'
import { SKETCHES } from './sketch'

/** A question of the handbook, worked: its fields, the answer, the formula with its numbers in it, source and limits. */
const props = defineProps<{ page: Schemas['Page'] }>()
type Question = Schemas['CalculateRequest']
const kept = `ample:reference:${props.page.question}`
const typed = reactive<Record<string, string>>(JSON.parse(localStorage.getItem(kept) ?? '{}'))
const opened = openedWith(props.page.fields.map((each) => each.name))
// what is not known of this case is empty, not that of the case before
if (opened) for (const { name } of props.page.fields) typed[name] = opened[name] ?? ''
watch(typed, () => localStorage.setItem(kept, JSON.stringify(typed)))
const choices = (range: string): string[] => (range.startsWith('choice') ? range.split(' ').slice(1) : [])
const hint = (range: string): string =>
  range.startsWith('list') ? 'several, with spaces' : range === 'pairs' ? 'share:value; share:value' : ''
const inputs = computed(() =>
  Object.fromEntries(
    props.page.fields.flatMap((each) => {
      const value = given(each.name, each.range, typed[each.name] ?? '')
      return value === undefined ? [] : [[each.name, value]]
    }),
  ),
)
const complete = computed(() => props.page.fields.every((each) => each.optional || each.name in inputs.value))
const question = computed<Question | null>(() =>
  complete.value && Object.keys(inputs.value).length
    ? { question: props.page.question, ...inputs.value }
    : null,
)
const live = useLive<Question, Schemas['CalculateAnswer']>(
  () => question.value,
  (asked, signal) => resultOf(api.POST('/api/calc/calculate', { body: asked, signal })),
)
const BESIDE = ['formula', 'source', 'validity', 'notes']
const outputs = computed(() =>
  live.refusal.value
    ? []
    : Object.entries(live.answer.value ?? {}).filter(([name]) => !BESIDE.includes(name)),
)
/** The field in hand: its length stands out in the drawing. */
const looking = ref('')
const drawer = computed(() => SKETCHES[props.page.question])
const drawn = computed((): Record<string, unknown> =>
  live.refusal.value ? {} : { ...inputs.value, ...Object.fromEntries(outputs.value) },
)
const line = computed(() =>
  worked(props.page.worked || props.page.formula, { ...inputs.value, ...(live.answer.value ?? {}) }),
)
</script>

<template>
  <article class="worked" :aria-label="page.words">
    <h2>{{ page.words }}</h2>
    <form class="fields" @submit.prevent>
      <label v-for="field in page.fields" :key="field.name">
        <span>{{ field.words }}<i v-if="field.optional"> (or the other unit)</i></span>
        <span class="entry">
          <select v-if="choices(field.range).length" v-model="typed[field.name]" :name="field.name">
            <option value=""></option>
            <option v-for="each in choices(field.range)" :key="each" :value="each">{{ each }}</option>
          </select>
          <input
            v-else
            v-model="typed[field.name]"
            :name="field.name"
            class="fig"
            maxlength="120"
            autocomplete="off"
            :placeholder="hint(field.range)"
            :aria-invalid="live.refusal.value?.field === field.name"
            @focus="looking = field.name"
            @blur="looking = ''"
          />
          <b>{{ unit(field.name) }}</b>
        </span>
        <span v-if="live.refusal.value?.field === field.name" class="stop" role="alert">
          {{ live.refusal.value.message }} {{ live.refusal.value.hint }}
        </span>
      </label>
    </form>
    <dl v-if="outputs.length" class="answer" role="status">
      <div v-for="([name, value], i) in outputs" :key="name" :class="{ first: i === 0 }">
        <dt>{{ words(name) }}</dt>
        <dd>
          <strong class="fig">{{ figure(value, name) }}</strong> {{ unit(name) }}
        </dd>
      </div>
    </dl>
    <p v-else class="faint wait">{{ live.refusal.value ? '' : 'Fill in the fields: the answer follows.' }}</p>
    <PageSketch v-if="drawer" :page="page" :drawer="drawer" :values="drawn" :looking="looking" />
    <p class="formula">{{ page.formula }}</p>
    <p v-if="outputs.length && page.worked" class="numbers fig">{{ line }}</p>
    <dl class="rests">
      <div>
        <dt>valid</dt>
        <dd>{{ page.validity }}</dd>
      </div>
      <div>
        <dt>source</dt>
        <dd>{{ page.source }}</dd>
      </div>
      <div v-if="page.notes">
        <dt>note</dt>
        <dd>{{ page.notes }}</dd>
      </div>
    </dl>
  </article>
</template>

<style scoped>
.worked {
  padding: 26px 34px;
  max-width: 860px;
}
h2 {
  font-size: 24px;
  font-stretch: 86%;
  font-weight: 660;
  margin-bottom: 18px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 14px 26px;
}
label {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  min-width: 0;
  font-size: 13px;
  color: var(--faint);
}
.entry {
  display: flex;
  align-items: baseline;
  gap: 8px;
  border-bottom: 1.5px solid var(--ink);
}
.entry input,
.entry select {
  flex: 1;
  min-width: 0;
  width: 100%;
  border: 0;
  background: transparent;
  font-size: 24px;
  height: 38px;
  color: var(--ink);
}
.entry input::placeholder {
  font-size: 14px;
}
.entry b {
  font-size: 14px;
}
.answer {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 34px;
  margin: 26px 0 14px;
  padding: 12px 0 14px;
  border-top: 2px solid var(--ink);
  border-bottom: 1px solid var(--rule);
}
.answer dt,
.rests dt {
  font-size: 13px;
  color: var(--faint);
}
.answer dd {
  font-size: 17px;
}
.answer strong {
  font-size: 34px;
}
.answer .first strong {
  font-size: 58px;
  line-height: 1.05;
}
.wait {
  margin: 26px 0 14px;
  min-height: 24px;
}
.formula {
  font-size: 18px;
  margin: 8px 0;
}
.numbers {
  font-size: 18px;
  margin: 8px 0 16px;
}
.rests div {
  display: grid;
  grid-template-columns: 70px 1fr;
  font-size: 15px;
  margin-top: 4px;
}
</style>
