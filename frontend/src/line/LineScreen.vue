<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, resultOf, withKey, type Schemas } from '@/api/client'
import LineDrawing from '@/drawing/LineDrawing.vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import { useJob } from '@/job/useJob'
import { useTrade } from '@/job/useTrade'
import EarlierVersions from '@/sheets/EarlierVersions.vue'
import { useKeys } from '@/shell/useKeys'
import AddPart from './AddPart.vue'
import CautionsFirst from './CautionsFirst.vue'
import EmptyLine from './EmptyLine.vue'
import LineHead from './LineHead.vue'
import PartCards from './PartCards.vue'
import TrayDialog from './TrayDialog.vue'
import { EMPTY, movedTo, moved, reversed, turned, type LinePart, type LineSheet, type Tab } from './lineEdits'
import { useLine } from './useLine'
import { useDragging } from './useDragging'
import { usePhotos } from './usePhotos'

const route = useRoute()
const router = useRouter()
const job = useJob()
const trade = useTrade()
const number = String(route.params.number)
const strip = useLine(number)
const { sheet, line, parts, hung, part, selected, live, verdicts, wrong } = strip
const photos = usePhotos(number, strip.lookAgain)
const cautions = ref<Schemas['Caution'][]>([])
const adding = ref(false)
const traying = ref(false)
const why = ref(false)
const said = ref('')
const drawingRoom = ref<HTMLElement | null>(null)
const card = ref<InstanceType<typeof PartCards> | null>(null)
const tab = ref<Tab>('condition')

const unread = computed(() => {
  const read = new Set(
    (strip.answer.value?.acknowledged ?? []).filter((each) => !each.from_file).map((each) => each.caution),
  )
  return cautions.value.filter((each) => each.stage === 'strip' && !read.has(each.caution))
})
const atInspection = computed(() => {
  const read = new Set(
    (strip.answer.value?.acknowledged ?? []).filter((each) => !each.from_file).map((each) => each.caution),
  )
  return cautions.value.find((each) => each.stage === 'inspect' && !read.has(each.caution))
})
const locked = computed(() => strip.answer.value !== null && unread.value.length > 0)
const place = computed(() => {
  const at = parts.value.findIndex((each) => each.key === selected.value)
  return at >= 0
    ? at + 1
    : parts.value.length + hung.value.findIndex((each) => each.key === selected.value) + 1
})
const ownTies = computed(() => sheet.value.ties.filter((tie) => tie.line === strip.lineKey.value))
const openOnes = computed(() =>
  parts.value.filter((each) => ['open', 'ask'].includes(verdicts.value[each.key] ?? 'open')),
)
const wrongOnes = computed(() =>
  strip.contradictions.value.filter((each) => each.level === 'wrong' && !each.answer),
)

function label(of: LinePart | undefined): string {
  if (!of) return ''
  const word = trade.tables?.verdict_words[verdicts.value[of.key] ?? 'open'] ?? ''
  return `${of.name || trade.kindWords(of.kind)}, ${word}${wrong.value.has(of.key) ? ', contradiction' : ''}`
}
function patch(values: Partial<LinePart>): void {
  if (selected.value) strip.patch(selected.value, values)
}
const marking = ref<Schemas['PhotoHead'] | null>(null)
/** Photos that stand at a mark on the drawing, by letters. */
const marks = computed(() =>
  (strip.answer.value?.photos ?? []).flatMap((each, i) =>
    each.place_x === null || each.place_y === null
      ? []
      : [{ part: each.part, x: each.place_x, y: each.place_y, label: String.fromCharCode(97 + (i % 26)) }],
  ),
)
function pick(key: string, place: { x: number; y: number }): void {
  const photo = marking.value
  marking.value = null
  if (photo && key === photo.part) void photos.place(photo, { place_x: place.x, place_y: place.y })
  selected.value = key
}
function turn(): void {
  if (part.value) strip.patch(part.value.key, turned(part.value))
}
function shove(by: number): void {
  if (selected.value) strip.changeAsking(moved(sheet.value, selected.value, by))
}
function backToLine(): void {
  ;(document.activeElement as HTMLElement | null)?.blur()
  ;(drawingRoom.value?.querySelector<SVGElement>('[role=listbox]') ?? drawingRoom.value)?.focus()
}
function nextOpen(): void {
  const all = [...parts.value, ...hung.value]
  const at = all.findIndex((each) => each.key === selected.value)
  const after = [...all.slice(at + 1), ...all.slice(0, at + 1)]
  const found = after.find(
    (each) => wrong.value.has(each.key) || ['open', 'ask'].includes(verdicts.value[each.key] ?? 'open'),
  )
  if (found) selected.value = found.key
}
async function read(caution: string): Promise<void> {
  const { refusal } = await resultOf(
    api.POST('/api/jobs/{number}/cautions/{caution}', {
      params: { path: { number, caution } },
      ...withKey(),
    }),
  )
  said.value = refusal?.message ?? ''
  await strip.lookAgain()
  void job.refresh()
}
function readFirst(): void {
  const first = unread.value[0]
  if (first) void read(first.caution)
}
async function toBench(): Promise<void> {
  if (!selected.value) return
  const { answer: sent, refusal } = await strip.toBench(selected.value)
  if (!sent) {
    said.value = `${refusal.message} ${refusal.hint ?? ''}`
    return
  }
  await job.refresh()
  await router.push({ name: 'bench', params: { number, partId: sent.part_id } })
}
async function decide(verdict: Schemas['DecideRequest']['verdict'], reason: string): Promise<void> {
  if (!selected.value) return
  const findings = { ...strip.part.value?.findings }
  const refusal = await strip.decide(selected.value, { findings, verdict, reason })
  said.value = refusal ? `${refusal.message} ${refusal.hint ?? ''}` : ''
  void job.refresh()
}
function pickKind(kind: string, beside: boolean): void {
  adding.value = false
  strip.add(kind, beside)
  void nextTick(backToLine)
}
function settleQuestion(yes: boolean): void {
  const asked = strip.question.value
  strip.question.value = null
  if (yes) asked?.go()
}

