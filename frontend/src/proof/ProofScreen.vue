<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import ClashDialog from '@/entry/ClashDialog.vue'
import { useJob } from '@/job/useJob'
import type { Schemas } from '@/api/client'
import { useKeys } from '@/shell/useKeys'
import VersionsDialog from '@/sheets/VersionsDialog.vue'
import CheckList from './CheckList.vue'
import CloseCard from './CloseCard.vue'
import FillRows from './FillRows.vue'
import LeftTasks from './LeftTasks.vue'
import RunCard from './RunCard.vue'
import SetCards from './SetCards.vue'
import { useProof, type Rows } from './useProof'

/** Set and prove: runs as curves, set points as dials, fills, checks, what to come back to; and the closing of the job. */
const route = useRoute()
const job = useJob()
const number = String(route.params.number)
const proof = useProof(number)
const { answer, judged, judgedBy, live, loadRefusal, looking } = proof
const sheet = proof.sheet.sheet
const body = ref<HTMLElement | null>(null)
const runs = ref<InstanceType<typeof RunCard>[]>([])
const fault = ref('')
const picked = ref<string | null>(null)
/** One run is drawn, the last unless another is looked at; of the others stands what came of them. */
const openRun = computed(() =>
  sheet.value.runs?.some((each) => each.key === picked.value) ? picked.value : sheet.value.runs?.at(-1)?.key,
)
const ADDS: { key: string; rows: Rows; words: string; field: string }[] = [
  { key: 'n', rows: 'runs', words: 'a run', field: 'run' },
  { key: 's', rows: 'set_points', words: 'a set point', field: 'set-point' },
  { key: 'e', rows: 'plays', words: 'an end play', field: 'play' },
  { key: 'l', rows: 'fills', words: 'a fill', field: 'fill' },
  { key: 'k', rows: 'tasks', words: 'a task', field: 'task' },
  { key: 'b', rows: 'compared', words: 'before and after', field: 'sign' },
]
const FIELDS: Partial<Record<Rows, string>> = { changes: 'change' }
async function add(rows: Rows): Promise<void> {
  picked.value = null
  proof.add(rows)
  await nextTick()
  const field = ADDS.find((each) => each.rows === rows)?.field ?? FIELDS[rows]
  const own = body.value?.querySelectorAll<HTMLInputElement>(`input[name="${field}"]`)
  own?.[own.length - 1]?.focus()
}
/** What the strip-down asks for goes on the sheet with what was read of it then. */
function accept(each: Schemas['Proposed']): void {
  const what = { key: each.key, what: each.what }
  if (each.rows === 'plays' || each.rows === 'tasks') proof.add(each.rows, what)
  else proof.add('set_points', { ...what, unit: each.unit, note: each.because })
}
const refusal = computed(() => live.refusal.value ?? proof.sheet.refusal.value)
const closing = computed(() =>
  proof.sheet.refusal.value?.code === 'points_open' ? proof.sheet.refusal.value.message : '',
)
const empty = computed(
  () => !(['runs', 'set_points', 'plays', 'fills'] as const).some((rows) => sheet.value[rows]?.length),
)
async function sign(): Promise<void> {
  if (!(await proof.sheet.settled()) || !answer.value) {
    fault.value = 'This is not saved yet. Sign it once it is.'
    return
  }
  fault.value = await proof.sign(answer.value.version)
}
function takenBack(old: object): void {
  proof.takeBack(old as Parameters<typeof proof.takeBack>[0])
  looking.value = false
}
useKeys([
  ...ADDS.map((each) => ({ key: each.key, words: `add ${each.words}`, run: () => void add(each.rows) })),
  {
    key: 'r',
    words: 'temperature reading for the last run',
    run: () => runs.value.forEach((each) => each.focus()),
  },
  { key: 'v', words: 'earlier versions', run: () => (looking.value = true) },
  { key: 'p', words: 'print', run: () => window.print() },
])
watch(
  () => answer.value?.sheet.closed,
  () => void job.refresh(),
)
onMounted(() => void proof.load())
</script>

