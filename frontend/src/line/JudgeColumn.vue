<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { markOf, toneOf } from '@/drawing/standing'
import { useTrade } from '@/job/useTrade'
import { useSession } from '@/api/session'
import type { LinePart } from './lineEdits'

/** What follows: the verdict with its reasons, what contradicts itself, who decides, what happens next. */
const props = defineProps<{
  part: LinePart
  verdict: Schemas['Verdict'] | undefined
  decision: Schemas['Decision'] | undefined
  inFile: Schemas['Decision'] | undefined
  judgedBy: Schemas['JudgedBy'] | undefined
  contradictions: Schemas['Contradiction'][]
  benchId: number | undefined
  why: boolean
}>()
const emit = defineEmits<{
  patch: [values: Partial<LinePart>]
  decide: [verdict: Schemas['DecideRequest']['verdict'], reason: string]
  bench: []
  why: []
}>()
const trade = useTrade()
const session = useSession()
const reason = ref('')
const choice = ref<Schemas['DecideRequest']['verdict']>('replace')
const kind = computed(() => trade.kind(props.part.kind))
const standing = computed(() => props.decision?.verdict ?? props.verdict?.verdict ?? 'open')
const words = computed(() => trade.tables?.verdict_words[standing.value] ?? standing.value)
const reasons = computed(
  () => props.verdict?.reasons.filter((each) => each.verdict === props.verdict?.verdict) ?? [],
)
const others = computed(
  () => props.verdict?.reasons.filter((each) => each.verdict !== props.verdict?.verdict) ?? [],
)
const whyNot = computed(() => {
  if (!session.may('second_person'))
    return `${session.person?.name} (${session.person?.role}) may not decide. Ask someone who may.`
  if (!props.judgedBy || props.judgedBy.person_id !== session.person?.person_id) return ''
  return props.judgedBy.from_file
    ? `Judged${props.judgedBy.name ? ` by ${props.judgedBy.name}` : ''} in the file you imported. Someone else must decide.`
    : `${props.judgedBy.name} inspected it. Someone else must sign in and decide.`
})
const mayDecide = computed(() => props.verdict?.verdict !== 'open' && !whyNot.value)
const choices = computed(() =>
  Object.entries(trade.tables?.verdict_words ?? {}).filter(([name]) => !['open', 'ask'].includes(name)),
)
const keep = computed(() => props.part.keep || kind.value?.keep || 'if_good')
const KEEPS = [
  ['always_new', 'always new'],
  ['if_good', 'if in good condition'],
  ['keep', 'keep'],
] as const
function answer(code: string, said: 'as_found' | 'put_right'): void {
  const answers = { ...props.part.answers }
  if (answers[code] === said) Reflect.deleteProperty(answers, code)
  else answers[code] = said
  emit('patch', { answers })
}
function decide(): void {
  emit('decide', choice.value, reason.value.trim())
  reason.value = ''
}
function setKeep(name: (typeof KEEPS)[number][0]): void {
  emit('patch', { keep: name === kind.value?.keep ? '' : name })
}
</script>

<template>
  <section class="judge" aria-label="verdict">
    <h2 :class="toneOf(standing)"><VerdictMark :state="markOf(standing)" :size="18" silent /> {{ words }}</h2>
    <button v-if="kind?.family && standing === 'replace'" type="button" class="go" @click="emit('bench')">
      <span>{{ benchId ? 'On the Bench' : 'To the Bench' }}</span><kbd>b</kbd>
    </button>
    <div v-for="each in contradictions" :key="each.code" class="clash" :class="each.level">
      <p>
        <b>{{ each.words }}</b> {{ each.reason }}
      </p>
      <p v-if="each.answer" class="faint">
        {{ each.answer === 'as_found' ? 'As found: the sheet says to correct it.' : 'Rechecked: correct.' }}
      </p>
      <div v-if="each.level !== 'loud'" class="chips">
        <button
          type="button"
          class="chip"
          :aria-pressed="each.answer === 'as_found'"
          @click="answer(each.code, 'as_found')"
        >
          as found
        </button>
        <button
          type="button"
          class="chip"
          :aria-pressed="each.answer === 'put_right'"
          @click="answer(each.code, 'put_right')"
        >
          rechecked: correct
        </button>
      </div>
    </div>
    <p v-if="decision">
      <b>{{ decision.person }}</b> decided: {{ decision.reason }}
    </p>
    <p v-else-if="inFile" class="faint">
      From the job file, not decided here: {{ inFile.person }}, {{ inFile.reason }}
    </p>
    <p v-for="each in reasons.slice(0, 2)" :key="each.reason">{{ each.reason }}</p>
    <p v-if="verdict?.reclaim" class="att">
      No longer made. {{ verdict.reclaim.route }} Match: {{ verdict.reclaim.match }}. Record:
      {{ verdict.reclaim.record }}.
    </p>
    <template v-if="why">
      <p v-for="each in reasons.filter((r) => r.other_school)" :key="`o${each.reason}`" class="faint">
        Alternative practice: {{ each.other_school }} <i>({{ each.source }})</i>
      </p>
      <p v-for="each in others" :key="`x${each.reason}`" class="faint">also: {{ each.reason }}</p>
      <p v-if="reasons.length && !reasons.some((r) => r.other_school)" class="faint">
        {{ reasons[0]?.source }}
      </p>
    </template>
    <button v-if="reasons.length" type="button" class="plain small" @click="emit('why')">
      {{ why ? 'less' : 'why, and alternative practice' }} <kbd>w</kbd>
    </button>
    <form v-if="verdict?.second_person && !decision" class="second" @submit.prevent="decide">
      <p class="unsure">
        <b>A second person must decide.</b>
        {{ whyNot }}
      </p>
      <template v-if="mayDecide">
        <select v-model="choice" aria-label="decision">
          <option v-for="[name, said] in choices" :key="name" :value="name">{{ said }}</option>
        </select>
        <input
          v-model="reason"
          name="decision-reason"
          maxlength="300"
          placeholder="because"
          aria-label="reason for the decision"
        />
        <button class="chip" type="submit" :disabled="reason.trim().length < 4">decide</button>
      </template>
    </form>
    <div class="chips keep">
      <button
        v-for="[name, said] in KEEPS"
        :key="name"
        type="button"
        class="chip"
        :aria-pressed="keep === name"
        :title="kind?.keep_reason"
        @click="setKeep(name)"
      >
        {{ said }}
      </button>
      <button
        type="button"
        class="chip"
        :aria-pressed="!part.obtainable"
        @click="emit('patch', { obtainable: !part.obtainable })"
      >
        no longer made
      </button>
    </div>
  </section>
</template>

<style scoped>
.judge {
  display: grid;
  gap: 7px;
  align-content: start;
  font-size: 14px;
  line-height: 1.35;
}
h2 {
  font-size: 25px;
  font-stretch: 82%;
}
.small {
  font-size: 14px;
}
.clash {
  border-left: 4px solid var(--attention);
  padding: 2px 0 4px 10px;
  display: grid;
  gap: 5px;
}
.clash.wrong b,
.clash.loud b {
  color: var(--attention);
}
.clash.ask {
  border-color: var(--unsure);
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chips .chip {
  padding: 1px 7px;
  font-size: 13px;
  min-height: 27px;
}
.second {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.second p {
  width: 100%;
}
.second input {
  flex: 1;
  min-width: 120px;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
}
select {
  background: var(--sheet);
  border: 1px solid var(--ink);
  padding: 3px;
}
.go {
  min-height: 38px;
  padding: 5px 14px;
  font-size: 16px;
}
</style>
