<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import SizeInput from '@/entry/SizeInput.vue'

/** Loose needles of a cup or joint: how many belong, and whether some are lost. */
const held = reactive<{ pin?: Schemas['Size']; needle?: Schemas['Size']; counted: string }>({ counted: '' })
const question = computed<Schemas['NeedlesRequest'] | null>(() => {
  const [inside, needle] = [held.pin?.mm, held.needle?.mm]
  if (!inside || !needle) return null
  const counted = /^\d+$/.test(held.counted.trim()) ? Number(held.counted) : null
  return { inside_mm: inside, outside_mm: null, needle_mm: needle, counted }
})
const live = useLive<Schemas['NeedlesRequest'], Schemas['NeedleCount']>(
  () => question.value,
  (asked, signal) => resultOf(api.POST('/api/calc/needles', { body: asked, signal })),
)
const answer = live.answer
</script>

<template>
  <details class="needles">
    <summary>loose needles: how many should there be?</summary>
    <div class="fields">
      <SizeInput label="pin" name="needle-pin" :size="held.pin" @change="held.pin = $event" />
      <SizeInput label="needle" name="needle-size" :size="held.needle" @change="held.needle = $event" />
      <label class="count"
        >counted
        <input v-model="held.counted" name="needle-count" class="fig" inputmode="numeric" maxlength="4"
      /></label>
    </div>
    <p v-if="live.refusal.value" class="stop">{{ live.refusal.value.message }}</p>
    <template v-else-if="answer">
      <p>
        <b class="fig big">{{ answer.count }}</b> belong{{
          answer.gap_mm ? `, ${answer.gap_mm.toFixed(2)} mm left` : ''
        }}
      </p>
      <p v-if="answer.alarm" class="att" role="alert">
        <b>{{ answer.alarm }}</b>
      </p>
      <p v-else-if="held.counted" class="good">All there.</p>
    </template>
  </details>
</template>

<style scoped>
.needles {
  margin-top: 12px;
}
summary {
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  cursor: pointer;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px;
  margin: 6px 0;
}
.count {
  font-size: 13px;
  color: var(--faint);
}
.count input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  font-size: 18px;
}
.big {
  font-size: 28px;
}
</style>
