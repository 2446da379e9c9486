<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, resultOf, withKey, type Refusal } from '@/api/client'
import ZoneChart from '@/drawing/ZoneChart.vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import { useJob } from '@/job/useJob'
import { handStays } from '@/shell/leading'
import { useKeys } from '@/shell/useKeys'
import SizedDrawing, { type Label } from '@/drawing/SizedDrawing.vue'
import { partSize } from '@/drawing/sizes'
import { useKinds } from '@/job/useKinds'
import VersionsDialog from '@/sheets/VersionsDialog.vue'
import PlaceSheet from './PlaceSheet.vue'
import SeatFields from './SeatFields.vue'
import SeatVerdict from './SeatVerdict.vue'
import { useSeats } from './useSeats'

const route = useRoute()
const router = useRouter()
const job = useJob()
const partId = Number(route.params.partId)
const { seats, sheet, judged, load, loadRefusal, looking, takeBack, versions, version } = useSeats(partId)
const held = sheet.sheet
const why = ref(false)
const refusal = ref<Refusal | null>(null)
const fitted = computed(() => seats.value?.fitted ?? null)
const state = computed(() => job.state?.parts.find((each) => each.part.part_id === partId))
const kinds = useKinds()
/** What it sits on and in, for the drawing of a bearing whose seats are not judged. */
const seatLabels = computed((): Record<string, Label> => {
  const { d_mm = 0, D_mm = 0 } = fitted.value ?? {}
  return {
    ...(d_mm > 0 && { bore: { name: 'shaft', value: `${d_mm}` } }),
    ...(D_mm > 0 && { outside: { name: 'housing', value: `${D_mm}` } }),
  }
})
const TURNS = [
  ['shaft', 'shaft rotates'],
  ['housing', 'housing rotates'],
  ['shaking', 'indeterminate'],
] as const
const LOADS = ['light', 'normal', 'heavy'] as const
const clearance = computed(() => judged.value?.clearance ?? null)
function range(r: { min: number; max: number }): string {
  const s = (um: number): string =>
    Math.round(um) < 0 ? `−${Math.abs(Math.round(um))}` : String(Math.round(um))
  return `${s(r.min)} … ${s(r.max)}`
}
/** A seat has been measured; the other counts as its zone. */
const measured = computed(() => Boolean(judged.value?.shaft?.check ?? judged.value?.housing?.check))
const tight = computed(() => ['take_group', 'no_group'].includes(clearance.value?.advice ?? ''))

async function toOrder(): Promise<void> {
  refusal.value = await sheet.stored()
  if (refusal.value) return
  if (state.value?.match && !state.value.order_number) {
    const { refusal: no } = await resultOf(
      api.POST('/api/orders/lines', {
        body: { part_id: partId, supplier_id: null, quantity: null },
        ...withKey(),
      }),
    )
    if (no && no.code !== 'on_a_sheet') {
      refusal.value = no
      return
    }
  }
  await job.refresh()
  await router.push(
    state.value?.match ? { name: 'order', query: { part: partId } } : { name: 'match', params: route.params },
  )
}
const goWords = computed(() =>
  !state.value?.match
    ? 'Choose the replacement in Match'
    : state.value.order_number
      ? `Go to order ${state.value.order_number}`
      : 'Add to the order',
)
/** What the order checks say of the place of a seal or ring. */
const places = computed(() =>
  (state.value?.lights ?? []).filter((check) => check.light === 'shaft' || check.light === 'housing'),
)
/** A seal, ring or small part has a place instead of seats; it is drawn as what replaces it. */
const ofPlace = computed(() => Boolean(seats.value && seats.value.part.family !== 'bearing'))
const replaced = computed(() => (ofPlace.value ? (state.value?.match ?? state.value?.chosen ?? null) : null))
function takenBack(old: object): void {
  takeBack(old as Parameters<typeof takeBack>[0])
  looking.value = false
}
const toBench = (): void => void router.push({ name: 'bench', params: route.params })
useKeys([
  { key: 'b', words: 'measure on the Bench', run: toBench },
  { key: 'Ctrl+Enter', words: 'add to the order', run: () => void toOrder(), inFields: true },
  { key: 'w', words: 'why', run: () => (why.value = !why.value) },
  { key: 'v', words: 'earlier versions', run: () => (looking.value = true) },
])
onMounted(async () => {
  const stays = handStays()
  if (!kinds.loaded) void kinds.load()
  await load()
  await nextTick()
  if (!stays()) return
  const fields = [...document.querySelectorAll<HTMLInputElement>('.seat-field')]
  ;(fields.find((field) => !field.value) ?? fields[0])?.focus()
})
</script>

