<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref } from 'vue'
import { api, newKey, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { useTrade } from '@/job/useTrade'

/** A job in a few keys: what it is, whose, what is wrong; the rest follows at Take in. */
const emit = defineEmits<{ close: []; opened: [number: string] }>()
const trade = useTrade()
const title = ref('')
const unit = ref('other')
const owner = ref('')
const symptom = ref('')
const model = ref('')
const days = ref('')
const models = ref<string[]>([])
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const key = newKey()
const lieOpen = computed(() => {
  const value = Math.round(Number(days.value))
  return days.value.trim() && value >= 0 && value <= 3650 ? value : null
})

async function open(): Promise<void> {
  busy.value = true
  const body = {
    title: title.value.trim(),
    owner: owner.value.trim(),
    symptom: symptom.value.trim(),
    unit: unit.value,
    model: model.value.trim(),
    plate: '',
    since: '',
    lie_open_days: lieOpen.value,
  }
  const { answer, refusal: why } = await resultOf(api.POST('/api/jobs', { body, ...withKey(key) }))
  refusal.value = why
  busy.value = false
  if (answer) emit('opened', answer.number)
}
async function readIn(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  busy.value = true
  const { answer, refusal: why } = await resultOf(
    api.POST('/api/job-files', {
      body: (await file.text()) as never,
      bodySerializer: (body: unknown) => body as string,
      headers: { ...withKey(key).headers, 'Content-Type': 'application/json' },
    } as never),
  )
  busy.value = false
  refusal.value = why
  const made = answer as Schemas['Imported'] | null
  if (made) emit('opened', made.job.number)
}
onMounted(async () => {
  if (!trade.tables) await trade.load()
  const { answer } = await resultOf(api.GET('/api/unit-models'))
  models.value = (answer?.models ?? []).map((each) => each.name)
})
</script>

<template>
  <Dialog visible modal header="Take a unit in" :style="{ width: '620px' }" @update:visible="emit('close')">
    <form class="form" @submit.prevent="open">
      <label class="wide"
        >unit<InputText v-model="title" name="title" maxlength="80" autofocus required
      /></label>
      <label
        >kind
        <select v-model="unit" name="unit" @keydown.enter.prevent="open">
          <option v-for="each in trade.tables?.units" :key="each.unit" :value="each.unit">
            {{ each.words }}
          </option>
        </select></label
      >
      <label>model<InputText v-model="model" name="model" maxlength="60" list="known-models" /></label>
      <datalist id="known-models"><option v-for="each in models" :key="each" :value="each" /></datalist>
      <label>owner<InputText v-model="owner" name="owner" maxlength="80" /></label>
      <label>max. downtime, days<InputText v-model="days" name="lie-open" inputmode="numeric" /></label>
      <label class="wide"
        >symptom, in the customer's words<InputText v-model="symptom" name="symptom" maxlength="200"
      /></label>
      <p v-if="refusal" class="stop wide" role="alert">{{ refusal.message }}</p>
      <button class="go wide" type="submit" :disabled="busy || title.trim().length < 2">
        <span>Open the job</span><kbd>Enter</kbd>
      </button>
      <label class="file wide"
        >or import a job file
        <input type="file" name="job-file" accept="application/json,.json" @change="readIn"
      /></label>
    </form>
  </Dialog>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 18px;
}
.wide {
  grid-column: 1 / -1;
}
label {
  display: grid;
  gap: 3px;
  font-size: 14px;
  color: var(--faint);
}
label :deep(input),
select {
  font-size: 17px;
  color: var(--ink);
}
select {
  border: 1px solid var(--ink);
  background: var(--sheet);
  padding: 7px 10px;
}
</style>
