<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, resultOf } from '@/api/client'
import { whole } from '@/drawing/figures'
import { openedWith } from './opened'

/** Rubbers against media: what lasts, what fails; heat, cold and density. */
const ask = () => resultOf(api.POST('/api/calc/media', { body: {} }))
const held = shallowRef<Awaited<ReturnType<typeof ask>>['answer']>(null)
const refused = ref('')
const medium = ref(openedWith(['medium'])?.medium ?? '')
onMounted(async () => {
  const said = await ask()
  held.value = said.answer
  refused.value = said.refusal?.message ?? ''
})
const media = computed(() => Object.entries(held.value?.media ?? {}))
const STANDS = {
  lasts: { mark: '●', words: 'lasts' },
  ask: { mark: '◑', words: 'limited: ask the supplier' },
  fails: { mark: '☒', words: 'fails' },
} as const
const stands = (rubber: string, of: string): keyof typeof STANDS =>
  held.value?.verdicts[rubber]?.[of] ?? 'ask'
/** What lasts in the medium that is chosen stands first. */
const rubbers = computed(() => {
  const all = [...(held.value?.rubbers ?? [])]
  return medium.value
    ? all.sort((a, b) => (b.stands[medium.value] ?? 0) - (a.stands[medium.value] ?? 0))
    : all
})
</script>

<template>
  <article class="look" aria-label="Rubbers and media">
    <h2>Rubbers and media</h2>
    <form class="row" @submit.prevent>
      <label
        >medium
        <select v-model="medium" name="look-medium">
          <option value="">all</option>
          <option v-for="[name, words] in media" :key="name" :value="name">{{ words }}</option>
        </select></label
      >
    </form>
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <table v-if="held">
      <thead>
        <tr>
          <th>rubber</th>
          <th>°C</th>
          <th>g/cm³</th>
          <th
            v-for="[name, words] in media.filter(([name]) => !medium || name === medium)"
            :key="name"
            class="medium"
          >
            {{ words }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in rubbers" :key="each.name">
          <td class="fig rubber" :title="each.words">{{ each.name }}</td>
          <td class="fig range">{{ whole(each.cold_c) }} … {{ each.heat_c }}</td>
          <td class="fig range">
            {{ each.density_g_cm3.map((n) => n.toFixed(2)).join(' … ') }}
          </td>
          <td
            v-for="[name] in media.filter(([name]) => !medium || name === medium)"
            :key="name"
            :class="stands(each.name, name)"
          >
            <span
              :title="STANDS[stands(each.name, name)].words"
              :aria-label="STANDS[stands(each.name, name)].words"
              >{{ STANDS[stands(each.name, name)].mark }}</span><template v-if="medium">
              {{ STANDS[stands(each.name, name)].words }}</template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p class="legend">
      <span v-for="(each, name) in STANDS" :key="name" :class="name">{{ each.mark }} {{ each.words }}</span>
    </p>
    <p class="faint">
      Dry figures from handbooks, from memory: ask the supplier for the compound in hand. The density tells
      FKM and PTFE from the rest and nothing else.
    </p>
  </article>
</template>

<style scoped src="./look.css"></style>
<style scoped>
td,
th {
  padding-right: 9px;
}
th.medium {
  max-width: 74px;
  font-size: 13px;
}
.rubber {
  font-size: 18px;
  white-space: nowrap;
}
.range {
  white-space: nowrap;
}
td {
  font-size: 14px;
}
.legend {
  display: flex;
  gap: 18px;
  font-size: 14.5px;
  margin-top: 10px;
}
.fails {
  color: var(--stop);
  font-weight: 600;
}
.ask {
  color: var(--unsure);
}
.lasts {
  color: var(--good);
}
</style>
