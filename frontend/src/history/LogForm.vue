<script setup lang="ts">
import { computed, ref } from 'vue'
import { WHAT, type LogEntry, type What } from './useLeakLog'

/** One line for what was done or read: day, what, figure, note; Enter writes it down. */
const props = defineProps<{ today: string; fault: string }>()
const emit = defineEmits<{ add: [entry: Omit<LogEntry, 'key'>] }>()
const on = ref(props.today)
const what = ref<What>('emptied')
const amount = ref('')
const note = ref('')
const figure = ref<HTMLInputElement | null>(null)
const day = ref<HTMLInputElement | null>(null)
const asks = computed(() => WHAT.find((each) => each.what === what.value)?.asks ?? '')
const missing = computed(() => {
  if (!on.value) return 'On which day?'
  if (on.value > props.today) return 'That date is in the future.'
  if (asks.value && !amount.value.trim()) return `How much, in ${asks.value}?`
  return what.value === 'note' && !note.value.trim() ? 'Type the note.' : ''
})
const asked = ref(false)
function write(): void {
  asked.value = true
  if (missing.value) return
  emit('add', {
    on: on.value,
    what: what.value,
    amount: asks.value ? amount.value.trim() : '',
    note: note.value.trim(),
  })
  amount.value = ''
  note.value = ''
  asked.value = false
  ;(asks.value ? figure.value : day.value)?.focus()
}
function focus(): void {
  day.value?.focus()
}
/** What has just been taken away is put back into the fields. */
function refill(entry: LogEntry): void {
  on.value = entry.on
  what.value = entry.what
  amount.value = entry.amount ?? ''
  note.value = entry.note ?? ''
}
defineExpose({ focus, refill, choose: (to: What) => (what.value = to) })
</script>

<template>
  <form class="form" novalidate aria-label="new log entry" @submit.prevent="write">
    <div class="what" role="radiogroup" aria-label="what">
      <button
        v-for="(each, i) in WHAT"
        :key="each.what"
        type="button"
        role="radio"
        class="chip"
        :aria-checked="what === each.what"
        @click="what = each.what"
      >
        <kbd>{{ i + 1 }}</kbd> {{ each.words }}
      </button>
    </div>
    <label class="day">day <input ref="day" v-model="on" type="date" name="log-day" :max="today" /></label>
    <label v-if="asks" class="figure"
      >{{ asks }}
      <input ref="figure" v-model="amount" name="log-amount" class="fig" inputmode="decimal" maxlength="20" />
    </label>
    <label class="remark">note <input v-model="note" name="log-note" maxlength="200" /></label>
    <button type="submit" class="write">Log it <kbd>Enter</kbd></button>
    <p v-if="(asked && missing) || fault" class="stop" role="alert">{{ (asked && missing) || fault }}</p>
  </form>
</template>

<style scoped>
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: flex-end;
  padding: 12px 20px;
  border-top: 1px solid var(--rule);
}
.what {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  flex: 1 0 100%;
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
  font-size: 18px;
  height: 34px;
  color: var(--ink);
}
.day input {
  width: 150px;
}
.figure input {
  width: 110px;
  font-size: 22px;
}
.remark {
  flex: 1 1 160px;
}
.remark input {
  width: 100%;
}
.write {
  background: var(--ink);
  color: var(--sheet);
  font-weight: 650;
  padding: 0 14px;
  height: 38px;
}
.write kbd {
  background: transparent;
  color: inherit;
  border-color: currentColor;
}
p {
  flex: 1 0 100%;
  margin: 0;
}
</style>
