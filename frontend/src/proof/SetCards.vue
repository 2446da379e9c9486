<script setup lang="ts">
import type { Schemas } from '@/api/client'
import DialGauge from '@/drawing/DialGauge.vue'
import LazyInput from '@/entry/LazyInput.vue'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import FigureInput from '@/entry/FigureInput.vue'
import type { Proof } from './useProof'

/** Set points and end plays, each as a dial: band, needle, and what to turn or to shim. */
const sheet = defineModel<Proof>({ required: true })
const props = defineProps<{
  points: Map<string, Schemas['SetJudged']>
  plays: Map<string, Schemas['EndPlay'] | null>
}>()
defineEmits<{ remove: [rows: 'set_points' | 'plays', key: string] }>()
const STATES = {
  open: 'not measured',
  low: 'too low',
  right: 'right',
  high: 'too high',
  unsure: 'cannot be decided',
}
const figures = (value: number): string => String(Number(value.toPrecision(3)))
function pointWords(key: string): string {
  const found = props.points.get(key)
  if (!found || found.value === null) return 'not read'
  return `${figures(found.value)}${found.uncertainty ? ` ±${Number(found.uncertainty.toPrecision(2))}` : ''}, ${STATES[found.state]}`
}
function playWords(key: string): string {
  const found = props.plays.get(key)
  if (!found) return 'not read'
  return `${found.play_mm.toFixed(3)} ±${found.uncertainty_mm.toFixed(3)} mm, ${found.decision}${found.sure ? '' : ', cannot be decided'}`
}
function remedy(key: string): string {
  const found = props.plays.get(key)
  if (!found || found.decision === 'right') return ''
  const shim = found.shim_change_mm
  const words = [`${shim > 0 ? 'add' : 'remove'} ${Math.abs(shim).toFixed(3)} mm of shim`]
  if (found.leaves.length) words[0] += ` (${found.leaves.join(' + ')})`
  if (found.turn_deg !== null)
    words.push(`or nut ${found.turn_deg > 0 ? 'back' : 'on'} ${Math.abs(found.turn_deg).toFixed(0)}°`)
  return words.join(' ')
}
/** What the page of the shim is opened with: the play as it is, and the middle of what is wanted. */
function shimmed(row: Proof['plays'][number]): Record<string, number | undefined> {
  const [least, most] = [row.least_mm, row.most_mm]
  return {
    measured_mm: props.plays.get(row.key)?.play_mm,
    wanted_mm: least != null && most != null ? (least + most) / 2 : undefined,
  }
}
/** The readings with an empty field after them. */
function shown(readings: string[] | undefined): string[] {
  const read = readings ?? []
  return [...read, ...(read.length && !read.at(-1) ? [] : [''])].slice(0, 8)
}
function typed(row: { readings?: string[] }, at: number, text: string): void {
  const readings = [...(row.readings ?? [])]
  readings[at] = text
  row.readings = readings
}
</script>

