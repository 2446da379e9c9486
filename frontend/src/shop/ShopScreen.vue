<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import { useSession } from '@/api/session'
import { useJob } from '@/job/useJob'
import { useCaliper } from '@/shell/caliper'
import BackupCard from './BackupCard.vue'
import DialectCard from './DialectCard.vue'
import PriceListCard from './PriceListCard.vue'
import ShopPages from './ShopPages.vue'

/** The shop's own: instruments with their certificates, calipers that send, makers' and markets' codes. */
const job = useJob()
const session = useSession()
const mayTool = computed(() => session.may('instruments'))
const caliper = useCaliper()
const refusal = ref<Refusal | null>(null)
const own = computed(() => job.instruments.filter((each) => each.calibrated_on))
const today = new Date().toISOString().slice(0, 10)
const fresh = () => ({
  name: '',
  kind: 'caliper' as Schemas['InstrumentSave']['kind'],
  outside_u_mm: 0.03,
  inside_u_mm: 0.04,
  scatter_mm: 0.01,
  calibrated_on: today,
  months_valid: 12,
  version: 0,
})
const made = reactive(fresh())
const adding = ref(false)
const KINDS = [
  ['caliper', 'caliper'],
  ['micrometer', 'micrometer'],
  ['bore_gauge', 'bore gauge'],
  ['pi_tape', 'pi tape'],
  ['rule', 'rule'],
] as const
async function keep(body: Schemas['InstrumentSave']): Promise<boolean> {
  const { answer, refusal: said } = await resultOf(api.PUT('/api/instruments', { body, ...withKey() }))
  refusal.value = said
  if (answer) await job.loadInstruments()
  return !!answer
}
async function add(): Promise<void> {
  if (await keep({ ...made })) {
    Object.assign(made, fresh())
    adding.value = false
  }
}
const checkedToday = (each: Schemas['InstrumentRecord']): Promise<boolean> =>
  keep({
    name: each.name,
    kind: each.kind as Schemas['InstrumentSave']['kind'],
    outside_u_mm: each.outside_u_mm,
    inside_u_mm: each.inside_u_mm,
    scatter_mm: each.scatter_mm,
    calibrated_on: today,
    months_valid: 12,
    version: each.version,
  })
const link = reactive({ name: '', host: '127.0.0.1', port: '' })
async function addCaliper(): Promise<void> {
  const { answer, refusal: said } = await resultOf(
    api.POST('/api/calipers', {
      body: { name: link.name, host: link.host, port: Number(link.port) || 0, version: 0 },
      ...withKey(),
    }),
  )
  refusal.value = said
  if (answer) {
    Object.assign(link, { name: '', port: '' })
    await caliper.look()
  }
}
async function drop(caliper_id: number): Promise<void> {
  const { refusal: said } = await resultOf(
    api.DELETE('/api/calipers/{caliper_id}', { params: { path: { caliper_id } }, ...withKey() }),
  )
  refusal.value = said
  await caliper.look()
}
onMounted(() => {
  void job.loadInstruments()
  void caliper.look()
})
</script>

<template>
  <div class="shop-pages">
    <ShopPages />
    <main class="shop">
      <p v-if="refusal" class="stop wide" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <section aria-label="instruments">
        <h1>Instruments</h1>
        <p v-if="!own.length" class="faint">
          None yet. Until then the usual uncertainty of each kind of instrument is assumed.
        </p>
        <article v-for="each in own" :key="each.name" class="tool">
          <VerdictMark :state="each.overdue ? 'does_not_hold' : 'holds'" silent />
          <div>
            <b>{{ each.name }}</b>
            <p :class="each.overdue ? 'att' : 'faint'">{{ each.words }}</p>
          </div>
          <p class="fig u">±{{ each.outside_u_mm }}<em>outside</em></p>
          <p class="fig u">±{{ each.inside_u_mm }}<em>inside, mm</em></p>
          <button v-if="mayTool" type="button" class="plain" @click="checkedToday(each)">
            checked today
          </button>
        </article>
        <button v-if="mayTool && !adding" type="button" class="plain" @click="adding = true">
          Add an instrument
        </button>
        <form v-else-if="mayTool" class="add" @submit.prevent="add">
          <label>name <input v-model="made.name" name="instrument-name" maxlength="40" required /></label>
          <ChoiceChips
            label="kind"
            :options="KINDS"
            :chosen="made.kind"
            @choose="made.kind = $event as typeof made.kind"
          />
          <div class="row">
            <label
              >± outside, mm <input v-model.number="made.outside_u_mm" type="number" step="any" min="0.0001"
            /></label>
            <label
              >± inside, mm <input v-model.number="made.inside_u_mm" type="number" step="any" min="0.0001"
            /></label>
            <label>calibrated on <input v-model="made.calibrated_on" type="date" :max="today" /></label>
            <label
              >good for, months <input v-model.number="made.months_valid" type="number" min="1" max="120"
            /></label>
          </div>
          <button type="submit" class="go small">Keep</button>
          <button type="button" class="plain" @click="adding = false">Leave</button>
        </form>
        <h1 class="second">Connected calipers</h1>
        <article v-for="each in caliper.calipers" :key="each.caliper_id" class="tool">
          <VerdictMark :state="each.state === 'linked' ? 'holds' : 'not_proven'" silent />
          <div>
            <b>{{ each.name }}</b>
            <p :class="each.state === 'linked' ? 'faint' : 'att'">
              {{ each.state === 'linked' ? 'connected' : each.words }}
            </p>
          </div>
          <p class="fig u">{{ each.battery_percent ?? '–' }}<em>battery, %</em></p>
          <p class="fig u">
            {{ each.port }}<em>{{ each.host }}</em>
          </p>
          <button v-if="mayTool" type="button" class="plain" @click="drop(each.caliper_id)">
            disconnect
          </button>
        </article>
        <form v-if="mayTool" class="row link" @submit.prevent="addCaliper">
          <label>instrument <input v-model="link.name" name="caliper-name" maxlength="40" required /></label>
          <label>address <input v-model="link.host" name="caliper-host" maxlength="100" required /></label>
          <label
            >port <input v-model="link.port" name="caliper-port" inputmode="numeric" maxlength="5" required
          /></label>
          <button type="submit" class="plain">Connect</button>
        </form>
        <BackupCard />
      </section>
      <div>
        <DialectCard />
        <PriceListCard v-if="session.may('lists')" />
      </div>
    </main>
  </div>
</template>

<style scoped>
.shop-pages {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}
.shop {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 0 40px;
  padding: 22px 28px;
  overflow: auto;
  align-content: start;
}
.wide {
  grid-column: 1 / -1;
}
h1 {
  margin-bottom: 8px;
}
.second {
  margin-top: 26px;
}
.tool {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) 84px 92px auto;
  align-items: center;
  gap: 12px;
  padding: 9px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 15px;
}
.tool p {
  font-size: 14px;
}
.u {
  font-size: 20px !important;
}
.u em {
  display: block;
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
}
.add {
  display: grid;
  gap: 10px;
  padding: 12px 0;
}
label {
  font-size: 13px;
  color: var(--faint);
  display: grid;
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  font-size: 17px;
  height: 34px;
  padding: 0 8px;
  width: 100%;
  color: var(--ink);
}
.row {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 10px;
  align-items: end;
}
.link {
  margin-top: 12px;
}
.small {
  width: 160px;
}
@media (max-width: 900px) {
  .shop,
  .columns {
    grid-template-columns: minmax(0, 1fr) !important;
  }
  .row {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
