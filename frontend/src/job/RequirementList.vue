<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useKinds } from './useKinds'

/** What must be had, attribute by attribute, each with how it is known; what nobody knows can be said here. */
const props = defineProps<{
  requirement: Schemas['Requirement']
  editable?: boolean
  said?: Record<string, string>
}>()
const emit = defineEmits<{ say: [name: string, value: string] }>()
const kinds = useKinds()
const BASIS: Record<string, string> = {
  stated: 'marked',
  measured: 'measured',
  seen: 'seen',
  implied: 'from the marking',
  assumed: 'assumed',
  unknown: 'not known',
}
const PAIRS: Record<string, string> = {
  back_to_back: 'matched pair, back to back',
  face_to_face: 'matched pair, face to face',
  tandem: 'matched pair, in tandem',
}
const rows = computed(() => {
  const own = props.requirement
  const pair = PAIRS[own.arrangement ?? '']
  return [
    ...(pair ? [{ name: 'pieces', words: 'pieces', value: pair, basis: 'stated', values: [] }] : []),
    ...own.attributes.map((each) => {
      const known = kinds.attribute(each.name)
      return {
        name: each.name,
        words: known?.words ?? each.name.replace(/_/g, ' '),
        value: each.value ? kinds.valueWords(each.name, each.value) : '',
        basis: each.basis,
        values: known?.values ?? [],
      }
    }),
    ...(own.unread ?? []).map((text) => ({
      name: `unread ${text}`,
      words: 'also marked',
      value: text,
      basis: 'not understood',
      values: [],
    })),
  ]
})
/** What a person can still say: what the marking does not state. */
const sayable = (row: { basis: string; values: readonly unknown[] }): boolean =>
  Boolean(props.editable && row.values.length && ['unknown', 'assumed', 'seen'].includes(row.basis))
</script>

<template>
  <dl class="requirement">
    <div
      v-for="row in rows"
      :key="row.name"
      :class="{ open: row.basis === 'unknown' || row.basis === 'not understood' }"
    >
      <dt>{{ row.words }}</dt>
      <dd>
        <span v-if="sayable(row)" class="say">
          <b>{{ row.value || 'not known' }}</b> <i>{{ row.value ? BASIS[row.basis] : 'look' }}</i>
          <select
            :value="said?.[row.name] ?? ''"
            :name="row.name"
            :aria-label="`${row.words}, as seen on the part`"
            @change="emit('say', row.name, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">not stated</option>
            <option v-for="each in row.values" :key="each.value" :value="each.value">
              {{ each.words }}
            </option>
          </select>
        </span>
        <template v-else>
          <b>{{ row.value }}</b> <i>{{ BASIS[row.basis] ?? row.basis }}</i>
        </template>
      </dd>
    </div>
    <slot />
  </dl>
</template>

<style scoped>
.requirement {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 3px 16px;
  font-size: 14.5px;
  margin: 0;
}
.requirement > :deep(div) {
  display: flex;
  gap: 7px;
  align-items: baseline;
  min-width: 0;
}
.requirement :deep(dt) {
  color: var(--faint);
  flex: none;
}
.requirement :deep(dd) {
  margin: 0;
  min-width: 0;
}
.requirement :deep(b) {
  font-weight: 650;
}
.requirement :deep(i) {
  white-space: nowrap;
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
}
.requirement :deep(select) {
  max-width: 100%;
  font: inherit;
  font-size: 14px;
  border: 1px solid var(--rule);
  background: var(--sheet);
  color: var(--ink);
  padding: 1px 3px;
}
/** The choices lie over the words, so that a value is as short as it is and a click anywhere opens them. */
.say {
  position: relative;
  border-bottom: 1px dotted var(--faint);
}
.say:focus-within {
  outline: 2px solid var(--action);
  outline-offset: 2px;
}
.requirement .say :deep(select),
.requirement .say select {
  position: absolute;
  inset: 0;
  width: 100%;
  min-width: 0;
  height: 100%;
  min-height: 0;
  padding: 0;
  overflow: hidden;
  opacity: 0;
  cursor: pointer;
}
.open dt,
.open dd,
.open select,
.open i {
  color: var(--unsure);
}
</style>
