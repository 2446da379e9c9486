<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { useRoute, useRouter } from 'vue-router'
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
import SeatAbsent from './SeatAbsent.vue'
import SeatClearance from './SeatClearance.vue'
import SeatFields from './SeatFields.vue'
import SeatsDuty from './SeatsDuty.vue'
import SeatRepair from './SeatRepair.vue'
import SeatSchools from './SeatSchools.vue'
import SeatSetting from './SeatSetting.vue'
import SeatVerdict from './SeatVerdict.vue'
import PlaceVerdict from './PlaceVerdict.vue'
import { usePlace } from './usePlace'
import { useSeats } from './useSeats'

const route = useRoute()
const router = useRouter()
const job = useJob()
const partId = Number(route.params.partId)
const { seats, sheet, judged, load, loadRefusal, looking, takeBack, versions, version } = useSeats(partId)
const held = sheet.sheet
const place = usePlace(partId)
const ofIt = place.sheet.sheet
/** What is still to be measured of its place, in words. */
const missing = computed(() => {
  const features = kinds.family(seats.value?.part.family ?? '')?.features ?? []
  return (place.judged.value?.missing ?? []).map(
    (name) => features.find((each) => each.feature === name)?.words ?? name.replace(/_/g, ' '),
  )
})
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
/** The sides that the bearing has a straight seat on. */
const SIDES = ['shaft', 'housing'] as const
const RINGS: Record<string, Record<'shaft' | 'housing', string>> = {
  raceway: { shaft: 'under the needles', housing: '' },
  slip_fit: { shaft: 'insert bore', housing: '' },
  stud_bore: { shaft: '', housing: 'stud' },
  thrust_shaft_washer: { shaft: 'shaft washer', housing: '' },
  thrust_housing_washer: { shaft: '', housing: 'housing washer' },
}
function ringWords(side: 'shaft' | 'housing', rule: string): string {
  return RINGS[rule]?.[side] ?? (side === 'shaft' ? 'bearing bore' : 'bearing outside')
}
const taper = computed(() =>
  Boolean(
    judged.value &&
    (judged.value.absent['shaft']?.code === 'taper_bore' || judged.value.shaft?.zones.rule === 'taper_bore'),
  ),
)
const nominal = (side: 'shaft' | 'housing'): number =>
  judged.value?.[side]?.check?.nominal_mm ?? (side === 'shaft' ? fitted.value?.d_mm : fitted.value?.D_mm) ?? 0
const clearance = computed(() => judged.value?.clearance ?? null)
/** A seat has been measured; the other counts as its zone. */
const measured = computed(() => Boolean(judged.value?.shaft?.check ?? judged.value?.housing?.check))

async function toOrder(): Promise<void> {
  refusal.value = await (ofPlace.value ? place.sheet : sheet).stored()
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
  if (ofPlace.value) await place.load()
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
          {{ seats?.part.name ?? 'Seats' }}
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
        <div class="sheet">
          <template v-for="side in SIDES" :key="side">
            <ZoneChart
              v-if="judged[side]"
              :title="side"
              :nominal="nominal(side)"
              :judgement="judged[side]"
              :ring="ringWords(side, judged[side].zones.rule)"
              :width="424"
              :height="372"
            />
            <div v-else class="unjudged">
              <SizedDrawing
                v-if="kinds.loaded"
                :size="partSize(fitted.kind, fitted.dimensions, 0)"
                :labels="seatLabels"
                :words="`section of ${fitted.title} with the sizes of its seats`"
              />
            </div>
          </template>
        </div>
        <SeatsDuty v-model="held" :taper="taper" />
        <div class="planes">
          <template v-for="side in SIDES" :key="side">
            <SeatFields
              v-if="held[side] && judged.absent[side]?.code !== 'no_seat'"
              v-model="held[side]"
              :side="side"
              :nominal="nominal(side)"
              :judgement="judged[side]"
            />
          </template>
        </div>
      </template>
      <PlaceSheet
        v-else-if="ofPlace"
        v-model="ofIt"
        :part-id="partId"
        :item="replaced"
        :judged="place.judged.value"
      />
      <p v-else-if="seats && !fitted" class="note">
        This part is not identified yet, so its seats have no nominal size.
        <button class="plain" type="button" @click="toBench">Go to the Bench</button>
      </p>
    </section>
    <aside v-if="judged || ofPlace" class="right" role="region" aria-label="verdict">
      <div v-if="ofPlace" class="scroll places" tabindex="0" role="group" aria-label="verdict and reasons">
        <PlaceVerdict v-if="place.judged.value" :judged="place.judged.value" :missing="missing" :why="why" />
        <template v-if="(place.judged.value?.decision ?? 'not_judged') === 'not_judged'"
          ><section v-for="check in places" :key="check.light">
            <h2><VerdictMark :state="check.state" :size="19" silent /> {{ check.words }}</h2>
          </section></template
        >
        <p v-if="place.answer.value && !place.answer.value.going_in">
          Confirm on the Bench what it is: then its place is judged by the rules of its kind.
        </p>
        <p class="faint">
          Its groove, housing or gland is measured on the Bench; the sizes are kept with the part.
        </p>
        <button class="plain" type="button" @click="toBench">
          Measure where it fits on the Bench <kbd>b</kbd>
        </button>
      </div>
      <div v-else-if="judged" class="scroll" tabindex="0" role="group" aria-label="verdict and reasons">
        <template v-for="side in SIDES" :key="side">
          <SeatVerdict
            v-if="judged[side] && held[side]"
            v-model="held[side]"
            :title="side === 'shaft' ? 'Shaft' : 'Housing'"
            :judgement="judged[side]"
            :why="why"
          >
            <SeatRepair
              v-if="judged[side].check?.decision === 'reject'"
              v-model="held"
              :part-id="partId"
              :side="side"
            />
          </SeatVerdict>
          <SeatAbsent
            v-else-if="judged.absent[side]"
            :title="side === 'shaft' ? 'Shaft' : 'Housing'"
            :absent="judged.absent[side]"
            :drive-up="judged.drive_up"
          />
        </template>
        <SeatClearance
          v-if="clearance"
          :clearance="clearance"
          :warmer="held.warmer_inner_k"
          :measured="measured"
          :bore="fitted?.d_mm ?? 0"
          :outside="fitted?.D_mm ?? 0"
          :why="why"
        />
        <SeatSetting v-if="judged.setting" :setting="judged.setting" :why="why" />
        <SeatSchools :judged="judged" :why="why" />
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
    <ClashDialog
      v-if="place.sheet.hasClashes.value"
      :clashes="place.sheet.clashes.value"
      @decide="place.sheet.decide"
    />
    <ClashDialog v-if="sheet.hasClashes.value" :clashes="sheet.clashes.value" @decide="sheet.decide" />
  </main>
</template>

<style scoped>
.left > .note {
  align-self: start;
}
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
.unjudged {
  flex: 1;
  display: grid;
  place-items: center;
  min-width: 0;
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
