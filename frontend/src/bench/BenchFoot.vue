<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { percent } from '@/entry/lengths'

/** At the foot of the ranking: what a specialist would say, what to measure next, and the button that confirms it. */
const props = defineProps<{
  advised: readonly string[]
  saidBefore: Schemas['BenchAnswer']['identification']
  refused: string | null
  next: Schemas['IdentifyAnswer']['next_measurement']
  anyEvidence: boolean
  /** The sheet has come: before that nothing is asked for either. */
  ready: boolean
  title: string
  /** It has been asked once more. */
  sure: boolean
  /** Something listed comes near; else a supplier is asked. */
  listed: boolean
}>()
const emit = defineEmits<{ go: []; figure: [typed: string] }>()
/** Before anything is read nothing is claimed. */
const go = computed(() => {
  if (!props.ready) return 'Loading'
  if (!props.anyEvidence) return 'Measure it or read its marking first'
  if (!props.listed) return `Ask a supplier for ${props.title}`
  return props.sure ? `Confirm ${props.title} anyway` : `Confirm ${props.title}`
})
/** A figure typed while the button has the focus belongs to the next field. */
function onKey(event: KeyboardEvent): void {
  if (!/^[\d.,]$/.test(event.key) || event.ctrlKey || event.altKey || event.metaKey) return
  event.preventDefault()
  emit('figure', event.key)
}
const goButton = ref<HTMLButtonElement | null>(null)
defineExpose({ focus: () => goButton.value?.focus({ preventScroll: true }) })
</script>

<template>
  <div class="foot">
    <p v-for="each in advised" :key="each" class="advice">{{ each }}</p>
    <p v-if="saidBefore" class="said-before">
      <template v-if="saidBefore.from_file">
        identified as <b>{{ saidBefore.title }}</b> by {{ saidBefore.person }} in the job file;
        {{ percent(saidBefore.probability) }} by its readings. Confirm it here.
      </template>
      <template v-else-if="saidBefore.changed_since">
        identified as <b>{{ saidBefore.title }}</b> by {{ saidBefore.person }}; what is known has changed
        since: {{ percent(saidBefore.probability) }} now
      </template>
      <template v-else>
        identified as <b>{{ saidBefore.title }}</b> by {{ saidBefore.person }} ({{
          percent(saidBefore.probability)
        }}
        confidence)
      </template>
    </p>
    <p v-if="refused" class="do stop" role="alert">{{ refused }}</p>
    <p v-if="next" class="do">
      <b>{{ next.ask }}.</b>
      {{ next.because.replace(/^./, (c) => c.toUpperCase()) }}
      <span v-if="next.leaves < next.of_sizes" class="faint"
        >Leaves about {{ next.leaves }} of {{ next.of_sizes }} sizes.</span
      >
    </p>
    <p v-else-if="anyEvidence" class="do settled">No further measurement would change the result.</p>
    <button
      ref="goButton"
      type="button"
      class="go"
      :disabled="!title || !anyEvidence"
      @click="emit('go')"
      @keydown="onKey"
    >
      <span>{{ go }}</span><kbd v-if="anyEvidence">{{ next ? 'Ctrl Enter' : 'Enter' }}</kbd>
    </button>
  </div>
</template>

<style scoped>
@media (max-width: 900px) {
  /* the drawing stays in sight while the button is in reach */
  .go {
    position: sticky;
    bottom: 0;
  }
}
.advice {
  padding: 7px 20px;
  font-size: 15px;
  border-top: 1px solid var(--rule);
}
.do {
  padding: 13px 20px;
  border-top: 2px solid var(--attention);
  background: var(--sheet);
  font-size: 16px;
}
.do b {
  color: var(--attention);
}
.do.settled {
  border-top-color: var(--good);
}
.do .faint {
  font-size: 14px;
}
.said-before {
  padding: 8px 20px;
  font-size: 14px;
  border-top: 1px solid var(--rule);
}
</style>
