<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { knownKeys } from './useKeys'

defineEmits<{ close: [] }>()
const SHOWN: Record<string, string> = {
  ' ': 'space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageDown: 'Page ↓',
}
/** A key as it is printed on a keyboard. */
function shown(key: string): string {
  return key
    .split(/\+(?=.)/)
    .map((name) => SHOWN[name] ?? name)
    .join(' ')
}
/** Digits in a row are one: those after the first have no words of their own. */
const keys = knownKeys().flatMap((each, i, all) => {
  if (!each.words) return []
  let last = i
  while (all[last + 1] && !all[last + 1]?.words && /^\d$/.test(all[last + 1]?.key ?? '')) last++
  const to = all[last]?.key
  return [{ key: each.key, words: each.words, shown: last > i ? `${each.key} – ${to}` : shown(each.key) }]
})
</script>

<template>
  <Dialog
    visible
    modal
    header="Keys on this screen"
    :style="{ width: '520px' }"
    :pt="{ content: { tabindex: 0 } }"
    @update:visible="$emit('close')"
  >
    <dl>
      <template v-for="key in keys" :key="key.key">
        <dt>
          <kbd>{{ key.shown }}</kbd>
        </dt>
        <dd>{{ key.words }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 7px 12px;
}
dd {
  margin: 0;
}
kbd {
  font-size: 14px;
}
</style>
