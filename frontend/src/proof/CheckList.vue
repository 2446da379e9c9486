<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import LazyInput from '@/entry/LazyInput.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { useKeys } from '@/shell/useKeys'

/** The checks that this unit needs, with their pass values; one key says it is met, another that it fails. */
const props = defineProps<{ checks: Schemas['ProofCheck'][]; results: Schemas['CheckResult'][] }>()
const emit = defineEmits<{ say: [key: string, what: Partial<Schemas['CheckResult']>] }>()
const at = ref(0)
const here = computed(() => props.checks[Math.min(at.value, props.checks.length - 1)])
const MARKS = { open: 'not_looked_at', holds: 'holds', fails: 'does_not_hold' }
const of = (key: string): Schemas['CheckResult'] | undefined => props.results.find((each) => each.key === key)
function step(by: number): void {
  at.value = Math.min(props.checks.length - 1, Math.max(0, at.value + by))
}
function say(result: 'holds' | 'fails'): void {
  if (!here.value) return
  emit('say', here.value.key, { result: of(here.value.key)?.result === result ? '' : result })
  if (at.value < props.checks.length - 1) at.value += 1
}
useKeys([
  { key: 'ArrowDown', words: 'next check', run: () => step(1) },
  { key: 'ArrowUp', words: 'previous check', run: () => step(-1) },
  { key: 'h', words: 'check met', run: () => say('holds') },
  { key: 'x', words: 'check failed', run: () => say('fails') },
])
</script>

<template>
  <ol class="checks" aria-label="checks">
    <li v-for="(check, i) in checks" :key="check.key" :class="{ here: i === at }" @click="at = i">
      <VerdictMark :state="MARKS[check.state]" silent />
      <div>
        <b>{{ check.words }}</b> <span class="faint">{{ check.of }}</span>
        <p v-if="i === at || check.state === 'fails'">{{ check.passes }}</p>
        <p v-if="check.why" class="stop">{{ check.why }}</p>
        <label v-if="check.unit && i === at" class="faint">
          read
          <LazyInput
            :name="`check-${check.code}`"
            class="fig"
            maxlength="20"
            inputmode="decimal"
            :value="of(check.key)?.reading ?? ''"
            :aria-label="`${check.words}: reading`"
            @take="(text) => emit('say', check.key, { reading: text })"
          />
          {{ check.unit }}
        </label>
      </div>
      <span v-if="i === at" class="keys">
        <button
          type="button"
          class="chip"
          :aria-pressed="of(check.key)?.result === 'holds'"
          @click.stop="say('holds')"
        >
          met <kbd>h</kbd>
        </button>
        <button
          type="button"
          class="chip"
          :aria-pressed="of(check.key)?.result === 'fails'"
          @click.stop="say('fails')"
        >
          fails <kbd>x</kbd>
        </button>
      </span>
    </li>
  </ol>
</template>

<style scoped>
.checks {
  list-style: none;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
li {
  display: grid;
  grid-template-columns: 16px 1fr;
  gap: 2px 10px;
  padding: 3px 16px 3px 18px;
  font-size: 15px;
}
li.here {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--action);
}
.keys {
  grid-column: 2;
  display: flex;
  gap: 8px;
}
input {
  width: 62px;
  font-size: 18px;
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
}
</style>
