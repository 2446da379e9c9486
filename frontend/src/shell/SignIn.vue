<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Refusal } from '@/api/client'
import { useSession } from '@/api/session'
import TitlePage from './TitlePage.vue'
import { useWaiting } from './useWaiting'

const session = useSession()
const waiting = useWaiting()
const name = ref('')
const secret = ref('')
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const nameField = ref<HTMLInputElement | null>(null)
const WORK: Record<string, string> = {
  bench: 'measures, identifies, checks seats',
  counter: 'takes jobs in, looks parts up',
  buyer: 'matches, orders, overrides checks',
  owner: 'everything',
}

async function enter(): Promise<void> {
  busy.value = true
  refusal.value = await session.signIn(name.value.trim(), secret.value)
  waiting.heed(refusal.value)
  busy.value = false
  if (refusal.value) secret.value = ''
}
function as(person: { name: string; pin: string }): void {
  name.value = person.name
  secret.value = person.pin
  void enter()
}
onMounted(() => void nextTick(() => nameField.value?.focus()))
</script>

<template>
  <TitlePage>
    <h2>Who is at the bench?</h2>
    <ul v-if="session.demoPeople.length" class="people">
      <li v-for="person in session.demoPeople" :key="person.name">
        <button type="button" :disabled="busy" @click="as(person)">
          <strong>{{ person.name }}</strong><span>{{ person.role }}: {{ WORK[person.role] }}</span
          ><span class="fig pin">PIN {{ person.pin }}</span>
        </button>
      </li>
    </ul>
    <form @submit.prevent="enter">
      <label
        >name<input
          ref="nameField"
          v-model="name"
          name="name"
          autocomplete="username"
          maxlength="60"
          required
      /></label>
      <label
        >PIN or password<input
          v-model="secret"
          name="secret"
          type="password"
          autocomplete="current-password"
          maxlength="200"
          required
      /></label>
      <p v-if="waiting.seconds.value" class="stop" role="alert">
        Too many wrong tries. Try again in {{ waiting.seconds.value }} s. {{ refusal?.hint }}
      </p>
      <p v-else-if="refusal && refusal.status !== 429" class="stop" role="alert">
        {{ refusal.message }} {{ refusal.hint }}
      </p>
      <button type="submit" class="go" :disabled="busy || !name || !secret || waiting.seconds.value > 0">
        <span>Sign in</span><kbd>Enter</kbd>
      </button>
    </form>
    <p v-if="session.demoPeople.length" class="faint small">
      The Marl Water workshops are invented. These PINs are shown, and work, on this machine only.
    </p>
  </TitlePage>
</template>

<style scoped>
.people {
  list-style: none;
  padding: 0;
  border-top: 2px solid var(--ink);
  margin: 8px 0 26px;
}
.people button {
  display: grid;
  grid-template-columns: 90px 1fr auto;
  align-items: baseline;
  width: 100%;
  padding: 11px 6px;
  border-bottom: 1px solid var(--rule);
}
.people button:hover {
  background: var(--sheet);
}
.people strong {
  font-size: 18px;
}
.people span {
  font-size: 15px;
  color: var(--faint);
}
.people .pin {
  color: var(--ink);
  font-size: 18px;
}
.small {
  font-size: 14px;
  margin-top: 14px;
}
</style>
