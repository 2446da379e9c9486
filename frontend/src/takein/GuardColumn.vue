<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'

/** What can hurt someone, read by whom and when; and whether spares can be had before it is opened. */
const props = defineProps<{
  answer: Schemas['TakeInAnswer'] | null
  first: string | undefined
  said: string
}>()
const emit = defineEmits<{ acknowledge: [caution: string] }>()
const STAGES: Record<string, string> = {
  strip: 'before opening',
  inspect: 'inspection',
  fit: 'fitting',
  prove: 'first run',
}
const MARKS: Record<string, string> = {
  on_shelf: 'holds',
  in_time: 'holds',
  too_late: 'does_not_hold',
  not_known: 'not_proven',
}
const read = computed(() => new Map((props.answer?.acknowledged ?? []).map((each) => [each.caution, each])))
const groups = computed(() =>
  Object.entries(STAGES)
    .map(([name, words]) => ({
      name,
      words,
      cards: (props.answer?.cautions ?? [])
        .filter((each) => each.stage === name)
        .map((card) => ({ ...card, read: read.value.get(card.caution) })),
    }))
    .filter((each) => each.cards.length),
)
const worst = computed(() => {
  const spares = props.answer?.spares ?? []
  const late = spares.filter((each) => each.state === 'too_late').length
  const unknown = spares.filter((each) => each.state === 'not_known').length
  if (late) return `${late} would arrive too late: order before opening.`
  if (unknown) return `${unknown} of ${spares.length} unknown.`
  return spares.length ? 'All available in time.' : ''
})
function time(at: string): string {
  return new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
}
</script>

<template>
  <section class="guard" aria-label="cautions and spares">
    <p v-if="said" class="att" role="alert">{{ said }}</p>
    <template v-if="answer?.spares.length">
      <h2>Spares first</h2>
      <p :class="answer.spares.some((each) => each.state === 'too_late') ? 'att' : 'faint'">
        <b>{{ worst }}</b>
      </p>
      <ul>
        <li v-for="(each, i) in answer.spares" :key="i">
          <VerdictMark :state="MARKS[each.state] ?? 'not_proven'" silent />
          <span
            ><b>{{ each.quantity > 1 ? `${each.quantity} × ` : '' }}{{ each.name }}</b
            >{{ each.item ? ` · ${each.item.marking}` : '' }}<br /><span class="faint"
              >{{ each.words }} <i>{{ each.known_from }}</i></span
            ></span
          >
        </li>
      </ul>
    </template>
    <template v-for="group in groups" :key="group.name">
      <h2>{{ group.words }}</h2>
      <article
        v-for="each in group.cards"
        :key="each.caution"
        :class="{ read: each.read && !each.read.from_file }"
      >
        <h3>{{ each.title }}</h3>
        <p>{{ each.do }}</p>
        <p v-if="each.licence" class="att">
          <b>Only: {{ each.licence }}.</b>
        </p>
        <p v-if="each.read" class="faint">
          read by {{ each.read.person }}, {{ time(each.read.acknowledged_at)
          }}{{ each.read.from_file ? ', from the file' : '' }}
        </p>
        <button
          v-if="!each.read || each.read.from_file"
          type="button"
          class="chip"
          @click="emit('acknowledge', each.caution)"
        >
          I have read it<kbd v-if="each.caution === first">Alt a</kbd>
        </button>
      </article>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 17px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 3px;
}
h3 {
  font-size: 16px;
}
article {
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
}
article.read {
  border-color: var(--good);
}
ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 7px;
  font-size: 14px;
}
li {
  display: grid;
  grid-template-columns: 20px 1fr;
}
</style>
