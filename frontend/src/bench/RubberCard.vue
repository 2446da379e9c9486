<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { percent } from '@/entry/lengths'
import { MEDIA } from './media'

/** Which rubber it can be, by what hand, eye and scale tell; and what that means for the order. */
type Question = Schemas['RubberRequest']
const COLOURS = ['black', 'brown', 'green', 'red', 'blue', 'white', 'other']
const held = reactive({
  hardness: '',
  colour: '',
  stood: '',
  swelling: '',
  air: '',
  water: '',
  hardened: false,
})
function number(text: string): number | null {
  const clean = text.trim().replace(',', '.')
  return /^-?\d+(\.\d+)?$/.test(clean) ? Number(clean) : null
}
const question = computed<Question | null>(() => {
  const [air, water] = [number(held.air), number(held.water)]
  const asked: Question = {
    hardness_shore_a: number(held.hardness),
    hardened: held.hardened,
    colour: held.colour,
    stood_in: held.stood,
    swelling: held.swelling,
    heat_c: null,
    mass_air_g: air !== null && water !== null ? air : null,
    mass_water_g: air !== null && water !== null ? water : null,
    scale_g: 0.01,
  }
  const said = [asked.hardness_shore_a, asked.mass_air_g, held.colour || null, held.stood || null]
  return said.some((each) => each !== null) ? asked : null
})
const live = useLive<Question, Schemas['RubberAnswer']>(
  () => question.value,
  (asked, signal) => resultOf(api.POST('/api/calc/rubber', { body: asked, signal })),
)
const answer = live.answer
const words = (name: string): string => name.replace(/_/g, ' ')
</script>

<template>
  <details class="rubber">
    <summary>Which rubber is it?</summary>
    <div class="paper">
      <div class="fields">
        <label
          >Shore A<input
            v-model="held.hardness"
            name="hardness"
            class="fig"
            inputmode="decimal"
            maxlength="5"
        /></label>
        <label
          >in air, g<input v-model="held.air" name="mass-air" class="fig" inputmode="decimal" maxlength="8"
        /></label>
        <label
          >in water, g<input
            v-model="held.water"
            name="mass-water"
            class="fig"
            inputmode="decimal"
            maxlength="8"
        /></label>
        <label
          >medium
          <select v-model="held.stood" name="stood-in">
            <option value="">not known</option>
            <option v-for="each in MEDIA" :key="each" :value="each">{{ words(each) }}</option>
          </select></label
        >
        <label
          >swelled
          <select v-model="held.swelling" name="swelling">
            <option value="">not stated</option>
            <option value="none">no</option>
            <option value="some">some</option>
            <option value="much">much</option>
          </select></label
        >
        <label
          >colour
          <select v-model="held.colour" name="colour">
            <option value="">not stated</option>
            <option v-for="each in COLOURS" :key="each" :value="each">{{ each }}</option>
          </select></label
        >
        <label class="tick"
          ><input v-model="held.hardened" type="checkbox" name="hardened" /> hardened with age</label
        >
      </div>
      <p v-if="live.refusal.value" class="stop" role="alert">{{ live.refusal.value.message }}</p>
      <template v-else-if="answer">
        <p v-if="answer.density_g_cm3" class="density">
          <b class="fig">{{ answer.density_g_cm3.toFixed(2) }}</b> g/cm³ ±{{
            (2 * (answer.density_doubt_g_cm3 ?? 0)).toFixed(2)
          }}
        </p>
        <ol>
          <li v-for="each in answer.chances.slice(0, 4)" :key="each.rubber">
            <b class="fig">{{ each.rubber }}</b> <span>{{ each.words }}</span>
            <span class="fig p">{{ percent(each.probability) }}</span>
            <i :style="{ width: `${each.probability * 100}%` }"></i>
          </li>
        </ol>
        <p
          v-for="(each, i) in answer.words"
          :key="each"
          :class="{ first: i === 0, good: i === 0 && answer.settled }"
        >
          {{ each }}
        </p>
      </template>
      <p v-else class="faint">
        Weigh it in air and hung in water on a thread: density tells fluoro rubber and PTFE from the others,
        and nothing else.
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  position: absolute; /* on the line of the first heading: no row of its own */
  right: 0;
  top: 0;
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  cursor: pointer;
}
.paper {
  position: absolute;
  right: 0;
  top: 8px;
  width: 430px;
  z-index: 5;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 14px 18px;
  font-size: 15px;
}
.rubber[open] summary {
  position: absolute;
  right: 12px;
  top: 14px;
  z-index: 6;
  color: var(--action);
}
.rubber[open] summary::after {
  content: ' ×';
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px 12px;
  margin: 22px 0 8px;
}
label {
  font-size: 13px;
  color: var(--faint);
  display: grid;
}
.tick {
  grid-column: 1 / -1;
  display: flex;
  gap: 6px;
  align-items: center;
}
.fields input:not([type]),
select {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  font-size: 18px;
  height: 30px;
  color: inherit;
}
ol {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 64px 1fr auto;
  align-items: baseline;
  margin-bottom: 4px;
}
li b {
  font-size: 20px;
}
li i {
  grid-column: 1 / -1;
  height: 4px;
  background: var(--action);
}
.density b {
  font-size: 28px;
}
p {
  margin: 4px 0;
}
.first {
  font-weight: 600;
}
</style>
