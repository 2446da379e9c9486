<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import { useLive } from '@/api/useLive'
import { signed } from '@/drawing/figures'
import { number } from './figures'
import { openedWith } from './opened'

/** A hole and a shaft zone about one size: both zones drawn, the fit between them large. */
const kept = 'ample:reference:limits_and_fits'
const typed = reactive<Record<'size' | 'hole' | 'shaft', string>>(
  JSON.parse(localStorage.getItem(kept) ?? '{"size":"25","hole":"H7","shaft":"k6"}'),
)
Object.assign(typed, openedWith(['size', 'hole', 'shaft']))
watch(typed, () => localStorage.setItem(kept, JSON.stringify(typed)))
const asked = computed(() => {
  const size_mm = number(typed.size)
  return size_mm && typed.hole && typed.shaft ? { size_mm, hole: typed.hole, shaft: typed.shaft } : null
})
const fit = useLive<{ size_mm: number; hole: string; shaft: string }, Schemas['FitAnswer']>(
  () => asked.value,
  (body, signal) => resultOf(api.POST('/api/calc/fit', { body, signal })),
)
const zoneOf = (which: 'hole' | 'shaft') =>
  useLive<{ size_mm: number; zone: string }, Schemas['ZoneLimitsAnswer']>(
    () => (asked.value ? { size_mm: asked.value.size_mm, zone: asked.value[which] } : null),
    (body, signal) => resultOf(api.POST('/api/calc/limits', { body, signal })),
  )
const hole = zoneOf('hole')
const shaft = zoneOf('shaft')
const both = computed(() =>
  fit.refusal.value || !hole.answer.value || !shaft.answer.value
    ? null
    : { hole: hole.answer.value, shaft: shaft.answer.value },
)
const WIDTH = 640
const HEIGHT = 330
const scale = computed(() => {
  if (!both.value) return { low: -10, high: 10 }
  const all = [both.value.hole, both.value.shaft].flatMap((each) => [each.lower_um, each.upper_um])
  const low = Math.min(0, ...all)
  const high = Math.max(0, ...all)
  const pad = Math.max((high - low) * 0.16, 2)
  return { low: low - pad, high: high + pad }
})
const y = (um: number): number =>
  20 + ((scale.value.high - um) / (scale.value.high - scale.value.low)) * (HEIGHT - 40)
const KINDS: Record<string, string> = {
  clearance: 'clearance',
  interference: 'interference',
  transition: 'transition fit',
}
const amount = computed(() => {
  const found = fit.answer.value
  if (!found) return ''
  const { min_clearance_um: least, max_clearance_um: most } = found
  if (least >= 0) return `${least} … ${most} µm clearance`
  if (most <= 0) return `${-most} … ${-least} µm tight`
  return `${-least} tight … ${most} µm clearance`
})
const sizes = (limits: Schemas['ZoneLimitsAnswer']): string =>
  `${limits.min_mm.toFixed(3)} … ${limits.max_mm.toFixed(3)}`
</script>

<template>
  <article class="look" aria-label="Limits and fits">
    <h2>Limits and fits</h2>
    <form class="row" @submit.prevent>
      <label
        >size
        <input v-model="typed.size" name="fit-size" class="fig" maxlength="12" autocomplete="off" /> mm</label
      >
      <label
        >hole <input v-model="typed.hole" name="fit-hole" class="fig" maxlength="6" autocomplete="off"
      /></label>
      <label
        >shaft <input v-model="typed.shaft" name="fit-shaft" class="fig" maxlength="6" autocomplete="off"
      /></label>
    </form>
    <p v-if="fit.refusal.value" class="stop" role="alert">
      {{ fit.refusal.value.message }} {{ fit.refusal.value.hint }}
    </p>
    <template v-else-if="both">
      <p class="big fig" role="status">{{ amount }}</p>
      <p class="faint">{{ KINDS[fit.answer.value?.kind ?? ''] }}</p>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="`zones ${typed.hole} and ${typed.shaft} at ${typed.size} mm`"
      >
        <line x1="40" :x2="WIDTH - 20" :y1="y(0)" :y2="y(0)" class="zero" />
        <text x="32" :y="y(0) + 5" text-anchor="end" class="tick">0</text>
        <g v-for="(each, i) in [both.hole, both.shaft]" :key="i">
          <rect
            :x="110 + i * 250"
            width="150"
            :y="y(each.upper_um)"
            :height="Math.max(y(each.lower_um) - y(each.upper_um), 1.5)"
            :class="i ? 'shaft' : 'hole'"
          />
          <text v-if="each.upper_um !== 0" :x="270 + i * 250" :y="y(each.upper_um) + 5" class="limit">
            {{ signed(each.upper_um) }}
          </text>
          <text :x="270 + i * 250" :y="Math.max(y(each.lower_um) + 5, y(each.upper_um) + 21)" class="limit">
            {{ signed(each.lower_um) }}
          </text>
          <text :x="185 + i * 250" :y="y(each.upper_um) - 8" text-anchor="middle" class="name">
            {{ i ? typed.shaft : typed.hole }}
          </text>
        </g>
      </svg>
      <dl>
        <dt>hole</dt>
        <dd class="fig">{{ sizes(both.hole) }} mm</dd>
        <dt>shaft</dt>
        <dd class="fig">{{ sizes(both.shaft) }} mm</dd>
      </dl>
      <p class="faint">{{ both.hole.source }}. Drawn in micrometres about the nominal size.</p>
    </template>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
.zero {
  stroke: var(--ink);
  stroke-width: 1.8;
}
.hole {
  fill: url(#hatch-zone);
  stroke: var(--action);
  stroke-width: 2;
}
.shaft {
  fill: var(--ink);
}
.limit {
  font-size: 17px;
  font-weight: 600;
  font-stretch: 75%;
  fill: var(--ink);
}
.name {
  font-size: 16px;
  font-weight: 650;
  fill: var(--ink);
}
.tick {
  font-size: 13px;
  fill: var(--faint);
}
</style>
