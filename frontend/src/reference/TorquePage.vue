<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { number } from './figures'
import { openedWith } from './opened'
import ScrewHead from './ScrewHead.vue'

/** How tight a screw is made, by thread and grade; and a torque in every unit. */
const kept = 'ample:reference:torque'
const typed = reactive<Record<'thread' | 'torque' | 'unit', string>>(
  JSON.parse(localStorage.getItem(kept) ?? '{"thread":"M10","torque":"45","unit":"ft-lb"}'),
)
Object.assign(typed, openedWith(['thread']))
watch(typed, () => localStorage.setItem(kept, JSON.stringify(typed)))
const screw = useLive<{ thread: string }, Schemas['Tightening']>(
  () => (typed.thread.trim() ? { thread: typed.thread } : null),
  (body, signal) => resultOf(api.POST('/api/calc/tightening', { body, signal })),
)
const found = computed(() => (screw.refusal.value ? null : screw.answer.value))
const UNITS = ['N·m', 'ft-lb', 'in-lb', 'kgf·m'] as const
interface Torque {
  value: number
  from: string
}
const torques = useLive<Torque, { unit: string; value: number }[]>(
  () => {
    const value = number(typed.torque)
    return value !== null && value > 0 ? { value, from: typed.unit } : null
  },
  async (asked, signal) => {
    const said = await Promise.all(
      UNITS.map((to) =>
        resultOf(api.POST('/api/calc/calculate', { body: { question: 'convert', ...asked, to }, signal })),
      ),
    )
    const refusal = said.find((each) => each.refusal)?.refusal ?? null
    if (refusal) return { answer: null, refusal }
    const answer = said.map((each, at) => ({
      unit: UNITS[at] ?? '',
      value: (each.answer as { value: number } | null)?.value ?? NaN,
    }))
    return { answer, refusal: null }
  },
)
/** As closely as a torque wrench is set. */
const close = (value: number): string => (value < 10 ? value.toFixed(1) : value.toFixed(0))
const figure = (value: number): string => String(+value.toPrecision(4))
</script>

<template>
  <article class="look" aria-label="Threads and torque">
    <h2>Threads and torque</h2>
    <form class="row" @submit.prevent>
      <label
        >thread
        <input v-model="typed.thread" name="look-thread" class="fig wide" maxlength="30" autocomplete="off"
      /></label>
    </form>
    <p v-if="screw.refusal.value" class="stop" role="alert">
      {{ screw.refusal.value.message }} {{ screw.refusal.value.hint }}
    </p>
    <template v-else-if="found">
      <p class="big fig" role="status">
        {{ found.thread.words
        }}<span class="faint beside"
          >pitch {{ +found.thread.pitch_mm.toFixed(3) }} mm, stress area
          {{ found.thread.stress_area_mm2.toFixed(1) }} mm²</span
        >
      </p>
      <table>
        <thead>
          <tr>
            <th class="grade">{{ found.thread.turns_per_inch ? 'grade' : 'class' }}, mark on the head</th>
            <th>dry</th>
            <th>oiled</th>
            <th>yields over</th>
            <th>preload</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in found.grades" :key="each.grade">
            <td class="grade">
              <ScrewHead :grade="each.grade" /><span class="fig">{{ each.grade }}</span>
            </td>
            <td>
              <p class="fig value">{{ close(each.dry_nm) }} N·m</p>
              <p class="fig feet">{{ close(each.dry_ft_lb) }} ft-lb</p>
            </td>
            <td>
              <p class="fig value">{{ close(each.oiled_nm) }} N·m</p>
              <p class="fig feet">{{ close(each.oiled_ft_lb) }} ft-lb</p>
            </td>
            <td>
              <p class="fig most">{{ close(each.most_nm) }} N·m</p>
              <p class="fig feet">dry</p>
            </td>
            <td>
              <p class="fig most">{{ (each.preload_n / 1000).toFixed(1) }} kN</p>
              <p class="fig feet">{{ (each.proof_load_n / 1000).toFixed(1) }} kN proof</p>
            </td>
          </tr>
        </tbody>
      </table>
      <ul class="notes">
        <li v-for="note in found.notes" :key="note">{{ note }}</li>
      </ul>
      <p class="faint">{{ found.source }}</p>
    </template>
    <form class="row second" @submit.prevent>
      <label
        >a torque of
        <input v-model="typed.torque" name="look-torque" class="fig" maxlength="12" autocomplete="off" />
        <select v-model="typed.unit" name="look-torque-unit" aria-label="unit of the torque">
          <option v-for="each in UNITS" :key="each">{{ each }}</option>
        </select></label
      >
    </form>
    <p v-if="torques.refusal.value" class="stop" role="alert">{{ torques.refusal.value.message }}</p>
    <p v-else-if="torques.answer.value" class="same fig" role="status">
      <span v-for="each in torques.answer.value.filter((own) => own.unit !== typed.unit)" :key="each.unit"
        >{{ figure(each.value) }} {{ each.unit }}</span
      >
    </p>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
.row .wide {
  width: 180px;
}
.beside {
  font-size: 15px;
  margin-left: 18px;
}
.grade {
  white-space: nowrap;
}
.grade .fig {
  font-size: 24px;
  vertical-align: middle;
  margin-left: 12px;
}
td {
  padding-right: 26px;
  white-space: nowrap;
}
.value {
  font-size: 30px;
  line-height: 1.1;
}
.most {
  font-size: 19px;
}
.feet {
  font-size: 16px;
  color: var(--faint);
}
.second select {
  margin-left: -1px;
  vertical-align: bottom;
}
.notes {
  margin: 14px 0 0;
  padding: 0;
  list-style: none;
  font-size: 15px;
}
.second {
  margin-top: 22px;
  border-top: 1px solid var(--rule);
  padding-top: 16px;
}
.same {
  font-size: 26px;
  margin-top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 34px;
}
</style>
