<script setup lang="ts">
import type { Schemas } from '@/api/client'
import FigureInput from '@/entry/FigureInput.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import type { Proof } from './useProof'

/** What was filled, by volume and by level, both sides beside each other. */
const sheet = defineModel<Proof>({ required: true })
defineProps<{ fills: Map<string, Schemas['FillJudged']> }>()
defineEmits<{ remove: [key: string] }>()
const LEVELS = ['low', 'right', 'high'] as const
const SIDES = ['left', 'right'] as const
const MARKS: Record<string, string> = {
  right: 'holds',
  open: 'not_looked_at',
  unsure: 'not_proven',
  low: 'does_not_hold',
  high: 'does_not_hold',
}
</script>

<template>
  <section v-if="sheet.fills?.length" class="fills" aria-label="filled">
    <div v-for="row in sheet.fills" :key="row.key" class="row">
      <VerdictMark :state="MARKS[fills.get(row.key)?.state ?? 'open'] ?? 'not_looked_at'" silent />
      <input
        v-model="row.what"
        name="fill"
        maxlength="80"
        placeholder="filled with what, where?"
        aria-label="what was filled"
        class="name"
      />
      <span role="group" aria-label="side">
        <button
          v-for="side in SIDES"
          :key="side"
          type="button"
          class="chip"
          :aria-pressed="row.side === side"
          @click="row.side = row.side === side ? '' : side"
        >
          {{ side }}
        </button>
      </span>
      <label
        >wanted
        <FigureInput
          v-model="row.wanted_l"
          name="wanted"
          label="litres specified"
          :least="0.001"
          :most="100000"
        />l</label
      >
      <label
        >filled
        <input
          v-model.lazy="row.filled_l"
          name="filled"
          class="fig reading"
          maxlength="20"
          inputmode="decimal"
          aria-label="litres filled"
        />
        l</label
      >
      <span role="group" aria-label="level">
        level
        <button
          v-for="level in LEVELS"
          :key="level"
          type="button"
          class="chip"
          :aria-pressed="row.level === level"
          @click="row.level = row.level === level ? '' : level"
        >
          {{ level }}
        </button>
      </span>
      <label><input v-model="row.bled" type="checkbox" name="bled" /> air bled</label>
      <button
        type="button"
        class="gone"
        :aria-label="`delete ${row.what || 'it'}`"
        @click="$emit('remove', row.key)"
      >
        ×
      </button>
      <p :class="{ att: ['unsure', 'low', 'high'].includes(fills.get(row.key)?.state ?? '') }">
        {{ fills.get(row.key)?.words }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.fills {
  border-bottom: 1px solid var(--rule);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 8px 20px;
  font-size: 14.5px;
  color: var(--faint);
}
.row p {
  flex-basis: 100%;
  padding-left: 28px;
}
input:not([type]) {
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 2px;
}
input:focus {
  border-color: var(--action);
}
.name {
  width: 190px;
  font-weight: 650;
}
.reading {
  width: 62px;
  font-size: 18px;
}
.gone {
  margin-left: auto;
  font-size: 18px;
}
</style>
