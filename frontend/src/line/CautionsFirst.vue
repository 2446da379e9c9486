<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** Cautions that nobody has read yet stand before the work; each is acknowledged by a person. */
defineProps<{ cautions: Schemas['Caution'][] }>()
const emit = defineEmits<{ read: [caution: string] }>()
</script>

<template>
  <section class="first" aria-label="cautions before opening">
    <h2>Before opening</h2>
    <p class="faint">
      Each card is read and acknowledged by a person. Local rules, the unit's manual and licensed people
      decide; no card says that anything is safe.
    </p>
    <article v-for="(each, i) in cautions" :key="each.caution" :class="{ first: i === 0 }">
      <div>
        <h3>{{ each.title }}</h3>
        <p>{{ each.do }}</p>
        <p v-if="each.licence" class="att">
          <b>Only: {{ each.licence }}.</b>
        </p>
      </div>
      <button type="button" :class="i === 0 ? 'go' : 'chip'" @click="emit('read', each.caution)">
        I have read it <kbd v-if="i === 0">Enter</kbd>
      </button>
    </article>
  </section>
</template>

<style scoped>
.first {
  max-width: 860px;
  margin: 0 auto;
  padding: 18px 20px 30px;
}
h2 {
  font-size: 26px;
}
article {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 18px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 9px 0 9px 14px;
  border-left: 5px solid var(--rule);
}
article.first {
  border-left-color: var(--attention);
}
.go {
  width: auto;
  min-height: 44px;
  padding: 8px 16px;
}
h3 {
  font-size: 17px;
}
article p {
  font-size: 15px;
}
</style>
