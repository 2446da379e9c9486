<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import SizedDrawing, { type Label } from '@/drawing/SizedDrawing.vue'
import { usual } from '@/drawing/sizes'
import type { PartSize } from '@/drawing/geometry'
import { uncertainty, shown } from '@/entry/lengths'
import RequirementList from '@/job/RequirementList.vue'
import { useJob } from '@/job/useJob'
import { dutyWords } from '@/job/duty'
import { useKinds } from '@/job/useKinds'
import { useKeys } from '@/shell/useKeys'
import { SEATS, useBench, type Feature } from './useBench'

/** What a supplier is asked when nothing listed fits: the part drawn to the sizes read, with their uncertainty. */
const route = useRoute()
const router = useRouter()
const kinds = useKinds()
const job = useJob()
const partId = Number(route.params.partId)
const bench = useBench(partId)
const { part, sheet, family } = bench
const answer = bench.live.answer
const mean = computed(
  () => new Map((answer.value?.readings ?? []).map((each) => [each.feature, each.mean_mm])),
)
const kind = computed(() => {
  const told = sheet.sheet.value.kind ?? ''
  const likeliest = told ? answer.value?.kinds[0]?.kind : answer.value?.candidates[0]?.kind
  return (
    likeliest ??
    kinds.groups(family.value).find((each) => each.group === told)?.pictured ??
    kinds.groups(family.value)[0]?.pictured ??
    'deep_groove'
  )
})
/** A seal or ring of usual proportions, brought to what was read: all of it by the first size, then each size read. */
function likeRead(base: PartSize): PartSize {
  const sizes = { ...(base.sizes ?? {}) }
  const read = (kinds.family(family.value)?.features ?? []).flatMap(({ feature, shows }) => {
    const mm = mean.value.get(feature as Feature)
    return mm !== undefined && sizes[shows] ? [[shows, mm] as const] : []
  })
  const [first] = read
  const by = first ? first[1] / (sizes[first[0]] ?? first[1]) : 1
  for (const name of Object.keys(sizes)) sizes[name] = (sizes[name] ?? 0) * by
  for (const [name, mm] of read.reverse()) sizes[name] = mm // what stands first in the order of the features decides
  return { ...base, sizes }
}
/** The usual proportions of the kind, brought to what was read. */
const size = computed<PartSize>(() => {
  const base = usual(kind.value)
  if (base.sizes) return likeRead(base)
  const d = mean.value.get('bore') ?? mean.value.get('shaft_seat')
  const D = mean.value.get('outside') ?? mean.value.get('housing_seat')
  const by = d && base.d_mm ? d / base.d_mm : D && base.D_mm ? D / base.D_mm : 1
  const wide = mean.value.get('width') ?? mean.value.get('inner_ring_width')
  const T = mean.value.get('assembled_width') ?? (base.T_mm ? (wide ?? base.T_mm * by) : null)
  const inside = d ?? base.d_mm * by
  const outside = D ?? base.D_mm * by
  const wall = (outside - inside) / (base.D_mm * by - base.d_mm * by || 1)
  return {
    kind: kind.value,
    d_mm: inside,
    D_mm: outside,
    B_mm: wide ?? T ?? base.B_mm * by,
    T_mm: T,
    C_mm: base.C_mm ? (mean.value.get('outer_ring_width') ?? base.C_mm * by) : null,
    ball_mm: base.ball_mm * by * Math.max(wall, 0.2),
  }
})
const sold = computed(() => {
  const own: readonly string[] = kinds.kind(kind.value)?.offered ?? ['bore', 'outside', 'width']
  const read = [...mean.value.keys()].filter((name) => !SEATS.includes(name as (typeof SEATS)[number]))
  return [...new Set([...own, ...read])].filter((name) => name !== 'standout')
})
const rows = computed(() =>
  (answer.value?.readings ?? []).map((each) => ({
    name: kinds.feature(each.feature, family.value, kind.value),
    mm: shown(each.mean_mm, 'mm', each.expanded_uncertainty_mm < 0.012 ? 3 : 2),
    inch: shown(each.mean_mm, 'in', 2),
    uncertainty: uncertainty(each.expanded_uncertainty_mm, 'mm'),
    count: each.count,
    near: each.nearest.find((one) => one.within_reading_error)?.text ?? '',
  })),
)
const labels = computed(() =>
  Object.fromEntries(
    sold.value.map((feature): [string, Label] => {
      const held = mean.value.get(feature)
      return [
        feature,
        held === undefined ? { value: 'not measured', unknown: true } : { value: shown(held, 'mm', 2) },
      ]
    }),
  ),
)
const nearest = computed(() =>
  (answer.value?.candidates ?? []).slice(0, 3).map((each) => ({
    name: each.designation,
    size: each.size_text,
    off: each.features
      .filter((one) => one.off_mm !== null && one.agreement !== 'agrees' && one.agreement !== 'not_read')
      .map(
        (one) =>
          `${kinds.feature(one.feature, family.value, each.kind)} ${(one.off_mm ?? 0) > 0 ? '+' : '−'}${Math.abs(one.off_mm ?? 0).toFixed(2)} mm`,
      )
      .join(', '),
  })),
)
const told = computed(() =>
  Object.entries(sheet.sheet.value.answers ?? {}).map(
    ([name, value]) =>
      kinds.question(name, family.value)?.answers.find((each) => each.value === value)?.words ?? value,
  ),
)
const print = (): void => window.print()
useKeys([
  { key: 'p', words: 'print', run: print },
  {
    key: 'Escape',
    words: 'back to the Bench',
    run: () => void router.push({ name: 'bench', params: route.params }),
    inFields: true,
  },
])
onMounted(async () => {
  if (!kinds.loaded) await kinds.load()
  await bench.load()
})
</script>

