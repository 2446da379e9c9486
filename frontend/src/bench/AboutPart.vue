<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import { useJob } from '@/job/useJob'
import { useHand } from '@/shell/hand'
import NeedleCount from './NeedleCount.vue'
import SeatField from './SeatField.vue'
import { SEATS, type Feature, type Pending } from './useBench'

/** Beside the drawing: what shape the part is in, what it is read with, what it sat on. */
type Condition = NonNullable<Schemas['BenchSheet']['condition']>
const props = defineProps<{
  condition: Schemas['BenchSheet']['condition']
  answer: Schemas['IdentifyAnswer'] | null
  faults: Partial<Record<string, string>>
  instrument: string
  looseNeedles: boolean
}>()
const pending = defineModel<Pending>('pending', { required: true })
const emit = defineEmits<{
  condition: [condition: Condition]
  instrument: [name: string]
  take: [feature: Feature]
  drop: [feature: Feature]
  leave: [feature: Feature]
  focus: [feature: Feature]
}>()
const job = useJob()
const hand = useHand()
const CONDITIONS = [
  ['', 'not said'],
  ['new', 'as new'],
  ['worn', 'worn'],
  ['spun', 'spun'],
  ['rusty', 'rusty'],
] as const
const SEAT_WORDS = { shaft_seat: 'shaft', housing_seat: 'housing' } as const
const instruments = computed(() =>
  job.instruments.map((each) => ({ value: each.name, label: each.name.replace(/_/g, ' ') })),
)
const held = computed(() => job.instruments.find((each) => each.name === props.instrument))
</script>

<template>
  <aside class="about">
    <h2>condition</h2>
    <ChoiceChips
      label="condition"
      :options="CONDITIONS"
      :chosen="condition ?? ''"
      @choose="emit('condition', $event as Condition)"
    />
    <h2>read with</h2>
    <Select
      :model-value="held?.name"
      :options="instruments"
      option-label="label"
      option-value="value"
      class="tool"
      aria-label="instrument"
      @update:model-value="(name: string) => emit('instrument', name)"
    />
    <p class="faint" :class="{ att: held?.overdue }">{{ held?.words }}</p>
    <h2>it sat on</h2>
    <SeatField
      v-for="name in SEATS"
      :key="name"
      :model-value="pending[name] ?? ''"
      :words="SEAT_WORDS[name]"
      :name="name"
      :unit="hand.unit"
      :worth="answer?.readings.find((each) => each.feature === name)"
      :fault="faults[name]"
      :next="answer?.next_measurement?.feature === name"
      @update:model-value="(typed: string) => (pending[name] = typed)"
      @take="emit('take', name)"
      @drop="emit('drop', name)"
      @leave="emit('leave', name)"
      @focus="emit('focus', name)"
    />
    <NeedleCount v-if="looseNeedles" />
  </aside>
</template>

<style scoped>
.about {
  position: absolute;
  right: 20px;
  top: 16px;
  width: 196px;
  font-size: 14px;
}
.about h2 {
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  margin-bottom: 5px;
}
.about h2:not(:first-child) {
  margin-top: 14px;
}
.tool {
  width: 100%;
  margin-bottom: 4px;
}
</style>
