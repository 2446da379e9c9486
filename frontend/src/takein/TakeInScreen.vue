<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import { api, resultOf, type Schemas } from '@/api/client'
import ChipGroup from '@/entry/ChipGroup.vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import { useJob } from '@/job/useJob'
import { useTrade } from '@/job/useTrade'
import EarlierVersions from '@/sheets/EarlierVersions.vue'
import { useKeys } from '@/shell/useKeys'
import CauseList from './CauseList.vue'
import GuardColumn from './GuardColumn.vue'
import ModelDialog from './ModelDialog.vue'
import UnitColumn from './UnitColumn.vue'
import { toggled, useTakeIn, type TakeInSheet } from './useTakeIn'

const route = useRoute()
const router = useRouter()
const job = useJob()
const trade = useTrade()
const number = String(route.params.number)
const take = useTakeIn(number)
const { sheet, answer } = take
const models = ref<Schemas['UnitModel'][]>([])
const said = ref('')
const telling = ref(false)
const first = ref<InstanceType<typeof CauseList> | null>(null)
const stage = ref<'symptom' | 'evidence'>('symptom')
const signs = computed(() => trade.tables?.signs ?? [])
const groups = computed(() => {
  const found = new Map<string, { name: string; words: string }[]>()
  for (const { sign, group, words, stage: of } of signs.value)
    if (of === stage.value) found.set(group, [...(found.get(group) ?? []), { name: sign, words }])
  return [...found]
})
const count = (of: string): number =>
  signs.value.filter((each) => each.stage === of && sheet.value.signs.includes(each.sign)).length
const onLine = computed(() =>
  (answer.value?.found_on_line ?? [])
    .filter((each) => !sheet.value.signs.includes(each))
    .map((each) => signs.value.find((sign) => sign.sign === each)?.words ?? each),
)
const leading = computed(() => answer.value?.causes.causes[0])
const outside = computed(() => leading.value?.lies === 'outside')
const unread = computed(() => {
  const read = new Set(
    (answer.value?.acknowledged ?? []).filter((each) => !each.from_file).map((each) => each.caution),
  )
  return (answer.value?.cautions ?? []).find((each) => each.stage === 'strip' && !read.has(each.caution))
})
function check(cause: string, result: 'found' | 'cleared'): void {
  const now: TakeInSheet['checked'] = { ...sheet.value.checked }
  if (now[cause] === result) Reflect.deleteProperty(now, cause)
  else now[cause] = result
  sheet.value.checked = now
}
async function acknowledge(caution: string): Promise<void> {
  const refusal = await take.read(caution)
  said.value = refusal ? `${refusal.message} ${refusal.hint ?? ''}` : ''
  void job.refresh()
}
async function loadModels(): Promise<void> {
  const { answer: found } = await resultOf(api.GET('/api/unit-models'))
  models.value = found?.models ?? []
}
async function modelKept(): Promise<void> {
  telling.value = false
  await Promise.all([take.held.stored(), loadModels()])
  await take.load()
}
useKeys([
  {
    key: 'Alt+a',
    words: 'acknowledge the first caution',
    run: () => unread.value && void acknowledge(unread.value.caution),
    inFields: true,
  },
  { key: 'w', words: 'why this cause', run: () => first.value?.toggle() },
  { key: 's', words: 'symptoms', run: () => (stage.value = 'symptom') },
  { key: 'e', words: 'found on strip-down', run: () => (stage.value = 'evidence') },
  {
    key: 'h',
    words: 'history of the unit',
    run: () => void router.push({ name: 'job-history', params: { number } }),
  },
  {
    key: 'Ctrl+Enter',
    words: 'go to Strip-down',
    run: () => void router.push({ name: 'line', params: { number } }),
    inFields: true,
  },
])
/** A serial number just typed says which unit it is: its history is asked for once that is stored. */
onBeforeRouteLeave(async (to) => {
  if (to.name === 'job-history') await take.held.stored()
})
onMounted(async () => {
  if (!trade.tables) await trade.load()
  await take.load()
  await loadModels()
})
</script>

