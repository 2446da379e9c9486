<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { signed } from '@/drawing/figures'
import { number } from './figures'
import { openedWith } from './opened'

/** Limits of a bearing's rings in every class of its kind, and its clearance in every group. */
const kept = 'ample:reference:rings'
const typed = reactive<Record<'kind' | 'bore' | 'outside' | 'clearance', string>>(
  JSON.parse(
    localStorage.getItem(kept) ?? '{"kind":"radial","bore":"25","outside":"52","clearance":"deep_groove"}',
  ),
)
Object.assign(typed, openedWith(['bore', 'outside']))
const KINDS = [
  ['radial', 'radial'],
  ['taper', 'metric taper'],
  ['inch_taper', 'inch taper'],
] as const
const CLASSES: Record<string, readonly string[]> = {
  radial: ['Normal', '6', '5', '4'],
  taper: ['Normal', '6X', '5', '4'],
  inch_taper: ['4', '2', '3', '0', '00'],
}
const CLEARANCES = [
  ['deep_groove', 'deep groove'],
  ['self_aligning', 'self-aligning'],
  ['cylindrical', 'cylindrical roller'],
  ['spherical', 'spherical roller'],
  ['spherical_taper_bore', 'spherical roller, taper bore'],
  ['cylindrical_taper_bore', 'cylindrical roller, taper bore'],
] as const
const rows = ref<{ name: string; bore: string; outside: string }[]>([])
const groups = ref<{ name: string; um: string }[]>([])
const source = ref('')
const refused = ref('')
const span = (limits: Schemas['LimitsAnswer'] | null): string =>
  limits ? `${signed(limits.lower_um)} … ${signed(limits.upper_um)}` : '–'
let asked = 0
async function look(): Promise<void> {
  const mine = ++asked
  const [bore, outside] = [number(typed.bore), number(typed.outside)]
  const limits = async (ring: string, size_mm: number | null, name: string) =>
    size_mm
      ? await resultOf(
          api.POST('/api/calc/ring-limits', { body: { kind: typed.kind, ring, size_mm, class: name } }),
        )
      : { answer: null, refusal: null }
  const found = await Promise.all(
    (CLASSES[typed.kind] ?? []).map(async (name) => {
      const [inner, outer] = await Promise.all([limits('bore', bore, name), limits('outside', outside, name)])
      return { name, inner, outer }
    }),
  )
  const clearances = await Promise.all(
    ['2', 'N', '3', '4', '5'].map(async (group) => ({
      group,
      result: bore
        ? await resultOf(
            api.POST('/api/calc/internal-clearance', {
              body: { kind: typed.clearance, bore_mm: bore, group },
            }),
          )
        : { answer: null, refusal: null },
    })),
  )
  if (mine !== asked) return
  rows.value = found.map((each) => ({
    name: each.name,
    bore: span(each.inner.answer),
    outside: span(each.outer.answer),
  }))
  groups.value = clearances.flatMap(({ group, result }) =>
    result.answer
      ? [
          {
            name: group === 'N' ? 'normal' : `C${group}`,
            um: `${result.answer.min_um} … ${result.answer.max_um}`,
          },
        ]
      : [],
  )
  source.value = found[0]?.inner.answer?.source ?? ''
  refused.value = found[0]?.inner.refusal?.message ?? ''
}
watch(
  typed,
  () => {
    localStorage.setItem(kept, JSON.stringify(typed))
    void look()
  },
  { immediate: true },
)
</script>

<template>
  <article class="look" aria-label="Rings and clearances of bearings">
    <h2>Rings and clearances of bearings</h2>
    <form class="row" @submit.prevent>
      <label
        >kind
        <select v-model="typed.kind" name="ring-kind">
          <option v-for="[name, words] in KINDS" :key="name" :value="name">{{ words }}</option>
        </select></label
      >
      <label
        >bore
        <input v-model="typed.bore" name="ring-bore" class="fig" maxlength="12" autocomplete="off" />
        mm</label
      >
      <label
        >outside
        <input v-model="typed.outside" name="ring-outside" class="fig" maxlength="12" autocomplete="off" />
        mm</label
      >
    </form>
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <table>
      <thead>
        <tr>
          <th>class</th>
          <th>bore, µm</th>
          <th>outside, µm</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>{{ row.name }}</td>
          <td class="fig value">{{ row.bore }}</td>
          <td class="fig value">{{ row.outside }}</td>
        </tr>
      </tbody>
    </table>
    <p class="faint">{{ source }}</p>
    <form class="row second" @submit.prevent>
      <label
        >internal clearance of
        <select v-model="typed.clearance" name="clearance-kind">
          <option v-for="[name, words] in CLEARANCES" :key="name" :value="name">{{ words }}</option>
        </select></label
      >
    </form>
    <table v-if="groups.length">
      <thead>
        <tr>
          <th v-for="group in groups" :key="group.name">{{ group.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td v-for="group in groups" :key="group.name" class="fig value">{{ group.um }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="faint">No group of this kind at this bore.</p>
    <p class="faint">Radial, in µm, before fitting: ISO 5753-1.</p>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
.value {
  font-size: 21px;
  white-space: nowrap;
}
.second {
  margin-top: 22px;
}
</style>
