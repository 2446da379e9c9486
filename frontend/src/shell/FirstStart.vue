<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Refusal } from '@/api/client'
import { useSession } from '@/api/session'
import TitlePage from './TitlePage.vue'
import { useWaiting } from './useWaiting'

/** A shop without people: whoever can read its terminal becomes its owner. */
const session = useSession()
const waiting = useWaiting()
const code = ref('')
const name = ref('')
const secret = ref('')
const again = ref('')
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const codeField = ref<HTMLInputElement | null>(null)
const differs = computed(() => again.value !== '' && again.value !== secret.value)
const ready = computed(
  () => code.value && name.value.trim() && secret.value && secret.value === again.value && !busy.value,
)

async function make(): Promise<void> {
  busy.value = true
  refusal.value = await session.makeOwner({
    code: code.value,
    name: name.value.trim(),
    secret: secret.value,
  })
  waiting.heed(refusal.value)
  busy.value = false
}
onMounted(() => void nextTick(() => codeField.value?.focus()))
</script>

<template>
  <TitlePage>
    <h2>Whose shop is this?</h2>
    <p>
      No users yet. The owner adds people and sets what they may do. The code is shown in the terminal where
      Ample was started.
    </p>
    <form @submit.prevent="make">
      <label class="wide"
        >code from the terminal<input
          ref="codeField"
          v-model="code"
          name="code"
          class="fig code"
          autocomplete="one-time-code"
          autocapitalize="characters"
          spellcheck="false"
          maxlength="40"
          placeholder="XXXXX-XXXXX"
          required
      /></label>
      <label class="wide"
        >your name<input v-model="name" name="name" autocomplete="username" maxlength="60" required
      /></label>
      <label
        >password, at least 8 characters<input
          v-model="secret"
          name="secret"
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
      <p v-if="differs" class="unsure" role="status">The two passwords do not match yet.</p>
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <button type="submit" class="go" :disabled="!ready"><span>Open the shop</span><kbd>Enter</kbd></button>
    </form>
  </TitlePage>
</template>

<style scoped>
form input.code.fig {
  font-size: 26px;
  letter-spacing: 0.06em;
  text-transform: uppercase;
}
</style>
