<script setup lang="ts">
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, resultOf, type Refusal, type Schemas } from '@/api/client'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import ShopPages from './ShopPages.vue'
import { differences } from './changes'

/** What was changed, by whom and when: searched by person, job and day; what stood there before. */
type Change = Schemas['AuditRow']
const route = useRoute()
const router = useRouter()
const asked = reactive({
  person: String(route.query.person ?? ''),
  job: String(route.query.job ?? ''),
  day: String(route.query.day ?? ''),
})
const changes = ref<Change[]>([])
const people = ref<string[]>([])
const more = ref<number | null>(null)
const refusal = ref<Refusal | null>(null)
const open = ref<number | null>(null)
const loaded = ref(false)
let latest = 0
const ago = (days: number): string => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
const DAYS = [
  ['', 'any date'],
  [ago(0), 'today'],
  [ago(1), 'yesterday'],
] as const

const whom = computed(() => [
  ['', 'everybody'] as const,
  ...people.value.map((each) => [each, each] as const),
  ['terminal', 'the terminal'] as const,
])
const days = computed(() => {
  const found: { day: string; rows: Change[] }[] = []
  for (const each of changes.value) {
    const day = new Date(each.happened_at).toLocaleDateString('en-GB', {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
    })
    const last = found.at(-1)
    if (last?.day === day) last.rows.push(each)
    else found.push({ day, rows: [each] })
  }
  return found
})
async function load(before: number | null = null): Promise<void> {
  const mine = ++latest
  const query = {
    person: asked.person,
    job: asked.job.trim(),
    ...(asked.day ? { day: asked.day } : {}),
    ...(before ? { before } : {}),
  }
  const { answer, refusal: why } = await resultOf(api.GET('/api/audit', { params: { query } }))
  if (mine !== latest) return
  refusal.value = why
  loaded.value = true
  if (!answer) return
  changes.value = before ? [...changes.value, ...answer.changes] : answer.changes
  people.value = answer.people
  more.value = answer.next_before
}
function time(moment: string): string {
  return new Date(moment).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}
watch(asked, () => {
  const query = Object.fromEntries(Object.entries(asked).filter(([, value]) => value))
  void router.replace({ query })
  void load()
})
onMounted(() => void load())
</script>

<template>
  <main class="record">
    <h1 class="visually-hidden">Record of changes</h1>
    <ShopPages />
    <form class="ask" role="search" @submit.prevent="load()">
      <ChoiceChips
        class="whom"
        label="by whom"
        :options="whom"
        :chosen="asked.person"
        @choose="asked.person = $event"
      />
      <label
        >job <input v-model.lazy="asked.job" name="job" class="fig" maxlength="12" placeholder="any"
      /></label>
      <ChoiceChips label="date" :options="DAYS" :chosen="asked.day" @choose="asked.day = $event">
        <input v-model="asked.day" name="day" type="date" aria-label="another date" :max="DAYS[1][0]" />
      </ChoiceChips>
    </form>
    <section class="rows" aria-label="changes">
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <p v-else-if="loaded && !changes.length" class="faint">No changes found.</p>
      <template v-for="group in days" :key="group.day">
        <h2>{{ group.day }}</h2>
        <article v-for="each in group.rows" :key="each.audit_id">
          <button
            type="button"
            class="row"
            :aria-expanded="open === each.audit_id"
            @click="open = open === each.audit_id ? null : each.audit_id"
          >
            <span class="fig time">{{ time(each.happened_at) }}</span>
            <b>{{ each.person ?? 'at the terminal' }}</b>
            <span>{{ each.words }}</span>
            <span class="job"
              ><template v-if="each.job_number"
                ><i class="fig">{{ each.job_number }}</i> {{ each.job_title }}</template
              ></span
            >
          </button>
          <div v-if="open === each.audit_id" class="what">
            <RouterLink
              v-if="each.job_number"
              class="plain"
              :to="{ name: 'line', params: { number: each.job_number } }"
              >go to the job</RouterLink
            >
            <dl>
              <template v-for="line in differences(each.before, each.after)" :key="line.path">
                <dt>{{ line.path }}</dt>
                <dd>
                  <del v-if="line.before">{{ line.before }}</del> {{ line.after || 'empty' }}
                </dd>
              </template>
            </dl>
          </div>
        </article>
      </template>
      <button v-if="more" type="button" class="plain further" @click="load(more)">Earlier changes</button>
    </section>
  </main>
</template>

<style scoped>
.record {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  height: 100%;
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  align-items: center;
  padding: 12px 28px;
  border-bottom: 1px solid var(--rule);
}
.whom {
  margin-right: auto;
}
label {
  font-size: 14px;
  color: var(--faint);
}
input {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  padding: 4px 8px;
  font-size: 16px;
}
label input[name='job'] {
  width: 90px;
}
.rows {
  overflow: auto;
  padding: 8px 28px 28px;
}
h2 {
  font-size: 17px;
  margin: 16px 0 5px;
}
article {
  border-top: 1px solid var(--rule);
}
.row {
  display: grid;
  grid-template-columns: 62px 120px minmax(0, 1fr) minmax(0, 300px);
  gap: 10px;
  align-items: baseline;
  width: 100%;
  padding: 7px 4px;
}
.row:hover {
  background: var(--sheet);
}
.time {
  font-size: 19px;
}
.job {
  color: var(--faint);
  font-size: 14px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.job i {
  font-style: normal;
  font-size: 17px;
  color: var(--ink);
  margin-right: 6px;
}
.what {
  padding: 4px 0 14px 76px;
  font-size: 14px;
}
dl {
  display: grid;
  grid-template-columns: minmax(140px, max-content) minmax(0, 1fr);
  gap: 2px 18px;
  margin-top: 4px;
}
dt {
  color: var(--faint);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
del {
  color: var(--attention);
  margin-right: 8px;
}
.further {
  margin-top: 16px;
}
@media (max-width: 900px) {
  .row {
    grid-template-columns: 56px 1fr;
  }
}
</style>
