<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { uncertainty, shown, type Unit } from '@/entry/lengths'

/** What stands beside the drawing: a seat that the part sat on, or another feature; typed like any other reading. */
const props = defineProps<{
  words: string
  name: string
  unit: Unit
  worth: Schemas['UncertaintyAnswer'] | undefined
  fault: string | undefined
  next: boolean
}>()
const typed = defineModel<string>({ required: true })
const emit = defineEmits<{ take: []; drop: []; leave: []; focus: [] }>()
const held = computed(() =>
  props.worth
    ? shown(props.worth.mean_mm, props.unit, props.worth.expanded_uncertainty_mm < 0.012 ? 3 : 2)
    : '',
)
</script>

<template>
  <label class="seat" :class="{ next, fault: !!fault }">
    <span
      >{{ words
      }}<i v-if="!fault && (worth || next)">{{
        worth ? uncertainty(worth.expanded_uncertainty_mm, unit) : 'measure next'
      }}</i></span
    >
    <input
      :value="typed || held"
      :name="name"
      class="fig"
      maxlength="80"
      autocomplete="off"
      inputmode="decimal"
      :placeholder="unit"
      :aria-invalid="!!fault"
      @focus="emit('focus')"
      @input="typed = ($event.target as HTMLInputElement).value"
      @keydown.enter.exact.prevent="emit('take')"
      @keydown.backspace="!typed && held && (emit('drop'), $event.preventDefault())"
      @blur="emit('leave')"
    />
    <i v-if="fault" class="stop">{{ fault }}</i>
  </label>
</template>

<style scoped>
.seat {
  display: grid;
  grid-template-columns: minmax(60px, 1fr) 104px;
  align-items: center;
  gap: 0 8px;
  margin-bottom: 4px;
}
.seat span {
  font-size: 13px;
  line-height: 1.1;
  color: var(--faint);
}
.seat span i {
  display: block;
}
.next span i {
  color: var(--attention);
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  font-size: 20px;
  height: 29px;
  width: 100%;
  padding: 0 7px;
}
.next input {
  border: 2.5px solid var(--attention);
}
.fault input {
  border-color: var(--stop);
}
input::placeholder {
  color: var(--hatch);
}
i {
  grid-column: 1 / -1;
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
}
</style>
