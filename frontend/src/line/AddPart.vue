<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Kind } from '@/job/useTrade'
import { useTrade } from '@/job/useTrade'

/** Any kind of part by its words: type, arrows, Enter. */
const emit = defineEmits<{ pick: [kind: string, beside: boolean]; close: [] }>()
const trade = useTrade()
const text = ref('')
const at = ref(0)
const field = ref<HTMLInputElement | null>(null)
const found = computed<Kind[]>(() => {
  const wanted = text.value.trim().toLowerCase().split(/\s+/)
  return (trade.tables?.kinds ?? []).filter((kind) =>
    wanted.every((word) => `${kind.words} ${kind.kind} ${kind.family}`.toLowerCase().includes(word)),
  )
})
function key(event: KeyboardEvent): void {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (step) at.value = (at.value + step + found.value.length) % Math.max(1, found.value.length)
  else if (event.key === 'Enter') take(event.shiftKey)
  else if (event.key === 'Escape') emit('close')
  else return
  event.preventDefault()
  event.stopPropagation()
}
function take(beside: boolean): void {
  const kind = found.value[at.value] ?? found.value[0]
  if (kind) emit('pick', kind.kind, beside)
}
onMounted(() => void nextTick(() => field.value?.focus()))
</script>

<template>
  <div class="adder" role="dialog" aria-label="add a part">
    <input
      ref="field"
      v-model="text"
      name="add-part"
      placeholder="which part?"
      aria-label="kind of part"
      autocomplete="off"
      @keydown="key"
      @input="at = 0"
    />
    <ul>
      <li v-for="(kind, i) in found.slice(0, 9)" :key="kind.kind" :class="{ on: i === at }">
        <button type="button" @click="emit('pick', kind.kind, false)">
          <kbd>{{ kind.key }}</kbd> {{ kind.words }}
        </button>
      </li>
    </ul>
    <p class="faint">Enter: on the shaft · Shift Enter: beside it</p>
  </div>
</template>

<style scoped>
.adder {
  position: absolute;
  top: 64px;
  right: 20px;
  width: 330px;
  background: var(--sheet);
  border: 2px solid var(--ink);
  padding: 12px;
  z-index: 3;
}
input {
  width: 100%;
  font-size: 20px;
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: transparent;
}
ul {
  list-style: none;
  padding: 6px 0;
}
li button {
  width: 100%;
  padding: 3px 6px;
  font-size: 16px;
}
li.on {
  background: var(--ink);
  color: var(--sheet);
}
p {
  font-size: 13px;
}
</style>
