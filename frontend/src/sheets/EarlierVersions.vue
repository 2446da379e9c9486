<script setup lang="ts" generic="S">
import { ref } from 'vue'
import type { Schemas, Result } from '@/api/client'
import { useKeys } from '@/shell/useKeys'
import VersionsDialog from './VersionsDialog.vue'

/** The way to what stood on a sheet earlier; what is typed now is stored before it is looked at. */
interface Old {
  version: number
  sheet: S
  tables: Schemas['Table'][]
}
const props = withDefaults(
  defineProps<{
    title: string
    tap?: string
    settled: () => Promise<boolean>
    list: () => Promise<Result<Schemas['Versions']>>
    look: (version: number) => Promise<Result<Old>>
  }>(),
  { tap: 'v' },
)
const emit = defineEmits<{ back: [sheet: S] }>()
const looking = ref(false)
async function open(): Promise<void> {
  await props.settled()
  looking.value = true
}
function back(old: unknown): void {
  looking.value = false
  emit('back', JSON.parse(JSON.stringify((old as Old).sheet)) as S)
}
useKeys(() => [
  {
    key: props.tap,
    words: 'earlier versions',
    run: () => void open(),
    inFields: props.tap.length > 1,
  },
])
</script>

<template>
  <button type="button" class="plain" @click="open">
    earlier <kbd>{{ tap.replace('+', ' ') }}</kbd>
  </button>
  <VersionsDialog
    v-if="looking"
    :title="title"
    :list="list"
    :look="look"
    @close="looking = false"
    @back="back"
  />
</template>