<template>
  <main ref="body" class="two proof">
    <section class="left">
      <div class="where">
        <h1>Set and prove</h1>
        <span v-if="sheet.closed" class="good"><b>closed</b></span>
        <span class="adds">
          <button
            v-for="each in ADDS.slice(0, 4)"
            :key="each.rows"
            type="button"
            class="chip"
            @click="add(each.rows)"
          >
            {{ each.words }} <kbd>{{ each.key }}</kbd>
          </button>
        </span>
        <button type="button" class="plain" @click="looking = true">earlier <kbd>v</kbd></button>
        <a class="plain" :href="`/api/jobs/${number}/sheets/proof/csv`" download>CSV</a>
      </div>
      <p v-if="loadRefusal" class="note">
        {{ loadRefusal.message }} {{ loadRefusal.hint }}
        <button class="plain" type="button" @click="proof.load">Try again</button>
      </p>
      <p v-else-if="refusal && !closing" class="note" role="alert">
        {{ refusal.message }} {{ refusal.hint }}
      </p>
      <p v-if="fault" class="note" role="alert">{{ fault }}</p>
      <div v-if="empty && answer" class="nothing">
        <h2>Nothing set or run yet.</h2>
        <p>
          One key adds a run, a set point, an end play or a fill. The checks that this unit needs are on the
          right, once its parts are on the strip-down.
        </p>
        <p class="faint">Guards on before it turns; nobody reaches in; stop before looking.</p>
      </div>
      <section v-if="judged?.proposed.length" class="proposed" aria-label="asked for by the strip-down">
        <button
          v-for="each in judged.proposed"
          :key="each.key"
          type="button"
          class="chip"
          :title="each.because"
          @click="accept(each)"
        >
          {{ each.rows === 'plays' ? `end play of ${each.what}` : each.what }}
          <span class="faint">{{ each.value === null ? 'add' : `${each.value} ${each.unit}` }}</span>
        </button>
      </section>
      <template v-for="(row, i) in sheet.runs" :key="row.key">
        <RunCard
          ref="runs"
          v-model="sheet.runs![i]!"
          :judged="judgedBy.runs.get(row.key)"
          :open="row.key === openRun"
          @look="picked = row.key"
          @remove="proof.remove('runs', row.key)"
        />
      </template>
      <SetCards v-model="sheet" :points="judgedBy.points" :plays="judgedBy.plays" @remove="proof.remove" />
      <FillRows v-model="sheet" :fills="judgedBy.fills" @remove="(key) => proof.remove('fills', key)" />
    </section>
    <aside class="right" role="region" aria-label="checks and sign-off">
      <CheckList v-if="judged" :checks="judged.checks" :results="sheet.checks ?? []" @say="proof.check" />
      <LeftTasks
        v-model="sheet"
        :late="judged?.late ?? []"
        :compared="judgedBy.compared"
        :helped="judged?.which_helped ?? ''"
        @remove="proof.remove"
        @add="add"
      />
      <CloseCard
        v-if="judged"
        v-model="sheet"
        :open="judged.open"
        :empty="empty"
        :signatures="answer?.signatures ?? []"
        :refused="closing"
        :number="number"
        @sign="sign"
      />
    </aside>
    <VersionsDialog
      v-if="looking"
      title="Proof"
      :list="proof.versions"
      :look="proof.version"
      @close="looking = false"
      @back="takenBack"
    />
    <ClashDialog
      v-if="proof.sheet.hasClashes.value"
      :clashes="proof.sheet.clashes.value"
      @decide="proof.sheet.decide"
    />
  </main>
</template>

<style scoped>
.left {
  overflow: auto;
}
.right {
  overflow: auto;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.right > :last-child {
  margin-top: auto;
}
.proposed {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 10px 20px;
  border-bottom: 1px solid var(--rule);
}
.adds {
  display: flex;
  gap: 6px;
  margin-left: auto;
}
.where .plain {
  white-space: nowrap;
}
.nothing {
  padding: 36px 24px;
  font-size: 18px;
  display: grid;
  gap: 10px;
}
@media (max-width: 900px) {
  .where {
    flex-wrap: wrap;
    height: auto;
    padding: 10px 20px;
  }
  .adds {
    flex-wrap: wrap;
    margin-left: 0;
  }
}
@media print {
  .two {
    display: block;
    height: auto;
  }
  .left,
  .right {
    overflow: visible;
    border: 0;
  }
  .adds,
  .where .plain {
    display: none;
  }
}
</style>
