<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Refusal } from '@/api/client'
import { useSession } from '@/api/session'

const session = useSession()
const name = ref('')
const secret = ref('')
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const nameField = ref<HTMLInputElement | null>(null)
const WORK: Record<string, string> = {
  bench: 'measures, identifies, checks seats',
  counter: 'takes jobs in, looks parts up',
  buyer: 'matches, orders, passes the gate',
  owner: 'all of it',
}

async function enter(): Promise<void> {
  busy.value = true
  refusal.value = await session.signIn(name.value.trim(), secret.value)
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
  <main class="sign-in">
    <section class="title">
      <svg viewBox="0 0 420 420" role="img" aria-label="a ball bearing drawn in front view and section">
        <g fill="none" stroke="var(--ink)" stroke-width="2">
          <circle cx="210" cy="210" r="196" />
          <circle cx="210" cy="210" r="158" />
          <circle cx="210" cy="210" r="112" />
          <circle cx="210" cy="210" r="76" />
          <circle
            v-for="n in 9"
            :key="n"
            :cx="210 + 135 * Math.sin((n * 2 * Math.PI) / 9)"
            :cy="210 - 135 * Math.cos((n * 2 * Math.PI) / 9)"
            r="38"
            fill="var(--paper)"
          />
        </g>
        <g stroke="var(--faint)" stroke-dasharray="16 4 3 4">
          <path d="M0 210h420M210 0v420" />
          <circle cx="210" cy="210" r="135" fill="none" />
        </g>
      </svg>
      <h1>Ample</h1>
      <p>What it is, what replaces it, whether the seat holds.</p>
    </section>
    <section class="door">
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
        <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
        <button type="submit" class="go" :disabled="busy || !name || !secret">
          <span>Sign in</span><kbd>Enter</kbd>
        </button>
      </form>
      <p v-if="session.demoPeople.length" class="faint small">
        The Marl Water workshops are invented; nothing typed here leaves this machine.
      </p>
    </section>
  </main>
</template>

<style scoped>
.sign-in {
  height: 100%;
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-items: center;
  gap: 40px;
  padding: 40px 7vw;
}
.title svg {
  width: min(420px, 36vw);
  display: block;
  margin-bottom: 26px;
}
.title h1 {
  font-size: 60px;
  font-stretch: 112%;
  font-weight: 760;
  letter-spacing: -0.02em;
}
.title p {
  font-size: 20px;
  color: var(--faint);
}
.door {
  max-width: 470px;
  width: 100%;
}
.door h2 {
  font-size: 26px;
  margin-bottom: 18px;
}
.people {
  list-style: none;
  padding: 0;
  border-top: 2px solid var(--ink);
  margin-bottom: 26px;
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
form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
label {
  font-size: 14px;
  color: var(--faint);
  display: grid;
  gap: 3px;
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  padding: 8px 10px;
  font-size: 18px;
  width: 100%;
  color: var(--ink);
}
form p,
form .go {
  grid-column: 1 / -1;
}
.small {
  font-size: 14px;
  margin-top: 14px;
}
@media (max-width: 900px) {
  .sign-in {
    grid-template-columns: 1fr;
    height: auto;
  }
  .title svg {
    display: none;
  }
}
</style>
