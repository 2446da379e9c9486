<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, told, type Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import { useJob } from '@/job/useJob'
import { useTrade } from '@/job/useTrade'
import { useKeys } from '@/shell/useKeys'
import CauseList from './CauseList.vue'
import TellingPicture from './TellingPicture.vue'
import { useTakeIn, type TakeInSheet } from './useTakeIn'

const route = useRoute()
const router = useRouter()
const job = useJob()
const trade = useTrade()
const number = String(route.params.number)
const take = useTakeIn(number)
const { sheet, answer } = take
const models = ref<Schemas['UnitModel'][]>([])
const said = ref('')
const first = ref<InstanceType<typeof CauseList> | null>(null)
const stage = ref<'symptom' | 'evidence'>('symptom')
const onLine = computed(() =>
  (answer.value?.found_on_line ?? []).filter((each) => !sheet.value.signs.includes(each)),
)
const signWords = (sign: string): string =>
  trade.tables?.signs.find((each) => each.sign === sign)?.words ?? sign
const groups = computed(() => {
  const found = new Map<string, Schemas['SignAnswer'][]>()
  for (const sign of trade.tables?.signs ?? [])
    if (sign.stage === stage.value) found.set(sign.group, [...(found.get(sign.group) ?? []), sign])
  return [...found]
})
const count = (of: string): number =>
  (trade.tables?.signs ?? []).filter((each) => each.stage === of && sheet.value.signs.includes(each.sign))
    .length
type List = 'signs' | 'energies' | 'fluids' | 'works'
const LISTS = [
  ['energy', 'energies', 'stored in it'],
  ['fluid', 'fluids', 'what is in it'],
  ['work', 'works', 'to be done'],
] as const
const wordsOf = (kind: string) => (trade.tables?.words ?? []).filter((each) => each.kind === kind)
function toggle(list: List, name: string): void {
  const now = sheet.value[list]
  sheet.value[list] = now.includes(name) ? now.filter((each) => each !== name) : [...now, name]
}
function check(cause: string, result: 'found' | 'cleared'): void {
  const now: TakeInSheet['checked'] = { ...sheet.value.checked }
  if (now[cause] === result) Reflect.deleteProperty(now, cause)
  else now[cause] = result
  sheet.value.checked = now
}
function pickUnit(event: Event): void {
  const unit = (event.target as HTMLSelectElement).value
  const known = trade.tables?.units.find((each) => each.unit === unit)
  sheet.value.unit = unit
  if (!known) return
  sheet.value.energies = [...new Set([...sheet.value.energies, ...known.energies])]
  sheet.value.fluids = [...new Set([...sheet.value.fluids, ...known.fluids])]
}
const leading = computed(() => answer.value?.causes.causes[0])
const outside = computed(() => leading.value?.lies === 'outside')
const read = computed(() => new Map((answer.value?.acknowledged ?? []).map((each) => [each.caution, each])))
const STAGES: Record<string, string> = {
  strip: 'before it is opened',
  inspect: 'at inspection',
  fit: 'at fitting',
  prove: 'at the first run',
}
const cautions = computed(() =>
  Object.entries(STAGES)
    .map(([name, words]) => ({
      words,
      name,
      cards: (answer.value?.cautions ?? []).filter((each) => each.stage === name),
    }))
    .filter((each) => each.cards.length),
)
const unread = computed(() =>
  (answer.value?.cautions ?? []).filter((each) => each.stage === 'strip' && !read.value.has(each.caution)),
)
const spareState: Record<string, string> = {
  on_shelf: 'holds',
  in_time: 'holds',
  too_late: 'does_not_hold',
  not_known: 'not_proven',
}
const worst = computed(() => {
  const spares = answer.value?.spares ?? []
  const late = spares.filter((each) => each.state === 'too_late').length
  const unknown = spares.filter((each) => each.state === 'not_known').length
  if (late) return `${late} would come too late: order before it is opened.`
  if (unknown) return `${unknown} of ${spares.length} not known.`
  return spares.length ? 'All can be had in time.' : ''
})
async function acknowledge(caution: string): Promise<void> {
  const refusal = await take.read(caution)
  said.value = refusal ? `${refusal.message} ${refusal.hint ?? ''}` : ''
  void job.refresh()
}
function time(at: string): string {
  return new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
}
const days = computed({
  get: () => (sheet.value.lie_open_days === null ? '' : String(sheet.value.lie_open_days)),
  set: (text: string) => {
    const value = Math.round(Number(text))
    sheet.value.lie_open_days = text.trim() === '' || !(value >= 0 && value <= 3650) ? null : value
  },
})
useKeys([
  {
    key: 'Alt+a',
    words: 'acknowledge the first caution',
    run: () => unread.value[0] && void acknowledge(unread.value[0].caution),
    inFields: true,
  },
  { key: 'w', words: 'why this cause', run: () => first.value?.toggle() },
  { key: 's', words: 'symptoms', run: () => (stage.value = 'symptom') },
  { key: 'e', words: 'evidence found inside', run: () => (stage.value = 'evidence') },
  {
    key: 'Ctrl+Enter',
    words: 'to the Line',
    run: () => void router.push({ name: 'line', params: { number } }),
    inFields: true,
  },
])
onMounted(async () => {
  if (!trade.tables) await trade.load()
  await take.load()
  const { answer: found } = await told(api.GET('/api/unit-models'))
  models.value = found?.models ?? []
})
</script>

