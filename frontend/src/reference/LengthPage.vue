<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'

/** A length as a person writes it, in both units, with the usual sizes near it. */
const kept = 'ample:reference:length'
const text = ref(localStorage.getItem(kept) ?? '1 1/8')
watch(text, (now) => localStorage.setItem(kept, now))
const live = useLive<{ text: string; unit: 'mm' }, Schemas['LengthAnswer']>(
  () => (text.value.trim() ? { text: text.value, unit: 'mm' } : null),
  (body, signal) => resultOf(api.POST('/api/calc/length', { body, signal })),
)
const found = computed(() => (live.refusal.value ? null : live.answer.value))
const off = (mm: number): string => `${mm > 0 ? '+' : mm < 0 ? '−' : ''}${Math.abs(mm).toFixed(3)}`
</script>

<template>
  <article class="look" aria-label="Lengths">
    <h2>Lengths</h2>
    <form class="row" @submit.prevent>
      <label
        >length <input v-model="text" name="look-length" class="fig wide" maxlength="60" autocomplete="off"
      /></label>
    </form>
    <p v-if="live.refusal.value" class="stop" role="alert">
      {{ live.refusal.value.message }} {{ live.refusal.value.hint }}
    </p>
    <template v-else-if="found">
      <p class="big fig" role="status">{{ +found.mm.toFixed(4) }} mm</p>
      <p class="big fig">{{ +found.inch.toFixed(5) }} in</p>
      <table v-if="found.nearest.length">
        <thead>
          <tr>
            <th>usual size</th>
            <th>mm</th>
            <th>it is off by, mm</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in found.nearest" :key="each.text">
            <td class="fig near">{{ each.text }}</td>
            <td class="fig">{{ +each.mm.toFixed(4) }}</td>
            <td class="fig">{{ off(each.off_mm) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p class="faint">Write it as you read it: 28.6, 1 1/8, 1.125 in, 12 thou, Ø40.</p>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
.row .wide {
  width: 220px;
}
.near {
  font-size: 20px;
}
</style>
