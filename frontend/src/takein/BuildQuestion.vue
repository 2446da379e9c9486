<script setup lang="ts">
import type { Schemas } from '@/api/client'
import TellingPicture from './TellingPicture.vue'

/** The feature that tells the builds of a model apart, asked with its pictures before anything is chosen. */
defineProps<{ model: Schemas['UnitModel'] }>()
const chosen = defineModel<string>({ required: true })
</script>

<template>
  <div class="build" :class="{ open: !chosen }">
    <h2>{{ model.question }}</h2>
    <div class="pictures">
      <button
        v-for="each in model.builds"
        :key="each.build"
        type="button"
        :aria-pressed="chosen === each.build"
        @click="chosen = each.build"
      >
        <TellingPicture :picture="each.picture" :name="each.answer" />
        <span
          ><b>{{ each.answer }}</b
          ><br />build {{ each.build }}<template v-if="each.serial_range"> · {{ each.serial_range }}</template
          ><br /><i v-if="chosen === each.build">{{ each.differs }}</i></span
        >
      </button>
    </div>
    <p v-if="!chosen" class="att">Check this before choosing parts: the builds take different ones.</p>
  </div>
</template>

<style scoped>
.build {
  border: 1.5px solid var(--ink);
  padding: 10px 12px;
}
.build.open {
  border-color: var(--attention);
}
.pictures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 8px;
}
.pictures button {
  display: grid;
  gap: 4px;
  align-content: start;
  font-size: 14px;
  padding: 6px;
  border: 2px solid transparent;
}
.pictures button[aria-pressed='true'] {
  border-color: var(--ink);
}
</style>