<template>
  <main class="take">
    <h1 class="visually-hidden">Take in</h1>
    <p v-if="take.loadRefusal.value" class="note">
      {{ take.loadRefusal.value.message }}
      <button type="button" class="plain" @click="take.load">Try again</button>
    </p>
    <div class="columns">
      <UnitColumn
        v-model="sheet"
        :number="number"
        :model="answer?.model ?? null"
        :models="models"
        :refused="answer?.refused ?? []"
        :not-understood="answer?.not_understood ?? []"
        @new-model="telling = true"
      />
      <section class="why" aria-label="signs and causes">
        <template v-if="answer && leading">
          <p class="share" :class="{ att: outside }">
            <b>{{ outside ? 'Look outside the bearing and seal first.' : 'Most likely the unit itself.' }}</b>
            <span class="faint">{{ Math.round(answer.causes.outside_weight * 100) }} % outside the unit</span>
          </p>
          <CauseList ref="first" :causes="[leading]" leading :checked="sheet.checked" @check="check" />
        </template>
        <p v-else-if="answer" class="faint nothing">
          Tick the symptoms and what you see. The likely cause and the cheap check to do first appear here.
        </p>
        <div class="tabs">
          <button type="button" :aria-pressed="stage === 'symptom'" @click="stage = 'symptom'">
            symptoms: {{ count('symptom') }} <kbd>s</kbd>
          </button>
          <button type="button" :aria-pressed="stage === 'evidence'" @click="stage = 'evidence'">
            found on strip-down: {{ count('evidence') }} <kbd>e</kbd>
          </button>
          <EarlierVersions
            class="earlier"
            title="Take in"
            :settled="take.held.settled"
            :list="take.versions"
            :look="take.version"
            @back="sheet = $event as TakeInSheet"
          />
        </div>
        <div class="signs">
          <ChipGroup
            v-for="[group, options] in groups"
            :key="group"
            :words="group"
            :options="options"
            :chosen="sheet.signs"
            @toggle="sheet.signs = toggled(sheet.signs, $event)"
          />
        </div>
        <p v-if="onLine.length" class="faint">
          found on strip-down: <b>{{ onLine.join(', ') }}</b>
        </p>
        <CauseList
          v-if="answer && answer.causes.causes.length > 1"
          :causes="answer.causes.causes.slice(1)"
          :checked="sheet.checked"
          @check="check"
        />
      </section>
      <GuardColumn :answer="answer" :first="unread?.caution" :said="said" @acknowledge="acknowledge" />
    </div>
    <ModelDialog
      v-if="telling"
      :name="sheet.model.trim()"
      :unit="sheet.unit"
      @close="telling = false"
      @kept="modelKept"
    />
    <ClashDialog
      v-if="take.held.hasClashes.value"
      :clashes="take.held.clashes.value"
      @decide="take.held.decide"
    />
  </main>
</template>

<style scoped>
.take {
  background: var(--sheet);
}
.columns {
  display: grid;
  grid-template-columns: 410px minmax(0, 1fr) 340px;
  min-height: 100%;
}
.columns > section {
  padding: 16px 20px 24px;
  display: grid;
  gap: 11px;
  align-content: start;
}
.columns > section + section {
  border-left: 1px solid var(--rule);
}
.columns > :last-child {
  background: var(--paper);
}
.tabs {
  display: flex;
  gap: 22px;
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
.tabs button {
  font-size: 17px;
  color: var(--faint);
}
.tabs button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 680;
  border-bottom: 3px solid var(--ink);
}
.tabs .earlier {
  margin-left: auto;
}
.signs {
  display: grid;
  gap: 6px;
}
.share {
  font-size: 17px;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.share span {
  font-size: 14px;
}
.nothing {
  font-size: 17px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
