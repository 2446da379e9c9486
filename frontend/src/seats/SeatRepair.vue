<script setup lang="ts">
import FigureInput from '@/entry/FigureInput.vue'
import type { SeatSheet } from './useSeats'

/** Of a rejected seat: the retaining compound in hand, and the sheet for the machine shop. */
defineProps<{ partId: number; side: 'shaft' | 'housing' }>()
const held = defineModel<SeatSheet>({ required: true })
const FORMS = ['pdf', 'dxf', 'svg'] as const
</script>

<template>
  <p class="compound">
    compound in hand bridges
    <FigureInput
      v-model="held.compound_um"
      :name="`${side}-compound`"
      label="gap that the compound in hand bridges, µm on the diameter"
      :least="1"
      :most="5000"
    />µm, to
    <FigureInput
      v-model="held.compound_c"
      :name="`${side}-compound-c`"
      label="heat that the compound withstands, °C"
      :least="0"
      :most="500"
    />°C
  </p>
  <p class="papers">
    Machine-shop sheet:
    <a
      v-for="form in FORMS"
      :key="form"
      class="plain"
      :href="`/api/parts/${partId}/shop-sheet/${side}/${form}`"
      download
      >{{ form.toUpperCase() }}</a
    >
  </p>
</template>

<style scoped>
.compound {
  font-size: 14.5px;
  color: var(--faint);
  margin-top: 5px;
}
.papers {
  display: flex;
  gap: 12px;
  font-size: 15px;
  margin-top: 6px;
}
</style>
