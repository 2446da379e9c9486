<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import PartSection from '@/drawing/PartSection.vue'
import { partSize } from '@/drawing/sizes'
import { percent } from '@/entry/lengths'

/** Look-alikes: what the readings leave of kinds of one size, each in section to its own base height. */
const props = defineProps<{
  kinds: readonly Schemas['KindShare'][]
  candidates: readonly Schemas['CandidateAnswer'][]
}>()
defineEmits<{ choose: [kind: string] }>()
/** The likeliest candidate of each kind gives the proportions. */
const shown = computed(() =>
  props.kinds
    .filter((each) => each.probability > 0.01)
    .slice(0, 4)
    .flatMap((each) => {
      const like = props.candidates.find((one) => one.kind === each.kind)
      return like ? [{ ...each, size: partSize(each.kind, like.dimensions, 0), text: like.size_text }] : []
    }),
)
</script>

<template>
  <div v-if="shown.length > 1" class="alike" role="group" aria-label="similar profiles">
    <p><b>Compare the section with these</b></p>
    <button v-for="each in shown" :key="each.kind" type="button" @click="$emit('choose', each.kind)">
      <PartSection
        :size="each.size"
        closure="open"
        :width="64"
        :height="46"
        ring
        :name="`section: ${each.words}`"
      />
      <span>{{ each.words }}</span>
      <span class="fig">{{ percent(each.probability) }}</span>
    </button>
  </div>
</template>

<style scoped>
.alike {
  padding: 8px 20px 10px;
  border-top: 1px solid var(--rule);
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  grid-template-rows: auto auto;
  gap: 4px 8px;
}
p {
  grid-column: 1 / -1;
  font-size: 15px;
}
button {
  grid-row: 2;
  background: none;
  border: 1px solid var(--rule);
  display: grid;
  justify-items: center;
  font-size: 13px;
  padding: 4px;
  cursor: pointer;
  color: inherit;
}
button .fig {
  font-size: 18px;
}
button:focus-visible {
  outline: 2.5px solid var(--action);
}
</style>
