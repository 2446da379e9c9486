<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SizeInput from '@/entry/SizeInput.vue'
import { newKeyOf, type LinePart, type Tie } from './lineEdits'

/** How the part is fastened, its settings, and what stays with it. */
type Fastener = Schemas['Fastener']
const props = defineProps<{ part: LinePart; ties: Tie[]; end: 'left' | 'right'; next: LinePart | null }>()
const emit = defineEmits<{ patch: [values: Partial<LinePart>]; ties: [ties: Tie[]]; tie: [] }>()
const NONE: Fastener = {
  drive: '',
  thread: '',
  length: { typed: '', unit: 'mm', mm: null },
  hand: 'right',
  lock: 'none',
  compound: 'none',
  torque: null,
  torque_unit: 'N·m',
  torque_source: '',
  also_holds: '',
}
const held = computed<Fastener>(() => ({ ...NONE, ...props.part.fastener }))
const own = computed(() => props.ties.filter((tie) => tie.parts.includes(props.part.key)))
const SETTINGS = ['spring_turns', 'notch', 'match_mark', 'wire', 'angle', 'gap'] as const
function put(values: Partial<Fastener>): void {
  emit('patch', { fastener: { ...held.value, ...values } })
}
function text(event: Event): string {
  return (event.target as HTMLInputElement).value
}
function torque(event: Event): void {
  const value = Number(text(event).replace(',', '.'))
  put({ torque: Number.isFinite(value) && value > 0 && value <= 50000 ? value : null })
}
function setting(key: string, values: Partial<Schemas['Setting']>): void {
  emit('patch', {
    settings: (props.part.settings ?? []).map((each) => (each.key === key ? { ...each, ...values } : each)),
  })
}
function addSetting(): void {
  const made = { key: newKeyOf('s'), what: 'match_mark' as const, first: '', second: '' }
  emit('patch', { settings: [...(props.part.settings ?? []), made] })
}
function change(key: string, values: Partial<Tie>): void {
  emit(
    'ties',
    props.ties.map((each) => (each.key === key ? { ...each, ...values } : each)),
  )
}
</script>

<template>
  <section class="held" aria-label="fastening and settings">
    <div class="grid">
      <label
        >drive<input name="drive" :value="held.drive" maxlength="40" @input="put({ drive: text($event) })"
      /></label>
      <label
        >thread<input
          name="thread"
          :value="held.thread"
          maxlength="30"
          @input="put({ thread: text($event) })"
      /></label>
      <SizeInput
        label="length"
        name="fastener-length"
        :size="held.length"
        @change="put({ length: $event })"
      />
      <label
        >torque
        <span class="pair"
          ><input name="torque" inputmode="decimal" :value="held.torque ?? ''" @change="torque" />
          <select
            name="torque-unit"
            aria-label="unit of torque"
            :value="held.torque_unit"
            @change="put({ torque_unit: text($event) as Fastener['torque_unit'] })"
          >
            <option>N·m</option>
            <option>ft-lb</option>
            <option>in-lb</option>
          </select></span
        ></label
      >
      <label
        >torque source<input
          name="torque-source"
          :value="held.torque_source"
          maxlength="80"
          placeholder="no value known"
          @input="put({ torque_source: text($event) })"
      /></label>
      <label
        >also retains<input
          name="also-holds"
          :value="held.also_holds"
          maxlength="80"
          @input="put({ also_holds: text($event) })"
      /></label>
    </div>
    <div class="row">
      <button
        type="button"
        class="chip loud"
        :aria-pressed="held.hand === 'left'"
        @click="put({ hand: held.hand === 'left' ? 'right' : 'left' })"
      >
        left-hand thread
      </button>
      <label
        >lock
        <select name="lock" :value="held.lock" @change="put({ lock: text($event) as Fastener['lock'] })">
          <option
            v-for="each in ['none', 'tab', 'spring_washer', 'nylon', 'pin', 'wire', 'staked']"
            :key="each"
            :value="each"
          >
            {{ each.replace('_', ' ') }}
          </option>
        </select></label
      >
      <label
        >on the thread
        <select
          name="compound"
          :value="held.compound"
          @change="put({ compound: text($event) as Fastener['compound'] })"
        >
          <option v-for="each in ['none', 'locker', 'anti_seize', 'both']" :key="each" :value="each">
            {{ each.replace('_', '-') }}
          </option>
        </select></label
      >
    </div>
    <div v-for="each in part.settings" :key="each.key" class="set">
      <select
        aria-label="what is set"
        :value="each.what"
        @change="setting(each.key, { what: text($event) as Schemas['Setting']['what'] })"
      >
        <option v-for="what in SETTINGS" :key="what" :value="what">{{ what.replace('_', ' ') }}</option>
      </select>
      <input
        :value="each.first"
        maxlength="40"
        placeholder="first reading"
        aria-label="first reading"
        @input="setting(each.key, { first: text($event) })"
      />
      <input
        :value="each.second"
        maxlength="40"
        placeholder="read again"
        aria-label="second reading"
        @input="setting(each.key, { second: text($event) })"
      />
      <button
        type="button"
        class="plain"
        @click="emit('patch', { settings: (part.settings ?? []).filter((s) => s.key !== each.key) })"
      >
        drop
      </button>
    </div>
    <div v-for="each in own" :key="each.key" class="set">
      <input
        class="wide"
        :value="each.words"
        maxlength="200"
        aria-label="what stays together"
        @input="change(each.key, { words: text($event) })"
      />
      <SizeInput
        label="thickness on the tag"
        name="tie-thickness"
        :size="each.thickness"
        @change="change(each.key, { thickness: $event })"
      />
      <button
        type="button"
        class="plain"
        @click="
          emit(
            'ties',
            ties.filter((t) => t.key !== each.key),
          )
        "
      >
        untie
      </button>
    </div>
    <div class="row">
      <button type="button" class="chip" @click="addSetting">add a setting</button>
      <button type="button" class="chip" :disabled="own.length > 0" @click="emit('tie')">
        tie to the {{ end }} end{{ next ? ' with the next part' : '' }} <kbd>Alt t</kbd>
      </button>
    </div>
  </section>
</template>

<style scoped>
.held {
  display: grid;
  gap: 9px;
  align-content: start;
  font-size: 13px;
  color: var(--faint);
}
.grid {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px 16px;
}
label {
  display: grid;
}
input,
select {
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  color: var(--ink);
  font-size: 15px;
  min-width: 0;
  padding: 2px 0;
}
option {
  background: var(--sheet);
}
.pair {
  display: grid;
  grid-template-columns: 1fr auto;
}
.row,
.set {
  display: flex;
  gap: 12px;
  align-items: end;
  flex-wrap: wrap;
}
.set .wide {
  flex: 1;
}
.loud[aria-pressed='true'] {
  background: var(--attention);
  border-color: var(--attention);
  font-weight: 700;
  text-transform: uppercase;
}
</style>
