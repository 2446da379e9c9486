<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import RunCurve from '@/drawing/RunCurve.vue'
import FigureInput from '@/entry/FigureInput.vue'

/** A step of running in: what was read, where it goes, and what to do now. */
const run = defineModel<Schemas['RunStep']>({ required: true })
const props = defineProps<{ judged: Schemas['RunJudged'] | undefined; open: boolean }>()
defineEmits<{ remove: []; look: [] }>()
const minute = ref('')
const temperature = ref('')
const minuteField = ref<HTMLInputElement | null>(null)
const temperatureField = ref<HTMLInputElement | null>(null)
const number = (text: string | undefined): number => Number((text ?? '').trim().replace(',', '.'))
const readings = computed(() =>
  (run.value.readings ?? [])
    .map((each) => ({ minute: number(each.minute), temperature: number(each.temperature_c) }))
    .filter((each) => Number.isFinite(each.minute) && Number.isFinite(each.temperature)),
)
const settles = computed(() => props.judged?.run?.settles_at_c ?? null)
const next = computed(() => {
  const found = props.judged?.run
  if (!found) return { words: 'Take the temperature every few minutes.', state: '' }
  const limit = run.value.limit_c ?? 80
  if (found.decision === 'stop')
    return {
      words: `STOP: ${settles.value ? `goes to ${Math.round(settles.value.likely)}` : 'over'} °C, limit ${limit}. Let it cool, reduce the preload, run again.`,
      state: 'stop',
    }
  if (!settles.value)
    return {
      words: `${props.judged?.more_readings ?? ''} more readings are needed.`,
      state: '',
    }
  const band = `${Math.round(settles.value.low)} to ${Math.round(settles.value.high)} °C`
  return found.decision === 'continue'
    ? { words: `Continue: settles at ${band}.`, state: 'good' }
    : { words: `Watch it: may settle at ${band}.`, state: 'unsure' }
})
function put(): void {
  if (!minute.value.trim()) return minuteField.value?.focus()
  if (!temperature.value.trim()) return temperatureField.value?.focus()
  run.value.readings = [
    ...(run.value.readings ?? []),
    { minute: minute.value.trim(), temperature_c: temperature.value.trim() },
  ]
  minute.value = temperature.value = ''
  void nextTick(() => minuteField.value?.focus())
}
const drop = (at: number): void => {
  run.value.readings = (run.value.readings ?? []).filter((_, i) => i !== at)
}
defineExpose({ focus: () => minuteField.value?.focus() })
</script>

<template>
  <article class="run" :class="{ small: !open }">
    <div class="head">
      <input
        v-model="run.what"
        name="run"
        maxlength="80"
        placeholder="run: which speed?"
        aria-label="name of the run"
        class="name"
      />
      <label
        ><FigureInput v-model="run.rpm" name="rpm" label="speed, rev/min" :least="0" :most="200000" />
        rpm</label
      >
      <label
        ><FigureInput v-model="run.minutes" name="minutes" label="minutes" :least="0.1" :most="10000" />
        min</label
      >
      <label
        >from
        <FigureInput
          v-model="run.ambient_c"
          name="ambient"
          label="temperature at the start"
          :least="-60"
          :most="150"
        />
        °C</label
      >
      <label
        >limit
        <FigureInput v-model="run.limit_c" name="limit" label="temperature limit" :least="-50" :most="1000" />
        °C</label
      >
      <button type="button" class="gone" aria-label="delete this run" @click="$emit('remove')">×</button>
    </div>
    <p class="next" :class="next.state">
      {{ next.words }} <button v-if="!open" type="button" class="plain" @click="$emit('look')">look</button>
    </p>
    <RunCurve
      v-if="open"
      :readings="readings"
      :curve="judged?.curve ?? []"
      :settles="settles"
      :ambient="run.ambient_c ?? 20"
      :limit="run.limit_c ?? 80"
      :minutes="run.minutes ?? null"
      :words="`${run.what || 'run'}: ${next.words}`"
    />
    <form v-if="open" class="read" @submit.prevent="put">
      <label
        >at
        <input
          ref="minuteField"
          v-model="minute"
          name="minute"
          class="fig"
          inputmode="decimal"
          maxlength="8"
          aria-label="minute"
        />
        min</label
      >
      <label
        ><input
          ref="temperatureField"
          v-model="temperature"
          name="temperature"
          class="fig"
          inputmode="decimal"
          maxlength="8"
          aria-label="temperature"
        />
        °C</label
      >
      <button type="submit" class="chip">read <kbd>Enter</kbd></button>
      <span v-if="judged?.rise_c_min != null" class="faint">last {{ judged.rise_c_min }} °C a minute</span>
      <button
        v-for="(each, i) in run.readings"
        :key="i"
        type="button"
        class="was fig"
        :aria-label="`delete ${each.temperature_c} °C at ${each.minute} minutes`"
        @click="drop(i)"
      >
        {{ each.minute }}: {{ each.temperature_c }}
      </button>
    </form>
  </article>
</template>

<style scoped>
.run {
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
  padding: 10px 20px 14px;
}
.head,
.read {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: baseline;
  font-size: 15px;
  color: var(--faint);
}
.name {
  font-size: 17px;
  font-weight: 650;
  width: 190px;
}
input {
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 2px;
}
.read input {
  width: 62px;
  font-size: 22px;
}
input:focus {
  border-color: var(--action);
}
.next {
  font-size: 30px;
  font-stretch: 84%;
  font-weight: 650;
  margin: 4px 0;
}
@media (max-width: 600px) {
  .run {
    overflow-x: auto;
  }
  .run > :deep(svg) {
    min-width: 560px;
  }
}
.small .next {
  font-size: 19px;
}
.next .plain {
  font-size: 15px;
}
.gone {
  margin-left: auto;
  font-size: 18px;
  color: var(--faint);
}
.was {
  font-size: 16px;
  color: var(--ink);
}
.was:hover {
  text-decoration: line-through;
}
</style>
