<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import LineDrawing from '@/drawing/LineDrawing.vue'
import { useTrade } from '@/job/useTrade'
import { along } from '@/line/lineEdits'
import JobPaper from '@/shell/JobPaper.vue'
import { useKeys } from '@/shell/useKeys'
import { useFitUp, type Step } from './useFitUp'

/** The fit-up sheet on A4: the same steps, to be ticked with a pencil where no screen is. */
const route = useRoute()
const router = useRouter()
const trade = useTrade()
const number = String(route.params.number)
const fit = useFitUp(number)
const { answer, judged, steps, ticks, loadRefusal } = fit
const lines = computed(() => answer.value?.strip_down.lines ?? [])
const partsOf = (line: string) => along(answer.value?.strip_down as never, line)
const of = (line: string): { step: Step; no: number }[] =>
  steps.value.map((step, i) => ({ step, no: i + 1 })).filter((each) => each.step.line === line)
const plain = (code: string): string => code.replace(/_/g, ' ')
function tool(step: Step): string {
  const found: string[] = []
  const drive = step.tool
  if (drive && step.does === 'fit') {
    const over = drive.inside_over_mm === null ? 'measure' : drive.inside_over_mm
    const under = drive.outside_under_mm === null ? 'measure' : drive.outside_under_mm
    found.push(`tube over ${over}, under ${under} mm, on the ${drive.ring} ring`)
    if (drive.length_over_mm) found.push(`${drive.length_over_mm} mm long inside`)
  }
  if (step.warming && step.does === 'warm')
    found.push(`${step.warming.to_c} °C, max. ${step.warming.limit_c} °C`)
  const held = step.torque
  if (held) {
    if (!held.amount) found.push('torque: no value known, see the manual')
    else
      found.push(
        `${held.recorded} ${held.unit} (${held.amount.n_m} N·m, ${held.amount.ft_lb} ft-lb, ${held.amount.in_lb} in-lb)`,
      )
    if (held.left_hand) found.push('LEFT-HAND THREAD')
  }
  if (step.lubricant) found.push(step.lubricant.words)
  return found.join('; ')
}
const way = (step: Step): string =>
  step.faces
    .map((face) => `${plain(face.mark)} ${face.side}${face.looks_at ? ` to ${plain(face.looks_at)}` : ''}`)
    .join('; ')
const print = (): void => window.print()
const back = (): void => void router.push({ name: 'fit-up', params: { number } })
useKeys([
  { key: 'p', words: 'print', run: print },
  { key: 'Escape', words: 'back to the fit-up', run: back, inFields: true },
])
onMounted(async () => {
  if (!trade.tables) await trade.load()
  await fit.load()
})
</script>

<template>
  <main class="job-paper">
    <p v-if="loadRefusal" class="note">{{ loadRefusal.message }}</p>
    <JobPaper
      v-if="answer"
      :title="answer.job.title"
      :under="answer.job.owner"
      :number="number"
      what="fit-up sheet"
      screen="fit-up"
    >
      <section v-for="line in lines" :key="line.key">
        <h2>
          {{ line.name }}
          <span v-if="(line.count ?? 1) > 1" class="faint">the same on each of {{ line.count }}</span>
        </h2>
        <LineDrawing
          v-if="partsOf(line.key).length"
          :parts="partsOf(line.key)"
          :kinds="trade.kinds"
          :width="700"
          :height="210"
          :name="line.name"
          :label="(part) => part?.name || trade.kindWords(part?.kind ?? '')"
        />
        <table>
          <thead>
            <tr>
              <th>no.</th>
              <th>step</th>
              <th>orientation</th>
              <th>tools, lubricant, torque</th>
              <th>check; stop if</th>
              <th>done</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ step, no } in of(line.key)" :key="step.key">
              <td class="fig">{{ no }}</td>
              <td>
                <b>{{ step.words }}</b><template v-for="each in step.cautions" :key="each.code"
                  ><br />{{ each.words }}</template
                >
              </td>
              <td>{{ way(step) }}</td>
              <td>{{ tool(step) }}</td>
              <td>
                {{ step.check.words
                }}<template v-for="each in step.stop_if" :key="each.code"
                  ><br />Stop: {{ each.words }}</template
                >
              </td>
              <td class="box">
                {{ ticks.has(step.key) ? '☒' : '☐'
                }}<template v-if="ticks.get(step.key)?.reached"
                  ><br />{{ ticks.get(step.key)?.reached }}</template
                >
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section v-if="judged?.conflicts.length || judged?.on_no_step.length">
        <h2>Before closing</h2>
        <p v-for="each in judged.conflicts" :key="each.code + each.after">{{ each.words }}</p>
        <p v-if="judged.on_no_step.length">
          Removed but in no step:
          {{ judged.on_no_step.map((each) => `${each.what} (${each.count})`).join(', ') }}.
        </p>
      </section>
      <p class="faint">
        The unit's own manual, local rules and licensed people come first. Nothing here says that a unit is
        safe.
      </p>
      <template #keys>
        <button type="button" class="go" @click="print"><span>Print</span><kbd>p</kbd></button>
        <RouterLink class="plain" :to="{ name: 'fit-up', params: { number } }">back to the fit-up</RouterLink>
        <a class="plain" :href="`/api/jobs/${number}/sheets/fit_up/csv`" download>CSV</a>
      </template>
    </JobPaper>
  </main>
</template>
