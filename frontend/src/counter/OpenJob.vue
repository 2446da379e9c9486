<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { api, newKey, told, withKey, type Refusal } from '@/api/client'

const emit = defineEmits<{ close: []; opened: [number: string] }>()
const title = ref('')
const owner = ref('')
const symptom = ref('')
const part = ref('')
const refusal = ref<Refusal | null>(null)
const busy = ref(false)
const key = newKey()

async function open(): Promise<void> {
  busy.value = true
  const body = { title: title.value.trim(), owner: owner.value.trim(), symptom: symptom.value.trim() }
  const { answer, refusal: why } = await told(api.POST('/api/jobs', { body, ...withKey(key) }))
  refusal.value = why
  if (answer && part.value.trim()) {
    const added = await told(
      api.POST('/api/jobs/{number}/parts', {
        params: { path: { number: answer.number } },
        body: { name: part.value.trim(), surroundings: '', marking: '', dirty: false, rpm: null },
        ...withKey(`${key}-part`),
      }),
    )
    refusal.value = added.refusal
  }
  busy.value = false
  if (answer && !refusal.value) emit('opened', answer.number)
}
</script>

<template>
  <Dialog visible modal header="Open a job" :style="{ width: '560px' }" @update:visible="emit('close')">
    <form class="form" @submit.prevent="open">
      <label>unit<InputText v-model="title" name="title" maxlength="80" autofocus required /></label>
      <label>owner<InputText v-model="owner" name="owner" maxlength="80" /></label>
      <label
        >what is wrong, in the shop's words<InputText v-model="symptom" name="symptom" maxlength="200"
      /></label>
      <label>first part in the tray<InputText v-model="part" name="part" maxlength="80" /></label>
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }}</p>
      <button class="go" type="submit" :disabled="busy || title.trim().length < 2">
        <span>Open it</span><kbd>Enter</kbd>
      </button>
    </form>
  </Dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}
label {
  display: grid;
  gap: 3px;
  font-size: 14px;
  color: var(--faint);
}
label :deep(input) {
  font-size: 17px;
  color: var(--ink);
}
</style>
