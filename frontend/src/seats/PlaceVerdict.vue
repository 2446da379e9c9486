<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import { range } from '@/drawing/figures'
import VerdictMark from '@/drawing/VerdictMark.vue'

/** The verdict about the place of a seal or ring: its numbers large, what is wrong, what to do with sizes. */
const props = defineProps<{ judged: Schemas['PlaceJudged']; missing: string[]; why: boolean }>()
type State = readonly [mark: string, words: string, colour: string]
const STATES: Record<string, State> = {
  accept: ['holds', 'Place good', 'good'],
  cannot_tell: ['not_proven', 'Place open', 'unsure'],
  reject: ['does_not_hold', 'Place not good', 'stop'],
  not_measured: ['not_looked_at', 'Not measured yet', 'faint'],
  not_judged: ['not_looked_at', 'Not judged yet', 'faint'],
}
const state = computed<State>(() => STATES[props.judged.decision] ?? ['not_looked_at', '', 'faint'])
const figures = computed(() => {
  const { gland, lip_seal: lip } = props.judged
  if (gland) {
    return [
      ['squeeze', `${range(gland.squeeze_percent)} %`],
      ['stretch', `${range(gland.stretch_percent)} %`],
      ['fill', `${range(gland.fill_percent)} %`],
    ]
  }
  if (!lip) return []
  return [
    ...(lip.speed_m_s == null ? [] : [['under the lip', `${lip.speed_m_s.toFixed(1)} m/s`]]),
    ...(lip.lip_c == null ? [] : [['the lip runs at', `${Math.round(lip.lip_c)} °C`]]),
    ...(lip.press_fit
      ? [
          [
            'tight in the bore',
            `${lip.press_fit.least_mm.toFixed(2)} … ${lip.press_fit.most_mm.toFixed(2)} mm`,
          ],
        ]
      : []),
  ].map(([name, value]) => [name, (value ?? '').replace(/-/g, '−')])
})
const ways = computed(() => {
  const { gland, lip_seal: lip } = props.judged
  if (gland)
    return [
      ...(gland.backup
        ? [
            gland.backup.sides === 2
              ? 'Backup ring on both sides.'
              : 'Backup ring on the side away from the pressure.',
          ]
        : []),
      ...(gland.suggested_ring
        ? [
            `A ring that suits this groove: ${gland.suggested_ring.designation} (${gland.suggested_ring.inside_mm.toFixed(2)} × ${gland.suggested_ring.section_mm.toFixed(2)} mm).`,
          ]
        : []),
    ]
  if (!lip) return []
  const { move_mm, narrower, sleeve_outside_mm, grind_to_mm, seal_then } = lip.sizes
  const WAYS: Record<string, string> = {
    polish: 'Polish the track round, without lead.',
    move_lip: `Move the lip ${move_mm ?? ''} mm off the track${narrower.length ? `: narrower ${narrower.join(', ')}, or a spacer` : ' with a spacer'}.`,
    sleeve: sleeve_outside_mm
      ? `Thin wear sleeve: ${sleeve_outside_mm.toFixed(2)} mm outside, the seal stays.`
      : 'Thin wear sleeve.',
    regrind: grind_to_mm
      ? `Regrind to ${grind_to_mm} mm${seal_then ? ` and fit ${seal_then}` : ''}.`
      : 'Regrind.',
    replace_shaft: 'New shaft.',
  }
  return lip.repair.map((way) => WAYS[way] ?? way)
})
/** What the page of the gland is opened with. */
const behind = computed(() => {
  const ring = props.judged.ring
  if (!ring) return {}
  return {
    section_mm: ring.free_section_mm,
    inside_mm: ring.free_inside_mm,
    gland_depth_mm: ring.groove.depth_mm.nominal,
    groove_width_mm: ring.groove.width_mm.nominal,
    groove_diameter_mm: ring.groove.kind === 'shaft' ? ring.groove.wall_mm.nominal : undefined,
  }
})
const groove = computed(() => props.judged.gland?.suggested_groove ?? null)
</script>

<template>
  <section class="verdict">
    <h2 :class="state[2]"><VerdictMark :state="state[0]" :size="19" silent /> {{ state[1] }}</h2>
    <p v-if="judged.decision === 'not_judged'">
      There are no rules for the place of this kind yet. Its sizes are compared with the catalogue below.
    </p>
    <p v-if="missing.length">Measure on the Bench: {{ missing.join(', ') }}.</p>
    <dl v-if="figures.length">
      <template v-for="[name, value] in figures" :key="name">
        <dt>{{ name }}</dt>
        <dd class="fig">{{ value }}</dd>
      </template>
    </dl>
    <p v-for="(found, i) in judged.findings" :key="i" :class="found.severity === 'stop' ? 'stop' : 'unsure'">
      {{ found.words }} <span class="do">{{ found.repair }}</span>
    </p>
    <ul v-if="ways.length">
      <li v-for="way in ways" :key="way">{{ way }}</li>
    </ul>
    <div v-if="why" class="why">
      <p v-if="judged.gland">
        Coldest: squeeze {{ judged.gland.at_its_ends.cold_squeeze_percent.toFixed(0) }} % at the least.
        Hottest and swollen: fill {{ judged.gland.at_its_ends.hot_fill_percent.toFixed(0) }} % at the most.
      </p>
      <p v-if="groove">
        The groove that this ring should have: {{ groove.wall_mm.toFixed(2) }} mm at its bottom,
        {{ groove.depth_mm.toFixed(2) }} deep to the mating surface, {{ groove.width_mm.toFixed(2) }} wide.
      </p>
      <p v-if="judged.gland">
        Squeeze and stretch by ISO 3601 tolerances at both ends; limits of the gap from seal handbooks.
        <ReferenceLink question="gland_basics" words="gland formulas" :given="behind" />
        <ReferenceLink question="look-media" words="rubbers and media" />
      </p>
      <p v-if="judged.lip_seal">
        DIN 3760 and ISO 6194-1: shaft h11, Ra 0.2 to 0.8 µm, no lead; bore H8, 0.3 mm deeper than the seal.
        <ReferenceLink
          question="lip_speed"
          words="lip speed"
          :given="{ shaft_mm: judged.lip_seal.shaft_mm, rpm: judged.lip_seal.rpm }"
        />
        <ReferenceLink question="look-media" words="rubbers and media" />
      </p>
    </div>
  </section>
</template>

<style scoped>
.verdict {
  padding: 13px 20px;
  border-bottom: 1px solid var(--rule);
}
h2 {
  font-size: 21px;
  display: flex;
  gap: 9px;
  align-items: center;
}
dl {
  display: grid;
  grid-template-columns: 132px 1fr;
  align-items: baseline;
  margin: 6px 0;
}
dt {
  color: var(--faint);
  font-size: 14.5px;
}
dd {
  font-size: 28px;
  line-height: 1.2;
}
p {
  font-size: 15px;
  margin-top: 3px;
}
.do {
  color: var(--ink);
}
ul {
  padding-left: 18px;
  margin-top: 5px;
  font-size: 15px;
}
.why p {
  font-size: 14px;
  color: var(--faint);
}
</style>
