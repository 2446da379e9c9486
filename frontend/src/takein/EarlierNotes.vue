<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'

/** What earlier jobs of this unit left for the next person; asked again when the serial number ties the job to one. */
const props = defineProps<{ number: string; serial: string }>()
const notes = ref<Schemas['EarlierNote'][]>([])
async function look(): Promise<void> {
  const params = { path: { number: props.number } }
  const { answer } = await resultOf(api.GET('/api/jobs/{number}/unit', { params }))
  if (answer) notes.value = answer.notes
}
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => props.serial,
  () => {
    clearTimeout(timer)
    timer = setTimeout(() => void look(), 1500) // once it has been saved
  },
)
onMounted(look)
</script>

<template>
  <section v-if="notes.length" class="earlier" aria-label="left for the next person">
    <h2>Left for the next person</h2>
    <p v-for="each in notes.slice(0, 3)" :key="each.job">
      <b class="fig">{{ each.job }}</b> {{ each.note }}
    </p>
  </section>
</template>

<style scoped>
.earlier {
  border-left: 4px solid var(--attention);
  padding: 2px 0 2px 12px;
  font-size: 14.5px;
}
h2 {
  font-size: 14.5px;
}
</style>
