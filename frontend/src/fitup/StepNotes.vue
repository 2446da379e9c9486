<script setup lang="ts">
import { computed } from 'vue'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import type { Step } from './useFitUp'

/** What a step says beside its figures: way round, lubricant, the check that proves it, when to stop, what to mind. */
const props = defineProps<{ step: Step; why: boolean }>()
/** The formula behind what a step does, where one stands behind it. */
const BEHIND: Partial<Record<Step['does'], readonly [question: string, words: string]>> = {
  warm: ['heating_for_interference', 'how warm it must be'],
  grease: ['grease_refill', 'how much grease'],
  tighten: ['look-torque', 'torque of a thread'],
  set: ['shim_change_for_end_play', 'setting by shims'],
}
const behind = computed(() => BEHIND[props.step.does])
/** What the page behind it is opened with. */
const given = computed((): Record<string, string> => {
  const thread = props.step.torque?.thread
  return thread ? { thread } : {}
})
const plain = (code: string): string => code.replace(/_/g, ' ')
const faces = computed(() =>
  props.step.faces
    .map((face) => `${plain(face.mark)} ${face.side}${face.looks_at ? ` faces ${plain(face.looks_at)}` : ''}`)
    .join(' · '),
)
</script>

<template>
  <dl class="told">
    <template v-if="faces"
      ><dt>Orientation</dt>
      <dd>{{ faces }}</dd></template
    >
    <template v-if="step.lubricant"
      ><dt>On it</dt>
      <dd>{{ step.lubricant.words }}</dd></template
    >
    <dt>Check</dt>
    <dd class="check">{{ step.check.words }}</dd>
    <template v-if="step.stop_if.length"
      ><dt>Stop if it</dt>
      <dd class="stopif">
        <p v-for="stop in step.stop_if" :key="stop.code">{{ stop.words }}</p>
      </dd></template
    >
    <template v-if="step.cautions.length"
      ><dt>Mind</dt>
      <dd class="att">
        <p v-for="caution in step.cautions" :key="caution.code">{{ caution.words }}</p>
      </dd></template
    >
    <template v-if="why && (step.because.length || behind)"
      ><dt>Why now</dt>
      <dd>
        <p v-for="each in step.because" :key="each.code">{{ each.words }}</p>
        <p v-if="behind"><ReferenceLink :question="behind[0]" :words="behind[1]" :given="given" /></p></dd
    ></template>
  </dl>
</template>

<style scoped>
.told {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 2px 10px;
  font-size: 15.5px;
}
.told dt {
  font-size: 14px;
  color: var(--faint);
  padding-top: 1px;
}
.told dd {
  margin: 0;
}
.check {
  font-weight: 650;
}
.stopif {
  color: var(--stop);
  font-size: 15px;
}
</style>
