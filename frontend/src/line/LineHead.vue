<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { along, type Line, type LineSheet } from './lineEdits'

/** Which shaft, what is inside it and at its ends, and how far its record has come. */
const props = defineProps<{
  sheet: LineSheet
  lineKey: string
  wrong: number
  open: number
  loose: Schemas['LooseCount'][]
  canUndo: boolean
  canRedo: boolean
}>()
const emit = defineEmits<{
  pick: [key: string]
  change: [sheet: LineSheet]
  addLine: [name: string]
  removeLine: []
  tray: []
  undo: []
  redo: []
  print: []
}>()
const naming = ref(false)
const name = ref('')
const line = computed(() => props.sheet.lines.find((each) => each.key === props.lineKey))
const MEDIA = ['', 'oil', 'grease', 'pressure', 'water', 'air', 'dirt'] as const
const PLACES = [
  ['left_end', 'left'],
  ['inside', 'inside'],
  ['right_end', 'right'],
] as const
const alarm = computed(() =>
  props.loose.filter((each) => ['missing', 'left_over', 'too_many'].includes(each.state)),
)
function put(values: Partial<Line>): void {
  const lines = props.sheet.lines.map((each) => (each.key === props.lineKey ? { ...each, ...values } : each))
  emit('change', { ...props.sheet, lines })
}
function text(event: Event): string {
  return (event.target as HTMLInputElement).value
}
/** Two legs alike are one record, counted twice. */
function alike(typed: string): void {
  const count = Math.round(Number(typed))
  if (count >= 1 && count <= 20) put({ count })
}
function add(): void {
  if (name.value.trim()) emit('addLine', name.value.trim())
  name.value = ''
  naming.value = false
}
</script>

<template>
  <header class="head">
    <nav aria-label="shafts">
      <template v-for="each in sheet.lines" :key="each.key">
        <input
          v-if="each.key === lineKey"
          class="name"
          :value="each.name"
          maxlength="60"
          aria-label="name of the shaft"
          :style="{ fieldSizing: 'content' }"
          @change="text($event).trim() && put({ name: text($event).trim() })"
        />
        <button v-else type="button" class="other" @click="emit('pick', each.key)">
          {{ each.name }} <span class="fig">{{ along(sheet, each.key).length }}</span>
        </button>
      </template>
      <form v-if="naming" @submit.prevent="add">
        <input
          v-model="name"
          maxlength="60"
          aria-label="name of the new shaft"
          placeholder="which shaft?"
          autofocus
          @blur="add"
        />
      </form>
      <button v-else type="button" class="plain" @click="naming = true">another shaft</button>
      <button
        v-if="line && !along(sheet, lineKey).length && sheet.lines.length > 1"
        type="button"
        class="plain"
        @click="emit('removeLine')"
      >
        delete it
      </button>
    </nav>
    <div v-if="line" class="media">
      <label v-for="[field, words] in PLACES" :key="field"
        >{{ words }}
        <select :name="field" :value="line[field]" @change="put({ [field]: text($event) as Line['inside'] })">
          <option v-for="each in MEDIA" :key="each" :value="each">{{ each || 'not stated' }}</option>
        </select>
      </label>
    </div>
    <label v-if="line" class="alike"
      >identical shafts
      <input
        name="count"
        class="fig"
        inputmode="numeric"
        maxlength="2"
        :value="line.count"
        aria-label="number of identical shafts"
        @change="alike(text($event))"
      />
    </label>
    <div class="state">
      <span v-if="wrong" class="att"
        ><b>{{ wrong }} {{ wrong === 1 ? 'contradiction' : 'contradictions' }}</b></span
      >
      <span v-if="open" class="faint">{{ open }} to inspect</span>
      <button type="button" class="plain" :class="{ att: alarm.length }" @click="emit('tray')">
        {{
          alarm.length
            ? `tray: ${alarm.map((each) => each.state.replace('_', ' ')).join(', ')}`
            : loose.length
              ? 'tray counted'
              : 'tray'
        }}
        <kbd>#</kbd>
      </button>
      <button type="button" class="plain" :disabled="!canUndo" @click="emit('undo')">
        undo <kbd>u</kbd>
      </button>
      <button v-if="canRedo" type="button" class="plain" @click="emit('redo')">redo</button>
      <slot />
      <button type="button" class="plain" @click="emit('print')">print <kbd>p</kbd></button>
    </div>
  </header>
</template>

<style scoped>
.alike input {
  border: 0;
  border-bottom: 1px solid var(--ink);
  background: transparent;
  color: var(--ink);
  font-size: 16px;
  width: 26px;
  margin-left: 5px;
}
.head {
  display: flex;
  align-items: center;
  gap: 22px;
  padding: 0 20px;
  min-height: 54px;
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
  font-size: 14px;
}
nav {
  display: flex;
  align-items: baseline;
  gap: 16px;
  min-width: 0;
}
.name {
  font-size: 19px;
  font-weight: 680;
  font-stretch: 92%;
  border: 0;
  border-bottom: 3px solid var(--ink);
  background: transparent;
}
.other,
.plain {
  white-space: nowrap;
}
.other {
  color: var(--faint);
  font-size: 16px;
}
.media {
  display: flex;
  gap: 10px;
  color: var(--faint);
  white-space: nowrap;
}
select {
  field-sizing: content;
  border: 0;
  background: transparent;
  font-weight: 650;
  color: var(--ink);
}
option {
  background: var(--sheet);
}
.state {
  margin-left: auto;
  display: flex;
  gap: 16px;
  align-items: baseline;
  white-space: nowrap;
}
.plain:disabled {
  color: var(--faint);
  text-decoration: none;
  cursor: default;
}
@media (max-width: 900px) {
  .head {
    flex: none;
    flex-wrap: wrap;
    gap: 8px 18px;
    padding: 8px 12px;
  }
  .state {
    flex-wrap: wrap;
    row-gap: 6px;
  }
}
</style>
