<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, resultOf, type Schemas } from '@/api/client'
import LineDrawing from '@/drawing/LineDrawing.vue'
import { standingDecisions, standingVerdicts, wrongParts } from '@/drawing/standing'
import { useTrade } from '@/job/useTrade'
import JobPaper from '@/shell/JobPaper.vue'
import { useKeys } from '@/shell/useKeys'
import { along, beside, EMPTY, type LinePart, type LineSheet } from './lineEdits'

/** The strip-down sheet on A4: lines drawn, every part with its orientation, ties, settings, verdict. */
const route = useRoute()
const router = useRouter()
const trade = useTrade()
const number = String(route.params.number)
const line = ref<Schemas['LineAnswer'] | null>(null)
const take = ref<Schemas['TakeInAnswer'] | null>(null)
const check = ref<Schemas['LineCheckAnswer'] | null>(null)
const away = ref(false)
const sheet = computed<LineSheet>(() => ({ ...EMPTY, ...line.value?.sheet }) as LineSheet)
const decisions = computed(() => standingDecisions(line.value?.decisions))
const verdicts = computed(() => standingVerdicts(check.value, decisions.value))
const wrong = computed(() => wrongParts(check.value))
const words = (name: string): string => name.replace(/_/g, ' ')
function verdict(key: string): string {
  const name = verdicts.value[key] ?? 'open'
  return trade.tables?.verdict_words[name] ?? name
}
function sizes(part: LinePart): string {
  const found = [part.inside, part.outside, part.width].map((each) => each?.typed || '–')
  return found.every((each) => each === '–') ? '' : found.join(' × ')
}
function faces(part: LinePart): string {
  const facing = check.value?.facing[part.key]
  return (['left', 'right'] as const)
    .map((side) => {
      const looks = facing?.[side]
      const mark = part[side]?.mark ?? 'flat'
      return mark === 'flat' && !part[side]?.looks_at
        ? ''
        : `${words(mark)} face ${side}${looks ? `, to ${words(looks)}` : ''}`
    })
    .filter(Boolean)
    .join('; ')
}
function notes(part: LinePart): string[] {
  const held = part.fastener
  const found: string[] = []
  if (held?.hand === 'left') found.push('LEFT-HAND THREAD')
  if (held) {
    const size = [held.drive, held.thread, held.length?.typed].filter(Boolean).join(' ')
    if (size) found.push(size)
    found.push(
      held.torque
        ? `${held.torque} ${held.torque_unit} (${held.torque_source || 'source not stated'})`
        : 'torque: no value known',
    )
    if (held.lock !== 'none') found.push(`lock: ${words(held.lock ?? '')}`)
    if (held.also_holds) found.push(`also retains ${held.also_holds}`)
  }
  for (const each of part.settings ?? [])
    found.push(`${words(each.what ?? '')}: ${each.first || '?'} / ${each.second || 'no second reading'}`)
  for (const tie of sheet.value.ties.filter((each) => each.parts.includes(part.key)))
    found.push(`${tie.words}${tie.thickness?.typed ? `, ${tie.thickness.typed}` : ''}`)
  for (const each of (check.value?.contradictions ?? []).filter(
    (c) => c.part === part.key && c.level !== 'loud',
  ))
    found.push(`${each.words}${each.answer === 'as_found' ? ' As found: correct it.' : ''}`)
  const decided = decisions.value.get(part.key)
  if (decided) found.push(`${decided.person}: ${decided.reason}`)
  if (part.note) found.push(part.note)
  return found
}
/** The order in which it goes back: the last off is the first on; the numbers stay those of the strip-down. */
const back = ref(route.query.order === 'back')
function inOrder(key: string): { part: LinePart; no: number }[] {
  const off = [...along(sheet.value, key), ...beside(sheet.value, key)].map((part, i) => ({
    part,
    no: i + 1,
  }))
  return back.value ? off.reverse() : off
}
function turn(): void {
  back.value = !back.value
  void router.replace({ query: back.value ? { order: 'back' } : {} })
}
const print = (): void => window.print()
useKeys([
  { key: 'r', words: 'reverse the order', run: turn },
  { key: 'p', words: 'print', run: print },
  {
    key: 'Escape',
    words: 'back to Strip-down',
    run: () => void router.push({ name: 'line', params: { number } }),
    inFields: true,
  },
])
onMounted(async () => {
  if (!trade.tables) await trade.load()
  const params = { path: { number } }
  const [found, taken] = await Promise.all([
    resultOf(api.GET('/api/jobs/{number}/line', { params })),
    resultOf(api.GET('/api/jobs/{number}/take-in', { params })),
  ])
  line.value = found.answer
  take.value = taken.answer
  away.value = !found.answer
  if (!found.answer) return
  const judged = await resultOf(
    api.POST('/api/calc/line-check', {
      body: { sheet: found.answer.sheet, access: found.answer.access as 'cheap' | 'costly' },
    }),
  )
  check.value = judged.answer
})
</script>

