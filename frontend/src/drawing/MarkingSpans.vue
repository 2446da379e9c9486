<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** A marking in large letters, a bracket under each group with its meaning. */
const props = defineProps<{ reading: Schemas['MarkingReading']; text: string; large?: boolean }>()
/** A name, a country, a date: it stands beside the mark and is none of its codes. */
function isBeside(text: string): boolean {
  const words = new Set(props.reading.beside.flatMap((each) => each.split(/[\s\-_/.,]+/)))
  return text.split(' ').every((word) => words.has(word))
}
const groups = computed(() => {
  const spans = props.reading.spans.filter((span) => span.start >= 0 && span.stop > span.start)
  const merged = new Map<number, { start: number; stop: number; meaning: string; certainty: string }>()
  for (const span of spans) {
    const held = merged.get(span.start)
    if (held && held.meaning !== span.meaning) held.meaning += `, ${span.meaning}`
    else if (held) continue
    else merged.set(span.start, { ...span })
  }
  const known = [...merged.values()].sort((a, b) => a.start - b.start)
  const shown: { text: string; meaning: string; certainty: string }[] = []
  /** What stands between two sizes is no part of them; what has no meaning is said so. */
  const put = (gap: string): void => {
    const text = gap.replace(/[\s\-_/.,]+/g, ' ').trim()
    const plain = (/^[x×*]$/i.test(text) && !props.reading.unread.includes(text)) || isBeside(text)
    const certainty = plain ? 'between' : 'unread'
    if (text) shown.push({ text, meaning: plain ? '' : 'unread', certainty })
  }
  let at = 0
  for (const span of known) {
    put(props.text.slice(at, span.start))
    shown.push({
      text: props.text.slice(span.start, span.stop),
      meaning: span.meaning,
      certainty: span.certainty,
    })
    at = Math.max(at, span.stop)
  }
  put(props.text.slice(at))
  return shown
})
const CERTAIN: Record<string, string> = {
  stated: 'stated',
  implied: 'implied',
  half_read: 'half-legible',
}
</script>

<template>
  <div class="spans" :class="{ large }">
    <div v-for="(group, i) in groups" :key="i" :class="group.certainty">
      <b>{{ group.text }}</b><small
        >{{ group.meaning }}<em v-if="CERTAIN[group.certainty]">{{ CERTAIN[group.certainty] }}</em></small
      >
    </div>
  </div>
</template>

<style scoped>
.spans {
  display: flex;
  gap: 6px;
  align-items: flex-start;
  min-width: 0;
}
.spans > div {
  text-align: center;
  max-width: 210px;
  min-width: 56px;
}
b {
  display: block;
  font-size: 34px;
  line-height: 1;
  font-stretch: 80%;
  font-weight: 650;
  padding: 0 8px 2px;
  border-bottom: 2px solid var(--ink);
  white-space: pre;
}
.large b {
  font-size: 54px;
  padding: 0 12px 4px;
  border-bottom-width: 2.5px;
}
small {
  font-size: 13px;
  color: var(--faint);
  display: block;
  line-height: 1.2;
  padding-top: 3px;
}
.large small {
  font-size: 15px;
  color: var(--ink);
}
small em {
  display: block;
  font-style: normal;
  color: var(--faint);
  font-size: 13px;
}
.spans > .between {
  min-width: 0;
}
.between b {
  padding: 0;
  color: var(--faint);
  border-color: transparent;
  font-weight: 400;
}
.unread b,
.half_read b {
  color: var(--attention);
  border-color: var(--attention);
  border-bottom-style: dashed;
}
</style>
