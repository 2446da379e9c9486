<script setup lang="ts">
import Dialog from 'primevue/dialog'
import type { Clash } from '@/sheets/merge'

/** Two people changed the same field: both values are shown, one is chosen, nothing is lost. */
defineProps<{ clashes: readonly Clash[] }>()
const emit = defineEmits<{ decide: [path: string, theirs: boolean] }>()
function words(path: string): string {
  if (path.startsWith('parts.')) return path.split('.').slice(2).join(', ').replace(/_/g, ' ') || 'a part'
  return path.replace('observations.', '').replace('.planes', ' readings').replace('.', ', ')
}
</script>

<template>
  <Dialog visible modal :closable="false" header="Someone else changed this too" :style="{ width: '600px' }">
    <p class="faint">Changes to different fields are all kept. For these, choose which one to keep:</p>
    <div v-for="clash in clashes" :key="clash.path" class="clash">
      <h3>{{ words(clash.path) }}</h3>
      <button type="button" class="side" autofocus @click="emit('decide', clash.path, false)">
        <em>yours</em><b class="fig">{{ clash.mine }}</b>
      </button>
      <button type="button" class="side" @click="emit('decide', clash.path, true)">
        <em>theirs</em><b class="fig">{{ clash.theirs }}</b>
      </button>
    </div>
  </Dialog>
</template>

<style scoped>
.clash {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 14px;
}
.clash h3 {
  grid-column: 1 / -1;
  font-size: 16px;
}
.side {
  border: 1.5px solid var(--ink);
  padding: 8px 12px;
  background: var(--paper);
}
.side:hover {
  background: var(--sheet);
}
.side em {
  display: block;
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
}
.side b {
  font-size: 22px;
  overflow-wrap: anywhere;
}
</style>