<template>
  <main class="page">
    <div class="paper">
      <header>
        <div>
          <h1>Enquiry: {{ part?.part.name }}</h1>
          <p>{{ [kinds.kind(kind)?.words, part?.part.surroundings].filter(Boolean).join(' · ') }}</p>
        </div>
        <p class="no fig">{{ job.state?.job.number }}</p>
      </header>
      <div class="body">
        <SizedDrawing :size="size" :labels="labels" words="the part drawn to the sizes read" />
        <table v-if="rows.length">
          <caption>
            read
          </caption>
          <tbody>
            <tr v-for="row in rows" :key="row.name">
              <th>{{ row.name }}</th>
              <td class="fig big">{{ row.mm }}</td>
              <td>{{ row.uncertainty }}</td>
              <td class="fig">{{ row.inch }} in</td>
              <td class="faint">{{ row.count > 1 ? `${row.count} readings` : 'one reading' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <dl>
        <dt>marking</dt>
        <dd class="fig">{{ sheet.sheet.value.marking || 'none legible' }}</dd>
        <dt>wanted</dt>
        <dd>
          <RequirementList v-if="answer" :requirement="answer.requirement" />
        </dd>
        <dt>quantity</dt>
        <dd>{{ bench.needed.value }}</dd>
        <dt>seen</dt>
        <dd>{{ [sheet.sheet.value.condition, ...told].filter(Boolean).join(', ') || 'none noted' }}</dd>
        <dt>runs</dt>
        <dd>
          {{ dutyWords(answer?.requirement.duty).join(', ') || 'not stated' }}
        </dd>
        <dt>closest in the catalogue</dt>
        <dd>
          <span v-for="each in nearest" :key="each.name + each.size" class="near"
            ><b>{{ each.name }}</b> {{ each.size }}{{ each.off ? `: ${each.off}` : '' }}</span
          >
        </dd>
      </dl>
      <p class="foot">
        Sizes are of a worn part, with the measurement uncertainty; what was not measured is drawn in usual
        proportion. Offer what fits all sizes read, or say which differs.
      </p>
    </div>
    <button type="button" class="go" @click="print"><span>Print</span><kbd>p</kbd></button>
  </main>
</template>

<style scoped>
.page {
  overflow: auto;
  padding: 22px;
  display: grid;
  justify-items: center;
  gap: 14px;
}
.paper {
  background: var(--sheet);
  border: 1px solid var(--rule);
  width: 1000px;
  max-width: 100%;
  padding: 26px 34px;
}
header {
  display: flex;
  justify-content: space-between;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 10px;
}
.no {
  font-size: 34px;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 560px) 1fr;
  align-items: center;
}
table {
  border-collapse: collapse;
  font-size: 15px;
}
caption {
  text-align: left;
  font-size: 13px;
  color: var(--faint);
}
th {
  text-align: left;
  font-weight: 500;
}
td,
th {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
}
.big {
  font-size: 24px;
}
dl {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 4px 14px;
  font-size: 15px;
}
dt {
  color: var(--faint);
}
dd {
  margin: 0;
}
.near {
  display: block;
}
.foot {
  margin-top: 14px;
  font-size: 14px;
  color: var(--faint);
}
.go {
  width: 300px;
}
@media print {
  .go {
    display: none;
  }
  .page {
    padding: 0;
  }
  .paper {
    border: 0;
    width: auto;
    padding: 0;
  }
}
</style>
