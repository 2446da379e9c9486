<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import LaidPart from '@/drawing/LaidPart.vue'
import type { RingState } from '@/drawing/seals'
import type { PartSize } from '@/drawing/geometry'
import type { Unit } from '@/entry/lengths'
import { useKinds } from '@/job/useKinds'
import DimensionField from './DimensionField.vue'
import { layPart } from '@/drawing/partLayout'
import type { Feature, Pending } from './useBench'

/** The part in section, to scale; its dimension lines carry the fields. */
const props = defineProps<{
  family: string
  state: RingState
  size: PartSize
  closure: string
  known: boolean
  unit: Unit
  asked: readonly Feature[]
  readings: Partial<Record<Feature, { typed: string; instrument: string }[]>>
  worth: readonly Schemas['UncertaintyAnswer'][]
  next: string | null
  landed: { feature: string; count: number } | null
  faults: Partial<Record<string, string>>
}>()
const pending = defineModel<Pending>('pending', { required: true })
const emit = defineEmits<{
  take: [feature: Feature]
  drop: [feature: Feature, index: number]
  leave: [feature: Feature]
  focus: [feature: Feature]
}>()
const kinds = useKinds()
const at = computed(() => layPart(props.size, props.closure, props.asked, props.state))
const words = computed(() => kinds.kind(props.size.kind ?? '')?.words ?? 'bearing')
const fields = ref<Partial<Record<Feature, InstanceType<typeof DimensionField>>>>({})
const label = (feature: string): string => kinds.feature(feature, props.family, props.size.kind)
defineExpose({ focus: (feature: Feature) => fields.value[feature]?.focus() })
</script>

<template>
  <div class="drawing">
    <LaidPart
      :at="at"
      :size="size"
      :closure="closure"
      :state="state"
      :guess="!known"
      :next="next"
      :words="`section of a ${words}${known ? '' : ', proportions only'}${at.broken ? ', broken off short of its axis' : ''}`"
    />
    <DimensionField
      v-for="line in at.lines"
      :key="line.feature"
      :ref="(el) => (fields[line.feature as Feature] = el as InstanceType<typeof DimensionField>)"
      :model-value="pending[line.feature as Feature] ?? ''"
      :name="line.feature"
      :label="label(line.feature)"
      :unit="unit"
      :readings="readings[line.feature as Feature] ?? []"
      :worth="worth.find((each) => each.feature === line.feature)"
      :next="next === line.feature"
      :landed="landed?.feature === line.feature ? landed.count : 0"
      :fault="faults[line.feature]"
      :x="line.field.x"
      :y="line.field.y"
      @update:model-value="(typed: string) => (pending[line.feature as Feature] = typed)"
      @take="emit('take', line.feature as Feature)"
      @drop="(i: number) => emit('drop', line.feature as Feature, i)"
      @leave="emit('leave', line.feature as Feature)"
      @focus="emit('focus', line.feature as Feature)"
    />
  </div>
</template>

<style scoped>
.drawing {
  position: relative;
  width: 640px;
  height: 468px;
}
</style>
