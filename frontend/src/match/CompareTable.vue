<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'

/** Attribute by attribute: differences first, what is the same folded. */
const props = defineProps<{ original: string; columns: Schemas['Equivalent'][]; current: number }>()
const open = ref(false)
const WORDS: Record<string, string> = {
  same: 'same',
  better: 'better',
  worse: 'worse',
  change: 'differs',
  unknown: 'unknown',
}
const rows = computed(() => {
  const names = props.columns[0]?.interchange.attributes.map((each) => each.name) ?? []
  const order = props.columns.flatMap((column) =>
    column.interchange.attributes.filter((each) => each.judgement !== 'same').map((each) => each.name),
  )
  const sorted = [...new Set([...order, ...names])]
  return sorted.map((name) => {
    const cells = props.columns.map((column) =>
      column.interchange.attributes.find((each) => each.name === name),
    )
    return {
      name,
      from: cells[0]?.from ?? '',
      cells,
      same: cells.every((cell) => cell?.judgement === 'same'),
    }
  })
})
const differing = computed(() => rows.value.filter((row) => !row.same))
const same = computed(() => rows.value.filter((row) => row.same))
</script>

<template>
  <div class="compare">
    <table v-if="columns.length">
      <thead>
        <tr>
          <td></td>
          <th class="fig">{{ original }}</th>
          <th
            v-for="column in columns"
            :key="column.item.item_id"
            class="fig"
            :class="{ now: column.item.item_id === current }"
          >
            {{ column.item.marking }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in differing" :key="row.name">
          <th>{{ row.name }}</th>
          <td>{{ row.from }}</td>
          <td v-for="(cell, i) in row.cells" :key="i" :class="{ now: columns[i]?.item.item_id === current }">
            <template v-if="cell">
              <span
                :class="{
                  good: cell.judgement === 'better',
                  att: cell.judgement === 'worse' || cell.judgement === 'change',
                  unsure: cell.judgement === 'unknown',
                }"
                ><b>{{ cell.judgement === 'same' ? 'same' : cell.to }}</b>
                <i v-if="cell.judgement !== 'same'">{{ WORDS[cell.judgement] }}</i></span
              >
              <p v-if="cell.consequence">{{ cell.consequence }}</p>
            </template>
          </td>
        </tr>
        <tr v-if="!differing.length">
          <th></th>
          <td :colspan="columns.length + 1" class="all">No marked difference.</td>
        </tr>
        <template v-if="open">
          <tr v-for="row in same" :key="row.name" class="same">
            <th>{{ row.name }}</th>
            <td>{{ row.from }}</td>
            <td v-for="(cell, i) in row.cells" :key="i" class="faint">
              same <small>{{ cell?.basis }}</small>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <button v-if="same.length" type="button" class="plain" @click="open = !open">
      {{ open ? 'hide' : 'identical:' }}
      {{ open ? 'what is the same' : same.map((row) => row.name).join(', ') }}
    </button>
  </div>
</template>

<style scoped>
.compare {
  overflow: auto;
  padding: 14px 20px 20px;
}
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
th {
  text-align: left;
  font-weight: 600;
  vertical-align: top;
}
thead th {
  font-size: 24px;
  padding: 0 10px 6px 0;
  border-bottom: 2px solid var(--ink);
  white-space: nowrap;
}
thead th:first-child,
tbody th {
  width: 100px;
}
tbody th {
  color: var(--faint);
  font-size: 14px;
  padding: 10px 10px 8px 0;
}
td {
  padding: 9px 14px 9px 0;
  vertical-align: top;
  font-size: 15px;
}
tbody tr {
  border-bottom: 1px solid var(--rule);
}
td p {
  font-size: 14.5px;
  margin-top: 2px;
}
td b {
  font-weight: 650;
}
.all {
  font-size: 17px;
}
.same td,
.same th {
  padding-top: 5px;
  padding-bottom: 5px;
}
.plain {
  margin-top: 12px;
  font-size: 14px;
  font-weight: 500;
}
td i {
  font-style: normal;
  margin-left: 8px;
  font-size: 14px;
}
</style>
