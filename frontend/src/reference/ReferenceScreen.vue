<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, resultOf, type Refusal, type Schemas } from '@/api/client'
import { useKeys } from '@/shell/useKeys'
import { LOOK_UP } from './lookUp'
import WorkedPage from './WorkedPage.vue'

/** The handbook: every formula behind a judgement as a small worked page. */
const route = useRoute()
const router = useRouter()
const book = ref<Schemas['HandbookAnswer'] | null>(null)
const refusal = ref<Refusal | null>(null)
const search = ref('')
const field = ref<HTMLInputElement | null>(null)
const chosen = computed(() => String(route.params.question ?? ''))
const page = computed(() => book.value?.pages.find((each) => each.question === chosen.value))
const look = computed(() => LOOK_UP.find((each) => each.question === chosen.value))
/** Every word looked for stands somewhere in the text. */
const says = (text: string): boolean =>
  search.value
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word))
function found(each: Schemas['Page']): boolean {
  const fields = each.fields.map((own) => own.words).join(' ')
  return says(`${each.words} ${each.question.replace(/_/g, ' ')} ${fields} ${each.source}`)
}
interface Topic {
  topic: string
  words: string
  pages: readonly { question: string; words: string }[]
}
const lookUp = computed((): Topic => ({
  topic: 'look_up',
  words: 'Look up',
  pages: LOOK_UP.filter((each) => says(`${each.words} ${each.also}`)),
}))
const topics = computed((): Topic[] =>
  [
    lookUp.value,
    ...(book.value?.topics ?? []).map((topic) => ({
      ...topic,
      pages: (book.value?.pages ?? []).filter((each) => each.topic === topic.topic && found(each)),
    })),
  ].filter((topic) => topic.pages.length),
)
const listed = computed(() => topics.value.flatMap((topic) => topic.pages))
function open(question: string | undefined): void {
  if (question && question !== chosen.value) void router.replace({ name: 'reference', params: { question } })
}
function step(by: number): void {
  const at = listed.value.findIndex((each) => each.question === chosen.value)
  open(listed.value[(at + by + listed.value.length) % listed.value.length]?.question)
}
/** Enter opens the page found, and the hand is led to its first field. */
const entered = ref(false)
function enter(): void {
  entered.value = true // pressed before the book is there, it is carried out when it comes
  if (book.value) lead()
}
function lead(): void {
  const there = listed.value.some((each) => each.question === chosen.value)
  if (!there && listed.value.length) return open(listed.value[0]?.question)
  if (there)
    document.querySelector<HTMLElement>('.worked input, .worked select, .look input, .look select')?.focus()
  entered.value = false
}
watch([chosen, book], async () => {
  await nextTick()
  document.querySelector('.pages [aria-current]')?.scrollIntoView({ block: 'nearest' })
  if (entered.value && book.value) lead()
})
useKeys([
  { key: 's', words: 'search the handbook', run: () => field.value?.focus() },
  { key: 'n', words: 'next page', run: () => step(1) },
  { key: 'p', words: 'previous page', run: () => step(-1) },
])
async function load(): Promise<void> {
  const said = await resultOf(api.POST('/api/calc/handbook', { body: { question: null } }))
  refusal.value = said.refusal
  if (!said.answer) return
  book.value = said.answer
  const waits = entered.value && listed.value.length
  if (!page.value && !look.value && !waits) open(LOOK_UP[0]?.question)
}
onMounted(() => {
  field.value?.focus() // at once: later it would be taken away from whoever types already
  void load()
})
</script>

<template>
  <main class="two reference">
    <nav class="contents" aria-label="pages of the handbook">
      <label class="search"
        >search <kbd>s</kbd
        ><input
          ref="field"
          v-model="search"
          name="search"
          autocomplete="off"
          maxlength="60"
          @keydown.down.prevent="step(1)"
          @keydown.up.prevent="step(-1)"
          @keydown.enter.prevent="enter"
      /></label>
      <p v-if="refusal" class="stop">
        {{ refusal.message }} <button type="button" class="plain" @click="load">Try again</button>
      </p>
      <div class="pages">
        <section v-for="topic in topics" :key="topic.topic">
          <h3>{{ topic.words }}</h3>
          <button
            v-for="each in topic.pages"
            :key="each.question"
            type="button"
            :class="{ on: each.question === chosen }"
            :aria-current="each.question === chosen ? 'page' : undefined"
            @click="open(each.question)"
          >
            {{ each.words }}
          </button>
        </section>
        <p v-if="book && !topics.length" class="faint">No page has all these words.</p>
      </div>
    </nav>
    <section class="sheet">
      <component :is="look.page" v-if="look" :key="look.question" />
      <WorkedPage v-else-if="page" :key="page.question" :page="page" />
    </section>
  </main>
</template>

<style scoped>
.reference {
  display: grid;
  grid-template-columns: 410px minmax(0, 1fr);
  min-height: 0;
}
.contents {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  border-right: 2px solid var(--ink);
}
.search {
  display: block;
  font-size: 13px;
  color: var(--faint);
  padding: 14px 20px 12px;
  border-bottom: 1px solid var(--rule);
}
.search input {
  width: 100%;
  height: 36px;
  font-size: 20px;
  border: 0;
  border-bottom: 1.5px solid var(--ink);
  background: transparent;
  color: var(--ink);
}
.pages {
  overflow-y: auto;
  padding: 4px 0 20px;
}
h3 {
  font-size: 13px;
  font-weight: 600;
  color: var(--faint);
  padding: 14px 20px 4px;
}
.pages button {
  display: block;
  width: 100%;
  border: 0;
  background: transparent;
  color: var(--ink);
  text-align: left;
  font-size: 15px;
  line-height: 1.25;
  padding: 6px 20px;
  cursor: pointer;
}
.pages button:hover {
  background: var(--sheet);
}
.pages button.on {
  background: var(--ink);
  color: var(--sheet);
}
.pages p {
  padding: 14px 20px;
}
.sheet {
  background: var(--sheet);
  overflow-y: auto;
}
@media (max-width: 900px) {
  .reference {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 260px auto;
  }
}
</style>
