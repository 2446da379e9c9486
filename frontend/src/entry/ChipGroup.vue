<script setup lang="ts">
/** Words to tick, under a word for the group. */
defineProps<{ words: string; options: { name: string; words: string }[]; chosen: readonly string[] }>()
const emit = defineEmits<{ toggle: [name: string] }>()
</script>

<template>
  <div class="chips" role="group" :aria-label="words">
    <span>{{ words }}</span>
    <button
      v-for="each in options"
      :key="each.name"
      type="button"
      class="chip"
      :aria-pressed="chosen.includes(each.name)"
      @click="emit('toggle', each.name)"
    >
      {{ each.words }}
    </button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 5px;
  position: relative;
  padding-left: 106px;
}
.chips > span {
  position: absolute;
  left: 0;
  top: 3px;
  max-width: 102px;
  font-size: 14px;
  line-height: 1.15;
  color: var(--faint);
}
.chip {
  min-height: 27px;
  padding: 0 8px;
  font-stretch: 92%;
}
</style>
