<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SizeInput from '@/entry/SizeInput.vue'
import { useTrade } from '@/job/useTrade'
import { turned, type LinePart } from './lineEdits'

/** The part itself: name, sizes, and what marks each face and what it looks at. */
const props = defineProps<{
  part: LinePart
  number: number
  facing: { left: string; right: string; left_said: boolean; right_said: boolean } | undefined
}>()
const emit = defineEmits<{ patch: [values: Partial<LinePart>] }>()
const trade = useTrade()
const kind = computed(() => trade.kind(props.part.kind))
const SIDES = ['left', 'right'] as const
const SIZES = ['inside', 'outside', 'width'] as const
/** Kinds whose width is called a thickness. */
const THIN = ['shim', 'support_washer', 'gasket', 'backup_solid']
const words = (name: string): string => name.replace(/_/g, ' ')
function face(side: 'left' | 'right', values: Partial<Schemas['Face']>): void {
  emit('patch', { [side]: { ...props.part[side], ...values } })
}
function workedOut(side: 'left' | 'right'): string {
  const found = props.facing?.[side]
  return found ? `${words(found)}, worked out` : 'not stated'
}
function text(event: Event): string {
  return (event.target as HTMLInputElement).value
}
</script>

<template>
  <section class="way" aria-label="the part">
    <header>
      <b class="fig number">{{ number }}</b>
      <input
        :value="part.name"
        name="part-name"
        maxlength="80"
        :placeholder="kind?.words"
        aria-label="name of the part"
        autocomplete="off"
        @input="emit('patch', { name: text($event) })"
      />
    </header>
    <div class="sizes">
      <SizeInput
        v-for="side in SIZES"
        :key="`${part.key}${side}`"
        :label="side === 'width' && THIN.includes(kind?.drawn ?? '') ? 'thickness' : side"
        :name="`size-${side}`"
        :size="part[side]"
        @change="emit('patch', { [side]: $event })"
      />
    </div>
    <div class="faces">
      <template v-for="side in SIDES" :key="side">
        <label
          >{{ side }} face
          <select
            :name="`mark-${side}`"
            :value="part[side]?.mark"
            @change="face(side, { mark: text($event) as Schemas['Face']['mark'] })"
          >
            <option v-for="mark in trade.tables?.marks" :key="mark" :value="mark">{{ words(mark) }}</option>
          </select>
        </label>
        <label
          >faces
          <select
            :name="`looks-${side}`"
            :value="part[side]?.looks_at"
            @change="face(side, { looks_at: text($event) as Schemas['Face']['looks_at'] })"
          >
            <option value="">{{ workedOut(side) }}</option>
            <option v-for="each in trade.tables?.looks_at" :key="each" :value="each">
              {{ words(each) }}
            </option>
          </select>
        </label>
      </template>
    </div>
    <div class="row">
      <button type="button" class="chip" @click="emit('patch', turned(part))">flip&nbsp;<kbd>f</kbd></button>
      <label class="count"
        >pieces
        <input
          type="number"
          name="quantity"
          min="1"
          max="999"
          :value="part.quantity"
          @change="emit('patch', { quantity: Math.min(999, Math.max(1, Number(text($event)) || 1)) })"
        />
      </label>
      <label class="mark"
        >marking
        <input
          name="part-marking"
          maxlength="60"
          :value="part.marking"
          autocomplete="off"
          @input="emit('patch', { marking: text($event) })"
        />
      </label>
    </div>
  </section>
</template>

<style scoped>
.way {
  display: grid;
  gap: 8px;
  align-content: start;
}
header {
  display: flex;
  align-items: baseline;
  gap: 10px;
}
.number {
  font-size: 26px;
}
header input {
  font-size: 19px;
  font-weight: 650;
  width: 100%;
}
input,
select {
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  min-width: 0;
  border-radius: 0;
}
select {
  font-size: 14px;
  padding: 2px 0;
  color: var(--ink);
}
option {
  background: var(--sheet);
  color: var(--ink);
}
.sizes {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
}
.faces {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 4px 14px;
  font-size: 13px;
  color: var(--faint);
}
.faces label {
  display: grid;
}
.row {
  display: flex;
  align-items: end;
  gap: 14px;
  font-size: 13px;
  color: var(--faint);
}
.row label {
  display: grid;
}
.count input {
  width: 52px;
}
.mark {
  flex: 1;
}
.mark input {
  font-size: 15px;
  color: var(--ink);
}
</style>
