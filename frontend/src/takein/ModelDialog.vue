<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { reactive, ref } from 'vue'
import { api, newKey, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import TellingPicture from './TellingPicture.vue'

/** How the builds of a model are told apart: one question, its answers with their pictures. */
type Picture = Schemas['NewBuild']['picture']
const props = defineProps<{ name: string; unit: string }>()
const emit = defineEmits<{ close: []; kept: [] }>()
const PAIRS: [Picture, string, Picture, string][] = [
  ['screws_4', 'four screws', 'screws_6', 'six screws'],
  ['square_ring', 'square ring', 'round_ring', 'round ring'],
  ['no_spacer', 'no spacer', 'spacer', 'a spacer between'],
  ['one_lip', 'one lip', 'two_lips', 'two lips'],
]
const QUESTIONS = [
  'How many screws hold the cover?',
  'Is the ring square or round?',
  'Is there a spacer?',
  'How many lips?',
]
const question = ref('')
const builds = reactive<Required<Schemas['NewBuild']>[]>([])
const refusal = ref<Refusal | null>(null)
const key = newKey()
function pick(i: number): void {
  const pair = PAIRS[i]
  if (!pair) return
  question.value = QUESTIONS[i] ?? ''
  const made = (build: string, picture: Picture, answer: string) => ({
    build,
    picture,
    answer,
    serial_range: '',
    differs: '',
  })
  builds.splice(0, builds.length, made('1', pair[0], pair[1]), made('2', pair[2], pair[3]))
}
async function keep(): Promise<void> {
  const body = { name: props.name, unit: props.unit, question: question.value.trim(), builds, spares: [] }
  const { answer, refusal: why } = await resultOf(api.POST('/api/unit-models', { body, ...withKey(key) }))
  refusal.value = why
  if (answer) emit('kept')
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="`${name}: known in several builds`"
    :style="{ width: '700px' }"
    @update:visible="emit('close')"
  >
    <p>How do you tell them apart?</p>
    <div class="pairs">
      <button
        v-for="(pair, i) in PAIRS"
        :key="pair[0]"
        type="button"
        :aria-pressed="builds[0]?.picture === pair[0]"
        @click="pick(i)"
      >
        <TellingPicture :picture="pair[0]" :name="pair[1]" /><TellingPicture
          :picture="pair[2]"
          :name="pair[3]"
        />
      </button>
    </div>
    <form v-if="builds.length" @submit.prevent="keep">
      <label>question<input v-model="question" name="question" maxlength="160" /></label>
      <div v-for="each in builds" :key="each.picture" class="build">
        <TellingPicture :picture="each.picture" :name="each.answer" />
        <label>what you see<input v-model="each.answer" maxlength="120" /></label>
        <label>build<input v-model="each.build" maxlength="40" /></label>
        <label>serials<input v-model="each.serial_range" maxlength="60" /></label>
        <label class="wide">parts it takes<input v-model="each.differs" maxlength="160" /></label>
      </div>
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }}</p>
      <button class="go" type="submit">
        <span>Ask this on every job with this model</span><kbd>Enter</kbd>
      </button>
    </form>
  </Dialog>
</template>

<style scoped>
.pairs {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 10px;
  margin: 8px 0 14px;
}
.pairs button {
  display: flex;
  border: 2px solid transparent;
  padding: 4px;
}
.pairs button[aria-pressed='true'] {
  border-color: var(--ink);
}
.pairs :deep(svg) {
  width: 50%;
  height: auto;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.build {
  display: grid;
  grid-template-columns: 90px minmax(0, 1.4fr) minmax(0, 0.6fr) minmax(0, 1fr);
  gap: 4px 14px;
  align-items: end;
}
.build :deep(svg) {
  grid-row: span 2;
}
.wide {
  grid-column: 2 / -1;
}
label {
  display: grid;
  font-size: 13px;
  color: var(--faint);
}
input {
  border: 0;
  border-bottom: 1px solid var(--ink);
  background: transparent;
  font-size: 16px;
  color: var(--ink);
  width: 100%;
}
</style>
