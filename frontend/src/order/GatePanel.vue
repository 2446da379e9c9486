<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import VerdictMark from '@/drawing/VerdictMark.vue'
import { STATE_WORDS } from '@/drawing/verdicts'
import { CHECKS } from './checks'

/** What is unproven about the line in hand, in words; each can be passed with a reason that stays on record. */
const props = defineProps<{
  line: Schemas['OrderLine']
  placed: boolean
  pass: (light: Schemas['Light'], reason: string) => Promise<boolean>
}>()
const session = useSession()
const asking = ref<string | null>(null)
const reason = ref('')

async function ask(light: string): Promise<void> {
  asking.value = light
  reason.value = localStorage.getItem(`ample:reason:${props.line.line_id}:${light}`) ?? ''
  await nextTick()
  document.querySelector<HTMLTextAreaElement>('.reason textarea')?.focus()
}
function keep(text: string | undefined): void {
  localStorage.setItem(`ample:reason:${props.line.line_id}:${asking.value}`, text ?? '')
}
async function give(light: Schemas['Light']): Promise<void> {
  if (reason.value.trim().length < 8) return
  if (await props.pass(light, reason.value.trim())) {
    localStorage.removeItem(`ample:reason:${props.line.line_id}:${light.light}`)
    asking.value = null
    reason.value = ''
  }
}
</script>

<template>
  <div class="panel">
    <h2 class="fig">{{ line.item.marking }}</h2>
    <p class="faint for">{{ line.part_name }}, job {{ line.job_number }} {{ line.job_title }}</p>
    <section v-for="light in line.lights" :key="light.light" class="light">
      <VerdictMark :state="light.state" :size="18" :passed="!!light.passed_reason" silent />
      <div>
        <h3>
          {{ CHECKS[light.light]?.words ?? light.light }}
          {{ light.passed_reason ? 'overridden' : STATE_WORDS[light.state] }}
        </h3>
        <p>{{ light.words }}</p>
        <p v-if="light.passed_reason" class="doubt">{{ light.passed_by }}: {{ light.passed_reason }}</p>
        <template v-else-if="light.state !== 'holds' && !placed">
          <p v-if="!session.may('override')" class="faint">
            {{ session.person?.name }} ({{ session.person?.role }}) may not override it. Ask someone who may.
          </p>
          <form v-else-if="asking === light.light" class="reason" @submit.prevent="give(light)">
            <Textarea
              v-model="reason"
              rows="2"
              maxlength="300"
              aria-label="reason"
              placeholder="reason for ordering anyway"
              @update:model-value="keep"
              @keydown.ctrl.enter.prevent="give(light)"
              @keydown.esc="asking = null"
            />
            <button type="submit" class="chip" :disabled="reason.trim().length < 8">
              override with this reason
            </button>
          </form>
          <button v-else type="button" class="plain" @click="ask(light.light)">override with a reason</button>
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
.light {
  display: grid;
  grid-template-columns: 26px 1fr;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
h3 {
  font-size: 16px;
}
.light p {
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
