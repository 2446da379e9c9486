<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, resultOf } from '@/api/client'

/** The dictionary of codes in common use on rolling bearings. */
const ask = () => resultOf(api.POST('/api/calc/codes', { body: {} }))
const held = shallowRef<Awaited<ReturnType<typeof ask>>['answer']>(null)
const refused = ref('')
const search = ref('')
onMounted(async () => {
  const said = await ask()
  held.value = said.answer
  refused.value = said.refusal?.message ?? ''
})
/** What begins with the code that is typed, or says the words. */
const found = computed(() => {
  const text = search.value.trim().toLowerCase()
  return (held.value?.codes ?? []).filter(
    (each) => !text || each.code.toLowerCase().startsWith(text) || each.meaning.toLowerCase().includes(text),
  )
})
</script>

<template>
  <article class="look" aria-label="Codes on bearings">
    <h2>Codes on bearings</h2>
    <form class="row" @submit.prevent>
      <label
        >code or words
        <input v-model="search" name="code-search" class="fig wide" maxlength="40" autocomplete="off"
      /></label>
    </form>
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <p v-else-if="held && !found.length" class="faint">No code begins so, and none says that.</p>
    <table v-if="found.length">
      <thead>
        <tr>
          <th>code</th>
          <th>where</th>
          <th>meaning</th>
          <th>basis</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(each, i) in found" :key="i">
          <td class="fig code">{{ each.code }}</td>
          <td class="where">{{ each.place }}</td>
          <td>
            {{ each.meaning }}
            <span v-if="each.kinds.length" class="kinds"
              >on {{ each.kinds.join(', ').replace(/_/g, ' ') }}</span
            >
          </td>
          <td class="basis">{{ each.basis }}</td>
        </tr>
      </tbody>
    </table>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
.row .wide {
  width: 260px;
}
.code {
  font-size: 20px;
  white-space: nowrap;
}
.kinds {
  display: block;
  font-size: 13.5px;
  color: var(--faint);
}
.where,
.basis {
  color: var(--faint);
  white-space: nowrap;
}
</style>
