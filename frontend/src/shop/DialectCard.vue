<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import ChoiceChips from '@/entry/ChoiceChips.vue'

/** Makers' and markets' codes: read as they are, or put in as lines; each is tried before it is kept. */
type Code = Schemas['DialectCode']
const COLUMNS = ['code', 'place', 'attribute', 'value', 'meaning', 'basis', 'kinds', 'example'] as const
const EXAMPLE = 'QS,suffix,closure,seal_two,"contact seals, both sides",a list'
const session = useSession()
const dialects = ref<Schemas['DialectRecord'][]>([])
const shown = ref('')
const name = ref('')
const text = ref('')
const refusal = ref<Refusal | null>(null)
const kept = ref('')
/** The dialect that is being changed, as it was when that was begun. */
const begun = ref({ name: '', version: 0 })
const held = computed(() => dialects.value.find((each) => each.name === shown.value))
const codes = computed(() => held.value?.codes ?? [])

/** A line of a dialect's file: values apart by commas, a meaning with a comma in double quotes. */
function cells(line: string): string[] {
  const found: string[] = []
  for (const match of line.matchAll(/(?:"((?:[^"]|"")*)"|([^,]*))(?:,|$)/g)) {
    if (match.index === line.length && found.length && !line.endsWith(',')) break
    found.push((match[1]?.replace(/""/g, '"') ?? match[2] ?? '').trim())
  }
  return found
}
function parsed(): Code[] {
  const lines = text.value.split('\n').filter((line) => line.trim() && !line.startsWith('#'))
  return lines
    .map(cells)
    .filter((row) => row[0] !== 'code')
    .map(
      (row) =>
        Object.fromEntries(
          COLUMNS.map((column, i) => [column, row[i] ?? '']).filter(
            ([column, value]) => value || column !== 'basis',
          ),
        ) as unknown as Code,
    )
}
function edit(): void {
  name.value = shown.value
  begun.value = { name: shown.value, version: held.value?.version ?? 0 }
  text.value = codes.value
    .map((each) =>
      COLUMNS.map((column) => {
        const value = each[column] ?? ''
        return value.includes(',') ? `"${value}"` : value
      })
        .join(',')
        .replace(/,+$/, ''),
    )
    .join('\n')
}
async function load(): Promise<void> {
  const { answer } = await resultOf(api.GET('/api/dialects'))
  if (!answer) return
  dialects.value = answer.dialects
  shown.value ||= answer.dialects[0]?.name ?? ''
}
async function keep(): Promise<void> {
  const own = name.value.trim()
  const body = { name: own, version: begun.value.name === own ? begun.value.version : 0, codes: parsed() }
  const { answer, refusal: said } = await resultOf(api.PUT('/api/dialects', { body, ...withKey() }))
  refusal.value = said
  kept.value = ''
  if (!answer) return
  dialects.value = answer.dialects
  shown.value = body.name
  begun.value = { name: body.name, version: held.value?.version ?? 0 }
  kept.value = `${body.codes.length} codes of ${body.name} saved.`
}
onMounted(load)
</script>

<template>
  <section aria-label="dialects">
    <h1>Makers' and markets' codes</h1>
    <ChoiceChips
      label="dialect"
      :options="dialects.map((each) => [each.name, each.name] as const)"
      :chosen="shown"
      @choose="shown = $event"
    >
      <button v-if="held && session.may('lists')" type="button" class="plain" @click="edit">
        Edit these
      </button>
    </ChoiceChips>
    <dl class="codes" tabindex="0" aria-label="codes">
      <template v-for="each in codes" :key="each.code + each.value">
        <dt class="fig">{{ each.place === 'prefix' ? `${each.code}…` : `…${each.code}` }}</dt>
        <dd>
          {{ each.meaning }} <em v-if="each.kinds">on {{ each.kinds }}</em>
        </dd>
      </template>
    </dl>
    <form v-if="session.may('lists')" class="put" @submit.prevent="keep">
      <label>maker or market <input v-model="name" name="dialect-name" maxlength="40" required /></label>
      <label
        >one code per row: code, prefix or suffix, attribute, value, meaning, source, kinds, example
        <textarea
          v-model="text"
          name="dialect-codes"
          rows="6"
          spellcheck="false"
          :placeholder="EXAMPLE"
          required
        ></textarea>
      </label>
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <p v-else-if="kept" class="good" role="status">{{ kept }}</p>
      <button type="submit" class="go small">Check and save</button>
    </form>
  </section>
</template>

<style scoped>
h1 {
  margin-bottom: 8px;
}
.codes {
  display: grid;
  grid-template-columns: 74px 1fr 74px 1fr;
  gap: 3px 10px;
  margin: 12px 0 18px;
  font-size: 15px;
  max-height: 250px;
  overflow: auto;
}
dt {
  font-size: 18px;
}
dd {
  margin: 0;
}
dd em {
  font-style: normal;
  color: var(--faint);
}
.put {
  display: grid;
  gap: 9px;
}
label {
  font-size: 13px;
  color: var(--faint);
  display: grid;
}
input,
textarea {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  font-size: 15px;
  padding: 6px 8px;
  font-family: inherit;
}
.small {
  width: 200px;
}
</style>