<template>
  <div class="cards">
    <article v-for="row in sheet.set_points" :key="row.key">
      <header>
        <input
          v-model="row.what"
          name="set-point"
          maxlength="80"
          placeholder="what is set?"
          aria-label="what is set"
        />
        <button
          type="button"
          class="gone"
          :aria-label="`delete ${row.what || 'it'}`"
          @click="$emit('remove', 'set_points', row.key)"
        >
          ×
        </button>
      </header>
      <DialGauge
        :least="row.least ?? null"
        :most="row.most ?? null"
        :value="points.get(row.key)?.value ?? null"
        :uncertainty="points.get(row.key)?.uncertainty ?? null"
        :unit="row.unit ?? ''"
        :wrong="['low', 'high'].includes(points.get(row.key)?.state ?? '')"
        :words="`${row.what}: ${pointWords(row.key)}`"
      />
      <p
        class="is"
        :class="{
          good: points.get(row.key)?.state === 'right',
          att: ['low', 'high'].includes(points.get(row.key)?.state ?? ''),
        }"
      >
        {{ pointWords(row.key) }}
      </p>
      <p class="fields">
        <FigureInput v-model="row.least" name="least" label="from" :least="-1000000" :most="1000000" />to
        <FigureInput v-model="row.most" name="most" label="to" :least="-1000000" :most="1000000" />
        <input v-model="row.unit" name="unit" maxlength="12" class="unit" aria-label="unit" />
        ±<FigureInput
          v-model="row.doubt"
          name="doubt"
          label="measurement uncertainty"
          :least="0"
          :most="100000"
        />
      </p>
      <p class="fields">
        read
        <LazyInput
          v-for="(text, i) in shown(row.readings)"
          :key="i"
          class="fig reading"
          :name="`reading-${i}`"
          inputmode="decimal"
          maxlength="20"
          :aria-label="`reading ${i + 1}`"
          :value="text"
          @take="(read) => typed(row, i, read)"
        />
      </p>
      <input
        v-model="row.note"
        name="note"
        maxlength="200"
        class="noted"
        placeholder="note"
        aria-label="note"
      />
      <label class="loose"
        ><input v-model="row.left_loose" type="checkbox" name="loose" /> left loose until then</label
      >
    </article>
    <article v-for="row in sheet.plays" :key="row.key">
      <header>
        <input
          v-model="row.what"
          name="play"
          maxlength="80"
          placeholder="end play of what?"
          aria-label="end play of what"
        />
        <button
          type="button"
          class="gone"
          :aria-label="`delete ${row.what || 'it'}`"
          @click="$emit('remove', 'plays', row.key)"
        >
          ×
        </button>
      </header>
      <DialGauge
        :least="row.least_mm ?? null"
        :most="row.most_mm ?? null"
        :value="plays.get(row.key)?.play_mm ?? null"
        :uncertainty="plays.get(row.key)?.uncertainty_mm ?? null"
        unit="mm"
        :wrong="['tight', 'loose'].includes(plays.get(row.key)?.decision ?? '')"
        :words="`${row.what}: ${playWords(row.key)}`"
      />
      <p
        class="is"
        :class="{
          good: plays.get(row.key)?.decision === 'right',
          att: ['tight', 'loose'].includes(plays.get(row.key)?.decision ?? ''),
        }"
      >
        {{ playWords(row.key) }}
      </p>
      <p v-if="remedy(row.key)" class="remedy">
        {{ remedy(row.key) }}
        <ReferenceLink question="shim_change_for_end_play" words="how" :given="shimmed(row)" />
      </p>
      <p class="fields">
        <FigureInput v-model="row.least_mm" name="least-play" label="least play" :least="-50" :most="50" />to
        <FigureInput v-model="row.most_mm" name="most-play" label="most play" :least="-50" :most="50" />mm,
        pitch
        <FigureInput v-model="row.pitch_mm" name="pitch" label="pitch of the nut" :least="0.1" :most="50" />
      </p>
      <p v-for="(pair, i) in row.pairs" :key="i" class="fields">
        pushed
        <input
          v-model.lazy="pair.pushed"
          class="fig reading"
          :name="`pushed-${i}`"
          maxlength="20"
          :aria-label="`pushed ${i + 1}`"
        />
        pulled
        <input
          v-model.lazy="pair.pulled"
          class="fig reading"
          :name="`pulled-${i}`"
          maxlength="20"
          :aria-label="`pulled ${i + 1}`"
        />
        <button
          v-if="i === (row.pairs ?? []).length - 1 && i < 11"
          type="button"
          class="plain"
          @click="row.pairs = [...(row.pairs ?? []), { pushed: '', pulled: '' }]"
        >
          again
        </button>
      </p>
      <p class="fields">
        leaves
        <input
          v-model.lazy="row.leaves"
          name="leaves"
          maxlength="120"
          class="leaves"
          placeholder="0.05 0.1 0.2"
          aria-label="shims available, mm"
        />
      </p>
    </article>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(248px, 1fr));
  border-bottom: 1px solid var(--rule);
}
article {
  border-right: 1px solid var(--rule);
  padding: 10px 16px 12px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
header {
  display: flex;
}
header input {
  flex: 1;
  min-width: 0;
  font-weight: 650;
  font-size: 16px;
}
svg {
  align-self: center;
}
.is {
  font-size: 19px;
  font-stretch: 82%;
  font-weight: 650;
}
.remedy {
  font-size: 17px;
  font-weight: 650;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: baseline;
  font-size: 14px;
  color: var(--faint);
}
input:not([type]) {
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 2px;
}
input:focus {
  border-color: var(--action);
}
.reading {
  width: 58px;
  font-size: 18px;
}
.unit {
  width: 44px;
}
.leaves {
  flex: 1;
}
.gone {
  font-size: 18px;
  color: var(--faint);
}
.noted {
  font-size: 14px;
}
.loose {
  font-size: 14px;
  color: var(--faint);
}
</style>
