<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import FigureInput from '@/entry/FigureInput.vue'
import type { Schemas } from '@/api/client'
import { useJob } from '@/job/useJob'

/** The planes and directions of one seat, its zone and its instrument. */
const props = defineProps<{
  side: 'shaft' | 'housing'
  nominal: number
  judgement: Schemas['SeatJudgement'] | null | undefined
}>()
const seat = defineModel<Schemas['SeatSide']>({ required: true })
const job = useJob()
/** What a seat is of: it decides how much of a warm reading is warmth. */
const MATERIALS = [
  ['steel', 'steel'],
  ['grey_iron', 'cast iron'],
  ['aluminium', 'aluminium'],
  ['bronze', 'bronze'],
  ['stainless_martensitic', 'stainless, magnetic'],
  ['stainless_austenitic', 'stainless, not magnetic'],
] as const
const ROWS = ['A, at the shoulder', 'B', 'C, at the end']
const tools = computed(() =>
  job.instruments
    .filter((each) =>
      props.side === 'shaft' ? each.kind !== 'bore_gauge' : !['pi_tape', 'rule'].includes(each.kind),
    )
    .map((each) => ({
      value: each.name,
      label: `${each.name.replace(/_/g, ' ')} ±${(props.side === 'shaft' ? each.outside_u_mm : each.inside_u_mm).toFixed(3)}`,
    })),
)
const planes = computed(() => seat.value.planes ?? [])
const means = computed(() => {
  const check = props.judgement?.check
  let at = 0
  return planes.value.map((row) => (row.some((text) => text.trim()) ? check?.planes[at++] : undefined))
})
function mean(i: number): string {
  const plane = means.value[i]
  return plane ? (props.nominal + plane.mean_um / 1000).toFixed(4) : ''
}
const faultAt = computed(() =>
  props.judgement?.fault_field?.match(/planes\[(\d+)\]\[(\d+)\]|readings_mm\[(\d+)\]\[(\d+)\]/),
)
function isFault(i: number, j: number): boolean {
  const found = faultAt.value
  return Boolean(found && Number(found[1] ?? found[3]) === i && Number(found[2] ?? found[4]) === j)
}
function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || (event.key !== 'Enter' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  const fields = [...document.querySelectorAll<HTMLInputElement>('.seat-field')]
  const at = fields.indexOf(event.target as HTMLInputElement)
  const next = event.key === 'Enter' ? fields[at + 1] : fields[at + 2]
  if (next) next.focus()
  else document.querySelector<HTMLButtonElement>('.seats .go')?.focus()
}
const form = computed(() => {
  const check = props.judgement?.check
  if (!check) return ''
  return `${check.form}; out of round ${check.out_of_round_um.toFixed(1)}, taper ${check.taper_um.toFixed(1)} µm`
})
const raceway = computed(() => props.judgement?.zones.rule === 'raceway')
/** A ring that is pressed on, or stands, has a size of its own to measure. */
const ring = computed(() => ['pressed_ring', 'standing_ring'].includes(props.judgement?.zones.rule ?? ''))
const ringFault = computed(() => props.judgement?.fault_field?.endsWith('.ring') ?? false)
</script>

<template>
  <section class="fields">
    <div class="head">
      <b>{{ side }}</b>
      <label class="zone"
        >zone
        <input
          v-model="seat.zone"
          class="fig"
          maxlength="16"
          :name="`${side}-zone`"
          :placeholder="judgement?.zones.zone"
          autocomplete="off"
      /></label>
      <select v-model="seat.material" :name="`${side}-material`" :aria-label="`material of the ${side}`">
        <option v-for="[name, words] in MATERIALS" :key="name" :value="name">{{ words }}</option>
      </select>
      <Select
        v-model="seat.instrument"
        :options="tools"
        option-label="label"
        option-value="value"
        class="tool"
        :aria-label="`instrument for the ${side}`"
      />
    </div>
    <table>
      <thead>
        <tr>
          <td></td>
          <th>0°</th>
          <th>90°</th>
          <th>mean</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in planes" :key="i">
          <th>{{ ROWS[i] ?? 'DEF'[i - 3] }}</th>
          <td v-for="(_, j) in row" :key="j">
            <input
              v-model="row[j]"
              class="fig seat-field"
              :class="{ fault: isFault(i, j) }"
              maxlength="80"
              inputmode="decimal"
              autocomplete="off"
              :aria-label="`${side} ${ROWS[i] ?? i + 1}, ${j * 90}°`"
              :aria-invalid="isFault(i, j)"
              @keydown="onKey"
            />
          </td>
          <td class="fig mean">{{ mean(i) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="more">
      <label
        >set on a standard ±<FigureInput
          v-model="seat.standard_um"
          :name="`${side}-standard`"
          :label="`U of the setting standard for the ${side}, µm`"
          :least="0"
          :most="100"
        />µm</label
      >
      <label v-if="ring"
        >ring measured
        <input
          v-model="seat.ring"
          :name="`${side}-ring`"
          class="fig in-line"
          :class="{ fault: ringFault }"
          maxlength="24"
          inputmode="decimal"
          autocomplete="off"
          :aria-label="`the ring’s own ${side === 'shaft' ? 'bore' : 'outside'}`"
      /></label>
      <template v-if="raceway">
        <label
          ><FigureInput
            v-model="seat.hardness_hrc"
            :name="`${side}-hardness`"
            :label="`hardness of the ${side}, HRC`"
            :least="0"
            :most="80"
          />HRC</label
        >
        <label
          >Ra
          <FigureInput
            v-model="seat.roughness_um"
            :name="`${side}-roughness`"
            :label="`roughness of the ${side}, Ra µm`"
            :least="0"
            :most="100"
          />µm</label
        >
      </template>
    </div>
    <p v-if="judgement?.fault" class="stop" role="alert">{{ judgement.fault }}</p>
    <p v-else class="faint">{{ form || `type the readings, about ${nominal} mm` }}</p>
  </section>
</template>

<style scoped>
.fields {
  padding: 9px 20px 8px;
  min-width: 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 7px;
}
.head b {
  font-size: 15px;
}
.zone {
  font-size: 13px;
  color: var(--faint);
  white-space: nowrap;
}
.zone input {
  width: 58px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  padding: 1px 7px;
  font-size: 19px;
  color: var(--ink);
}
.zone input::placeholder {
  color: var(--hatch);
}
.head select {
  border: 1px solid var(--rule);
  background: var(--sheet);
  font-size: 14px;
  color: var(--ink);
  max-width: 88px;
}
.tool {
  margin-left: auto;
  font-size: 13px;
  max-width: 166px;
}
.tool :deep(.p-select-label) {
  padding: 3px 8px;
  font-size: 14px;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 14px;
}
thead th {
  font-size: 13px;
  color: var(--faint);
  font-weight: 500;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 1px 6px 1px 0;
  white-space: nowrap;
}
td {
  padding: 2px 8px 2px 0;
}
td input {
  width: 88px;
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 0 8px;
  height: 27px;
  font-size: 19px;
}
td input.fault {
  border-color: var(--stop);
}
.mean {
  font-size: 19px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: 13.5px;
  color: var(--faint);
  margin-top: 3px;
}
.more label {
  white-space: nowrap;
}
.in-line {
  width: 74px;
}
p {
  font-size: 13.5px;
  margin-top: 2px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