const { grab } = useDragging((key, target) => {
  const at = parts.value.findIndex((each) => each.key === target)
  selected.value = key
  strip.changeAsking(movedTo(sheet.value, key, strip.lineKey.value, at))
})

watch(selected, (key) => {
  said.value = ''
  void nextTick(() =>
    document.getElementById(`part-${key}`)?.scrollIntoView({ inline: 'nearest', block: 'nearest' }),
  )
})
onMounted(async () => {
  if (!trade.tables) await trade.load()
  else void trade.load()
  await strip.load()
  const { answer } = await resultOf(api.GET('/api/jobs/{number}/take-in', { params: { path: { number } } }))
  cautions.value = answer?.cautions ?? []
})

/** What stood there then stands there again; it can be undone. */
function takenBack(old: unknown): void {
  strip.change({ ...EMPTY, ...(old as LineSheet) })
  selected.value = null
}
const free = (run: () => void) => () => strip.held.ready.value && !locked.value && run()
const kindKeys = computed(() =>
  (trade.tables?.kinds ?? []).map((kind) => ({
    key: kind.key,
    words: `add: ${kind.words}`,
    run: free(() => strip.add(kind.kind)),
  })),
)
useKeys(() => [
  { key: 'ArrowRight', words: 'next part', run: free(() => strip.select(1)) },
  { key: 'ArrowLeft', words: 'previous part', run: free(() => strip.select(-1)) },
  { key: 'Home', words: 'first part', run: free(() => strip.select(-999)) },
  { key: 'End', words: 'last part', run: free(() => strip.select(999)) },
  { key: 'ArrowDown', words: 'next shaft', run: free(() => strip.selectLine(1)) },
  { key: 'ArrowUp', words: 'previous shaft', run: free(() => strip.selectLine(-1)) },
  { key: 'Alt+ArrowRight', words: 'move the part right', run: free(() => shove(1)), inFields: true },
  { key: 'Alt+ArrowLeft', words: 'move the part left', run: free(() => shove(-1)), inFields: true },
  { key: 'f', words: 'flip the part', run: free(turn) },
  { key: 'Delete', words: 'delete the part', run: free(strip.remove) },
  { key: '+', words: 'add any part by name', run: free(() => (adding.value = true)) },
  {
    key: 'Enter',
    words: 'the part’s card; Escape: back to the drawing',
    run: () => (locked.value ? readFirst() : card.value?.focus()),
  },
  { key: 'Escape', words: 'back to the drawing', run: backToLine, inFields: true },
  { key: 'u', words: 'undo', run: () => void strip.undoStep() },
  { key: 'Ctrl+z', words: 'undo', run: () => void strip.undoStep(), inFields: true },
  { key: 'Ctrl+y', words: 'redo', run: () => void strip.redoStep(), inFields: true },
  { key: '.', words: 'next open part or contradiction', run: nextOpen },
  { key: 'w', words: 'why, and alternative practice', run: () => (why.value = !why.value) },
  { key: 'b', words: 'send it to the Bench', run: () => void toBench() },
  {
    key: 'p',
    words: 'print the strip-down sheet',
    run: () => void router.push({ name: 'strip-sheet', params: { number } }),
  },
  { key: '#', words: 'count loose items', run: () => (traying.value = true) },
  {
    key: 'Alt+r',
    words: 'reverse the order',
    run: free(() => strip.change(reversed(sheet.value, strip.lineKey.value))),
    inFields: true,
  },
  { key: 'Alt+t', words: 'tie it to its end', run: free(strip.tie), inFields: true },
  {
    key: 'Alt+p',
    words: 'photo of the part',
    run: () => ((tab.value = 'photos'), void nextTick(() => card.value?.openPhoto())),
    inFields: true,
  },
  { key: 'Alt+c', words: 'condition card', run: () => (tab.value = 'condition'), inFields: true },
  {
    key: 'Alt+h',
    words: 'fastening and settings',
    run: () => (tab.value = 'fastening and settings'),
    inFields: true,
  },
  ...kindKeys.value,
])
</script>