<template>
  <main class="job-paper">
    <p v-if="away" class="note">The shop's records cannot be reached at the moment.</p>
    <JobPaper
      :title="take?.sheet.title ?? ''"
      :under="
        [
          take?.sheet.owner,
          take?.sheet.model,
          take?.sheet.build && `build ${take.sheet.build}`,
          take?.sheet.serial,
        ]
          .filter(Boolean)
          .join(' · ')
      "
      :number="number"
      what="strip-down sheet"
      screen="line"
    >
      <p class="symptom">{{ take?.sheet.symptom }}</p>
      <section v-for="each in sheet.lines" :key="each.key">
        <h2>
          {{ each.name }}
          <span class="faint"
            >{{ back ? 'assembly order' : 'removal order, from the left' }};
            {{ each.inside || 'not stated' }} inside</span
          >
        </h2>
        <LineDrawing
          v-if="along(sheet, each.key).length"
          :parts="along(sheet, each.key)"
          :kinds="trade.kinds"
          :width="700"
          :height="260"
          :name="each.name"
          :facing="check?.facing"
          :verdicts="verdicts"
          :wrong="wrong"
          :ties="sheet.ties.filter((tie) => tie.line === each.key)"
          :ends="{ left: each.left_end ?? '', inside: each.inside ?? '', right: each.right_end ?? '' }"
          :label="(part) => part?.name || trade.kindWords(part?.kind ?? '')"
        />
        <table>
          <thead>
            <tr>
              <th>no.</th>
              <th>part</th>
              <th>inside × outside × width</th>
              <th>orientation</th>
              <th>fastening, settings, notes</th>
              <th>verdict</th>
              <th>refitted</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ part, no } in inOrder(each.key)" :key="part.key">
              <td class="fig">{{ no }}</td>
              <td>
                {{ (part.quantity ?? 1) > 1 ? `${part.quantity} × ` : ''
                }}<b>{{ part.name || trade.kindWords(part.kind) }}</b
                ><template v-if="part.name"><br />{{ trade.kindWords(part.kind) }}</template
                ><template v-if="part.marking"><br />{{ part.marking }}</template>
              </td>
              <td class="fig">{{ sizes(part) }}</td>
              <td>{{ faces(part) }}</td>
              <td>
                <template v-for="(note, n) in notes(part)" :key="n"
                  ><b v-if="note.startsWith('LEFT')">{{ note }}</b
                  ><template v-else>{{ note }}</template
                  ><br
                /></template>
              </td>
              <td>{{ verdict(part.key) }}</td>
              <td class="box">☐</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section v-if="check?.loose.length">
        <h2>Loose items</h2>
        <p v-for="each in check.loose" :key="each.key">{{ each.words }}</p>
      </section>
      <section v-if="take?.cautions.length">
        <h2>Cautions</h2>
        <p v-for="each in take.cautions.filter((c) => c.stage === 'strip')" :key="each.caution">
          <b>{{ each.title }}.</b> {{ each.do }} <b v-if="each.licence">Only: {{ each.licence }}.</b>
        </p>
        <p class="faint">Local rules, the unit's own manual and licensed people come first.</p>
      </section>
      <section v-if="take?.sheet.note_next">
        <h2>For the next person</h2>
        <p>{{ take.sheet.note_next }}</p>
      </section>
      <template #keys>
        <button type="button" class="go" @click="print"><span>Print</span><kbd>p</kbd></button>
        <button type="button" class="plain" @click="turn">
          {{ back ? 'removal order' : 'assembly order' }} <kbd>r</kbd>
        </button>
        <a class="plain" :href="`/api/jobs/${number}/file`" download>job as a file</a>
      </template>
    </JobPaper>
  </main>
</template>

<style scoped>
.symptom {
  padding: 6px 0 2px;
  font-size: 15px;
}
td:nth-child(6) {
  white-space: nowrap;
}
</style>
