<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import MarkingSpans from '@/drawing/MarkingSpans.vue'

/** The marking as far as it can be read, what each piece means, and whether it agrees with the sizes. */
const props = defineProps<{ answer: Schemas['IdentifyAnswer'] | null; fault: string | undefined }>()
const marking = defineModel<string | undefined>({ required: true })
const emit = defineEmits<{ next: [] }>()
const field = ref<HTMLInputElement | null>(null)
const reading = computed(() => props.answer?.marking[0])
const agreed = computed(() => {
  const read = reading.value
  if (!read) return ''
  const worn = (read.spans ?? []).some((span) => span.certainty === 'half_read')
  const top = props.answer?.candidates[0]
  if (props.answer?.clash) return props.answer.clash
  if (worn && top && props.answer?.readings.length) return `Marking and size agree on ${top.designation}.`
  return ''
})
/** What it can still be, the likeliest left out: that one is spelled out beside the field. */
const others = computed(() => {
  const names = (props.answer?.marking ?? []).map((each) => each.designation)
  return [...new Set(names)].slice(1, 7)
})
/** One key for a character that cannot be read: on past it, at the end of what is typed. */
function onward(event: KeyboardEvent): void {
  const typed = field.value
  if (!typed || typed.selectionStart !== typed.value.length || typed.value.length >= 60) return
  event.preventDefault()
  marking.value = `${typed.value}?`
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div class="mark">
    <label class="typed"
      ><span>marking</span
      ><input
        ref="field"
        v-model="marking"
        name="marking"
        class="fig"
        maxlength="60"
        placeholder="→ for the unread part"
        autocomplete="off"
        spellcheck="false"
        @keydown.enter.exact.prevent="emit('next')"
        @keydown.right.exact="onward"
    /></label>
    <MarkingSpans v-if="reading" :reading="reading" :text="marking ?? ''" />
    <p class="said">
      <span :class="{ att: answer?.clash }" :role="answer?.clash ? 'alert' : undefined">{{ agreed }}</span>
      <span v-if="others.length && !answer?.clash" class="faint">or {{ others.join(', ') }}</span>
      <span v-if="fault" class="stop">{{ fault }}</span><span
        v-else-if="marking && !reading && answer"
        class="att"
        >No known designation in it. It is kept as typed.</span
      >
    </p>
  </div>
</template>

<style scoped>
.mark {
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 20px;
  border-top: 1px solid var(--rule);
  min-width: 0;
}
.typed {
  flex: 0 0 196px;
}
.typed span {
  font-size: 13px;
  color: var(--faint);
  display: block;
}
.typed input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  width: 100%;
  padding: 3px 9px;
  font-size: 28px;
  height: 46px;
}
.typed input::placeholder {
  font-size: 17px;
  color: var(--hatch);
}
.said {
  max-height: 92px;
  overflow: auto;
  font-size: 14.5px;
  flex: 1;
  min-width: 120px;
}
.said span {
  display: block;
}
</style>
