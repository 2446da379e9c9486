<script setup lang="ts">
import type { Schemas } from '@/api/client'
import RequirementList from '@/job/RequirementList.vue'
import PartNeeds from './PartNeeds.vue'
import type { useBench } from './useBench'

/** What a part must have, as far as it is known; each may be said otherwise. */
const props = defineProps<{
  bench: ReturnType<typeof useBench>
  family: string
  requirement: Schemas['Requirement']
}>()
const { sheet } = props.bench.sheet
const { say, onLine, needed } = props.bench
</script>

<template>
  <RequirementList :requirement="requirement" :said="sheet.said" editable @say="say">
    <PartNeeds
      v-model:needed="sheet.needed"
      v-model:temperature="sheet.temperature_c"
      v-model:medium="sheet.medium"
      :family="family"
      :on-line="onLine"
      :count="needed"
    />
  </RequirementList>
</template>
