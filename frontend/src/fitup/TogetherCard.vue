<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useKeys } from '@/shell/useKeys'
import type { FitUp } from './useFitUp'

/** What stands against calling it together, and calling it so; with a reason over what is open. */
const sheet = defineModel<FitUp>({ required: true })
const props = defineProps<{ judged: Schemas['FitUpJudged']; refused: string; number: string }>()
const left = computed(() => props.judged.left.length)
function together(): void {
  sheet.value = { ...sheet.value, together: !sheet.value.together }
}
const unsaid = computed(() => left.value > 0 && (sheet.value.reason ?? '').trim().length < 4)
useKeys([
  { key: 'Alt+e', words: 'assembly complete', run: () => !unsaid.value && together(), inFields: true },
])
</script>

<template>
  <section class="together" aria-label="together">
    <p v-for="each in judged.conflicts" :key="each.code + each.after" class="att">{{ each.words }}</p>
    <p v-if="judged.on_no_step.length" class="att">
      Removed but in no step:
      {{ judged.on_no_step.map((each) => `${each.what} (${each.count})`).join(', ') }}.
    </p>
    <p v-if="judged.off_line.length" class="att">
      In the tray but not on the strip-down: {{ judged.off_line.join(', ') }}.
    </p>
    <p v-if="judged.not_on_plan.length" class="faint">
      {{ judged.not_on_plan.length }} ticked
      {{ judged.not_on_plan.length === 1 ? 'step is' : 'steps are' }} no longer on the strip-down.
    </p>
    <label v-if="left && !sheet.together" class="faint">
      <input
        v-model="sheet.reason"
        name="reason"
        maxlength="300"
        :placeholder="`reason for leaving ${left} open`"
        aria-label="reason for completing with open steps"
      />
    </label>
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <button type="button" class="go" :disabled="!sheet.together && unsaid" @click="together">
      <span>{{
        sheet.together ? 'Complete. Undo' : left ? `Complete with ${left} open` : 'Assembly complete'
      }}</span>
      <kbd>Alt e</kbd>
    </button>
    <RouterLink v-if="sheet.together" class="plain" :to="{ name: 'proof', params: { number } }"
      >go to Proof</RouterLink
    >
  </section>
</template>

<style scoped>
.together {
  border-top: 1px solid var(--rule);
  padding: 12px 18px 14px;
  display: grid;
  gap: 8px;
  font-size: 14.5px;
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  padding: 4px 2px;
  color: var(--ink);
}
input:focus {
  border-color: var(--action);
}
</style>
