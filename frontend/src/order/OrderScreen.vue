<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { inTurn } from '@/api/inTurn'
import { useSession } from '@/api/session'
import { useJob } from '@/job/useJob'
import { useKeys } from '@/shell/useKeys'
import ChecksPanel from './ChecksPanel.vue'
import SheetPaper from './SheetPaper.vue'

type Sheet = Schemas['OrderSheet']
const route = useRoute()
const job = useJob()
const session = useSession()
const turn = inTurn()
const orders = ref<Schemas['OrdersAnswer'] | null>(null)
const refusal = ref<Refusal | null>(null)
const lineId = ref<number | null>(null)
const paper = ref<HTMLElement | null>(null)
const sheets = computed(() => orders.value?.sheets ?? [])
const lines = computed(() => sheets.value.flatMap((sheet) => sheet.lines))
const line = computed(() => lines.value.find((each) => each.line_id === lineId.value) ?? null)
const sheet = computed(
  () =>
    sheets.value.find((each) => each.lines.includes(line.value as Schemas['OrderLine'])) ??
    sheets.value[0] ??
    null,
)
const open = computed(() => (sheet.value?.lines ?? []).reduce((n, each) => n + each.open_lights, 0))
const mayPlace = computed(() => session.may('place_order'))

async function load(): Promise<void> {
  const { answer, refusal: why } = await resultOf(api.GET('/api/orders'))
  refusal.value = why
  if (!answer) return
  orders.value = answer
  if (!line.value) {
    const wanted = lines.value.find((each) => String(each.part_id) === String(route.query.part ?? ''))
    lineId.value = (wanted ?? lines.value.find((each) => each.open_lights) ?? lines.value[0])?.line_id ?? null
  }
}
type Changed = { answer: Sheet; refusal: null } | { answer: null; refusal: Refusal }
/** A change, begun when the one before has been answered: a key pressed three times counts three times. */
function after(call: () => Promise<Changed> | null): Promise<boolean> {
  return turn(async () => {
    const asked = call()
    if (!asked) return false
    const { refusal: why } = await asked
    await load()
    refusal.value = why
    await job.refresh()
    return why === null
  })
}
/** The line as it stands by now. */
const now = (each: Schemas['OrderLine']): Schemas['OrderLine'] | undefined =>
  lines.value.find(({ line_id }) => line_id === each.line_id)
function more(each: Schemas['OrderLine'], by: number): void {
  void after(() => {
    const held = now(each)
    const quantity = (held?.quantity ?? 0) + by
    if (!held || quantity < 1 || quantity > 999) return null
    return resultOf(
      api.PUT('/api/orders/lines/{line_id}', {
        params: { path: { line_id: held.line_id } },
        body: { version: held.version, quantity },
        ...withKey(),
      }),
    )
  })
}
function drop(each: Schemas['OrderLine']): void {
  if (!session.may('delete')) return
  void after(() =>
    resultOf(
      api.DELETE('/api/orders/lines/{line_id}', {
        params: { path: { line_id: each.line_id }, query: { version: now(each)?.version ?? each.version } },
        ...withKey(),
      }),
    ),
  )
}
function pass(check: Schemas['CheckAnswer'], reason: string): Promise<boolean> {
  if (!line.value) return Promise.resolve(false)
  const path = { line_id: line.value.line_id }
  const body = { light: check.light as 'shaft', facts_mark: check.facts_mark, reason }
  return after(() =>
    resultOf(api.POST('/api/orders/lines/{line_id}/passes', { params: { path }, body, ...withKey() })),
  )
}
/** What is chosen on Match now, in the place of what is on the order. */
function change(each: Schemas['OrderLine']): void {
  void after(() =>
    resultOf(
      api.PUT('/api/orders/lines/{line_id}/item', {
        params: { path: { line_id: each.line_id }, query: { version: now(each)?.version ?? each.version } },
        ...withKey(),
      }),
    ),
  )
}
const panel = ref<InstanceType<typeof ChecksPanel> | null>(null)
const cancelling = ref<Schemas['OrderLine'] | null>(null)
const why = ref('')
function withdraw(each: Schemas['OrderLine']): void {
  cancelling.value = each
  why.value = ''
  void nextTick(() => document.querySelector<HTMLInputElement>('.cancelling input')?.focus())
}
async function cancelled(): Promise<void> {
  const each = cancelling.value
  if (!each || why.value.trim().length < 4) return
  const done = await after(() =>
    resultOf(
      api.POST('/api/orders/lines/{line_id}/withdrawal', {
        params: { path: { line_id: each.line_id } },
        body: { version: each.version, reason: why.value.trim() },
        ...withKey(),
      }),
    ),
  )
  if (done) cancelling.value = null
}
function put(partId: number, supplierId: number): void {
  void after(() =>
    resultOf(
      api.POST('/api/orders/lines', {
        body: { part_id: partId, supplier_id: supplierId, quantity: null },
        ...withKey(),
      }),
    ),
  )
}
function place(): void {
  const s = sheet.value
  if (s)
    void after(() =>
      resultOf(
        api.POST('/api/orders/{order_id}/place', {
          params: { path: { order_id: s.order_id } },
          body: { version: s.version },
          ...withKey(),
        }),
      ),
    )
}
function move(by: number): void {
  const at = lines.value.findIndex((each) => each.line_id === lineId.value)
  lineId.value = lines.value[Math.min(Math.max(at + by, 0), lines.value.length - 1)]?.line_id ?? null
  void nextTick(() => paper.value?.querySelector('.now')?.scrollIntoView({ block: 'nearest' }))
}
function print(): void {
  window.print()
}
useKeys([
  { key: 'ArrowDown', words: 'next item', run: () => move(1) },
  { key: 'ArrowUp', words: 'previous item', run: () => move(-1) },
  { key: '+', words: 'one more', run: () => line.value && more(line.value, 1) },
  { key: '-', words: 'one less', run: () => line.value && more(line.value, -1) },
  { key: 'Delete', words: 'remove the item', run: () => line.value && drop(line.value) },
  { key: 'o', words: 'override the first open check', run: () => panel.value?.askFirst() },
  { key: 'Ctrl+Enter', words: 'place the order', run: place, inFields: true },
  { key: 'Ctrl+p', words: 'print the sheet', run: print, inFields: true },
])
onMounted(load)
</script>

