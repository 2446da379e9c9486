<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import PartSection from '@/drawing/PartSection.vue'
import { partSize } from '@/drawing/sizes'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import MarkingSpans from '@/drawing/MarkingSpans.vue'
import { useJob } from '@/job/useJob'
import { handStays } from '@/shell/leading'
import { useKeys } from '@/shell/useKeys'
import RequirementList from '@/job/RequirementList.vue'
import CompareTable from './CompareTable.vue'
import EquivalentRow from './EquivalentRow.vue'
import OfferedBox from './OfferedBox.vue'

type Equivalent = Schemas['Equivalent']
const route = useRoute()
const router = useRouter()
const job = useJob()
const partId = Number(route.params.partId)
const match = ref<Schemas['MatchAnswer'] | null>(null)
const refusal = ref<Refusal | null>(null)
const at = ref(0)
const compared = ref<number[]>([])
const list = ref<HTMLElement | null>(null)
const offered = ref<InstanceType<typeof OfferedBox> | null>(null)
/** Where an equivalent comes from, and what that is called; what contradicts the old part stands last. */
const GROUPS = [
  ['rule', 'same part, other makers’ codes'],
  ['record', 'fitted before'],
  ['size', 'same size, other attributes'],
  ['other', 'contradicts what is known of the old part'],
] as const
const OF_A_BEARING = 'same bore and outside, other attributes'
const contradicts = (each: Equivalent | undefined): boolean =>
  Boolean(each?.interchange.contradictions.length)

