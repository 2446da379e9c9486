<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '@/api/client'

/** Likely causes, the cheap check first; what a check shows moves the rest. */
const props = defineProps<{
  causes: Schemas['FoundCause'][]
  leading?: boolean
  checked: Record<string, string>
}>()
const emit = defineEmits<{ check: [cause: string, result: 'found' | 'cleared'] }>()
const open = ref<string | null>(null)
const LIES: Record<string, string> = {
  outside: 'not the bearing or seal',
  fitting: 'fitting',
  seat: 'shaft or seat',
  part: 'the part itself',
}
defineExpose({
  toggle: () => (open.value = open.value ? null : (props.causes[0]?.cause ?? null)),
})
</script>

<template>
  <ol class="causes">
    <li
      v-for="(each, i) in causes"
      :key="each.cause"
      :class="{ first: leading && i === 0, cleared: each.checked === 'cleared' }"
    >
      <div class="bar" aria-hidden="true">
        <div :style="{ width: `${Math.max(1, each.weight * 100)}%` }" />
      </div>
      <h2>
        {{ each.words }}
        <span :class="each.lies === 'outside' ? 'att' : 'faint'">{{
          each.lies === 'outside' ? each.outside_kind : LIES[each.lies]
        }}</span>
      </h2>
      <p><b>Check first:</b> {{ each.check }}</p>
      <template v-if="(leading && i === 0) || open === each.cause || each.checked">
        <p><b>To protect the new part:</b> {{ each.change }}</p>
        <p v-if="open === each.cause" class="faint">
          <span v-for="reason in each.reasons" :key="reason.sign"
            >{{ reason.words }}: {{ reason.reason }} ({{ reason.strength }}, {{ reason.source }}).
          </span>
        </p>
      </template>
      <div class="chips">
        <button
          type="button"
          class="chip"
          :aria-pressed="checked[each.cause] === 'found'"
          @click="emit('check', each.cause, 'found')"
        >
          confirmed
        </button>
        <button
          type="button"
          class="chip"
          :aria-pressed="checked[each.cause] === 'cleared'"
          @click="emit('check', each.cause, 'cleared')"
        >
          ruled out
        </button>
        <button type="button" class="plain" @click="open = open === each.cause ? null : each.cause">
          {{ open === each.cause ? 'less' : 'why' }}
        </button>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.causes {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 13px;
}
.bar {
  height: 5px;
  background: var(--rule);
}
.bar div {
  height: 100%;
  background: var(--ink);
}
h2 {
  font-size: 17px;
  margin-top: 4px;
}
.first h2 {
  font-size: 25px;
  font-stretch: 84%;
}
.first h2 span {
  display: block;
  margin: 1px 0 3px;
}
h2 span {
  font-size: 14px;
  font-weight: 600;
  margin-left: 6px;
  font-stretch: 100%;
  white-space: nowrap;
}
p {
  font-size: 14px;
}
.cleared h2 {
  text-decoration: line-through;
  color: var(--faint);
}
.chips {
  display: flex;
  gap: 7px;
  margin-top: 5px;
  align-items: center;
}
.chips .chip {
  min-height: 27px;
  font-size: 13px;
}
.plain {
  font-size: 14px;
}
</style>
