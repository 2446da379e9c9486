<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import { useJob } from '@/job/useJob'
import { useHand } from '@/shell/hand'
import { stateWords, type RingState } from '@/drawing/seals'
import { useKinds } from '@/job/useKinds'
import NeedleCount from './NeedleCount.vue'
import RubberCard from './RubberCard.vue'
import SeatField from './SeatField.vue'
import { SEATS, type Feature, type Pending } from './useBench'

/** Beside the drawing: what shape the part is in, what it is measured with, its mating sizes. */
type Condition = NonNullable<Schemas['BenchSheet']['condition']>
const props = defineProps<{
  family: string
  /** The kind that is drawn: it may call a feature by words of its own. */
  kind: string
  /** Features beside those on the drawing. */
  beside: readonly Feature[]
  /** How the part can be drawn: by itself, or in its groove. */
  states: readonly RingState[]
  condition: Schemas['BenchSheet']['condition']
  answer: Schemas['IdentifyAnswer'] | null
  faults: Partial<Record<string, string>>
  instrument: string
  looseNeedles: boolean
  /** The rubber that was said. */
  material: string
}>()
const pending = defineModel<Pending>('pending', { required: true })
const state = defineModel<RingState>('state', { required: true })
const rubber = defineModel<Schemas['BenchSheet']['rubber']>('rubber', { required: true })
const medium = defineModel<Schemas['BenchSheet']['medium']>('medium', { required: true })
const emit = defineEmits<{
  material: [rubber: string]
  condition: [condition: Condition]
  instrument: [name: string]
  take: [feature: Feature]
  drop: [feature: Feature]
  leave: [feature: Feature]
  focus: [feature: Feature]
}>()
const job = useJob()
const hand = useHand()
const kinds = useKinds()
const SEAT_WORDS: Record<string, string> = { shaft_seat: 'shaft', housing_seat: 'housing' }
const RUBBERY = ['lip_seal', 'o_ring', 'hydraulic_seal']
const bearing = computed(() => props.family === 'bearing')
const conditions = computed<readonly (readonly [string, string])[]>(() => [
  ['', 'not stated'],
  ...(kinds.family(props.family)?.conditions ?? []).map(
    (each) => [each, each === 'new' ? 'like new' : each] as const,
  ),
])
const fields = computed<readonly Feature[]>(() => (bearing.value ? SEATS : props.beside))
const words = (name: Feature): string => SEAT_WORDS[name] ?? kinds.feature(name, props.family, props.kind)
const instruments = computed(() =>
  job.instruments.map((each) => ({ value: each.name, label: each.name.replace(/_/g, ' ') })),
)
const held = computed(() => job.instruments.find((each) => each.name === props.instrument))
</script>

<template>
  <aside class="about" role="region" aria-label="about the part">
    <h2>condition</h2>
    <ChoiceChips
      label="condition"
      :options="conditions"
      :chosen="condition ?? ''"
      @choose="emit('condition', $event as Condition)"
    />
    <h2 class="with">
      measured with <span :class="{ att: held?.overdue }">{{ held?.words }}</span>
    </h2>
    <Select
      :model-value="held?.name"
      :options="instruments"
      option-label="label"
      option-value="value"
      class="tool"
      aria-label="instrument"
      @update:model-value="(name: string) => emit('instrument', name)"
    />
    <div v-if="states.length > 1" class="drawn">
      <h2>drawn</h2>
      <ChoiceChips
        label="drawn"
        :options="states.map((each) => [each, stateWords(each, kind)] as const)"
        :chosen="state"
        @choose="state = $event as RingState"
      />
    </div>
    <h2 v-if="fields.length">{{ bearing ? 'mating sizes' : 'also' }}</h2>
    <div class="also">
      <SeatField
        v-for="name in fields"
        :key="name"
        :model-value="pending[name] ?? ''"
        :words="words(name)"
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
    </div>
    <NeedleCount v-if="looseNeedles" />
    <RubberCard
      v-if="RUBBERY.includes(family)"
      v-model:seen="rubber"
      v-model:medium="medium"
      :material="material"
      @material="emit('material', $event)"
    />
  </aside>
</template>

<style scoped>
.about {
  position: absolute;
  right: 20px;
  top: 16px;
  bottom: 8px;
  width: 208px;
  font-size: 14px;
  display: flex;
  flex-direction: column;
}
.also {
  min-height: 70px;
  overflow-y: auto;
  padding: 2px 2px 2px 0;
}
.about h2 {
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  margin-bottom: 5px;
}
.about h2:not(:first-child) {
  margin-top: 11px;
}
.tool {
  width: 100%;
}
.with {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
}
.with span {
  font-weight: 400;
}
.drawn {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0 8px;
  margin-top: 11px;
}
.about .drawn h2 {
  margin: 0;
}
.drawn :deep(.chip) {
  padding-inline: 7px;
}
@media (max-width: 900px) {
  /* below the drawing, so that it lies over no field */
  .about {
    position: static;
    display: block;
    grid-row: 2;
    width: auto;
    padding: 8px 20px 16px;
    columns: 2;
    column-gap: 32px;
  }
}
</style>