const groups = computed(() => {
  const m = match.value
  if (!m) return []
  const rows: Record<string, Equivalent[]> = {
    rule: m.by_rule,
    record: m.by_record,
    size: m.by_size.filter((each) => !contradicts(each)),
    other: m.by_size.filter(contradicts),
  }
  const bearing = (m.chosen?.family ?? 'bearing') === 'bearing'
  return GROUPS.map(([name, words]) => ({
    name,
    words: name === 'size' && bearing ? OF_A_BEARING : words,
    rows: rows[name] ?? [],
  })).filter((group) => group.rows.length)
})
/** Of all that is listed nothing is what must be had: a supplier is asked. */
const nothingMeets = computed(() => match.value !== null && all.value.every(contradicts))
const all = computed(() => groups.value.flatMap((group) => group.rows))
const current = computed(() => all.value[at.value])
const columns = computed(() => {
  const picked = compared.value
    .map((id) => all.value.find((each) => each.item.item_id === id))
    .filter((each): each is Equivalent => Boolean(each))
  if (current.value && !picked.some((each) => each.item.item_id === current.value?.item.item_id))
    picked.push(current.value)
  return picked.slice(0, 3)
})
/** Where it goes, and how many: what a supplier and the bench both ask. */
const place = computed(() => {
  const { line, neighbours } = match.value?.requirement.place ?? {}
  const count = match.value?.requirement.count ?? 1
  return [
    count > 1 ? `${count} needed` : '',
    line,
    neighbours?.length ? `beside ${neighbours.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('; ')
})
const part = computed(() => job.state?.parts.find((each) => each.part.part_id === partId)?.part)

async function load(): Promise<void> {
  const stays = handStays()
  const { answer, refusal: why } = await resultOf(
    api.GET('/api/parts/{part_id}/match', { params: { path: { part_id: partId } } }),
  )
  refusal.value = why
  if (!answer) return
  match.value = answer
  const chosen = all.value.findIndex((each) => each.item.item_id === answer.match_item_id)
  at.value = Math.max(0, chosen)
  await nextTick()
  if (stays()) list.value?.focus()
  // where the list is below the original, the original stays in sight
  if (innerWidth > 900) list.value?.querySelector('.now')?.scrollIntoView({ block: 'center' })
}
function move(by: number): void {
  at.value = Math.min(Math.max(at.value + by, 0), all.value.length - 1)
  void nextTick(() => list.value?.querySelector('.now')?.scrollIntoView({ block: 'nearest' }))
}
function beside(): void {
  const id = current.value?.item.item_id
  if (!id) return
  if (compared.value.includes(id)) compared.value = compared.value.filter((each) => each !== id)
  else compared.value = [...compared.value, id].slice(-3)
}
async function choose(): Promise<void> {
  if (!current.value || !match.value) return
  const { answer, refusal: why } = await resultOf(
    api.POST('/api/parts/{part_id}/match', {
      params: { path: { part_id: partId } },
      body: { item_id: current.value.item.item_id, version: match.value.match_version },
      ...withKey(),
    }),
  )
  refusal.value = why
  if (why?.status === 409) await load()
  if (answer) {
    await job.refresh()
    await router.push({ name: 'seats', params: route.params })
  }
}
useKeys([
  { key: 'ArrowDown', words: 'next equivalent', run: () => move(1) },
  { key: 'ArrowUp', words: 'previous equivalent', run: () => move(-1) },
  { key: ' ', words: 'compare with the original (up to three)', run: beside },
  { key: 'Enter', words: 'choose it, then Seats', run: () => void choose() },
  { key: 'o', words: 'what a supplier offers', run: () => offered.value?.focus() },
  {
    key: 'e',
    words: 'enquiry sheet',
    run: () => void router.push({ name: 'enquiry', params: route.params }),
  },
])
onMounted(load)
</script>

<template>
  <main class="two">
    <section class="left">
      <div class="where">
        <h1>{{ part?.name ?? 'Match' }}</h1>
        <span class="faint">{{ part?.surroundings }}</span>
      </div>
      <p v-if="refusal" class="note">
        {{ refusal.message }} {{ refusal.hint }}
        <RouterLink
          v-if="refusal.code === 'not_identified'"
          class="plain"
          :to="{ name: 'bench', params: route.params }"
          >Go to the Bench</RouterLink
        >
      </p>
      <template v-if="match">
        <div class="spec">
          <PartSection
            :size="partSize(match.chosen.kind, match.chosen.dimensions, match.ball_mm)"
            :closure="match.chosen.closure"
            :width="92"
            :height="128"
            :name="`section of ${match.marking}`"
          />
          <div>
            <MarkingSpans v-if="match.reading" :reading="match.reading" :text="match.marking" large />
            <p v-else class="fig title">{{ match.marking }}</p>
            <p class="fig dims">
              {{ match.chosen.size_text }}
              <span class="faint">{{ place }}</span>
            </p>
            <RequirementList :requirement="match.requirement" class="wanted" />
            <ReferenceLink
              v-if="match.chosen.family === 'bearing'"
              question="look-codes"
              words="codes and their meaning"
            />
          </div>
        </div>
        <CompareTable :original="match.marking" :columns="columns" :current="current?.item.item_id ?? 0" />
        <OfferedBox ref="offered" :part-id="partId" />
      </template>
    </section>
    <section class="offers" aria-label="equivalents">
      <div class="over">
        <p v-if="nothingMeets" class="none att">
          <b>No catalogue item meets the requirement.</b> Type what a supplier offers in the box, or
          <RouterLink class="plain" :to="{ name: 'enquiry', params: route.params }"
            >print an enquiry <kbd>e</kbd></RouterLink
          >.
        </p>
      </div>
      <div
        ref="list"
        class="list"
        tabindex="0"
        role="listbox"
        aria-label="equivalents"
        :aria-activedescendant="current ? `eq-${current.item.item_id}` : undefined"
      >
        <div v-for="group in groups" :key="group.name" role="group" :aria-label="group.words">
          <h2 aria-hidden="true">{{ group.words }}</h2>
          <EquivalentRow
            v-for="each in group.rows"
            :id="`eq-${each.item.item_id}`"
            :key="each.item.item_id"
            :equivalent="each"
            :now="each.item.item_id === current?.item.item_id"
            :beside="compared.includes(each.item.item_id)"
            :taken="each.item.item_id === match?.match_item_id"
            @click="at = all.indexOf(each)"
          />
        </div>
      </div>
      <div class="foot">
        <p v-if="match?.by_size_more" class="faint none">{{ match.by_size_more }} more differ further.</p>
        <p v-if="current" class="verdict">
          <b :class="{ stop: current.interchange.contradictions.length }">{{ current.interchange.words }}</b>
          <template v-if="current.interchange.contradictions.length">
            It contradicts what is known of the old part: {{ current.interchange.contradictions.join(', ') }}.
          </template>
        </p>
        <button v-if="current" type="button" class="go" @click="choose">
          <span>Choose {{ current.item.marking }}{{ contradicts(current) ? ' anyway' : ', then Seats' }}</span
          ><kbd>Enter</kbd>
        </button>
      </div>
    </section>
  </main>
</template>

<style scoped>
.left {
  display: grid;
  grid-template-rows: 58px auto minmax(0, 1fr) auto;
}
.wanted {
  margin-top: 8px;
}
.title {
  font-size: 34px;
  line-height: 1.1;
}
.spec {
  display: flex;
  align-items: center;
  gap: 26px;
  padding: 16px 20px 14px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.dims {
  font-size: 22px;
  margin-top: 10px;
}
.dims .faint {
  font-size: 14px;
  font-stretch: 100%;
  font-weight: 400;
  margin-left: 12px;
}
.offers {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
}
.list {
  overflow: auto;
  outline: none;
}
h2 {
  font-size: 14px;
  font-weight: 600;
  color: var(--faint);
  padding: 13px 20px 5px;
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
.verdict {
  padding: 12px 20px;
  background: var(--sheet);
  border-top: 2px solid var(--ink);
  font-size: 16px;
}
.none {
  padding: 12px 20px;
}
</style>
