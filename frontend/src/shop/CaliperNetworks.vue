<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, resultOf, withKey, type Refusal } from '@/api/client'

/** Where calipers may be: this machine, and what the owner allows beside it. */
const networks = ref<string[] | null>(null)
const typed = ref('')
const refusal = ref<Refusal | null>(null)

async function load(): Promise<void> {
  networks.value = (await resultOf(api.GET('/api/calipers'))).answer?.networks ?? null
}
async function set(wanted: string[]): Promise<boolean> {
  const body = { networks: wanted, seen: networks.value ?? [] }
  const { answer, refusal: why } = await resultOf(api.PUT('/api/caliper-networks', { body, ...withKey() }))
  refusal.value = why
  if (answer) networks.value = answer.networks ?? []
  return answer !== null
}
async function add(): Promise<void> {
  if (await set([...(networks.value ?? []), typed.value.trim()])) typed.value = ''
}
onMounted(load)
</script>

<template>
  <section v-if="networks" class="networks" aria-label="allowed caliper addresses">
    <h2>Allowed caliper addresses</h2>
    <p>this machine</p>
    <p v-for="each in networks" :key="each">
      <span class="fig">{{ each }}</span>
      <button type="button" class="plain" @click="set(networks.filter((other) => other !== each))">
        remove
      </button>
    </p>
    <form @submit.prevent="add">
      <input
        v-model="typed"
        name="network"
        aria-label="address or network"
        placeholder="192.168.1.30"
        maxlength="43"
      />
      <button type="submit" class="chip" :disabled="!typed.trim()">Allow</button>
    </form>
    <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
  </section>
</template>

<style scoped>
.networks {
  margin: 22px 16px 0 16px;
  padding-top: 12px;
  border-top: 2px solid var(--rule);
}
h2 {
  font-size: 16px;
  margin-bottom: 4px;
}
p {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.fig {
  font-size: 18px;
}
form {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  padding: 4px 8px;
  min-width: 0;
  flex: 1;
}
.chip:disabled {
  color: var(--faint);
}
</style>
