<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { percent } from '@/entry/lengths'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import { MEDIA, mediumWords } from './media'
import { NO_RUBBER } from './rubber'

/** Which rubber it can be, by what hand, eye and scale tell; and what that means for the order. Kept with the part. */
type Question = Schemas['RubberRequest']
type Seen = Schemas['RubberSeen']
defineProps<{ material: string }>()
const seen = defineModel<Schemas['BenchSheet']['rubber']>('seen', { required: true })
const medium = defineModel<Schemas['BenchSheet']['medium']>('medium', { required: true })
const emit = defineEmits<{ material: [rubber: string] }>()
const COLOURS = ['black', 'brown', 'green', 'red', 'blue', 'white', 'other'] as const
const NUMBERS = ['hardness_shore_a', 'mass_air_g', 'mass_water_g'] as const
const kept = computed<Seen>(() => ({ ...NO_RUBBER, ...seen.value }))
/** As it is typed: what is no number yet stands here and is not kept. */
const typed = reactive<Record<(typeof NUMBERS)[number], string>>({
  hardness_shore_a: '',
  mass_air_g: '',
  mass_water_g: '',
})
function number(text: string): number | null {
  const clean = text.trim().replace(',', '.')
  return /^-?\d+(\.\d+)?$/.test(clean) ? Number(clean) : null
}
const keep = (part: Partial<Seen>) => (seen.value = { ...kept.value, ...part })
watch(
  kept,
  (now) => {
    for (const name of NUMBERS)
      if (number(typed[name]) !== now[name]) typed[name] = now[name] === null ? '' : String(now[name])
  },
  { immediate: true },
)
const LIMITS = { hardness_shore_a: [10, 100], mass_air_g: [0.001, 100_000], mass_water_g: [-100, 100_000] }
function take(name: (typeof NUMBERS)[number], text: string): void {
  typed[name] = text
  const value = number(text)
  const [least, most] = LIMITS[name] as [number, number]
  const good = value === null ? text.trim() === '' : value >= least && value <= most
  if (good && value !== kept.value[name]) keep({ [name]: value })
}
const wrong = (name: (typeof NUMBERS)[number]) => number(typed[name]) !== kept.value[name]
const question = computed<Question | null>(() => {
  const now = kept.value
  const both = now.mass_air_g !== null && now.mass_water_g !== null
  const asked: Question = {
    hardness_shore_a: now.hardness_shore_a,
    hardened: now.hardened,
    colour: now.colour,
    stood_in: medium.value ?? '',
    swelling: now.swelling,
    heat_c: null,
    mass_air_g: both ? now.mass_air_g : null,
    mass_water_g: both ? now.mass_water_g : null,
    scale_g: 0.01,
  }
  const said = [asked.hardness_shore_a, asked.mass_air_g, now.colour || null, medium.value || null]
  return said.some((each) => each !== null) ? asked : null
})
const live = useLive<Question, Schemas['RubberAnswer']>(
  () => question.value,
  (asked, signal) => resultOf(api.POST('/api/calc/rubber', { body: asked, signal })),
)
const answer = live.answer
const best = computed(() => answer.value?.chances[0]?.rubber ?? '')
</script>

<template>
  <details class="rubber">
    <summary>Which rubber is it?</summary>
    <div class="paper">
      <div class="fields">
        <label
          v-for="[name, words] in [
            ['hardness_shore_a', 'Shore A'],
            ['mass_air_g', 'in air, g'],
            ['mass_water_g', 'in water, g'],
          ] as const"
          :key="name"
          >{{ words
          }}<input
            :value="typed[name]"
            :name="name"
            class="fig"
            inputmode="decimal"
            maxlength="8"
            :aria-invalid="wrong(name)"
            @input="take(name, ($event.target as HTMLInputElement).value)"
        /></label>
        <label
          >medium
          <select v-model="medium" name="stood-in">
            <option value="">not known</option>
            <option v-for="each in MEDIA" :key="each" :value="each">{{ mediumWords(each) }}</option>
          </select></label
        >
        <label
          >swelled
          <select
            :value="kept.swelling"
            name="swelling"
            @change="keep({ swelling: ($event.target as HTMLSelectElement).value as Seen['swelling'] })"
          >
            <option value="">not stated</option>
            <option value="none">no</option>
            <option value="some">some</option>
            <option value="much">much</option>
          </select></label
        >
        <label
          >colour
          <select
            :value="kept.colour"
            name="colour"
            @change="keep({ colour: ($event.target as HTMLSelectElement).value as Seen['colour'] })"
          >
            <option value="">not stated</option>
            <option v-for="each in COLOURS" :key="each" :value="each">{{ each }}</option>
          </select></label
        >
        <label class="tick"
          ><input
            :checked="kept.hardened"
            type="checkbox"
            name="hardened"
            @change="keep({ hardened: ($event.target as HTMLInputElement).checked })"
          />
          hardened with age</label
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
            <b class="fig">{{ each.rubber === 'other' ? '–' : each.rubber }}</b> <span>{{ each.words }}</span>
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
        <p><ReferenceLink question="look-media" words="rubbers and media" :given="{ medium }" /></p>
      </template>
      <p v-if="answer?.settled && best !== material" class="use">
        <button type="button" class="chip" @click="emit('material', best)">Take {{ best }}</button>
      </p>
      <p v-if="!answer && !live.refusal.value" class="faint">
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
  max-height: 440px;
  overflow-y: auto;
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
[aria-invalid='true'] {
  color: var(--attention);
}
</style>