<template>
  <main class="line">
    <h1 class="visually-hidden">Strip-down</h1>
    <LineHead
      :sheet="sheet"
      :line-key="strip.lineKey.value"
      :wrong="wrongOnes.length"
      :open="openOnes.length"
      :loose="live.answer.value?.loose ?? []"
      :can-undo="strip.canUndo.value"
      :can-redo="strip.canRedo.value"
      @pick="(key) => ((strip.lineKey.value = key), (selected = parts[0]?.key ?? null))"
      @change="strip.change"
      @add-line="strip.addLine"
      @remove-line="strip.removeLine"
      @tray="traying = true"
      @undo="strip.undoStep"
      @redo="strip.redoStep"
      @print="router.push({ name: 'strip-sheet', params: { number } })"
    >
      <EarlierVersions
        title="Strip-down"
        tap="Alt+v"
        :settled="strip.held.settled"
        :list="strip.versions"
        :look="strip.version"
        @back="takenBack"
      />
    </LineHead>
    <p v-if="strip.loadRefusal.value" class="note">
      {{ strip.loadRefusal.value.message }}
      <button type="button" class="plain" @click="strip.load">Try again</button>
    </p>
    <p v-if="marking" class="note">Click the part that the photo shows.</p>
    <p v-if="said" class="note" role="alert">{{ said }}</p>
    <CautionsFirst v-if="locked" :cautions="unread" @read="read" />
    <template v-else>
      <div ref="drawingRoom" class="room" tabindex="-1" role="group" aria-label="parts on the shaft">
        <LineDrawing
          v-if="parts.length"
          :parts="parts"
          :kinds="trade.kinds"
          :width="1240"
          :height="336"
          :name="`${line?.name ?? 'line'}, ${parts.length} parts`"
          :selected="selected"
          :facing="live.answer.value?.facing"
          :verdicts="verdicts"
          :wrong="wrong"
          :ties="ownTies"
          :ends="
            line
              ? { left: line.left_end ?? '', inside: line.inside ?? '', right: line.right_end ?? '' }
              : undefined
          "
          :marks="marks"
          :label="label"
          @pick="pick"
          @grab="grab"
        />
        <EmptyLine v-else-if="strip.answer.value" @add="strip.add" />
      </div>
      <div v-if="hung.length" class="hung">
        <span class="faint">beside it</span>
        <button
          v-for="each in hung"
          :id="`part-${each.key}`"
          :key="each.key"
          type="button"
          class="chip"
          :aria-pressed="each.key === selected"
          @click="selected = each.key"
        >
          {{ each.quantity && each.quantity > 1 ? `${each.quantity} × ` : ''
          }}{{ each.name || trade.kindWords(each.kind) }}
          <b v-if="each.fastener?.hand === 'left'" class="att">LEFT-HAND</b>
        </button>
      </div>
      <PartCards
        v-if="part"
        ref="card"
        v-model:tab="tab"
        :strip="strip"
        :part="part"
        :number="place"
        :photos="photos"
        :at-inspection="atInspection"
        :why="why"
        @patch="patch"
        @read="read"
        @decide="decide"
        @bench="toBench"
        @why="why = !why"
        @mark="marking = $event"
      />
    </template>
    <AddPart v-if="adding" @pick="pickKind" @close="((adding = false), backToLine())" />
    <TrayDialog
      v-if="traying"
      :items="sheet.loose"
      :judged="live.answer.value?.loose ?? []"
      @close="traying = false"
      @change="strip.change({ ...sheet, loose: $event })"
    />
    <div v-if="strip.question.value" class="ask" role="alertdialog" aria-label="tied parts">
      <p>{{ strip.question.value.words }}</p>
      <button type="button" class="chip" autofocus @click="settleQuestion(false)">Cancel</button>
      <button type="button" class="chip" @click="settleQuestion(true)">Move and untie</button>
    </div>
    <ClashDialog
      v-if="strip.held.hasClashes.value"
      :clashes="strip.held.clashes.value"
      @decide="strip.held.decide"
    />
  </main>
</template>

<style scoped>
.line {
  position: relative;
  display: flex;
  flex-direction: column;
  background: var(--sheet);
}
.room {
  overflow-x: auto;
  overflow-y: hidden;
  flex: none;
  padding: 0 20px;
  outline: none;
}
.hung {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 0 20px 8px;
}
.ask {
  position: fixed;
  left: 50%;
  top: 34%;
  transform: translateX(-50%);
  background: var(--sheet);
  border: 2px solid var(--attention);
  padding: 16px 20px;
  display: flex;
  gap: 14px;
  align-items: center;
  font-size: 17px;
  z-index: 5;
  max-width: 720px;
}
</style>
