<script setup lang="ts">
import PartSection from '@/drawing/PartSection.vue'
import { usual } from '@/drawing/sizes'
import { FAMILIES, useKinds, type FamilyName } from '@/job/useKinds'

/** What the part is: its family by name, its kind by its picture; a number key each, or nothing chosen. */
const props = defineProps<{ family: FamilyName; kind: string }>()
defineEmits<{ choose: [group: string]; family: [name: FamilyName] }>()
const kinds = useKinds()
const chosen = (group: string): boolean => !!props.kind && kinds.groupOf(props.kind) === group
</script>

<template>
  <div>
    <div class="families" role="group" aria-label="family of part">
      <button
        v-for="([name, words], i) in FAMILIES"
        :key="name"
        type="button"
        :aria-pressed="name === family"
        @click="$emit('family', name)"
      >
        {{ words }} <kbd>{{ i === 0 ? 'f' : '' }}</kbd>
      </button>
    </div>
    <div class="kinds" role="group" aria-label="kind of part">
      <button
        v-for="(each, i) in kinds.groups(family)"
        :key="each.group"
        type="button"
        :aria-pressed="chosen(each.group)"
        @click="$emit('choose', each.group)"
      >
        <PartSection
          :size="usual(each.pictured)"
          closure="open"
          :width="64"
          :height="36"
          ring
          :name="`section: ${each.words}`"
        />
        <span
          ><kbd>{{ i + 1 }}</kbd> {{ each.words }}</span
        >
      </button>
    </div>
  </div>
</template>

<style scoped>
.families {
  display: flex;
  gap: 2px;
  padding: 5px 20px 0;
  border-bottom: 1px solid var(--rule);
}
.families button {
  display: block;
  border-right: 0;
  padding: 3px 10px 5px;
  font-size: 15px;
  color: var(--faint);
}
.families kbd:empty {
  display: none;
}
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
