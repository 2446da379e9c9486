<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import type { Schemas } from '@/api/client'
import type { Step, Tick } from './useFitUp'

/** All steps in order: what is ticked, what was reached, where one is. */
const props = defineProps<{
  steps: Step[]
  ticks: Map<string, Tick>
  at: string | null
  reached: Map<string, Schemas['TorqueReached']>
  wrench: string
}>()
defineEmits<{ pick: [key: string] }>()
const list = ref<HTMLElement | null>(null)
const state = (step: Step): string => {
  if (!props.ticks.has(step.key)) return 'not_looked_at'
  return props.reached.get(step.key)?.holds === false ? 'does_not_hold' : 'holds'
}
const SHORT: Record<Step['does'], string> = {
  free: 'off',
  warm: 'warm',
  fit: '',
  cool: 'cool',
  grease: 'grease',
  tighten: 'tighten',
  lock: 'lock',
  set: 'set',
}
/** The list alone is moved to the step, never the page. */
function follow(): void {
  const own = list.value
  const at = own?.querySelector<HTMLElement>('[aria-current]')
  if (!own || !at) return
  const top = at.offsetTop - own.offsetTop
  if (top < own.scrollTop) own.scrollTop = top
  else if (top + at.offsetHeight > own.scrollTop + own.clientHeight)
    own.scrollTop = top + at.offsetHeight - own.clientHeight
}
watch(
  () => props.at,
  () => void nextTick(follow),
)
</script>

<template>
  <ol ref="list" class="steps" aria-label="steps" tabindex="0">
    <li v-for="(step, i) in steps" :key="step.key" :aria-current="step.key === at ? 'step' : undefined">
      <button type="button" tabindex="-1" @click="$emit('pick', step.key)">
        <span class="fig no">{{ i + 1 }}</span>
        <VerdictMark :state="state(step)" silent />
        <span class="what"
          ><i v-if="SHORT[step.does]">{{ SHORT[step.does] }}</i> {{ step.title }}</span
        >
        <span v-if="ticks.get(step.key)?.reached" class="fig"
          >{{ ticks.get(step.key)?.reached }} {{ wrench }}</span
        >
      </button>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 6px 0;
  overflow: auto;
  min-height: 0;
  flex: 1;
}
button {
  display: grid;
  grid-template-columns: 26px 16px 1fr auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  padding: 4px 16px 4px 18px;
  font-size: 15px;
}
.no {
  text-align: right;
  font-size: 16px;
}
.what i {
  font-style: normal;
  color: var(--faint);
}
li[aria-current] {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--attention);
  font-weight: 650;
}
</style>
