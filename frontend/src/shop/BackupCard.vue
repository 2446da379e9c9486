<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, resultOf, type Schemas } from '@/api/client'
import VerdictMark from '@/drawing/VerdictMark.vue'

/** The daily backup: when the last one was made, and whether restoring it proved that it is whole. */
const held = ref<Schemas['Backup'] | null>(null)
const last = computed(() => held.value?.last ?? null)
const when = computed(() =>
  last.value
    ? new Date(last.value.at).toLocaleString('en-GB', {
        weekday: 'long',
        day: 'numeric',
        month: 'long',
        hour: '2-digit',
        minute: '2-digit',
      })
    : '',
)
onMounted(async () => {
  held.value = (await resultOf(api.GET('/api/backup'))).answer
})
</script>

<template>
  <section v-if="held" aria-label="daily backup">
    <h1 class="second">Daily backup</h1>
    <article v-if="last" class="tool">
      <VerdictMark :state="last.proved ? 'holds' : 'does_not_hold'" silent />
      <div>
        <b>{{ when }}</b>
        <p :class="last.proved ? 'faint' : 'att'">
          {{ last.proved ? `verified: ${last.words}` : `failed: ${last.words}` }}
        </p>
      </div>
      <p v-if="last.proved" class="fig u">{{ (last.size_bytes / 1e6).toFixed(1) }}<em>MB</em></p>
      <p class="fig u">{{ held.kept }}<em>kept</em></p>
    </article>
    <p v-else class="faint">
      None yet. One is made each day while Ample runs, the first ten minutes after it starts.
    </p>
  </section>
</template>

<style scoped>
.second {
  margin: 26px 0 8px;
}
.tool {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) 84px 84px;
  align-items: center;
  gap: 12px;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
.u {
  font-size: 19px;
  text-align: right;
}
.u em {
  display: block;
  font-style: normal;
  font-size: 13px;
  color: var(--faint);
}
</style>
