<script setup lang="ts">
import type { Schemas } from '@/api/client'
import PartSection from '@/drawing/PartSection.vue'
import { partSize } from '@/drawing/sizes'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { STATE_WORDS } from '@/drawing/verdicts'
import { dutyWords } from '@/job/duty'
import { useKinds } from '@/job/useKinds'
import { CHECKS, COLUMNS } from './checks'

/** One supplier's sheet as a paper list; it prints as it looks. */
defineProps<{ sheet: Schemas['OrderSheet']; lineId: number | null }>()
defineEmits<{
  pick: [lineId: number]
  more: [line: Schemas['OrderLine'], by: number]
  drop: [line: Schemas['OrderLine']]
  change: [line: Schemas['OrderLine']]
  withdraw: [line: Schemas['OrderLine']]
}>()
type Line = Schemas['OrderLine']
const kinds = useKinds()
const asked = (line: Line) => line.lights.filter((check) => COLUMNS.includes(check.light as 'shaft'))
const more = (line: Line) =>
  line.lights.filter((check) => !COLUMNS.includes(check.light as 'shaft') && !check.passed_reason)
/** What must be had, as a supplier reads it: size, kind and each attribute that is more than usual. */
function wanted(line: Line): string {
  const own = line.requirement
  if (!own) return ''
  const told = own.attributes
    .filter((each) => each.value && each.basis !== 'assumed')
    .map(
      (each) =>
        `${kinds.attribute(each.name)?.words ?? each.name} ${kinds.valueWords(each.name, each.value)}`,
    )
  return [
    kinds.kind(own.kind)?.words ?? own.kind,
    own.arrangement ? `matched pair, ${own.arrangement.replace(/_/g, ' ')}` : '',
    ...told,
    own.unread?.length ? `also marked ${own.unread.join(' ')}` : '',
    ...dutyWords(own.duty),
  ]
    .filter(Boolean)
    .join(', ')
}
/** What that rests on: sizes measured, condition and looks; on paper, and of the item in hand. */
function restsOn(line: Line): string {
  const own = line.requirement
  if (!own) return ''
  const sizes = (own.measured ?? []).map(
    (each) =>
      `${kinds.feature(each.feature, own.family, own.kind)} ${each.mean_mm.toFixed(2)} ±${each.expanded_uncertainty_mm.toFixed(2)}`,
  )
  const looks = (own.answers ?? []).map(
    ({ question, answer }) =>
      kinds.question(question, own.family)?.answers.find((each) => each.value === answer)?.words ?? answer,
  )
  const clashes = (own.clashes ?? []).map((each) => `${each.marked} marked, ${each.confirmed} confirmed`)
  return [...sizes, own.condition, ...looks, ...clashes].filter(Boolean).join(', ')
}
const differs = (line: Line): string =>
  line.differences.map((each) => `${each.name}: ${each.from} wanted, ${each.to} ordered`).join('; ')
/** What has changed of the requirement since it was ordered. */
const changed = (line: Line): string =>
  line.changes
    .map(
      (each) =>
        `${kinds.attribute(each.name)?.words ?? each.name.replace(/_/g, ' ')} ${kinds.valueWords(each.name, each.before) || 'not known'} → ${kinds.valueWords(each.name, each.after) || 'not known'}`,
    )
    .join(', ')
</script>

