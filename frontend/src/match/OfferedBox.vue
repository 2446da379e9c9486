<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import VerdictMark from '@/drawing/VerdictMark.vue'

/** What a supplier offers, as described, compared with the requirement. */
const props = defineProps<{ partId: number }>()
const text = ref('')
const field = ref<HTMLInputElement | null>(null)
defineExpose({ focus: () => field.value?.focus() })
const live = useLive<string, Schemas['OfferedAnswer']>(
  () => text.value.trim() || null,
  (asked, signal) =>
    resultOf(
      api.POST('/api/parts/{part_id}/offered', {
        params: { path: { part_id: props.partId } },
        body: { text: asked },
        signal,
      }),
    ),
)
const MARKS: Record<string, string> = {
  drop_in: 'holds',
  fits_with_differences: 'not_proven',
  needs_change: 'not_proven',
  not_interchangeable: 'does_not_hold',
}
const judged = computed(() => (text.value.trim() ? (live.answer.value?.interchange ?? null) : null))
const state = computed(() =>
  judged.value?.contradictions.length ? 'does_not_hold' : (MARKS[judged.value?.verdict ?? ''] ?? ''),
)
const differing = computed(() => (judged.value?.attributes ?? []).filter((each) => each.judgement !== 'same'))
</script>

<template>
  <section class="offered" aria-label="what a supplier offers">
    <label
      >supplier offers <kbd>o</kbd>
      <input
        ref="field"
        v-model="text"
        name="offered"
        class="fig"
        maxlength="60"
        placeholder="marking or sizes"
        autocomplete="off"
        spellcheck="false"
    /></label>
    <p v-if="text.trim() && live.refusal.value" class="att" role="alert">
      {{ live.refusal.value.message }} {{ live.refusal.value.hint }}
    </p>
    <p v-else-if="judged" class="said" role="status">
      <VerdictMark :state="state" :size="16" silent />
      <b>{{ judged.words }}</b>
      <span v-for="each in differing" :key="each.name"
        >{{ each.name }}: {{ each.from }} → {{ each.to }}. {{ each.consequence }}</span
      >
    </p>
  </section>
</template>

<style scoped>
.offered {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 20px;
  border-top: 1px solid var(--rule);
  font-size: 14.5px;
}
label {
  flex: none;
  color: var(--faint);
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  font-size: 20px;
  width: 230px;
  margin-left: 8px;
  padding: 2px 8px;
}
input::placeholder {
  font-size: 15px;
  color: var(--hatch);
}
.said {
  max-height: 92px;
  overflow: auto;
}
.said b {
  margin: 0 8px 0 5px;
}
.said span {
  margin-right: 8px;
}
</style>
