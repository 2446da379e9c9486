<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import { useSaving } from '@/sheets/saving'
import { useSession } from '@/api/session'
import CounterLine from '@/counter/CounterLine.vue'
import HatchDefs from '@/drawing/HatchDefs.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { useJob, type Stage } from '@/job/useJob'
import { useKinds } from '@/job/useKinds'
import SignIn from './SignIn.vue'
import TitlePage from './TitlePage.vue'
import { useCaliper } from './caliper'
import { useHand } from './hand'
import { useKeys } from './useKeys'

const KeysHelp = defineAsyncComponent(() => import('./KeysHelp.vue'))
const FirstStart = defineAsyncComponent(() => import('./FirstStart.vue'))
const ChooseSecret = defineAsyncComponent(() => import('./ChooseSecret.vue'))
const OwnDoor = defineAsyncComponent(() => import('./OwnDoor.vue'))
const session = useSession()
const saving = useSaving()
const job = useJob()
const hand = useHand()
const caliper = useCaliper()
const kinds = useKinds()
const route = useRoute()
const router = useRouter()
const showKeys = ref(false)
const showDoor = ref(false)
const line = ref<InstanceType<typeof CounterLine> | null>(null)
/** Drawn screens ask for a wider one where there is little room. */
const drawn = computed(() => ['line', 'bench', 'match', 'seats', 'order'].includes(String(route.name)))
/** While the first screen is on its way there is no line in the head: it would take the first keys and go. */
const atCounter = computed(() => route.name === 'counter' || !route.matched.length)

/** Who is signed in with a PIN of their own. */
const atWork = computed(() => (session.person?.choose_secret === false ? session.person.person_id : 0))
const target = computed(() => {
  const parts = job.state?.parts ?? []
  const current = parts.find((part) => String(part.part.part_id) === route.params.partId)
  return current ?? parts[0] ?? null
})
function to(stage: Stage) {
  if (stage.name === 'order') return { name: 'order' }
  if (['take-in', 'line', 'fit-up', 'proof'].includes(stage.name) && job.state)
    return { name: stage.name, params: { number: job.state.job.number } }
  if (!job.state || !target.value) return { name: 'nothing-yet', params: { stage: stage.name } }
  return { name: stage.name, params: { number: job.state.job.number, partId: target.value.part.part_id } }
}
/** A stage's key pressed before the job of this address is here waits for it. */
async function goTo(stage: Stage): Promise<void> {
  const { number } = route.params
  if (typeof number === 'string' && number !== job.state?.job.number) await job.take(number)
  await router.push(to(stage))
}
watch(
  () => [route.params.number, atWork.value] as const,
  ([number, who]) => {
    if (who && typeof number === 'string' && number !== job.state?.job.number) void job.take(number)
  },
  { immediate: true },
)
watch(atWork, (who) => {
  if (!who) return
  void job.loadInstruments()
  void caliper.look()
  void kinds.load()
})
watch(
  () => saving.revision,
  () => void job.refresh(),
)
useKeys([
  { key: '/', words: 'marking, size or job number', run: () => line.value?.focus() },
  { key: '?', words: 'show these keys', run: () => (showKeys.value = !showKeys.value) },
  {
    key: 'Escape',
    words: 'leave the field, so that single-letter keys work',
    run: () => (document.activeElement as HTMLElement | null)?.blur(),
    inFields: true,
  },
  { key: 'Alt+n', words: 'night colours on or off', run: () => hand.toggleNight(), inFields: true },
  { key: 'Alt+u', words: 'millimetres or inches', run: () => hand.toggleUnit(), inFields: true },
  { key: 'Alt+0', words: 'Counter', run: () => void router.push({ name: 'counter' }), inFields: true },
  { key: 'Alt+9', words: 'Shop', run: () => void router.push({ name: 'shop' }), inFields: true },
  { key: 'Alt+r', words: 'Reference', run: () => void router.push({ name: 'reference' }), inFields: true },
  ...(['take-in', 'line', 'bench', 'match', 'seats', 'order', 'fit-up', 'proof'] as const).map((name, i) => ({
    key: `Alt+${i + 1}`,
    words: ['Take in', 'Strip-down', 'Bench', 'Match', 'Seats', 'Order', 'Fit-up', 'Proof'][i] as string,
    run: () => void goTo({ name } as Stage),
    inFields: true,
  })),
])
onMounted(() => {
  void session.look()
  setInterval(() => session.lost && void session.look(), 2000)
})
</script>

