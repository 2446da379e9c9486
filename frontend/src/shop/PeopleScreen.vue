<script setup lang="ts">
import { computed, nextTick, onMounted, reactive, ref } from 'vue'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { inTurn } from '@/api/inTurn'
import { useSession } from '@/api/session'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import { useKeys } from '@/shell/useKeys'
import CaliperNetworks from './CaliperNetworks.vue'
import RightsTable from './RightsTable.vue'
import ShopPages from './ShopPages.vue'

/** Who works here, and who may do what. */
type Person = Schemas['PersonRow']
type Role = Person['role']
type Answered = { answer: Schemas['PeopleAnswer']; refusal: null } | { answer: null; refusal: Refusal }
const ROLES = [
  ['counter', 'counter'],
  ['bench', 'bench'],
  ['buyer', 'buyer'],
  ['owner', 'owner'],
] as const
const session = useSession()
const turn = inTurn()
const held = ref<Schemas['PeopleAnswer'] | null>(null)
const chosen = ref<number | null>(null)
const adding = ref(false)
const refusal = ref<Refusal | null>(null)
const said = ref('')
const made = reactive({ name: '', role: 'bench' as Role, secret: '' })
const renamed = ref('')
const pin = ref('')
const nameField = ref<HTMLInputElement | null>(null)
const person = computed(() => held.value?.people.find((each) => each.person_id === chosen.value) ?? null)

function take({ answer, refusal: why }: Answered, words = ''): boolean {
  refusal.value = why
  said.value = why ? '' : words
  if (answer) held.value = answer
  return answer !== null
}
function choose(each: Person): void {
  chosen.value = each.person_id
  renamed.value = each.name
  pin.value = ''
  adding.value = false
  refusal.value = null
  said.value = ''
}
async function begin(): Promise<void> {
  adding.value = true
  chosen.value = null
  refusal.value = null
  said.value = ''
  await nextTick()
  nameField.value?.focus()
}
async function load(): Promise<void> {
  take(await resultOf(api.GET('/api/people')))
  const first = held.value?.people[0]
  if (held.value && held.value.people.length < 2) await begin()
  else if (first) choose(first)
}
async function add(): Promise<void> {
  const name = made.name.trim()
  const body = { name, role: made.role, secret: made.secret }
  if (!take(await turn(() => resultOf(api.POST('/api/people', { body, ...withKey() }))))) return
  const added = held.value?.people.find((each) => each.name === name)
  if (added) choose(added)
  said.value = `${name} signs in with that PIN, then chooses a new one.`
  Object.assign(made, { name: '', secret: '' })
}
async function change(
  each: Person,
  values: Partial<Pick<Person, 'name' | 'role' | 'active'>>,
): Promise<void> {
  const { name, role, active, version } = { ...each, ...values }
  const words =
    values.active === false ? `${name} is deactivated and signed out everywhere.` : `${name} is saved.`
  const path = { person_id: each.person_id }
  const body = { name: name.trim(), role, active, version }
  const call = () => resultOf(api.PUT('/api/people/{person_id}', { params: { path }, body, ...withKey() }))
  take(await turn(call), words)
  if (refusal.value?.code === 'changed_meanwhile') await reload()
}
async function reload(): Promise<void> {
  const { answer } = await turn(() => resultOf(api.GET('/api/people')))
  if (answer) held.value = answer
}
async function give(each: Person): Promise<void> {
  const path = { person_id: each.person_id }
  const body = { secret: pin.value, version: each.version }
  const call = () =>
    resultOf(api.POST('/api/people/{person_id}/secret', { params: { path }, body, ...withKey() }))
  if (take(await turn(call), `${each.name} signs in with the new PIN, then chooses another.`)) pin.value = ''
}
async function end(each: Person): Promise<void> {
  const path = { person_id: each.person_id }
  const call = () =>
    resultOf(api.POST('/api/people/{person_id}/end-sign-ins', { params: { path }, ...withKey() }))
  take(await turn(call), `${each.name} is signed out everywhere.`)
  if (each.person_id === session.person?.person_id) await session.look()
}
async function set(body: Schemas['SetRight']): Promise<void> {
  take(await turn(() => resultOf(api.PUT('/api/rights', { body, ...withKey() }))))
  if (refusal.value?.code === 'changed_meanwhile') await reload()
}
function move(by: number): void {
  const people = held.value?.people ?? []
  const at = people.findIndex((each) => each.person_id === chosen.value)
  const next = people[Math.min(Math.max(at + by, 0), people.length - 1)]
  if (next) choose(next)
}
function when(moment: string | null): string {
  if (!moment) return 'has never signed in'
  const at = new Date(moment)
  const today = at.toDateString() === new Date().toDateString()
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return `last signed in ${today ? 'today' : at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })}, ${time}`
}
useKeys([
  { key: 'ArrowDown', words: 'next person', run: () => move(1) },
  { key: 'ArrowUp', words: 'previous person', run: () => move(-1) },
  { key: 'n', words: 'new person', run: () => void begin() },
])
onMounted(load)
</script>

