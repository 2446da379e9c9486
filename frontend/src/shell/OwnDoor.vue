<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { ref } from 'vue'
import { useSession } from '@/api/session'
import ChooseSecret from './ChooseSecret.vue'

/** One's own door: sign out here or elsewhere, change the PIN. */
const emit = defineEmits<{ close: [] }>()
const session = useSession()
const changing = ref(false)
const said = ref('')

async function elsewhere(): Promise<void> {
  const refusal = await session.signOutElsewhere()
  said.value = refusal ? refusal.message : 'You are signed out on every other machine.'
}
function changed(): void {
  changing.value = false
  said.value = 'Changed. You are signed out on every other machine.'
}
async function leave(): Promise<void> {
  emit('close')
  await session.signOut()
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="session.person ? `${session.person.name}, ${session.person.role}` : 'Signed in'"
    :style="{ width: '520px' }"
    @update:visible="emit('close')"
  >
    <ChooseSecret v-if="changing" @done="changed" />
    <div v-else class="door">
      <p v-if="said" role="status">{{ said }}</p>
      <button type="button" class="go" autofocus @click="leave"><span>Sign out</span></button>
      <button type="button" class="plain" @click="changing = true">Change my PIN or password</button>
      <button type="button" class="plain" @click="elsewhere">Sign me out on every other machine</button>
    </div>
  </Dialog>
</template>

<style scoped>
.door {
  display: grid;
  gap: 14px;
  justify-items: start;
}
</style>
