<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '@/api/client'
import PartSection from '@/drawing/PartSection.vue'
import { partSize, usual } from '@/drawing/sizes'
import { whereItWaits } from '@/job/useJob'
import { useKinds } from '@/job/useKinds'
import SmallLine from '@/drawing/SmallLine.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'

const props = defineProps<{ state: Schemas['JobState'] }>()
const kinds = useKinds()
/** The picture of a part that is not identified yet: of the kind pointed at, or the usual one of its family. */
function pictured(part: Schemas['PartHead']): string {
  const groups = kinds.groups(part.family)
  return (groups.find((each) => each.group === part.bench_kind) ?? groups[0])?.pictured ?? 'o_ring'
}
const target = computed(() => whereItWaits(props.state))
const largest = computed(() =>
  Math.max(
    20,
    ...props.state.parts.map((part) => Math.max(0, ...Object.values(part.chosen?.dimensions ?? {}))),
  ),
)
/** So many of the tray are drawn; the rest is counted. */
const MOST_SHOWN = 4
const shown = computed(() => props.state.parts.slice(0, MOST_SHOWN))
const days = computed(() =>
  props.state.days_open === 0
    ? 'today'
    : props.state.days_open === 1
      ? '1 day open'
      : `${props.state.days_open} days open`,
)
</script>

<template>
  <RouterLink :to="target" class="slip">
    <span class="head"
      ><b class="fig">{{ state.job.number }}</b
      ><span class="days">{{ days }}</span></span
    >
    <span class="title">{{ state.job.title }}</span>
    <span class="why">{{ state.job.symptom }}</span>
    <SmallLine
      v-if="state.line.parts.length"
      :parts="state.line.parts"
      :name="`line of ${state.job.title}`"
    />
    <span v-if="state.line.parts.length" class="far">
      <b v-if="state.line.contradictions" class="att"
        >{{ state.line.contradictions }}
        {{ state.line.contradictions === 1 ? 'contradiction' : 'contradictions' }}</b
      >
      <span v-if="state.line.open">{{ state.line.open }} to inspect</span>
      <span v-if="state.line.ask" class="unsure">{{ state.line.ask }} for a second person</span>
      <span v-if="state.line.to_bench">{{ state.line.to_bench }} for the Bench</span>
    </span>
    <span v-if="state.waits_for === 'fit'" class="far">
      <b>{{ state.fit_up_left }} {{ state.fit_up_left === 1 ? 'step' : 'steps' }} left</b>
    </span>
    <span v-if="state.cautions_open && state.waits_for === 'strip' && !state.line.parts.length" class="far">
      {{ state.cautions_open }} cautions to read before opening
    </span>
    <span v-if="state.parts.length" class="parts">
      <span v-for="part in shown" :key="part.part.part_id" class="part">
        <PartSection
          v-if="part.chosen && part.ball_mm !== null"
          :size="partSize(part.chosen.kind, part.chosen.dimensions, part.ball_mm)"
          :closure="(part.match ?? part.chosen).closure"
          :width="60"
          :height="58"
          half
          :scale="104 / largest"
          :name="part.chosen.designation"
        />
        <PartSection
          v-else-if="part.part.family !== 'bearing'"
          :size="usual(pictured(part.part))"
          closure="open"
          :width="60"
          :height="58"
          ring
          class="guess"
          :name="`${part.part.name}, not yet identified`"
        />
        <svg
          v-else
          width="60"
          height="58"
          class="unknown"
          role="img"
          :aria-label="`${part.part.name}, not yet identified`"
        >
          <rect x="18" y="8" width="24" height="42" />
          <text x="30" y="36" text-anchor="middle">?</text>
        </svg>
        <span class="name">{{ (part.match ?? part.chosen)?.designation ?? part.part.marking ?? '' }}</span>
        <span class="checks"
          ><VerdictMark
            v-for="check in part.lights.slice(0, 4)"
            :key="check.light"
            :state="check.state"
            :size="11"
            :passed="!!check.passed_reason"
            silent
        /></span>
      </span>
      <span v-if="state.parts.length > MOST_SHOWN" class="rest"
        >and {{ state.parts.length - MOST_SHOWN }} more in the tray</span
      >
    </span>
  </RouterLink>
</template>

<style scoped>
.slip {
  display: block;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 9px 11px 10px;
  color: inherit;
  text-decoration: none;
  margin-bottom: 14px;
}
.slip:hover {
  box-shadow: 4px 4px 0 var(--rule);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.head b {
  font-size: 24px;
}
.days {
  font-size: 14px;
  color: var(--faint);
}
.title {
  font-size: 18px;
  font-weight: 650;
  display: block;
}
.why {
  font-size: 14px;
  color: var(--faint);
  display: block;
}
.far {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: 14px;
  color: var(--faint);
  margin-top: 4px;
}
.far .att {
  color: var(--attention);
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 4px;
  margin-top: 10px;
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}
.part {
  width: 61px;
  text-align: center;
  display: grid;
  justify-items: center;
  gap: 3px;
}
.name {
  font-size: 14px;
  font-stretch: 84%;
  white-space: nowrap;
  min-height: 19px;
}
.rest {
  flex-basis: 100%;
  font-size: 14px;
  color: var(--faint);
}
.checks {
  display: flex;
  gap: 3px;
}
.unknown rect {
  fill: none;
  stroke: var(--hatch);
  stroke-dasharray: 4 3;
}
.unknown text {
  fill: var(--faint);
  font-size: 18px;
}
</style>
