<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import AnswerRow from './AnswerRow.vue'
import { useAsk } from './useAsk'

const props = defineProps<{ compact?: boolean }>()
const ask = useAsk()
const { text, chosen, offered, fault, answer, refusal } = ask
const field = ref<HTMLInputElement | null>(null)
const focused = ref(false)
const open = computed(() => Boolean(text.value.trim()) && (!props.compact || focused.value))

function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown' || (event.key === 'Tab' && !event.shiftKey && offered.value.length > 1)) {
    event.preventDefault()
    ask.move(1)
  } else if (event.key === 'ArrowUp') {
    event.preventDefault()
    ask.move(-1)
  } else if (event.key === 'Escape') {
    if (text.value) text.value = ''
    else field.value?.blur()
  } else if (event.key === 'Enter') ask.enter()
  else if (event.key === '/' && !text.value)
    event.preventDefault() // the hand is here already
  else chosen.value = 0
}
function focus(): void {
  field.value?.focus()
  field.value?.select()
}
defineExpose({ focus })
onMounted(() => !props.compact && focus())
</script>

<template>
  <div class="line" :class="{ compact }">
    <template v-if="!compact">
      <h1>What’s in your hand?</h1>
      <p class="label" aria-hidden="true">Marking, size or job number</p>
    </template>
    <div class="box">
      <input
        ref="field"
        v-model="text"
        type="text"
        maxlength="200"
        autocomplete="off"
        spellcheck="false"
        :placeholder="compact ? 'marking, size or job' : ''"
        role="combobox"
        aria-label="Marking, size or job number"
        aria-controls="answers"
        :aria-expanded="open"
        :aria-activedescendant="offered.length ? `answer-${chosen}` : undefined"
        @keydown="onKey"
        @focus="focused = true"
        @blur="focused = false"
      />
      <kbd v-if="!focused">/</kbd>
    </div>
    <div v-if="open" id="answers" class="answers" role="listbox" aria-label="candidates">
      <div
        v-for="(offer, i) in offered"
        :id="`answer-${i}`"
        :key="offer.key"
        role="option"
        :aria-selected="i === chosen"
        @mousedown.prevent="ask.take(offer)"
      >
        <AnswerRow :offer="offer" :chosen="i === chosen" />
      </div>
      <p v-if="!offered.length && (answer?.not_read || refusal)" class="none">
        {{ refusal?.message ?? answer?.not_read }}
        <span class="faint">Type what you can read: 62?5 2R, ..05, 25x52x15, 0412.</span>
      </p>
      <p v-if="fault" class="none stop" role="alert">{{ fault }}</p>
    </div>
  </div>
</template>

<style scoped>
.line {
  position: relative;
}
h1 {
  font-size: 30px;
  font-stretch: 88%;
}
.label {
  font-size: 15px;
  color: var(--faint);
  padding: 2px 0 5px;
}
.box {
  display: flex;
  align-items: center;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  padding: 0 10px;
}
.box:focus-within {
  outline: 2.5px solid var(--action);
  outline-offset: 1px;
}
input {
  border: 0;
  background: transparent;
  width: 100%;
  outline: 0;
  height: 32px;
}
input::placeholder {
  color: var(--faint);
  opacity: 1;
}
.compact {
  flex: 0 0 196px;
}
.compact .answers {
  position: absolute;
  z-index: 20;
  top: 42px;
  left: 0;
  width: 660px;
  background: var(--paper);
  border: 1.5px solid var(--ink);
}
.line:not(.compact) .box {
  padding: 0 18px;
  border-width: 2px;
}
.line:not(.compact) input {
  height: 64px;
  font-size: 34px;
  font-stretch: 84%;
  font-weight: 600;
}
.line:not(.compact) .answers {
  border: 2px solid var(--ink);
  border-top: 0;
}
.answers > div:last-of-type :deep(.row) {
  border-bottom: 0;
}
.none {
  padding: 16px 18px;
  font-size: 16px;
}
</style>