<template>
  <main class="two order">
    <h1 class="visually-hidden">Orders</h1>
    <section ref="paper" class="left papers">
      <p v-if="refusal" class="note" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <div v-if="orders?.waiting.length" class="waiting">
        <h2>chosen, not ordered yet</h2>
        <div v-for="part in orders.waiting" :key="part.part_id" class="wait">
          <b class="fig">{{ part.needed > 1 ? `${part.needed} × ` : '' }}{{ part.item.marking }}</b
          ><span>{{ part.part_name }}, job {{ part.job_number }}</span>
          <span class="put"
            ><button
              v-for="offer in part.offers"
              :key="offer.supplier_id"
              type="button"
              class="chip"
              @click="put(part.part_id, offer.supplier_id)"
            >
              {{ offer.supplier }} {{ offer.price }}, {{ offer.lead_days }} d</button
            ><em v-if="!part.offers.length" class="faint">no supplier offers it</em></span
          >
        </div>
      </div>
      <SheetPaper
        v-for="each in sheets"
        :key="each.order_id"
        :sheet="each"
        :line-id="lineId"
        @pick="(id: number) => (lineId = id)"
        @more="more"
        @drop="drop"
        @change="change"
        @withdraw="withdraw"
      />
      <form v-if="cancelling" class="cancelling" @submit.prevent="cancelled">
        <label
          >Why is {{ cancelling.item.marking }} cancelled?
          <input v-model="why" maxlength="300" @keydown.esc="cancelling = null"
        /></label>
        <button type="submit" class="chip" :disabled="why.trim().length < 4">Cancel the item</button>
        <button type="button" class="plain" @click="cancelling = null">Keep it</button>
      </form>
      <div v-if="orders && !sheets.length && !orders.waiting.length" class="nothing">
        <h2>No order sheet yet</h2>
        <p>Parts come here from Seats once a replacement is chosen.</p>
      </div>
    </section>
    <aside class="checks" role="region" aria-label="order checks">
      <ChecksPanel v-if="line" ref="panel" :line="line" :placed="sheet?.state === 'placed'" :pass="pass" />
      <div v-else></div>
      <div v-if="sheet" class="foot">
        <div class="sum">
          <span
            >{{ sheet.supplier }}, {{ sheet.lines.length }} {{ sheet.lines.length === 1 ? 'item' : 'items' }},
            up to {{ sheet.longest_days }} days</span
          ><b class="fig">{{ sheet.total }}</b>
        </div>
        <p class="out">
          <a :href="`/api/orders/${sheet.order_id}/sheet.csv`" class="plain">sheet as CSV</a>
          <button type="button" class="plain" @click="print">print</button>
        </p>
        <button
          type="button"
          class="go"
          :disabled="!sheet.ready || sheet.state === 'placed' || !mayPlace"
          @click="place"
        >
          <span v-if="sheet.state === 'placed'">Placed by {{ sheet.placed_by }}</span>
          <span v-else-if="!sheet.ready">On hold: {{ open }} open {{ open === 1 ? 'check' : 'checks' }}</span>
          <span v-else-if="!mayPlace">Ready. Someone who may place orders must place it</span
          ><span v-else>Place {{ sheet.number }}</span
          ><kbd>Ctrl Enter</kbd>
        </button>
      </div>
    </aside>
  </main>
</template>

<style scoped>
.papers {
  overflow: auto;
  padding: 20px 24px;
}
.waiting {
  border: 1.5px dashed var(--ink);
  padding: 12px 18px;
  margin-bottom: 18px;
}
.waiting h2 {
  font-size: 14px;
  color: var(--faint);
  font-weight: 600;
}
.wait {
  display: flex;
  gap: 16px;
  align-items: center;
  padding-top: 7px;
  font-size: 15px;
}
.wait b {
  font-size: 20px;
  white-space: nowrap;
}
.put {
  margin-left: auto;
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.cancelling {
  display: flex;
  gap: 12px;
  align-items: center;
  border: 1.5px solid var(--attention);
  padding: 12px 18px;
  margin-bottom: 18px;
}
.cancelling label {
  flex: 1;
}
.cancelling input {
  width: 100%;
  border: 1px solid var(--ink);
  background: var(--sheet);
  padding: 4px 8px;
}
.nothing {
  padding: 90px 40px;
}
.nothing h2 {
  font-size: 26px;
  margin-bottom: 6px;
}
.checks {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
}
.sum {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 10px 20px 0;
  border-top: 2px solid var(--ink);
  background: var(--sheet);
}
.sum b {
  font-size: 30px;
}
.out {
  padding: 2px 20px 10px;
  background: var(--sheet);
  display: flex;
  gap: 18px;
  font-size: 14px;
}
@media (max-width: 900px) {
  .papers {
    overflow-x: auto;
  }
}
@media print {
  .checks,
  .waiting,
  .note {
    display: none;
  }
  .papers {
    padding: 0;
    overflow: visible;
    border: 0 !important;
  }
  .order {
    display: block;
  }
}
</style>
