<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { STATE_WORDS } from '@/drawing/verdicts'
import { CHECKS } from './checks'

/** The checks of an item, in words; each open one can be overridden with a reason that stays on record. */
const props = defineProps<{
  line: Schemas['OrderLine']
  placed: boolean
  pass: (check: Schemas['CheckAnswer'], reason: string) => Promise<boolean>
}>()
const session = useSession()
const asking = ref<string | null>(null)
const reason = ref('')

async function ask(check: string): Promise<void> {
  asking.value = check
  reason.value = localStorage.getItem(`ample:reason:${props.line.line_id}:${check}`) ?? ''
  await nextTick()
  document.querySelector<HTMLTextAreaElement>('.reason textarea')?.focus()
}
/** By key: the first that is open. */
function askFirst(): void {
  const open = props.line.lights.find((check) => check.state !== 'holds' && !check.passed_reason)
  if (open && !props.placed && session.may('override')) void ask(open.light)
}
defineExpose({ askFirst })
function keep(text: string | undefined): void {
  localStorage.setItem(`ample:reason:${props.line.line_id}:${asking.value}`, text ?? '')
}
async function give(check: Schemas['CheckAnswer']): Promise<void> {
  if (reason.value.trim().length < 8) return
  if (await props.pass(check, reason.value.trim())) {
    localStorage.removeItem(`ample:reason:${props.line.line_id}:${check.light}`)
    if (asking.value !== check.light) return // the next one has been opened meanwhile
    asking.value = null
    reason.value = ''
  }
}
</script>

<template>
  <div class="panel">
    <h2 class="fig">{{ line.item.marking }}</h2>
    <p class="faint for">{{ line.part_name }}, job {{ line.job_number }} {{ line.job_title }}</p>
    <section v-for="check in line.lights" :key="check.light" class="check">
      <VerdictMark :state="check.state" :size="18" :passed="!!check.passed_reason" silent />
      <div>
        <h3>
          {{ CHECKS[check.light]?.words ?? check.light }}
          {{ check.passed_reason ? 'overridden' : STATE_WORDS[check.state] }}
        </h3>
        <p>{{ check.words }}</p>
        <p v-if="check.passed_reason" class="unsure">{{ check.passed_by }}: {{ check.passed_reason }}</p>
        <template v-else-if="check.state !== 'holds' && !placed">
          <p v-if="!session.may('override')" class="faint">
            {{ session.person?.name }} ({{ session.person?.role }}) may not override it. Ask someone who may.
          </p>
          <form v-else-if="asking === check.light" class="reason" @submit.prevent="give(check)">
            <Textarea
              v-model="reason"
              rows="2"
              maxlength="300"
              aria-label="reason"
              placeholder="reason for ordering anyway"
              @update:model-value="keep"
              @keydown.ctrl.enter.prevent="give(check)"
              @keydown.esc="asking = null"
            />
            <button type="submit" class="chip" :disabled="reason.trim().length < 8">
              override with this reason
            </button>
          </form>
          <button v-else type="button" class="plain" @click="ask(check.light)">override with a reason</button>
        </template>
      </div>
    </section>
    <p v-if="line.other_offers.length" class="faint for">
      also offered by
      <template v-for="offer in line.other_offers" :key="offer.supplier_id"
        >{{ offer.supplier }}: {{ offer.price }} in {{ offer.lead_days }} days
      </template>
    </p>
  </div>
</template>

<style scoped>
.panel {
  overflow: auto;
  padding: 16px 20px;
}
h2 {
  font-size: 36px;
  line-height: 1.05;
}
.for {
  font-size: 14.5px;
  margin-bottom: 8px;
}
.check {
  display: grid;
  grid-template-columns: 26px 1fr;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
h3 {
  font-size: 16px;
}
.check p {
  font-size: 14.5px;
}
.plain {
  font-size: 14.5px;
}
.reason {
  display: grid;
  gap: 6px;
  margin-top: 6px;
  justify-items: start;
}
.reason :deep(textarea) {
  width: 100%;
  font-size: 15px;
}
.reason .chip:disabled {
  color: var(--faint);
}
</style>