<template>
  <main class="two seats">
    <section class="left">
      <div class="where">
        <h1>
          {{ seats?.part.name }}
          <span v-if="fitted ?? replaced">{{ fitted?.title ?? replaced?.marking }}</span>
        </h1>
        <span v-if="fitted" class="faint"
          >{{ fitted.size_text }}, {{ fitted.kind_words }}, class {{ fitted.tolerance_class
          }}{{ fitted.chosen ? '' : ', as required' }}</span
        >
        <button v-if="seats?.version" type="button" class="plain earlier" @click="looking = true">
          earlier <kbd>v</kbd>
        </button>
        <label v-if="fitted" class="warm"
          >part at
          <input
            v-model.number="held.temperature_c"
            type="number"
            min="-60"
            max="200"
            class="fig"
            aria-label="temperature of the part, °C"
          />
          °C, instrument at
          <input
            v-model.number="held.instrument_temperature_c"
            type="number"
            min="-60"
            max="200"
            class="fig"
            aria-label="temperature of the instrument, °C"
          />
          °C</label
        >
      </div>
      <p v-if="loadRefusal" class="note">
        {{ loadRefusal.message }} {{ loadRefusal.hint }}
        <button class="plain" type="button" @click="load">Try again</button>
      </p>
      <template v-if="fitted && judged">
        <div v-if="judged.shaft && judged.housing" class="sheet">
          <ZoneChart
            title="shaft"
            :nominal="fitted.d_mm"
            :judgement="judged.shaft"
            ring="bearing bore"
            :width="424"
            :height="402"
          />
          <ZoneChart
            title="housing"
            :nominal="fitted.D_mm"
            :judgement="judged.housing"
            ring="bearing outside"
            :width="424"
            :height="402"
          />
        </div>
        <div v-else class="sheet unjudged">
          <SizedDrawing
            v-if="kinds.loaded"
            :size="partSize(fitted.kind, fitted.dimensions, 0)"
            :labels="seatLabels"
            :words="`section of ${fitted.title} with the sizes of its seats`"
          />
        </div>
        <div v-if="!judged.not_judged" class="duty" role="group" aria-label="load case">
          <button
            v-for="[name, words] in TURNS"
            :key="name"
            type="button"
            class="chip"
            :aria-pressed="held.turning === name"
            @click="held.turning = name"
          >
            {{ words }}
          </button>
          <i></i>
          <button
            v-for="name in LOADS"
            :key="name"
            type="button"
            class="chip"
            :aria-pressed="held.load === name"
            @click="held.load = name"
          >
            {{ name }} load
          </button>
          <i></i>
          <button type="button" class="chip" :aria-pressed="held.slides" @click="held.slides = !held.slides">
            floating ring
          </button>
          <button type="button" class="chip" :aria-pressed="held.split" @click="held.split = !held.split">
            split housing
          </button>
        </div>
        <div class="planes">
          <SeatFields
            v-if="held.shaft"
            v-model="held.shaft"
            side="shaft"
            :nominal="fitted.d_mm"
            :judgement="judged.shaft"
          />
          <SeatFields
            v-if="held.housing"
            v-model="held.housing"
            side="housing"
            :nominal="fitted.D_mm"
            :judgement="judged.housing"
          />
        </div>
      </template>
      <PlaceSheet v-else-if="ofPlace" :part-id="partId" :item="replaced" />
      <p v-else-if="seats && !fitted" class="note">
        This part is not identified yet, so its seats have no nominal size.
        <button class="plain" type="button" @click="toBench">Go to the Bench</button>
      </p>
    </section>
    <aside v-if="judged || ofPlace" class="right" role="region" aria-label="verdict">
      <div v-if="ofPlace" class="scroll places">
        <section v-for="check in places" :key="check.light">
          <h2><VerdictMark :state="check.state" :size="19" silent /> {{ check.words }}</h2>
        </section>
        <p class="faint">
          It has no tolerance zone. Measure its groove, housing or gland on the Bench; the sizes are kept with
          the part.
        </p>
        <button class="plain" type="button" @click="toBench">
          Measure where it fits on the Bench <kbd>b</kbd>
        </button>
      </div>
      <div v-else-if="judged?.not_judged" class="scroll places">
        <section>
          <h2><VerdictMark state="not_looked_at" :size="19" silent /> Not judged</h2>
        </section>
        <p>{{ judged.words }}</p>
      </div>
      <div v-else-if="judged?.shaft && judged.housing" class="scroll">
        <SeatVerdict title="Shaft" :judgement="judged.shaft" :why="why" />
        <SeatVerdict title="Housing" :judgement="judged.housing" :why="why" />
        <section class="schools">
          <p v-for="zones in [judged.shaft.zones, judged.housing.zones]" :key="zones.part">
            <b>{{ zones.part }} {{ zones.zone }} or {{ zones.other_zone }}?</b> {{ zones.reason }}
            {{ zones.schools }} <span v-if="why" class="faint">{{ zones.source }}</span>
          </p>
        </section>
        <section v-if="clearance" class="clearance">
          <div>
            <span>initial</span><b class="fig">{{ range(clearance.before) }}</b>
          </div>
          <div>
            <span>mounted</span><b class="fig">{{ range(clearance.mounted) }}</b>
          </div>
          <div>
            <span>operating, inner +{{ held.warmer_inner_k }} K</span
            ><b class="fig">{{ range(clearance.running) }}</b>
          </div>
          <p :class="{ att: tight && measured }">
            {{ clearance.words }}
            <span v-if="why" class="faint"
              >If the balls are as warm as the inner ring: {{ range(clearance.running_warm_balls) }}.
              {{ clearance.source }}
              <RouterLink :to="{ name: 'reference', params: { question: 'raceway_growth' } }"
                >growth of a raceway</RouterLink
              ></span
            >
          </p>
        </section>
      </div>
      <p v-if="refusal" class="note stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <button type="button" class="go" @click="toOrder">
        <span>{{ goWords }}</span><kbd>Ctrl Enter</kbd>
      </button>
    </aside>
    <VersionsDialog
      v-if="looking"
      title="Seats"
      :list="versions"
      :look="version"
      @close="looking = false"
      @back="takenBack"
    />
    <ClashDialog v-if="sheet.hasClashes.value" :clashes="sheet.clashes.value" @decide="sheet.decide" />
  </main>
