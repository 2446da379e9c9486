<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Schemas } from '@/api/client'
import PartShape from '@/drawing/PartShape.vue'
import { layLine } from '@/drawing/lineLayout'
import SizeInput from '@/entry/SizeInput.vue'
import { useTrade } from '@/job/useTrade'
import { useHand } from '@/shell/hand'
import type { Sheet } from './useBench'

/** A seal or ring: its section, and the sizes that tell it, kept as they are read. */
const props = defineProps<{ family: string }>()
const sheet = defineModel<Sheet>({ required: true })
const trade = useTrade()
const hand = useHand()
const features = computed(() => trade.tables?.family_features[props.family] ?? [])
const held = (feature: string) => sheet.value.observations?.find((each) => each.feature === feature)
/** Lengths as the core has read them, for the drawing. */
const read = reactive<Record<string, number | null>>({})
function mm(...names: string[]): number | null {
  return names.map((name) => read[name]).find((each) => each) ?? null
}
const KINDS: Record<string, string> = {
  lip_seal: 'lip_seal',
  o_ring: 'o_ring',
  hydraulic_seal: 'rod_seal',
  face_seal: 'face_seal',
  retaining_ring: 'circlip',
}
const layout = computed(() => {
  const kind = trade.kind(KINDS[props.family] ?? 'other')
  const part = {
    key: 'one',
    kind: kind?.kind ?? 'other',
    inside_mm: mm('shaft', 'inside', 'rod', 'free_inside', 'free_lip'),
    outside_mm: mm('outside', 'housing_bore', 'bore', 'seat_outside'),
    width_mm: mm('width', 'height', 'section_1', 'free_length', 'thickness'),
    left_mark: kind?.left ?? 'flat',
    right_mark: kind?.right ?? 'flat',
  }
  return layLine([part], trade.kinds, { width: 220, height: 330, slot: 20 })
})
function put(feature: string, size: Schemas['Size']): void {
  read[feature] = size.mm ?? null
  const rest = (sheet.value.observations ?? []).filter((each) => each.feature !== feature)
  const typed = (size.typed ?? '').trim()
  const made = {
    feature: feature as Schemas['FeatureReadings']['feature'],
    instrument: held(feature)?.instrument ?? hand.instrument,
    readings: [{ typed: size.typed ?? '', unit: size.unit ?? 'mm' }],
  }
  sheet.value = { ...sheet.value, observations: typed ? [...rest, made] : rest }
}
function sizeOf(feature: string): Schemas['Size'] | undefined {
  const reading = held(feature)?.readings[0]
  return reading ? { typed: reading.typed, unit: reading.unit ?? 'mm', mm: null } : undefined
}
</script>

<template>
  <div class="kept">
    <svg
      width="320"
      height="380"
      viewBox="0 0 320 380"
      role="img"
      :aria-label="`section of a ${family.replace('_', ' ')}`"
    >
      <line x1="20" x2="300" y1="190" y2="190" class="axis" />
      <g :transform="`translate(${160 - layout.width / 2} 0)`">
        <PartShape v-for="slot in layout.slots" :key="slot.key" :place="slot" :axis="190" />
      </g>
    </svg>
    <div class="fields">
      <SizeInput
        v-for="feature in features"
        :key="feature"
        :label="feature.replace(/_/g, ' ')"
        :name="feature"
        :size="sizeOf(feature)"
        @change="put(feature, $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.kept {
  display: grid;
  grid-template-columns: 340px minmax(0, 1fr);
  align-items: center;
  padding: 0 24px;
  overflow: auto;
}
.axis {
  stroke: var(--faint);
  stroke-dasharray: 16 4 3 4;
}
.fields {
  display: grid;
  gap: 14px;
  max-width: 300px;
}
.fields :deep(input) {
  font-size: 22px;
}
</style>
