<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import { newKeyOf } from './lineEdits'

/** Loose items: counted when they come out, in the tray, and what is left when the unit is closed. */
type Item = Schemas['LooseItem']
const props = defineProps<{ items: readonly Item[]; judged: Schemas['LooseCount'][] }>()
const emit = defineEmits<{ close: []; change: [items: Item[]] }>()
const what = ref('')
const COUNTS = [
  ['came_out', 'removed'],
  ['tray', 'in the tray'],
  ['left_over', 'left over at reassembly'],
] as const
function put(key: string, name: (typeof COUNTS)[number][0], event: Event): void {
  const text = (event.target as HTMLInputElement).value.trim()
  const value = text === '' ? null : Math.min(9999, Math.max(0, Math.round(Number(text)) || 0))
  emit(
    'change',
    props.items.map((each) =>
      each.key === key ? { ...each, [name]: name === 'came_out' ? (value ?? 0) : value } : each,
    ),
  )
}
function add(): void {
  if (!what.value.trim()) return
  emit('change', [
    ...props.items,
    { key: newKeyOf('i'), what: what.value.trim(), came_out: 0, tray: null, left_over: null },
  ])
  what.value = ''
}
const wordsOf = (key: string) => props.judged.find((each) => each.key === key)
</script>

<template>
  <Dialog
    visible
    modal
    header="The tray: loose items"
    :style="{ width: '760px' }"
    @update:visible="emit('close')"
  >
    <div v-for="item in items" :key="item.key" class="item">
      <b>{{ item.what }}</b>
      <label v-for="[name, words] in COUNTS" :key="name"
        >{{ words }}
        <input
          class="fig"
          inputmode="numeric"
          :name="`${name}-${item.key}`"
          :aria-label="`${item.what} ${words}`"
          :value="item[name] ?? ''"
          @change="put(item.key, name, $event)"
        />
      </label>
      <button
        type="button"
        class="plain"
        @click="
          emit(
            'change',
            items.filter((each) => each.key !== item.key),
          )
        "
      >
        drop
      </button>
      <p
        :class="
          ['missing', 'left_over', 'too_many'].includes(wordsOf(item.key)?.state ?? '') ? 'alarm' : 'faint'
        "
        :role="wordsOf(item.key)?.state === 'left_over' ? 'alert' : undefined"
      >
        {{ wordsOf(item.key)?.words }}
      </p>
    </div>
    <form class="add" @submit.prevent="add">
      <input
        v-model="what"
        name="loose"
        maxlength="60"
        placeholder="keys, pins, rollers, washers"
        aria-label="loose items removed"
        autofocus
      />
      <button class="chip" type="submit">Add</button>
    </form>
  </Dialog>
</template>

<style scoped>
.item {
  display: grid;
  grid-template-columns: 1.4fr repeat(3, 1fr) auto;
  gap: 4px 16px;
  align-items: end;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.item b {
  font-size: 18px;
}
.item p {
  grid-column: 1 / -1;
  font-size: 15px;
}
.alarm {
  color: var(--attention);
  font-weight: 700;
}
label {
  display: grid;
  font-size: 13px;
  color: var(--faint);
}
input {
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  font-size: 20px;
  width: 100%;
  color: var(--ink);
}
.add {
  display: flex;
  gap: 12px;
  margin-top: 14px;
}
</style>
