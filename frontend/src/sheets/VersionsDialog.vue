<script setup lang="ts">
import Dialog from 'primevue/dialog'
import { computed, onMounted, ref } from 'vue'
import type { Refusal, Schemas, Result } from '@/api/client'

/** What stood here on Tuesday: who worked at a sheet and when, and what stood on it then; it can be taken back. */
interface Old {
  version: number
  tables: Schemas['Table'][]
}
const props = defineProps<{
  title: string
  list: () => Promise<Result<Schemas['Versions']>>
  look: (version: number) => Promise<Result<Old>>
}>()
const emit = defineEmits<{ close: []; back: [old: Old] }>()
const versions = ref<Schemas['Version'][]>([])
const old = ref<Old | null>(null)
const refusal = ref<Refusal | null>(null)
/** The newest is what stands now. */
const now = computed(() => versions.value[0]?.version ?? 0)
const chosen = computed(() => versions.value.find((each) => each.version === old.value?.version) ?? null)
function moment(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
}
async function pick(version: number): Promise<void> {
  const result = await props.look(version)
  refusal.value = result.refusal
  if (result.answer) old.value = result.answer
}
function step(by: number): void {
  const at = versions.value.findIndex((each) => each.version === old.value?.version)
  const next = versions.value[Math.min(versions.value.length - 1, Math.max(0, at + by))]
  if (next && next.version !== old.value?.version) void pick(next.version)
}
onMounted(async () => {
  const result = await props.list()
  refusal.value = result.refusal
  versions.value = result.answer?.versions ?? []
  const first = versions.value[0]
  if (first) await pick(first.version)
})
</script>

<template>
  <Dialog
    visible
    modal
    :header="`${title}: earlier versions`"
    :style="{ width: '1000px' }"
    @update:visible="emit('close')"
  >
    <p v-if="refusal" class="stop">{{ refusal.message }}</p>
    <p v-else-if="!versions.length" class="faint">No earlier version is kept yet.</p>
    <div v-else class="both" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
      <ol aria-label="versions, newest first">
        <li v-for="each in versions" :key="each.version">
          <button
            type="button"
            :aria-current="each.version === old?.version"
            @click="pick(each.version)"
            @focus="each.version !== old?.version && pick(each.version)"
          >
            <b>{{ moment(each.ended_at) }}</b>
            <span class="faint"
              >{{ each.person ?? 'before versions were kept'
              }}{{ each.version === now ? ', current' : '' }}</span
            >
          </button>
        </li>
      </ol>
      <section v-if="old" aria-label="that version">
        <template v-for="table in old.tables" :key="table.title">
          <table v-if="table.rows.length">
            <caption>
              {{
                table.title
              }}
            </caption>
            <thead>
              <tr>
                <th v-for="heading in table.headings" :key="heading" scope="col">{{ heading }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, i) in table.rows" :key="i">
                <td v-for="(cell, j) in row" :key="j">{{ cell }}</td>
              </tr>
            </tbody>
          </table>
        </template>
        <p v-if="old.tables.every((table) => !table.rows.length)" class="faint">Nothing was entered then.</p>
        <button v-if="chosen && chosen.version !== now" type="button" class="go" @click="emit('back', old)">
          Restore this version
        </button>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 270px 1fr;
  gap: 24px;
  height: 520px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  border-right: 1px solid var(--rule);
}
li button {
  display: block;
  width: 100%;
  padding: 8px 12px;
}
li button b,
li button span {
  display: block;
}
li button[aria-current='true'] {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--action);
}
section {
  overflow: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin-bottom: 18px;
}
caption {
  text-align: left;
  font-weight: 680;
  font-size: 17px;
  padding-bottom: 4px;
}
th {
  text-align: left;
  font-size: 13px;
  font-weight: 400;
  color: var(--faint);
  border-bottom: 1px solid var(--ink);
}
td {
  padding: 3px 14px 3px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 15px;
}
th,
td {
  padding-right: 14px;
}
</style>
