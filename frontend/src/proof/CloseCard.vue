<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useKeys } from '@/shell/useKeys'
import type { Proof } from './useProof'

/** What prevents closing, and closing the job; over open points only with a reason. */
const sheet = defineModel<Proof>({ required: true })
const props = defineProps<{
  open: Schemas['OpenPoint'][]
  signatures: Schemas['Signature'][]
  refused: string
  number: string
  /** Nothing has been set, run or checked. */
  empty: boolean
}>()
const emit = defineEmits<{ sign: [] }>()
const all = ref(false)
const FIRST = 3
const shown = computed(() => (all.value ? props.open : props.open.slice(0, FIRST)))
const unsaid = computed(() => props.open.length > 0 && (sheet.value.reason ?? '').trim().length < 4)
function close(): void {
  if (!sheet.value.closed && unsaid.value) return
  sheet.value.closed = !sheet.value.closed
}
const standing = computed(() => props.signatures.filter((each) => each.current && !each.from_file))
useKeys([{ key: 'Alt+e', words: 'close the job', run: close, inFields: true }])
</script>

<template>
  <section class="close" aria-label="closing">
    <h2 v-if="open.length">
      Open before closing <b class="fig">{{ open.length }}</b>
    </h2>
    <h2 v-else-if="empty" class="faint">Nothing recorded here yet.</h2>
    <h2 v-else class="good">Nothing is open.</h2>
    <ul>
      <li v-for="each in shown" :key="each.code + each.key">{{ each.words }}</li>
    </ul>
    <button v-if="open.length > FIRST" type="button" class="plain" @click="all = !all">
      {{ all ? 'fewer' : `${open.length - FIRST} more` }}
    </button>
    <input
      v-if="open.length && !sheet.closed"
      v-model="sheet.reason"
      name="reason"
      maxlength="300"
      placeholder="reason for closing anyway"
      aria-label="reason for closing with open points"
    />
    <p v-if="sheet.closed && sheet.reason && open.length" class="faint">
      Closed with these open: {{ sheet.reason }}
    </p>
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <button type="button" class="go" :disabled="!sheet.closed && unsaid" @click="close">
      <span>{{
        sheet.closed ? 'Closed. Reopen' : open.length ? `Close with ${open.length} open` : 'Close the job'
      }}</span><kbd>Alt e</kbd>
    </button>
    <p v-if="sheet.closed" class="signed">
      <span v-for="each in standing" :key="each.person + each.signed_at">signed by {{ each.person }}</span>
      <button v-if="!standing.length" type="button" class="plain" @click="emit('sign')">
        sign this version
      </button>
      <RouterLink class="plain" :to="{ name: 'job-history', params: { number } }"
        >history of the unit</RouterLink
      >
    </p>
    <p class="faint">No sheet proves a unit safe. Its manual, local rules and licensed people decide.</p>
  </section>
</template>

<style scoped>
.close {
  border-top: 2px solid var(--ink);
  padding: 8px 18px 10px;
  display: grid;
  gap: 4px;
  font-size: 14.5px;
}
h2 {
  font-size: 17px;
}
h2 b {
  font-size: 24px;
}
ul {
  padding-left: 18px;
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 4px 2px;
}
input:focus {
  border-color: var(--action);
}
.signed {
  display: flex;
  gap: 14px;
}
</style>
