<script setup lang="ts">
import BearingSection from '@/drawing/BearingSection.vue'
import { usual } from '@/drawing/sizes'
import { useKinds } from '@/job/useKinds'

/** What kind of part it is, by its picture: a number key, or nothing chosen. */
const props = defineProps<{ kind: string }>()
defineEmits<{ choose: [group: string] }>()
const kinds = useKinds()
const chosen = (group: string): boolean => !!props.kind && kinds.groupOf(props.kind) === group
</script>

<template>
  <div class="kinds" role="group" aria-label="kind of part">
    <button
      v-for="(each, i) in kinds.groups"
      :key="each.group"
      type="button"
      :aria-pressed="chosen(each.group)"
      @click="$emit('choose', each.group)"
    >
      <BearingSection
        :size="usual(each.pictured)"
        closure="open"
        :width="64"
        :height="40"
        ring
        :name="`section of a ${each.words} bearing`"
      />
      <span
        ><kbd>{{ i + 1 }}</kbd> {{ each.words }}</span
      >
    </button>
  </div>
</template>

<style scoped>
.kinds {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  border-bottom: 1px solid var(--rule);
}
button {
  background: none;
  border: 0;
  border-right: 1px solid var(--rule);
  padding: 4px 2px 3px;
  display: grid;
  justify-items: center;
  gap: 2px;
  color: var(--faint);
  cursor: pointer;
}
button:last-child {
  border-right: 0;
}
button span {
  font-size: 13px;
  white-space: nowrap;
}
button[aria-pressed='true'] {
  background: var(--sheet);
  color: var(--ink);
  box-shadow: inset 0 -3px 0 var(--action);
  font-weight: 650;
}
button:hover {
  color: var(--ink);
}
button:focus-visible {
  outline: 2.5px solid var(--action);
  outline-offset: -3px;
}
</style>
