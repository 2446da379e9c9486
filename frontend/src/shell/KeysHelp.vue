<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { knownKeys } from './useKeys'

defineEmits<{ close: [] }>()
const keys = knownKeys()
</script>

<template>
  <Dialog
    visible
    modal
    header="Keys on this screen"
    :style="{ width: '520px' }"
    @update:visible="$emit('close')"
  >
    <dl>
      <template v-for="key in keys" :key="key.key">
        <dt>
          <kbd>{{ key.key === ' ' ? 'space' : key.key.replace(/\+(?=.)/g, ' ') }}</kbd>
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
