<script setup lang="ts">
import FigureInput from '@/entry/FigureInput.vue'
import type { SeatSheet } from './useSeats'

/** The load case and how the bearing runs: what turns, how hard, how warm. */
defineProps<{ taper: boolean }>()
const held = defineModel<SeatSheet>({ required: true })
const TURNS = [
  ['shaft', 'shaft rotates'],
  ['housing', 'housing rotates'],
  ['shaking', 'indeterminate'],
] as const
const LOADS = ['light', 'normal', 'heavy'] as const
</script>

<template>
  <div class="duty" role="group" aria-label="load case">
    <button
      v-for="[name, words] in TURNS"
      :key="name"
      type="button"
      class="chip"
      :aria-pressed="held.turning === name"
      @click="held.turning = name"
    >
      {{ words }}
    </button>
    <i></i>
    <button
      v-for="name in LOADS"
      :key="name"
      type="button"
      class="chip"
      :aria-pressed="held.load === name"
      @click="held.load = name"
    >
      {{ name }} load
    </button>
    <i></i>
    <button type="button" class="chip" :aria-pressed="held.slides" @click="held.slides = !held.slides">
      floating ring
    </button>
    <button type="button" class="chip" :aria-pressed="held.split" @click="held.split = !held.split">
      split housing
    </button>
    <span class="figures">
      <label>
        load
        <FigureInput
          v-model="held.radial_n"
          name="radial_n"
          label="radial load, N"
          :least="0"
          :most="999999"
        />N
      </label>
      <label>
        inner ring warmer by
        <FigureInput
          :model-value="held.warmer_inner_k"
          name="warmer_inner_k"
          label="inner ring warmer than the outer by, K"
          :least="-20"
          :most="100"
          @update:model-value="(k) => (held.warmer_inner_k = k ?? 10)"
        />K
      </label>
      <label>
        parts run at
        <FigureInput
          v-model="held.running_c"
          name="running_c"
          label="parts run at, °C"
          :least="-60"
          :most="300"
        />°C
      </label>
      <label>
        hole in the shaft Ø
        <FigureInput
          :model-value="held.hollow_mm || null"
          name="hollow_mm"
          label="hole in the shaft, mm"
          :least="0"
          :most="500"
          @update:model-value="(mm) => (held.hollow_mm = mm ?? 0)"
        />mm
      </label>
      <label v-if="taper">
        shaft under the sleeve
        <input
          v-model="held.sleeve_bore"
          name="sleeve_bore"
          class="fig in-line"
          maxlength="24"
          autocomplete="off"
        />
      </label>
    </span>
  </div>
</template>

<style scoped>
.duty {
  display: flex;
  gap: 4px;
  padding: 6px 20px;
  border-top: 1px solid var(--rule);
  align-items: center;
  flex-wrap: wrap;
}
.chip {
  padding: 2px 8px;
}
i {
  width: 10px;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  width: 100%;
  font-size: 14px;
  color: var(--faint);
  padding-top: 2px;
}
.figures label {
  white-space: nowrap;
}
.in-line {
  width: 84px;
}
</style>