<template>
  <HatchDefs />
  <div v-if="!session.known" class="waiting">
    <p v-if="session.lost">
      <strong>The server does not answer.</strong> This page keeps trying. What you typed is saved on this
      machine.
    </p>
  </div>
  <FirstStart v-else-if="!session.person && session.needsOwner" />
  <SignIn v-else-if="!session.person" />
  <TitlePage v-else-if="session.person.choose_secret">
    <h2>Welcome, {{ session.person.name }}.</h2>
    <p>
      Choose a PIN or password that only you know. Your decisions here carry your name.
      {{ session.person.role === 'owner' ? '' : 'Six digits are enough.' }}
    </p>
    <ChooseSecret first />
  </TitlePage>
  <div v-else class="shell">
    <header>
      <RouterLink :to="{ name: 'counter' }" class="word" aria-label="Ample: Counter">Ample</RouterLink>
      <CounterLine v-if="!atCounter" ref="line" compact />
      <template v-if="job.state && !atCounter">
        <span class="job"
          ><strong class="fig">{{ job.state.job.number }}</strong> {{ job.state.job.title }}</span
        >
      </template>
      <nav v-if="!atCounter && job.state" class="stages" aria-label="stages of the job">
        <RouterLink
          v-for="stage in job.stages"
          :key="stage.name"
          :to="to(stage)"
          :class="{ on: route.name === stage.name }"
          :aria-current="route.name === stage.name ? 'step' : undefined"
        >
          <VerdictMark :state="stage.mark" silent />{{
            stage.left ? `${stage.words} · ${stage.left}` : stage.words
          }}
        </RouterLink>
      </nav>
      <nav v-else class="stages">
        <RouterLink :to="{ name: 'shop' }" :class="{ on: route.path.startsWith('/shop') }">Shop</RouterLink>
        <RouterLink :to="{ name: 'order' }" :class="{ on: route.name === 'order' }">Order sheets</RouterLink>
        <RouterLink :to="{ name: 'reference' }" :class="{ on: route.name === 'reference' }"
          >Reference</RouterLink
        >
      </nav>
    </header>
    <aside v-if="drawn" class="wider faint" aria-label="screen width">
      This screen is drawn for a wider display: turn the phone, or scroll sideways.
    </aside>
    <RouterView v-slot="{ Component }">
      <component
        :is="Component"
        :key="route.name === 'reference' ? 'reference' : route.path"
        class="screen"
      />
    </RouterView>
    <footer>
      <button type="button" @click="hand.toggleUnit()">
        unit <strong>{{ hand.unit }}</strong>
      </button>
      <span class="desk"
        >in hand <strong>{{ hand.instrument }}</strong></span
      >
      <button
        v-if="caliper.words"
        type="button"
        class="link"
        :class="{ att: caliper.trouble }"
        title="caliper connected to this bench"
        @click="caliper.choose()"
      >
        {{ caliper.mine?.name ?? 'caliper' }} <strong>{{ caliper.words }}</strong>
      </button>
      <button
        v-if="caliper.mine"
        type="button"
        class="desk"
        :aria-pressed="caliper.tone"
        title="sound a tone for each reading"
        @click="caliper.tone = !caliper.tone"
      >
        tone <strong>{{ caliper.tone ? 'on' : 'off' }}</strong>
      </button>
      <span role="status" :class="{ att: saving.state === 'away' || saving.state === 'refused' }"
        ><strong>{{ saving.words }}</strong></span
      >
      <RouterLink :to="{ name: 'reference' }" class="right desk book">reference</RouterLink>
      <span class="desk"
        ><button type="button" @click="showKeys = true">keys <kbd>?</kbd></button></span
      >
      <button type="button" class="desk" @click="hand.toggleNight()">
        {{ hand.night ? 'day' : 'night' }} shift
      </button>
      <button type="button" title="sign out, or change your PIN" @click="showDoor = true">
        <strong>{{ session.person.name }}</strong> ({{ session.person.role }}) sign out
      </button>
    </footer>
    <KeysHelp v-if="showKeys" @close="showKeys = false" />
    <OwnDoor v-if="showDoor" @close="showDoor = false" />
  </div>
</template>

<style scoped>
.shell {
  height: 100%;
  display: grid;
  grid-template-rows: 52px minmax(0, 1fr) 34px;
}
.wider {
  display: none;
}
.waiting {
  padding: 80px;
  font-size: 18px;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 0 0 20px;
  border-bottom: 2px solid var(--ink);
  min-width: 0;
}
.word {
  font-size: 20px;
  font-stretch: 110%;
  font-weight: 760;
  letter-spacing: -0.01em;
  color: inherit;
  text-decoration: none;
}
.job {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.job strong {
  font-size: 18px;
  margin-right: 6px;
}
.stages {
  display: flex;
  margin-left: auto;
  height: 100%;
}
.stages a {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 0 10px;
  font-size: 14px;
  color: var(--faint);
  text-decoration: none;
  white-space: nowrap;
}
.stages a.on {
  background: var(--ink);
  color: var(--sheet);
  font-weight: 650;
}
.stages a.on :deep(svg) {
  color: var(--sheet);
}
.stages a:hover:not(.on) {
  background: var(--sheet);
}
.screen {
  min-height: 0;
  overflow: auto;
}
footer {
  display: flex;
  align-items: center;
  gap: 26px;
  padding: 0 20px;
  border-top: 1px solid var(--rule);
  font-size: 13px;
  color: var(--faint);
  white-space: nowrap;
  overflow: hidden;
}
footer strong {
  color: var(--ink);
  font-weight: 600;
}
footer .att strong {
  color: var(--attention);
}
footer .right {
  margin-left: auto;
}
footer .book {
  color: inherit;
  text-decoration: none;
}
footer .book:hover {
  text-decoration: underline;
}
footer [role='status'] {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .stages {
    width: 100%;
    height: 40px;
    margin-left: 0;
    overflow-x: auto;
  }
  header {
    flex-wrap: wrap;
    height: auto;
    padding: 8px 12px;
  }
  .shell {
    grid-template-rows: auto minmax(0, 1fr) auto;
  }
  footer {
    gap: 14px;
    padding: 6px 12px;
    overflow-x: auto;
  }
}
@media (max-width: 600px) {
  .shell {
    grid-template-rows: auto auto minmax(0, 1fr) auto;
  }
  .shell > :deep(.screen) {
    grid-row: 3;
  }
  .wider {
    display: block;
    padding: 4px 12px;
    font-size: 13px;
    border-bottom: 1px solid var(--rule);
  }
  footer [role='status'] {
    order: -1;
  }
  footer {
    grid-row: 4;
  }
  header {
    gap: 6px 12px;
    padding: 6px 12px 0;
  }
  .job {
    font-size: 14px;
  }
  footer .desk {
    display: none;
  }
}
@media print {
  header,
  footer {
    display: none !important;
  }
  .shell {
    display: block;
    height: auto;
  }
  .screen {
    overflow: visible;
  }
}
</style>
