<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'

/** Which unit a job is of: known, it leads to its history; else it is asked for once. */
const route = useRoute()
const router = useRouter()
const params = { path: { number: String(route.params.number) } }
const found = ref<Schemas['UnitOfJob'] | null>(null)
const refusal = ref<Refusal | null>(null)
async function take(answer: Schemas['UnitOfJob'] | null): Promise<void> {
  found.value = answer
  if (answer?.unit) await router.replace({ name: 'history', params: { unitId: String(answer.unit.unit_id) } })
}
async function tie(unit_id: number | null): Promise<void> {
  const { answer, refusal: no } = await resultOf(
    api.PUT('/api/jobs/{number}/unit', { params, body: { unit_id }, ...withKey() }),
  )
  refusal.value = no
  if (answer) await take(answer)
}
onMounted(async () => {
  const { answer, refusal: no } = await resultOf(api.GET('/api/jobs/{number}/unit', { params }))
  refusal.value = no
  await take(answer)
})
</script>

<template>
  <main class="ask">
    <p v-if="refusal" class="stop">{{ refusal.message }} {{ refusal.hint }}</p>
    <template v-if="found && !found.unit">
      <h1>Which unit is {{ found.job.title }}?</h1>
      <p v-if="found.may_be.length">Has it been here before? Choose it to see its log and earlier jobs.</p>
      <p v-else>No unit with this name or model has a history yet.</p>
      <ul>
        <li v-for="unit in found.may_be" :key="unit.unit_id">
          <button type="button" class="chip" @click="tie(unit.unit_id)">
            {{ unit.title }} {{ unit.serial ? `no. ${unit.serial}` : 'without a serial number' }}
            {{ unit.place }}
          </button>
        </li>
      </ul>
      <button type="button" class="go" @click="tie(null)">Start its history</button>
    </template>
  </main>
</template>

<style scoped>
.ask {
  max-width: 640px;
  width: 100%;
  margin: 60px auto;
  padding: 0 24px;
}
ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
  margin: 16px 0;
}
.go {
  margin-top: 18px;
}
</style>
