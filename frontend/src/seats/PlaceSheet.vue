<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { Schemas } from '@/api/client'
import { useBench } from '@/bench/useBench'
import SizedDrawing, { type Label } from '@/drawing/SizedDrawing.vue'
import { sealSection, statesOf, type RingState } from '@/drawing/seals'
import { partSize, usual } from '@/drawing/sizes'
import { shown } from '@/entry/lengths'
import { useKinds } from '@/job/useKinds'
import GlandSection from '@/drawing/GlandSection.vue'
import WayIn from '@/drawing/WayIn.vue'
import { useHand } from '@/shell/hand'
import PlaceFields from './PlaceFields.vue'
import type { PlaceSheet as PlaceHeld } from './usePlace'

/** The place of a seal, ring or small part: it in its place, with what has been measured beside it. */
const props = defineProps<{
  partId: number
  item: Schemas['Item'] | null
  judged: Schemas['PlaceJudged'] | null
}>()
const held = defineModel<PlaceHeld>({ required: true })
const kinds = useKinds()
const hand = useHand()
const { part, live, load, family } = useBench(props.partId)
const kind = computed(() => props.item?.kind ?? kinds.groups(family.value)[0]?.pictured ?? 'o_ring')
const size = computed(() =>
  props.item ? partSize(props.item.kind, props.item.dimensions, 0) : usual(kind.value),
)
/** In the groove that was measured; where none was, on a shaft. */
const state = computed<RingState>(() => {
  const states = statesOf(kind.value)
  const read = live.answer.value?.readings.map((each) => each.feature) ?? []
  if (states.includes('in_bore') && read.includes('bore_groove_diameter')) return 'in_bore'
  if (states.includes('in_face') && read.some((name) => name.startsWith('face_groove_'))) return 'in_face'
  if (states.includes('in_dovetail') && read.some((name) => name.startsWith('dovetail_')))
    return 'in_dovetail'
  if (states.includes('under_connector') && read.some((name) => name.startsWith('connector_')))
    return 'under_connector'
  return states.includes('seated') ? 'seated' : 'free'
})
/** What lies beside the part, and can be shown on its drawing. */
const labels = computed(() => {
  const marks = sealSection(size.value, state.value)?.marks ?? {}
  const own: readonly string[] = kinds.kind(kind.value)?.measured ?? []
  const beside = (kinds.family(family.value)?.features ?? []).filter(
    (each) => !each.on_part && each.feature in marks && own.includes(each.feature),
  )
  return Object.fromEntries(
    beside.map(({ feature, words }): [string, Label] => {
      const read = live.answer.value?.readings.find((each) => each.feature === feature)
      return [
        feature,
        read
          ? { name: words, value: shown(read.mean_mm, hand.unit) }
          : { name: words, value: 'not measured', unknown: true },
      ]
    }),
  )
})
onMounted(async () => {
  if (!kinds.loaded) await kinds.load()
  await load()
})
</script>

<template>
  <div class="place">
    <GlandSection v-if="judged?.ring" :ring="judged.ring" :width="760" :height="400" />
    <SizedDrawing
      v-else-if="part && kinds.loaded"
      :size="size"
      :state="state"
      :labels="labels"
      :words="`section of the ${kinds.kind(kind)?.words ?? 'part'} in its place`"
    />
  </div>
  <div v-if="judged && judged.decision !== 'not_judged'" class="under">
    <WayIn v-if="judged.lip_seal?.way_in.length" :way="judged.lip_seal.way_in" :width="780" />
    <PlaceFields
      v-model="held"
      :family="family"
      :fault="judged.fault ?? null"
      :fault-field="judged.fault_field ?? null"
    />
  </div>
</template>

<style scoped>
.place {
  background: var(--sheet);
  display: grid;
  place-items: center;
  min-height: 0;
  padding: 16px 20px;
  overflow: hidden;
}
.place > :deep(svg) {
  max-height: 100%;
  min-height: 0;
}
.under {
  min-width: 0;
}
.under > svg {
  background: var(--sheet);
  width: 100%;
  padding: 0 20px;
}
</style>
