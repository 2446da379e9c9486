<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import ConditionCard from './ConditionCard.vue'
import HeldCard from './HeldCard.vue'
import JudgeColumn from './JudgeColumn.vue'
import NoteCard from './NoteCard.vue'
import PhotoStrip from './PhotoStrip.vue'
import WayRound from './WayRound.vue'
import { TABS, type LinePart, type Tab } from './lineEdits'
import type { useLine } from './useLine'
import type { usePhotos } from './usePhotos'

/** Under the line: the chosen part's way round, what is known of it, and what is judged of it. */
const props = defineProps<{
  strip: ReturnType<typeof useLine>
  part: LinePart
  /** Its place on the line, from 1. */
  number: number
  photos: ReturnType<typeof usePhotos>
  /** A caution to read before it is inspected. */
  atInspection: Schemas['Caution'] | undefined
  why: boolean
}>()
const tab = defineModel<Tab>('tab', { required: true })
defineEmits<{
  patch: [values: Partial<LinePart>]
  read: [caution: string]
  decide: [verdict: Schemas['DecideRequest']['verdict'], reason: string]
  bench: []
  why: []
  mark: [photo: Schemas['PhotoHead'] | null]
}>()
const cards = ref<HTMLElement | null>(null)
const taken = ref<InstanceType<typeof PhotoStrip> | null>(null)
const { sheet, line, live } = props.strip
const own = computed(() =>
  (props.strip.answer.value?.photos ?? []).filter((each) => each.part === props.part.key),
)
const contradicting = computed(() =>
  props.strip.contradictions.value.filter((each) => each.part === props.part.key),
)
defineExpose({
  focus: () => cards.value?.querySelector<HTMLElement>('input, button')?.focus(),
  openPhoto: () => taken.value?.open(),
})
</script>

<template>
  <div ref="cards" class="cards">
    <WayRound
      :part="part"
      :number="number"
      :facing="live.answer.value?.facing[part.key]"
      @patch="$emit('patch', $event)"
    />
    <div class="middle">
      <div class="tabs" role="tablist">
        <button
          v-for="name in TABS"
          :key="name"
          type="button"
          role="tab"
          :aria-selected="tab === name"
          @click="tab = name"
        >
          {{ name }}<template v-if="name === 'photos' && own.length"> · {{ own.length }}</template>
        </button>
      </div>
      <article v-if="tab === 'condition' && atInspection" class="caution">
        <p>
          <b>{{ atInspection.title }}.</b> {{ atInspection.do }}
          <b v-if="atInspection.licence" class="att">Only: {{ atInspection.licence }}.</b>
        </p>
        <button type="button" class="chip" @click="$emit('read', atInspection.caution)">
          I have read it
        </button>
      </article>
      <ConditionCard v-if="tab === 'condition'" :part="part" @patch="$emit('patch', $event)" />
      <HeldCard
        v-else-if="tab === 'fastening and settings' && line"
        :part="part"
        :ties="sheet.ties"
        :end="strip.endOf.value"
        :next="strip.nextPart.value"
        @patch="$emit('patch', $event)"
        @ties="strip.change({ ...sheet, ties: $event })"
        @tie="strip.tie"
      />
      <PhotoStrip
        v-else-if="tab === 'photos'"
        ref="taken"
        :photos="strip.answer.value?.photos ?? []"
        :part="part.key"
        :keeper="photos"
        @mark="$emit('mark', $event)"
      />
      <NoteCard
        v-else
        :part="part"
        :refused="live.answer.value?.refused ?? []"
        @patch="$emit('patch', $event)"
      />
    </div>
    <JudgeColumn
      :part="part"
      :verdict="live.answer.value?.verdicts[part.key]"
      :decision="strip.standing.value.get(part.key)"
      :in-file="strip.answer.value?.decisions.find((each) => each.from_file && each.part === part.key)"
      :judged-by="strip.answer.value?.judged_by[part.key]"
      :contradictions="contradicting"
      :bench-id="strip.answer.value?.on_bench[part.key]"
      :why="why"
      @patch="$emit('patch', $event)"
      @decide="(verdict, reason) => $emit('decide', verdict, reason)"
      @bench="$emit('bench')"
      @why="$emit('why')"
    />
  </div>
</template>

<style scoped>
.cards {
  flex: 1;
  display: grid;
  grid-template-columns: 372px minmax(0, 1fr) 356px;
  border-top: 2px solid var(--ink);
  background: var(--paper);
  min-height: 0;
}
.cards > * {
  padding: 12px 20px;
  overflow: auto;
  min-height: 0;
}
.cards > * + * {
  border-left: 1px solid var(--rule);
}
.middle {
  display: grid;
  gap: 10px;
  align-content: start;
}
.caution {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
}
.tabs {
  display: flex;
  gap: 18px;
}
.tabs button {
  font-size: 15px;
  color: var(--faint);
  padding-bottom: 3px;
}
.tabs button[aria-selected='true'] {
  color: var(--ink);
  font-weight: 650;
  border-bottom: 3px solid var(--ink);
}
@media (max-width: 900px) {
  .cards {
    flex: none;
    grid-template-columns: minmax(0, 1fr);
  }
  .cards > * {
    overflow: visible;
  }
  .cards > * + * {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
</style>