</template>

<style scoped>
.earlier,
.warm {
  white-space: nowrap;
}
.places section {
  padding: 16px 20px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
.places h2 {
  font-size: 19px;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px;
  align-items: baseline;
}
.places > p {
  padding: 14px 20px 6px;
  font-size: 15px;
}
.places > .plain {
  margin: 0 20px;
}
.left {
  display: grid;
  grid-template-rows: 58px minmax(0, 1fr) auto auto;
}
.where h1 span {
  font-stretch: 80%;
}
.sheet {
  background: var(--sheet);
  display: flex;
  justify-content: space-between;
  align-items: center;
  overflow: hidden;
}
.duty {
  display: flex;
  gap: 4px;
  padding: 7px 20px;
  border-top: 1px solid var(--rule);
  align-items: center;
  flex-wrap: wrap;
}
.duty .chip {
  padding: 2px 8px;
}
.duty i {
  width: 10px;
}
.warm {
  margin-left: auto;
  font-size: 14px;
  color: var(--faint);
}
.warm input {
  width: 54px;
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 1px 6px;
  font-size: 17px;
  color: var(--ink);
}
.sheet.unjudged {
  justify-content: center;
}
.planes {
  display: grid;
  grid-template-columns: 1fr 1fr;
  border-top: 1px solid var(--rule);
}
.planes > * + * {
  border-left: 1px solid var(--rule);
}
.right {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto auto;
  min-height: 0;
}
.scroll {
  overflow: auto;
}
.schools {
  padding: 11px 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
  font-size: 14.5px;
  display: grid;
  gap: 6px;
}
.clearance {
  display: grid;
  grid-template-columns: 1fr 1fr 1.2fr;
  padding: 11px 20px;
  gap: 2px 8px;
}
.clearance span {
  font-size: 13px;
  color: var(--faint);
  display: block;
}
.clearance b {
  font-size: 23px;
  white-space: nowrap;
}
.clearance p {
  grid-column: 1 / -1;
  margin-top: 6px;
  font-size: 15px;
}
.clearance p.att {
  font-weight: 600;
}
.clearance p span {
  display: block;
  font-weight: 400;
}
@media (max-width: 900px) {
  .left {
    grid-template-rows: 58px auto auto auto;
  }
  .sheet,
  .planes {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .sheet :deep(svg) {
    width: 100%;
    height: auto;
  }
}
</style>