<template>
  <main class="take">
    <p v-if="take.loadRefusal.value" class="note">
      {{ take.loadRefusal.value.message }}
      <button type="button" class="plain" @click="take.load">Look again</button>
    </p>
    <div class="columns">
      <section class="unit" aria-label="the unit">
        <input v-model="sheet.title" class="title" name="title" maxlength="80" aria-label="unit" />
        <textarea
          v-model="sheet.symptom"
          name="symptom"
          maxlength="200"
          rows="2"
          aria-label="what is wrong, in the shop's words"
          placeholder="what is wrong, in the shop's words"
        />
        <div class="pairs">
          <label
            >kind
            <select name="unit" :value="sheet.unit" @change="pickUnit">
              <option v-for="each in trade.tables?.units" :key="each.unit" :value="each.unit">
                {{ each.words }}
              </option>
            </select>
          </label>
          <label>owner<input v-model="sheet.owner" name="owner" maxlength="80" /></label>
          <label>model<input v-model="sheet.model" name="model" maxlength="60" list="models" /></label>
          <label>serial<input v-model="sheet.serial" name="serial" maxlength="60" /></label>
          <label class="wide"
            >maker's plate<input v-model="sheet.plate" name="plate" maxlength="200"
          /></label>
          <label>since<input v-model="sheet.since" name="since" maxlength="60" /></label>
          <label>may lie open, days<input v-model="days" name="lie-open" inputmode="numeric" /></label>
        </div>
        <datalist id="models"><option v-for="each in models" :key="each.name" :value="each.name" /></datalist>
        <div class="chips" role="group" aria-label="cost of coming back">
          <span>coming back to it is</span>
          <button
            v-for="each in ['cheap', 'costly'] as const"
            :key="each"
            type="button"
            class="chip"
            :aria-pressed="sheet.access === each"
            @click="sheet.access = each"
          >
            {{ each }}
          </button>
        </div>
        <div v-if="answer?.model?.builds.length" class="build" :class="{ open: !sheet.build }">
          <h3>{{ answer.model.question }}</h3>
          <div class="pictures">
            <button
              v-for="each in answer.model.builds"
              :key="each.build"
              type="button"
              :aria-pressed="sheet.build === each.build"
              @click="sheet.build = each.build"
            >
              <TellingPicture :picture="each.picture" :name="each.answer" />
              <span
                ><b>{{ each.answer }}</b
                ><br />build {{ each.build
                }}<template v-if="each.serial_range"> · {{ each.serial_range }}</template
                ><br /><i v-if="sheet.build === each.build">{{ each.differs }}</i></span
              >
            </button>
          </div>
          <p v-if="!sheet.build" class="att">
            Look before anything is chosen: the builds take different parts.
          </p>
        </div>
        <div v-for="[kind, list, words] in LISTS" :key="kind" class="chips" role="group" :aria-label="words">
          <span>{{ words }}</span>
          <button
            v-for="each in wordsOf(kind)"
            :key="each.name"
            type="button"
            class="chip"
            :aria-pressed="sheet[list].includes(each.name)"
            @click="toggle(list, each.name)"
          >
            {{ each.words }}
          </button>
        </div>
        <label class="planned"
          >what is planned
          <textarea v-model="sheet.planned" name="planned" rows="2" maxlength="2000" />
        </label>
        <p v-for="each in answer?.refused" :key="each.practice" class="refused" role="alert">
          <b>Not like this: “{{ each.told_by }}”.</b> {{ each.why }} Instead: {{ each.instead }}
        </p>
        <label class="planned"
          >note for the next person<textarea
            v-model="sheet.note_next"
            name="note-next"
            rows="2"
            maxlength="2000"
          />
        </label>
      </section>
      <section class="why" aria-label="signs and causes">
        <template v-if="answer && leading">
          <p class="share" :class="{ att: outside }">
            <b>{{ outside ? 'Look outside the bearing and seal first.' : 'Likely the unit itself.' }}</b>
            <span class="faint">{{ Math.round(answer.causes.outside_weight * 100) }} of 100 outside</span>
          </p>
          <CauseList ref="first" :causes="[leading]" leading :checked="sheet.checked" @check="check" />
        </template>
        <p v-else-if="answer" class="faint nothing">
          Tick what was told and what is seen: the likely cause and the cheap check to do first stand here.
        </p>
        <div class="tabs">
          <button type="button" :aria-pressed="stage === 'symptom'" @click="stage = 'symptom'">
            told: {{ count('symptom') }} <kbd>s</kbd>
          </button>
          <button type="button" :aria-pressed="stage === 'evidence'" @click="stage = 'evidence'">
            found inside: {{ count('evidence') }} <kbd>e</kbd>
          </button>
        </div>
        <div class="signs">
          <div v-for="[group, signs] in groups" :key="group" class="chips" role="group" :aria-label="group">
            <span>{{ group }}</span>
            <button
              v-for="each in signs"
              :key="each.sign"
              type="button"
              class="chip"
              :aria-pressed="sheet.signs.includes(each.sign)"
              @click="toggle('signs', each.sign)"
            >
              {{ each.words }}
            </button>
          </div>
        </div>
        <p v-if="onLine.length" class="faint">
          from the Line: <b>{{ onLine.map(signWords).join(', ') }}</b>
        </p>
        <CauseList
          v-if="answer && answer.causes.causes.length > 1"
          :causes="answer.causes.causes.slice(1)"
          :checked="sheet.checked"
          @check="check"
        />
      </section>
      <section class="guard" aria-label="cautions and spares">
        <p v-if="said" class="att" role="alert">{{ said }}</p>
        <template v-if="answer?.spares.length">
          <h2>Spares first</h2>
          <p :class="answer.spares.some((each) => each.state === 'too_late') ? 'att' : 'faint'">
            <b>{{ worst }}</b>
          </p>
          <ul class="spares">
            <li v-for="(each, i) in answer.spares" :key="i">
              <VerdictMark :state="spareState[each.state] ?? 'not_proven'" silent />
              <span
                ><b>{{ each.quantity > 1 ? `${each.quantity} × ` : '' }}{{ each.name }}</b>
                <template v-if="each.item"> · {{ each.item.marking }}</template
                ><br /><span class="faint"
                  >{{ each.words }} <i>{{ each.known_from }}</i></span
                ></span
              >
            </li>
          </ul>
        </template>
        <template v-for="group in cautions" :key="group.name">
          <h2>{{ group.words }}</h2>
          <article v-for="each in group.cards" :key="each.caution" :class="{ read: read.has(each.caution) }">
            <h3>{{ each.title }}</h3>
            <p>{{ each.do }}</p>
            <p v-if="each.licence" class="att">
              <b>Only: {{ each.licence }}.</b>
            </p>
            <p v-if="read.has(each.caution)" class="faint">
              read by {{ read.get(each.caution)!.person }},
              {{ time(read.get(each.caution)!.acknowledged_at) }}
            </p>
            <button v-else type="button" class="chip" @click="acknowledge(each.caution)">
              I have read it<kbd v-if="each === unread[0]">Alt a</kbd>
            </button>
          </article>
        </template>
      </section>
    </div>
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
.guard {
  background: var(--paper);
}
.title {
  font-size: 27px;
  font-stretch: 84%;
  font-weight: 680;
}
input,
textarea,
select {
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  width: 100%;
  font-size: 16px;
  color: var(--ink);
  resize: none;
}
option {
  background: var(--sheet);
}
.pairs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 7px 18px;
}
label {
  display: grid;
  font-size: 13px;
  color: var(--faint);
}
.wide {
  grid-column: 1 / -1;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 5px;
  position: relative;
  padding-left: 88px;
}
.chips > span {
  position: absolute;
  left: 0;
  top: 3px;
  font-size: 14px;
  color: var(--faint);
}
.unit .chips > span {
  max-width: 82px;
  line-height: 1.15;
}
.chip {
  min-height: 27px;
  padding: 0 8px;
  font-stretch: 92%;
}
.build {
  border: 1.5px solid var(--ink);
  padding: 10px 12px;
}
.build.open {
  border-color: var(--attention);
}
.pictures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 8px;
}
.pictures button {
  display: grid;
  gap: 4px;
  font-size: 14px;
  padding: 6px;
  border: 2px solid transparent;
}
.pictures button[aria-pressed='true'] {
  border-color: var(--ink);
}
.tabs {
  display: flex;
  gap: 22px;
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
.why .tabs {
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
.share span {
  font-size: 14px;
}
.nothing {
  font-size: 17px;
}
.refused {
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
}
.refused b {
  color: var(--attention);
}
.guard h2 {
  font-size: 17px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 3px;
}
article {
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
}
article.read {
  border-color: var(--good);
}
article h3 {
  font-size: 16px;
}
.spares {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 7px;
  font-size: 14px;
}
.spares li {
  display: grid;
  grid-template-columns: 20px 1fr;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
