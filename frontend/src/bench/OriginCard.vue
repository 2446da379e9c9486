<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { ORIGINS, originWords, type BuiltIn } from '@/job/origins'

/** Which list an O-ring is of depends on where its machine was built: asked once a job. */
const props = defineProps<{ lists: Schemas['RingLists'] }>()
const emit = defineEmits<{ say: [built: BuiltIn] }>()
const box = ref<HTMLElement | null>(null)
/** Said on this job; of another job of the unit it can be said otherwise here. */
const own = computed(() => (props.lists.known_from === 'job' ? props.lists.built_in : ''))
const confirmed = computed(() => {
  const [first, ...rest] = props.lists.confirmed
  if (!first) return ''
  return rest.length ? `${props.lists.confirmed.length} rings confirmed on it` : `${first} confirmed on it`
})
function move(event: KeyboardEvent, by: number): void {
  const buttons = [...(box.value?.querySelectorAll<HTMLButtonElement>('.chip') ?? [])]
  buttons[
    (buttons.indexOf(event.target as HTMLButtonElement) + by + buttons.length) % buttons.length
  ]?.focus()
}
defineExpose({ focus: () => box.value?.querySelector('button')?.focus() })
</script>

<template>
  <div
    ref="box"
    class="origin"
    role="group"
    aria-label="where was the machine built?"
    @keydown.right.prevent="move($event, 1)"
    @keydown.left.prevent="move($event, -1)"
  >
    <template v-if="!lists.built_in">
      <p><b>Where was the machine built?</b> <kbd>j</kbd></p>
      <button
        v-for="[name, words] in ORIGINS"
        :key="name"
        type="button"
        class="chip"
        @click="emit('say', name)"
      >
        {{ words }}
      </button>
    </template>
    <p v-else class="told">
      <span class="faint">machine:</span>
      <button
        v-if="own"
        type="button"
        class="plain"
        :title="`undo: ${originWords(own)}`"
        @click="emit('say', '')"
      >
        {{ originWords(own) }} ×
      </button>
      <span v-else>{{ originWords(lists.built_in) }}, by an earlier job of the unit</span>
      <span v-if="confirmed" class="faint">{{ confirmed }}</span>
    </p>
  </div>
</template>

<style scoped>
.origin {
  padding: 8px 20px 9px;
  border-top: 1px solid var(--rule);
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.origin p {
  flex: 0 0 100%;
  font-size: 15px;
}
.chip {
  font-size: 14px;
  padding: 2px 9px;
}
.origin .told {
  font-size: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
</style>
