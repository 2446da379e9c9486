<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import { range, whole } from '@/drawing/figures'

/** Clearance as bought, mounted and running: what nine of ten have, and the chance of each group. */
const props = defineProps<{
  clearance: Schemas['ClearanceAfterFitting']
  warmer: number
  measured: boolean
  bore: number
  outside: number
  why: boolean
}>()
const short = computed(() => props.measured && props.clearance.advice !== 'ok')
const groups = computed(() =>
  ['2', 'N', '3', '4', '5'].flatMap((name) => {
    const chance = props.clearance.enough[name]
    if (chance === undefined) return []
    return [group(name, chance)]
  }),
)
function group(name: string, chance: number) {
  return {
    name: name === 'N' ? 'normal' : `C${name}`,
    own: name === props.clearance.group,
    enough: chance >= props.clearance.wanted,
    percent: Math.round(chance * 100),
  }
}
</script>

<template>
  <section class="clearance">
    <div>
      <span>initial, µm</span><b class="fig">{{ range(clearance.before) }}</b>
    </div>
    <div>
      <span>mounted, 9 of 10</span><b class="fig">{{ range(clearance.mounted_usual) }}</b>
    </div>
    <div>
      <span>operating, inner +{{ warmer }} K</span><b class="fig">{{ range(clearance.running_usual) }}</b>
    </div>
    <p :class="{ att: short }">{{ clearance.words }}</p>
    <p class="groups" aria-label="chance that enough clearance is left, by group">
      <span v-for="each in groups" :key="each.name" :class="{ own: each.own, enough: each.enough }">
        {{ each.name }} <b class="fig">{{ each.percent }} %</b>
      </span>
    </p>
    <p v-if="why" class="faint">
      Worst to best case: mounted {{ range(clearance.mounted) }}, operating {{ range(clearance.running) }};
      with the balls or rollers as warm as the inner ring {{ range(clearance.running_warm_balls) }}. Enough
      means {{ whole(clearance.least_um) }} µm or more. {{ clearance.source }}
      <ReferenceLink question="raceway_growth" words="growth of a raceway" :given="{ bore_mm: bore }" />
      <ReferenceLink question="look-rings" words="clearance groups" :given="{ bore, outside }" />
    </p>
  </section>
</template>

<style scoped>
.clearance {
  display: grid;
  grid-template-columns: 1fr 1fr 1.25fr;
  padding: 11px 20px;
  gap: 2px 8px;
}
div span {
  font-size: 13px;
  color: var(--faint);
  display: block;
  white-space: nowrap;
}
div b {
  font-size: 23px;
  white-space: nowrap;
}
p {
  grid-column: 1 / -1;
  margin-top: 5px;
  font-size: 15px;
}
.att {
  font-weight: 600;
}
.groups {
  display: flex;
  gap: 14px;
  font-size: 14px;
  color: var(--faint);
}
.groups b {
  font-size: 16px;
}
.groups .own {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.groups .enough b {
  color: var(--good);
}
.faint {
  font-size: 14px;
}
</style>
