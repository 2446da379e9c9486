<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import PartSection from '@/drawing/PartSection.vue'
import { usual } from '@/drawing/sizes'
import { useKinds } from '@/job/useKinds'

/** What eye and hand can tell next, and what they have told. */
const props = defineProps<{
  family: string
  next: Schemas['NextQuestion'] | null
  answers: Readonly<Record<string, string>>
  /** The kinds still possible, likeliest first: an answer is pictured by the first that gives it. */
  possible: readonly string[]
}>()
const emit = defineEmits<{ answer: [question: string, value: string] }>()
const kinds = useKinds()
const box = ref<HTMLElement | null>(null)
const asked = computed(() => (props.next ? kinds.question(props.next.question, props.family) : undefined))
const told = computed(() =>
  Object.entries(props.answers).map(([question, value]) => ({
    question,
    value,
    words:
      kinds.question(question, props.family)?.answers.find((each) => each.value === value)?.words ?? value,
  })),
)
function pictured(value: string): string | undefined {
  const question = props.next?.question ?? ''
  const all = kinds.family(props.family)?.kinds.map((each) => each.kind) ?? []
  return [...props.possible, ...all].find((name) => kinds.kind(name)?.seen[question] === value)
}
function move(event: KeyboardEvent, by: number): void {
  const buttons = [...(box.value?.querySelectorAll<HTMLButtonElement>('.choices button') ?? [])]
  const at = buttons.indexOf(event.target as HTMLButtonElement)
  buttons[(at + by + buttons.length) % buttons.length]?.focus()
}
defineExpose({
  focus: () => box.value?.querySelector<HTMLButtonElement>('.choices button')?.focus(),
})
</script>

<template>
  <div v-if="asked || told.length" ref="box" class="look">
    <div
      v-if="asked"
      class="choices"
      role="group"
      :aria-label="asked.words"
      @keydown.right.prevent="move($event, 1)"
      @keydown.left.prevent="move($event, -1)"
    >
      <p>
        <b>{{ asked.words }}</b> <kbd>q</kbd>
      </p>
      <button
        v-for="each in asked.answers"
        :key="each.value"
        type="button"
        class="chip"
        @click="emit('answer', asked.question, each.value)"
      >
        <PartSection
          v-if="pictured(each.value)"
          :size="usual(pictured(each.value) ?? '')"
          closure="open"
          :width="34"
          :height="26"
          ring
          :name="`section: ${each.words}`"
        />
        {{ each.words }}
      </button>
    </div>
    <p v-if="told.length" class="told">
      <span class="faint">seen:</span>
      <button
        v-for="each in told"
        :key="each.question"
        type="button"
        class="plain"
        :title="`undo: ${each.words}`"
        @click="emit('answer', each.question, each.value)"
      >
        {{ each.words }} ×
      </button>
    </p>
  </div>
</template>

<style scoped>
.look {
  padding: 10px 20px;
  border-top: 1px solid var(--rule);
}
.choices p {
  font-size: 15px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.choices p {
  flex: 0 0 100%;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  font-size: 14px;
  padding: 2px 9px;
}
.told {
  font-size: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
</style>