<template>
  <main class="people">
    <ShopPages />
    <div v-if="held" class="halves">
      <section class="list" aria-label="people">
        <h1>{{ held.people.filter((each) => each.active).length }} at work</h1>
        <button
          v-for="each in held.people"
          :key="each.person_id"
          type="button"
          class="who"
          :class="{ rest: !each.active }"
          :aria-current="each.person_id === chosen ? 'true' : undefined"
          @click="choose(each)"
        >
          <strong>{{ each.name }}</strong>
          <span>{{ each.active ? each.role : 'inactive' }}</span>
          <em v-if="each.wrong_tries" class="att">{{ each.wrong_tries }} failed sign-ins since yesterday</em>
          <em v-else-if="each.active && each.choose_secret">has not chosen a PIN yet</em>
          <em v-else-if="each.sign_ins">
            signed in on {{ each.sign_ins }} {{ each.sign_ins === 1 ? 'machine' : 'machines' }}
          </em>
        </button>
        <button type="button" class="new" @click="begin">
          <span class="plain">Add a person</span> <kbd>n</kbd>
        </button>
        <CaliperNetworks />
      </section>
      <section class="card" aria-label="selected person">
        <div class="about">
          <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
          <p v-else-if="said" class="good" role="status">{{ said }}</p>
          <form v-if="adding" class="own" @submit.prevent="add">
            <h2>A new person</h2>
            <label class="name"
              >name<input ref="nameField" v-model="made.name" name="person-name" maxlength="60" required
            /></label>
            <div>
              <span class="faint">role</span>
              <ChoiceChips
                label="role of the new person"
                :options="ROLES"
                :chosen="made.role"
                @choose="made.role = $event as Role"
              />
            </div>
            <label
              >a first PIN, at least {{ made.role === 'owner' ? 8 : 6 }} characters; they replace it with
              their own<input
                v-model="made.secret"
                name="person-secret"
                autocomplete="off"
                maxlength="200"
                required
            /></label>
            <button type="submit" class="go small" :disabled="!made.name.trim() || !made.secret">
              <span>Add {{ made.name.trim() || 'this person' }}</span
              ><kbd>Enter</kbd>
            </button>
          </form>
          <div v-else-if="person" :key="person.person_id" class="own">
            <form class="title" @submit.prevent="change(person, { name: renamed })">
              <input v-model="renamed" class="big" name="renamed" aria-label="name" maxlength="60" />
              <button v-if="renamed.trim() !== person.name" type="submit" class="chip">Save the name</button>
            </form>
            <p class="faint">
              {{ when(person.signed_in_at) }}{{ person.demo ? '; demo user whose PIN is shown' : '' }}
            </p>
            <ChoiceChips
              :label="`role of ${person.name}`"
              :options="ROLES"
              :chosen="person.role"
              @choose="$event !== person.role && change(person, { role: $event as Role })"
            />
            <form class="pin" @submit.prevent="give(person)">
              <label
                >a new PIN for {{ person.name
                }}<input v-model="pin" name="new-pin" autocomplete="off" maxlength="200"
              /></label>
              <button type="submit" class="chip" :disabled="!pin">Set PIN</button>
            </form>
            <p class="acts">
              <button v-if="person.sign_ins" type="button" class="plain" @click="end(person)">
                Sign out everywhere
              </button>
              <button
                v-if="person.active"
                type="button"
                class="plain"
                @click="change(person, { active: false })"
              >
                Deactivate
              </button>
              <button v-else type="button" class="plain" @click="change(person, { active: true })">
                Reactivate
              </button>
            </p>
          </div>
        </div>
        <RightsTable :rights="held.rights" @set="set" />
      </section>
    </div>
    <p v-else-if="refusal" class="stop alone" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
  </main>
</template>

<style scoped>
.people {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}
.halves {
  display: grid;
  grid-template-columns: 350px minmax(0, 1fr);
  min-height: 0;
}
.list {
  border-right: 2px solid var(--ink);
  padding: 18px 0 18px 28px;
  overflow: auto;
}
.list h1 {
  font-size: 19px;
  margin: 0 0 8px 16px;
}
.who {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  width: 100%;
  padding: 9px 16px 9px 12px;
  border-top: 1px solid var(--rule);
  border-left: 4px solid transparent;
}
.who[aria-current] {
  border-left-color: var(--ink);
  background: var(--sheet);
}
.who strong {
  font-size: 19px;
}
.who em {
  grid-column: 1 / -1;
  font-style: normal;
  font-size: 14px;
  color: var(--faint);
}
.who em.att {
  color: var(--attention);
}
.rest strong {
  font-weight: 400;
  color: var(--faint);
}
.new {
  margin: 12px 16px;
}
.card {
  padding: 18px 28px;
  overflow: auto;
}
/* What is said and asked has its room, so that the table below stays under the hand. */
.about {
  min-height: 318px;
}
.own {
  display: grid;
  gap: 11px;
  justify-items: start;
  margin-bottom: 22px;
}
.own h2 {
  font-size: 30px;
}
.title {
  display: flex;
  gap: 12px;
  align-items: baseline;
  width: 100%;
}
.big {
  font-size: 34px;
  font-weight: 680;
  line-height: 1.1;
  width: min(100%, 420px);
  background: transparent;
  border: 0;
  border-bottom: 1.5px solid transparent;
  padding: 0;
}
.big:hover,
.big:focus {
  border-bottom-color: var(--ink);
}
label {
  display: grid;
  font-size: 14px;
  color: var(--faint);
  gap: 3px;
}
label input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  padding: 6px 10px;
  font-size: 18px;
  width: 300px;
}
.pin {
  display: flex;
  align-items: end;
  gap: 10px;
}
.pin .chip {
  min-height: 38px;
}
.chip:disabled {
  color: var(--faint);
}
.acts {
  display: flex;
  gap: 26px;
}
.small {
  width: 300px;
}
.alone {
  padding: 28px;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow: auto;
  }
  .list {
    border-right: 0;
    padding: 14px;
  }
  .card,
  .list {
    overflow: visible;
  }
  .card {
    padding: 14px;
    border-top: 2px solid var(--ink);
  }
}
</style>
