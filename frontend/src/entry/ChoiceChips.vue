<script setup lang="ts">
/** One of a few words, chosen; what stands beside them comes in the slot. */
defineProps<{
  label: string
  options: readonly (readonly [value: string, words: string])[]
  chosen: string
}>()
const emit = defineEmits<{ choose: [value: string] }>()
</script>

<template>
  <div role="radiogroup" :aria-label="label" class="chips">
    <button
      v-for="[value, words] in options"
      :key="value"
      type="button"
      role="radio"
      class="chip"
      :aria-checked="chosen === value"
      @click="emit('choose', value)"
    >
      {{ words }}
    </button>
    <slot />
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
</style>
