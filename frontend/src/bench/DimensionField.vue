<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { uncertainty, shown, type Unit } from '@/entry/lengths'

/** A dimension line's field: type a reading, Enter takes it; empty, it shows the mean with its uncertainty. */
const props = defineProps<{
  name: string
  label: string
  unit: Unit
  readings: { typed: string; instrument: string }[]
  worth: Schemas['UncertaintyAnswer'] | undefined
  next: boolean
  /** How many readings the caliper has sent here: each makes the field flash. */
  landed: number
  fault: string | undefined
  x: number
  y: number
}>()
const pending = defineModel<string>({ required: true })
const emit = defineEmits<{ take: []; drop: [index: number]; leave: []; focus: [] }>()
const field = ref<HTMLInputElement | null>(null)
const focused = ref(false)
const digits = computed(() => ((props.worth?.expanded_uncertainty_mm ?? 1) < 0.012 ? 3 : 2))
const mean = computed(() =>
  props.readings.length && props.worth ? shown(props.worth.mean_mm, props.unit, digits.value) : '',
)
const value = computed(() => (focused.value || pending.value ? pending.value : mean.value))
/** Beside a long name the size in the other unit goes to the note. */
const long = computed(() => props.label.length > 12)
const note = computed(() => {
  if (props.fault) return props.fault
  if (props.worth?.repeats_disagree) return 'repeats disagree: measure again'
  if (!props.worth) return props.next ? 'measure this next' : `in ${props.unit}`
  const count = props.worth.count > 1 ? `, ${props.worth.count} readings` : ''
  const beside = long.value && near.value ? ` · ${near.value}` : ''
  return `${uncertainty(props.worth.expanded_uncertainty_mm, props.unit)}${count}${beside}`
})
const near = computed(() => {
  const near = (unit: Unit) =>
    props.worth?.nearest.find((each) => each.within_reading_error && each.unit === unit)
  const found = near('in')
  // beside a plainly metric size no odd fraction is claimed
  if (props.unit === 'mm' && near('mm') && !/^[\d ]*(\d\/(2|4|8|16))? in$/.test(found?.text ?? '')) return ''
  return (
    found?.text ??
    (props.worth
      ? `${shown(props.worth.mean_mm, props.unit === 'mm' ? 'in' : 'mm', digits.value)} ${props.unit === 'mm' ? 'in' : 'mm'}`
      : '')
  )
})

/** Read with several instruments: each reading says with which. */
const mixed = computed(() => new Set(props.readings.map((each) => each.instrument)).size > 1)

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Enter' && !event.ctrlKey) {
    event.preventDefault()
    emit('take')
  } else if (event.key === 'Backspace' && !pending.value && props.readings.length) {
    event.preventDefault()
    emit('drop', props.readings.length - 1)
  }
}
function onInput(event: Event): void {
  pending.value = (event.target as HTMLInputElement).value
}
function onFocus(): void {
  focused.value = true
  emit('focus')
}
function onBlur(): void {
  focused.value = false
  emit('leave')
}
defineExpose({ focus: () => field.value?.focus({ preventScroll: true }) })
</script>

<template>
  <div class="field" :class="{ next, fault: !!fault }" :style="{ left: `${x}px`, top: `${y}px` }">
    <div v-if="landed" :key="landed" class="flash" aria-hidden="true"></div>
    <label>
      <span class="label"
        >{{ label }} <em v-if="near && !long">{{ near }}</em></span
      >
      <input
        ref="field"
        class="fig"
        :value="value"
        :name="name"
        maxlength="80"
        autocomplete="off"
        spellcheck="false"
        inputmode="decimal"
        :placeholder="focused && readings.length ? 'measure again' : ''"
        :aria-invalid="!!fault"
        :aria-describedby="`note-${name}`"
        @input="onInput"
        @keydown="onKey"
        @focus="onFocus"
        @blur="onBlur"
      />
    </label>
    <i :id="`note-${name}`" :class="{ stop: fault, att: !fault && (next || worth?.repeats_disagree) }">{{
      note
    }}</i>
    <div v-if="focused && readings.length" class="taken">
      <button
        v-for="(reading, i) in readings"
        :key="i"
        type="button"
        tabindex="-1"
        class="fig"
        :title="`take ${reading.typed} away (${reading.instrument})`"
        @mousedown.prevent="emit('drop', i)"
      >
        {{ reading.typed }}<small v-if="mixed">{{ ` ${reading.instrument}` }}</small> ×
      </button>
    </div>
  </div>
</template>

<style scoped>
.field {
  position: absolute;
  width: 168px;
  transform: translate(-50%, -50%);
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 3px 9px 5px;
  z-index: 1;
}
.field:focus-within {
  outline: 2.5px solid var(--action);
  outline-offset: 1px;
  z-index: 2;
}
.flash {
  position: absolute;
  inset: -1.5px;
  background: var(--action);
  opacity: 0;
  pointer-events: none;
  animation: landed 0.7s ease-out;
}
@keyframes landed {
  from {
    opacity: 0.55;
  }
  to {
    opacity: 0;
  }
}
.field.next {
  border: 2.5px solid var(--attention);
  box-shadow: 0 0 0 4px var(--halo);
}
.field.fault {
  border-color: var(--stop);
}
.label {
  font-size: 13px;
  color: var(--faint);
  display: flex;
  justify-content: space-between;
  line-height: 1.15;
  white-space: nowrap;
}
.next .label {
  color: var(--attention);
}
.label em {
  white-space: nowrap;
  font-style: normal;
  color: var(--faint);
}
input {
  border: 0;
  outline: 0;
  background: transparent;
  width: 100%;
  font-size: 30px;
  line-height: 1.05;
  height: 34px;
  padding: 0;
}
input::placeholder {
  color: var(--hatch);
  font-size: 22px;
}
i {
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
  display: block;
  line-height: 1.2;
}
i.att {
  color: var(--attention);
}
i.stop {
  color: var(--stop);
}
.taken {
  position: absolute;
  top: calc(100% + 4px);
  left: -1.5px;
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  width: 240px;
}
.taken button {
  border: 1px solid var(--rule);
  background: var(--paper);
  padding: 1px 7px;
  font-size: 16px;
}
.taken small {
  color: var(--faint);
  font-size: 12px;
}
</style>
