<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import ChipGroup from '@/entry/ChipGroup.vue'
import RefusedNote from '@/entry/RefusedNote.vue'
import { ORIGINS } from '@/job/origins'
import { useTrade } from '@/job/useTrade'
import BuildQuestion from './BuildQuestion.vue'
import EarlierNotes from './EarlierNotes.vue'
import { toggled, type TakeInSheet } from './useTakeIn'

/** What the unit is, whose, what is wrong, what is stored in it and what is planned. */
defineProps<{
  number: string
  model: Schemas['UnitModel'] | null
  models: Schemas['UnitModel'][]
  refused: readonly Schemas['Refusal'][]
  notUnderstood: readonly string[]
}>()
const emit = defineEmits<{ newModel: [] }>()
const sheet = defineModel<TakeInSheet>({ required: true })
const trade = useTrade()
const LISTS = [
  ['energy', 'energies', 'stored in it'],
  ['fluid', 'fluids', 'contents'],
  ['work', 'works', 'work planned'],
  ['duty', 'duties', 'duty'],
] as const
const ACCESS = [
  { name: 'cheap', words: 'low' },
  { name: 'costly', words: 'high' },
]
const wordsOf = (kind: string) => (trade.tables?.words ?? []).filter((each) => each.kind === kind)
/** A kind of unit brings what usually belongs to it; nothing that was ticked goes. */
function pickUnit(event: Event): void {
  const unit = (event.target as HTMLSelectElement).value
  const known = trade.tables?.units.find((each) => each.unit === unit)
  sheet.value.unit = unit
  if (!known) return
  sheet.value.energies = [...new Set([...sheet.value.energies, ...known.energies])]
  sheet.value.fluids = [...new Set([...sheet.value.fluids, ...known.fluids])]
}
const days = computed({
  get: () => (sheet.value.lie_open_days === null ? '' : String(sheet.value.lie_open_days)),
  set: (text: string) => {
    const value = Math.round(Number(text))
    sheet.value.lie_open_days = text.trim() === '' || !(value >= 0 && value <= 3650) ? null : value
  },
})
const TIMES = /^\s*(\d{1,3})\s*[x×*]\s+(\S.*)$/i
const spares = computed(() =>
  sheet.value.spares
    .map((each) => ((each.quantity ?? 1) > 1 ? `${each.quantity} x ${each.name}` : each.name))
    .join('\n'),
)
function needs(event: Event): void {
  const rows = (event.target as HTMLTextAreaElement).value.split('\n').map((row) => row.trim())
  sheet.value.spares = rows
    .filter((row) => row.length > 1)
    .slice(0, 60)
    .map((row) => {
      const times = TIMES.exec(row)
      const name = (times?.[2] ?? row).slice(0, 80)
      return { name, quantity: times ? Math.max(1, Number(times[1])) : 1 }
    })
}
/** How many of them are on this job: what one needs is ordered for all. */
const alike = computed({
  get: () => String(sheet.value.units_alike),
  set: (text: string) => {
    const value = Math.round(Number(text))
    if (value >= 1 && value <= 99) sheet.value.units_alike = value
  },
})
</script>

<template>
  <section class="unit" aria-label="the unit">
    <input v-model="sheet.title" class="title" name="title" maxlength="80" aria-label="unit" />
    <textarea
      v-model="sheet.symptom"
      name="symptom"
      maxlength="200"
      rows="2"
      aria-label="symptom, in the customer's words"
      placeholder="symptom, in the customer's words"
    />
    <EarlierNotes :number="number" :serial="sheet.serial" />
    <div class="pairs">
      <label
        >kind
        <select name="unit" :value="sheet.unit" @change="pickUnit">
          <option v-for="each in trade.tables?.units" :key="each.unit" :value="each.unit">
            {{ each.words }}
          </option>
        </select>
      </label>
      <label>owner<input v-model="sheet.owner" name="owner" maxlength="80" /></label>
      <label>model<input v-model="sheet.model" name="model" maxlength="60" list="models" /></label>
      <label>serial<input v-model="sheet.serial" name="serial" maxlength="60" /></label>
      <label class="wide">maker's plate<input v-model="sheet.plate" name="plate" maxlength="200" /></label>
      <label
        >machine built in
        <select v-model="sheet.built_in" name="built-in">
          <option value="">not known</option>
          <option v-for="[name, words] in ORIGINS" :key="name" :value="name">{{ words }}</option>
        </select>
      </label>
      <label>since<input v-model="sheet.since" name="since" maxlength="60" /></label>
      <label>max. downtime, days<input v-model="days" name="lie-open" inputmode="numeric" /></label>
      <label>identical units<input v-model="alike" name="units-alike" inputmode="numeric" /></label>
      <RouterLink class="plain past" :to="{ name: 'job-history', params: { number } }"
        >history of the unit <kbd>h</kbd></RouterLink
      >
    </div>
    <datalist id="models"><option v-for="each in models" :key="each.name" :value="each.name" /></datalist>
    <ChipGroup
      words="cost of rework"
      :options="ACCESS"
      :chosen="[sheet.access]"
      @toggle="sheet.access = $event as TakeInSheet['access']"
    />
    <BuildQuestion v-if="model?.builds.length" v-model="sheet.build" :model="model" />
    <button v-else-if="sheet.model.trim()" type="button" class="plain" @click="emit('newModel')">
      {{ sheet.model }} is known in several builds
    </button>
    <ChipGroup
      v-for="[kind, list, words] in LISTS"
      :key="kind"
      :words="words"
      :options="wordsOf(kind)"
      :chosen="sheet[list]"
      @toggle="sheet[list] = toggled(sheet[list], $event)"
    />
    <label class="planned"
      >parts needed, one per row
      <textarea
        :value="spares"
        name="spares"
        :rows="Math.min(8, Math.max(2, sheet.spares.length))"
        placeholder="2 x 30206"
        @change="needs"
      />
    </label>
    <label class="planned"
      >planned work
      <textarea v-model="sheet.planned" name="planned" rows="2" maxlength="2000" />
    </label>
    <RefusedNote :refused="refused" :not-understood="notUnderstood" />
    <label class="planned"
      >note for the next person<textarea
        v-model="sheet.note_next"
        name="note-next"
        rows="2"
        maxlength="2000"
      />
    </label>
  </section>
</template>

<style scoped>
.title {
  font-size: 27px;
  font-stretch: 84%;
  font-weight: 680;
}
input,
textarea,
select {
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  width: 100%;
  font-size: 16px;
  color: var(--ink);
  resize: none;
}
select {
  font-stretch: 86%;
}
.pairs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 7px 18px;
}
label {
  display: grid;
  font-size: 13px;
  color: var(--faint);
}
.wide {
  grid-column: 1 / -1;
}
.past {
  align-self: end;
  padding-bottom: 6px;
  white-space: nowrap;
}
</style>
