<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { percent } from '@/entry/lengths'
import { useHand } from '@/shell/hand'
import { timerWords, WRENCHES, type Step } from './useFitUp'

/** The figures of a step, to be read from across the bench: how tight, how warm, which tube. */
const props = defineProps<{
  step: Step
  wrench: Schemas['FitUpSheet']['wrench']
  timer: number | null
}>()
const hand = useHand()
const UNITS = { 'N·m': 'n_m', 'ft-lb': 'ft_lb', 'in-lb': 'in_lb' } as const
interface Figure {
  name: string
  big: string
  unit: string
  small: string[]
}
const by = (value: number): string => String(Number(value.toPrecision(4)))
const by_ = (value: number): string => by(value).replace('-', '−')
const length = (mm: number): string => (hand.unit === 'in' ? (mm / 25.4).toFixed(3) : by(mm))
const torque = computed<Figure | null>(() => {
  const held = props.step.torque
  if (!held) return null
  const small: string[] = []
  if (held.left_hand) small.push('LEFT-HAND thread')
  const from = [held.thread, held.source].filter(Boolean).join(', ')
  if (from) small.push(from)
  if (!held.amount) {
    small.push('see the manual')
    if (held.most_n_m) small.push(`a grade 8.8 screw yields above ${by(held.most_n_m)} N·m`)
    return { name: 'torque', big: 'No value known', unit: '', small }
  }
  const own = props.wrench ?? 'N·m'
  const whole = held.amount
  const others = WRENCHES.filter((unit) => unit !== own)
  small.unshift(others.map((unit) => `${by(whole[UNITS[unit]])} ${unit}`).join(' · '))
  if (held.stages.length) {
    const stages = held.stages.map((stage) => by(stage[UNITS[own]])).join(', ')
    small.push(`${held.pattern === 'cross' ? 'crosswise' : 'in turns'}: ${stages} ${own}`)
  }
  return { name: 'torque', big: by(whole[UNITS[own]]), unit: own, small }
})
const heat = computed<Figure | null>(() => {
  const warm = props.step.warming
  if (!warm || props.step.does === 'cool') return null
  const because = {
    rings: 'its rings',
    seal: 'the seal in it',
    shield: 'the shield in it',
    grease: 'its grease',
  }
  const small = [`max. ${by(warm.limit_c)} °C: ${because[warm.limit_because]}`]
  if (warm.needed_c === null) small.push('fit not measured')
  if (warm.needed_c !== null && warm.needed_c > warm.limit_c)
    small.push(
      warm.left_um >= 0.5
        ? `the fit needs ${by(warm.needed_c)} °C: up to ${Math.round(warm.left_um)} µm stay tight`
        : `slides on without much clearance: that takes ${Math.round(warm.needed_c)} °C`,
    )
  if (warm.slides_probability !== null)
    small.push(`${percent(warm.slides_probability)} chance that it slides on`)
  return { name: 'warm to', big: by(warm.to_c), unit: '°C', small }
})
const cold = computed<Figure | null>(() => {
  const chill = props.step.chilling
  if (!chill) return null
  const by = {
    freezer: 'a freezer is enough',
    dry_ice: 'dry ice is enough',
    '': 'not enough by itself: warm the bearing as well',
  }
  return {
    name: 'shaft at',
    big: by_(chill.needed_c),
    unit: '°C',
    small: [by[chill.by], 'never the bearing below −50 °C'],
  }
})
const tube = computed<Figure | null>(() => {
  const tool = props.step.tool
  if (!tool || props.step.does !== 'fit') return null
  const { inside_over_mm: inside, outside_under_mm: outside, length_over_mm: long } = tool
  const small = [tool.ring === 'both' ? 'plate on both rings' : `press on the ${tool.ring} ring only`]
  if (inside === null || outside === null) small.push('measure the part: a size is missing')
  if (long) small.push(`${length(long)} ${hand.unit} long inside, minimum`)
  const big = `${inside === null ? '?' : length(inside)}–${outside === null ? '?' : length(outside)}`
  return { name: 'tube, inside over – outside under', big, unit: hand.unit, small }
})
const timed = computed<Figure | null>(() =>
  props.timer === null ? null : { name: 'since t', big: timerWords(props.timer), unit: '', small: [] },
)
const figures = computed(() =>
  [timed.value, heat.value, cold.value, torque.value, tube.value].filter((each) => each !== null),
)
</script>

<template>
  <dl v-if="figures.length" class="figures">
    <div
      v-for="figure in figures"
      :key="figure.name"
      :class="{ words: !figure.unit && figure.big.length > 8 }"
    >
      <dt>{{ figure.name }}</dt>
      <dd class="fig">
        {{ figure.big }}<span v-if="figure.unit">{{ figure.unit }}</span>
      </dd>
      <dd v-for="line in figure.small" :key="line" class="small" :class="{ att: line.startsWith('LEFT') }">
        {{ line }}
      </dd>
    </div>
  </dl>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 44px;
  align-items: flex-start;
}
dt {
  font-size: 14px;
  color: var(--faint);
}
dd {
  margin: 0;
}
dd.fig {
  font-size: 54px;
  line-height: 1.02;
  white-space: nowrap;
}
.words dd.fig {
  font-size: 42px;
}
dd.fig span {
  font-size: 26px;
  margin-left: 8px;
}
.small {
  font-size: 15px;
}
</style>
