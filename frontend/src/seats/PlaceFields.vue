<script setup lang="ts">
import { computed } from 'vue'
import ChipGroup from '@/entry/ChipGroup.vue'
import FigureInput from '@/entry/FigureInput.vue'
import { MEDIA, mediumWords } from '@/bench/media'
import type { PlaceSheet } from './usePlace'

/** What is known of the place of a seal or ring beside its sizes. */
const props = defineProps<{ family: string; fault: string | null; faultField: string | null }>()
const held = defineModel<PlaceSheet>({ required: true })
const lip = computed(() => props.family === 'lip_seal')
type Figure =
  | 'rpm'
  | 'pressure_bar'
  | 'min_c'
  | 'max_c'
  | 'roughness_um'
  | 'hardness_hrc'
  | 'runout_mm'
  | 'eccentricity_mm'
  | 'hardness_shore_a'
const FIGURES: readonly {
  name: Figure
  words: string
  unit: string
  least: number
  most: number
  of: 'lip' | 'ring' | 'both'
}[] = [
  { name: 'rpm', words: 'speed', unit: 'rpm', least: 0, most: 99999, of: 'lip' },
  { name: 'pressure_bar', words: 'pressure', unit: 'bar', least: 0, most: 5000, of: 'both' },
  { name: 'max_c', words: 'hottest', unit: '°C', least: -200, most: 500, of: 'both' },
  { name: 'min_c', words: 'coldest', unit: '°C', least: -200, most: 500, of: 'ring' },
  { name: 'hardness_shore_a', words: 'hardness', unit: 'Shore A', least: 30, most: 100, of: 'ring' },
  { name: 'roughness_um', words: 'shaft Ra', unit: 'µm', least: 0, most: 100, of: 'lip' },
  { name: 'hardness_hrc', words: 'shaft', unit: 'HRC', least: 0, most: 80, of: 'lip' },
  { name: 'runout_mm', words: 'run-out', unit: 'mm', least: 0, most: 50, of: 'lip' },
  { name: 'eccentricity_mm', words: 'off centre', unit: 'mm', least: 0, most: 50, of: 'lip' },
]
const figures = computed(() =>
  FIGURES.filter((each) => each.of === 'both' || (each.of === 'lip') === lip.value),
)
type Typed = 'track_depth' | 'housing_depth' | 'gap'
const typed = computed((): { name: Typed; words: string }[] =>
  lip.value
    ? [
        { name: 'track_depth', words: 'track depth' },
        { name: 'housing_depth', words: 'bore depth' },
      ]
    : [{ name: 'gap', words: 'gap, radial' }],
)
const WAY = [
  { name: 'chamfer', words: 'chamfer' },
  { name: 'no_chamfer', words: 'no chamfer' },
  { name: 'keyway', words: 'keyway' },
  { name: 'spline', words: 'splines' },
  { name: 'thread', words: 'thread' },
  { name: 'ring_groove', words: 'ring groove' },
  { name: 'cross_hole', words: 'cross hole' },
  { name: 'burr', words: 'burr' },
  { name: 'shoulder', words: 'shoulder' },
] as const
function toggleWay(name: string): void {
  const now = held.value.way_in ?? []
  const edge = name as (typeof WAY)[number]['name']
  held.value.way_in = now.includes(edge) ? now.filter((each) => each !== edge) : [...now, edge]
}
const MOTIONS = [
  { name: 'static', words: 'static' },
  { name: 'reciprocating', words: 'reciprocating' },
  { name: 'rotary', words: 'rotary' },
] as const
const FROM = [
  { name: 'inside', words: 'inside' },
  { name: 'outside', words: 'outside' },
  { name: 'both', words: 'both sides' },
] as const
</script>

<template>
  <div class="fields">
    <div class="figures">
      <label v-for="each in figures" :key="each.name"
        >{{ each.words }}
        <FigureInput
          v-model="held[each.name]"
          :name="each.name"
          :label="`${each.words}, ${each.unit}`"
          :least="each.least"
          :most="each.most"
        />{{ each.unit }}</label
      >
      <label v-for="each in typed" :key="each.name"
        >{{ each.words }}
        <input
          v-model="held[each.name]"
          :name="each.name"
          class="fig in-line"
          :class="{ fault: faultField === each.name }"
          maxlength="24"
          autocomplete="off"
          placeholder="mm or thou"
      /></label>
      <label v-if="!lip"
        >swells by
        <FigureInput
          :model-value="held.swell_percent || null"
          name="swell_percent"
          label="swell by volume, %"
          :least="-30"
          :most="300"
          @update:model-value="(percent) => (held.swell_percent = percent ?? 0)"
        />%</label
      >
      <label
        >medium
        <select v-model="held.medium" name="place-medium" aria-label="medium at the place">
          <option value="">as in the unit</option>
          <option v-for="each in MEDIA.filter(Boolean)" :key="each" :value="each">
            {{ mediumWords(each) }}
          </option>
        </select></label
      >
    </div>
    <template v-if="lip">
      <ChipGroup words="on the way in" :options="[...WAY]" :chosen="held.way_in ?? []" @toggle="toggleWay" />
      <div class="chipline">
        <button type="button" class="chip" :aria-pressed="held.lead" @click="held.lead = !held.lead">
          ground with lead
        </button>
        <button type="button" class="chip" :aria-pressed="held.dry" @click="held.dry = !held.dry">
          runs dry
        </button>
      </div>
    </template>
    <template v-else>
      <ChipGroup
        words="the ring is"
        :options="[...MOTIONS]"
        :chosen="[held.motion]"
        @toggle="(name) => (held.motion = name as typeof held.motion)"
      />
      <ChipGroup
        words="pressure from"
        :options="[...FROM]"
        :chosen="[held.pressure_from]"
        @toggle="(name) => (held.pressure_from = name as typeof held.pressure_from)"
      />
    </template>
    <p v-if="fault" class="stop" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.fields {
  border-top: 1px solid var(--rule);
  padding: 10px 20px 12px;
  display: grid;
  gap: 7px;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 18px;
  font-size: 14.5px;
  color: var(--faint);
}
.figures label {
  white-space: nowrap;
}
.in-line {
  width: 92px;
}
select {
  border: 1px solid var(--rule);
  background: var(--sheet);
  color: var(--ink);
  font-size: 14px;
}
.chipline {
  display: flex;
  gap: 5px;
  padding-left: 106px;
}
.chipline .chip {
  min-height: 27px;
  padding: 0 8px;
}
</style>
