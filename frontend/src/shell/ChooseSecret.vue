<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Refusal } from '@/api/client'
import { useSession } from '@/api/session'
import { useWaiting } from './useWaiting'

/** One's own PIN or password, changed: the old one, and the new one twice. */
const props = defineProps<{ first?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const session = useSession()
const waiting = useWaiting()
const old = ref('')
const secret = ref('')
const again = ref('')
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const oldField = ref<HTMLInputElement | null>(null)
const least = computed(() => (session.person?.role === 'owner' ? 8 : 6))
const differs = computed(() => again.value !== '' && again.value !== secret.value)
const ready = computed(() => old.value && secret.value && secret.value === again.value && !busy.value)

async function change(): Promise<void> {
  busy.value = true
  refusal.value = await session.changeSecret({ old: old.value, new: secret.value })
  waiting.heed(refusal.value)
  busy.value = false
  if (!refusal.value) emit('done')
}
onMounted(() => void nextTick(() => oldField.value?.focus()))
</script>

<template>
  <form class="choose" @submit.prevent="change">
    <label class="wide"
      >{{ props.first ? 'the PIN you were given' : 'your current PIN or password'
      }}<input
        ref="oldField"
        v-model="old"
        name="old"
        type="password"
        autocomplete="current-password"
        maxlength="200"
        required
    /></label>
    <label
      >new one, at least {{ least }} characters<input
        v-model="secret"
        name="new"
        type="password"
        autocomplete="new-password"
        maxlength="200"
        required
    /></label>
    <label
      >repeat<input
        v-model="again"
        name="again"
        type="password"
        autocomplete="new-password"
        maxlength="200"
        required
    /></label>
    <p v-if="differs" class="unsure" role="status">The two do not match yet.</p>
    <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
    <button type="submit" class="go" :disabled="!ready">
      <span>{{ props.first ? 'Save' : 'Change it' }}</span><kbd>Enter</kbd>
    </button>
  </form>
</template>

<style scoped>
.choose {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.choose label {
  font-size: 14px;
  color: var(--faint);
  display: grid;
  gap: 3px;
}
.choose input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  padding: 8px 10px;
  font-size: 18px;
  width: 100%;
  color: var(--ink);
}
.wide,
.choose p,
.choose .go {
  grid-column: 1 / -1;
}
</style>