<template>
  <article class="paper" :class="{ placed: sheet.state === 'placed' }">
    <header>
      <h2>
        {{ sheet.supplier }}<em>{{ sheet.place }}</em>
      </h2>
      <span class="fig number">{{ sheet.number }}</span>
    </header>
    <p v-if="sheet.state === 'placed'" class="stamp">placed by {{ sheet.placed_by }}</p>
    <div class="head">
      <span>checks</span><span></span><span>part</span><span>quantity</span><span>each</span><span>days</span>
    </div>
    <div
      v-for="line in sheet.lines"
      :key="line.line_id"
      class="line"
      :class="{ now: line.line_id === lineId, gone: line.withdrawn_at }"
      tabindex="0"
      @click="$emit('pick', line.line_id)"
      @focus="$emit('pick', line.line_id)"
    >
      <span
        class="checks"
        role="img"
        :aria-label="
          line.lights
            .map(
              (check) =>
                `${CHECKS[check.light]?.words ?? check.light} ${check.passed_reason ? 'overridden' : STATE_WORDS[check.state]}`,
            )
            .join(', ')
        "
        ><span v-for="check in asked(line)" :key="check.light" :title="`${check.light}: ${check.words}`"
          ><VerdictMark :state="check.state" :size="16" :passed="!!check.passed_reason" silent /><em>{{
            CHECKS[check.light]?.short
          }}</em></span
        ></span
      >
      <PartSection
        :size="partSize(line.item.kind, line.item.dimensions, line.ball_mm)"
        :closure="line.item.closure"
        :width="46"
        half
        :height="60"
        :name="`section of ${line.item.marking}`"
      />
      <span class="what"
        ><b class="fig">{{ line.item.marking }}</b
        ><em>{{ line.item.maker }}, {{ line.item.size_text }}</em
        ><em>for {{ line.job_number }} {{ line.part_name }}</em></span
      >
      <span class="amount"
        ><template v-if="sheet.state === 'open'"
          ><button
            type="button"
            aria-label="one less"
            :disabled="line.quantity < 2"
            @click.stop="$emit('more', line, -1)"
          >
            −</button
          ><b class="fig">{{ line.quantity }}</b
          ><button type="button" aria-label="one more" @click.stop="$emit('more', line, 1)">
            +
          </button></template
        ><b v-else class="fig">{{ line.quantity }}</b></span
      >
      <b class="fig num">{{ line.price }}</b><b class="fig num">{{ line.lead_days }}</b>
      <button
        v-if="sheet.state === 'open' && line.line_id === lineId"
        type="button"
        class="plain off"
        @click.stop="$emit('drop', line)"
      >
        remove
      </button>
      <p v-if="line.withdrawn_at" class="told stop">
        Cancelled by {{ line.withdrawn_by }}: {{ line.withdrawn_reason }}
      </p>
      <p v-if="line.replaces" class="told">
        replaces <b>{{ line.replaces }}</b>: {{ wanted(line) }}
      </p>
      <p v-if="restsOn(line)" class="told faint rests">by {{ restsOn(line) }}</p>
      <p v-if="line.differences.length" class="told unsure">differs: {{ differs(line) }}</p>
      <p v-if="line.changes.length && !line.withdrawn_at" class="told att">
        <b>Changed since it was ordered:</b> {{ changed(line) }}.
        <button
          v-if="sheet.state === 'open' && line.match_item_id"
          type="button"
          class="chip"
          @click.stop="$emit('change', line)"
        >
          order the new choice
        </button>
        <button v-if="sheet.state === 'open'" type="button" class="chip" @click.stop="$emit('drop', line)">
          take it off
        </button>
        <button v-else type="button" class="chip" @click.stop="$emit('withdraw', line)">cancel it</button>
      </p>
      <p v-for="check in more(line)" :key="check.light" class="told unsure">
        <VerdictMark :state="check.state" :size="14" silent /> {{ CHECKS[check.light]?.words }}:
        {{ check.words }}
      </p>
      <p v-for="check in line.lights.filter((each) => each.passed_reason)" :key="check.light" class="passed">
        {{ CHECKS[check.light]?.words }} overridden by {{ check.passed_by }}: {{ check.passed_reason }}
      </p>
    </div>
  </article>
</template>

<style scoped>
.paper {
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 16px 22px 18px;
  margin-bottom: 20px;
  position: relative;
  break-inside: avoid;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 7px;
}
h2 {
  font-size: 22px;
}
h2 em {
  font-style: normal;
  font-weight: 400;
  font-size: 15px;
  color: var(--faint);
  margin-left: 10px;
}
.number {
  font-size: 22px;
}
.stamp {
  position: absolute;
  right: 130px;
  top: 14px;
  border: 2px solid var(--good);
  color: var(--good);
  font-weight: 650;
  padding: 2px 10px;
  transform: rotate(-3deg);
}
.head,
.line {
  display: grid;
  grid-template-columns: 236px 50px minmax(0, 1fr) 92px 68px 40px;
  gap: 10px;
  align-items: center;
}
.head {
  font-size: 13px;
  color: var(--faint);
  padding: 6px 0 3px;
}
.line {
  padding: 9px 10px;
  margin: 0 -10px;
  border-top: 1px solid var(--rule);
  cursor: pointer;
}
.line.now {
  box-shadow: inset 5px 0 0 var(--action);
  background: color-mix(in srgb, var(--paper) 55%, var(--sheet));
}
.checks {
  display: flex;
  gap: 3px;
}
.checks span {
  width: 45px;
  text-align: center;
}
.checks em {
  display: block;
  font-style: normal;
  font-size: 13px;
  font-stretch: 72%;
  color: var(--faint);
  white-space: nowrap;
}
.what b {
  font-size: 26px;
  line-height: 1.1;
  display: block;
  white-space: nowrap;
}
.what em {
  font-style: normal;
  color: var(--faint);
  font-size: 14px;
  display: block;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.amount {
  display: flex;
  align-items: center;
  gap: 7px;
}
.amount b,
.num {
  font-size: 22px;
}
.num {
  text-align: right;
}
.amount button {
  width: 28px;
  height: 28px;
  border: 1px solid var(--rule);
  text-align: center;
  font-size: 17px;
}
.amount button:disabled {
  color: var(--rule);
}
.told {
  grid-column: 1 / -1;
  font-size: 14px;
}
.line:not(.now) .rests {
  display: none;
}
.gone .what,
.gone .num,
.gone .amount {
  text-decoration: line-through;
}
.passed {
  grid-column: 1 / -1;
  font-size: 14px;
  color: var(--unsure);
}
.off {
  grid-column: 3;
  font-size: 14px;
  grid-row: 2;
}
@media print {
  .line:not(.now) .rests {
    display: block;
  }
  .paper {
    border: 0;
  }
  .amount button,
  .off {
    display: none;
  }
  .line.now {
    box-shadow: none;
    background: none;
  }
}
</style>
