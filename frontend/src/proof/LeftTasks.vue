<script setup lang="ts">
import type { Schemas } from '@/api/client'
import LazyInput from '@/entry/LazyInput.vue'
import type { Proof } from './useProof'

/** What to come back to, before and after, and the note for the next person. */
const sheet = defineModel<Proof>({ required: true })
const props = defineProps<{
  late: string[]
  compared: Map<string, Schemas['ComparedJudged']>
  helped: Schemas['ProofJudged']['which_helped']
}>()
defineEmits<{
  remove: [rows: 'tasks' | 'compared' | 'changes', key: string]
  add: [rows: 'tasks' | 'compared' | 'changes']
}>()
function change(key: string): string {
  const found = props.compared.get(key)
  if (found?.change == null) return ''
  const sign = found.change > 0 ? '+' : '−'
  return found.change_percent === null
    ? `${sign}${Math.abs(found.change)}`
    : `${found.change_percent > 0 ? '+' : '−'}${Math.abs(found.change_percent)} %`
}
</script>

<template>
  <section class="rows" aria-label="to come back to">
    <h2>
      To come back to
      <button type="button" class="plain" @click="$emit('add', 'tasks')">add <kbd>k</kbd></button>
    </h2>
    <div v-for="row in sheet.tasks" :key="row.key" class="row" :class="{ late: late.includes(row.key) }">
      <input v-model="row.done" type="checkbox" name="done" :aria-label="`${row.what || 'task'} done`" />
      <input
        v-model="row.what"
        name="task"
        maxlength="80"
        placeholder="torque again, oil level, …"
        aria-label="task"
        class="name"
      />
      <LazyInput
        type="date"
        name="due"
        :value="row.due ?? ''"
        aria-label="due date"
        @take="(day) => (row.due = day || null)"
      />
      <button
        type="button"
        class="gone"
        :aria-label="`take ${row.what || 'it'} away`"
        @click="$emit('remove', 'tasks', row.key)"
      >
        ×
      </button>
    </div>
    <h2>
      Before and after
      <button type="button" class="plain" @click="$emit('add', 'compared')">add <kbd>b</kbd></button>
    </h2>
    <div v-for="row in sheet.compared" :key="row.key" class="row">
      <input
        v-model="row.what"
        name="sign"
        maxlength="80"
        placeholder="which quantity?"
        aria-label="quantity compared"
        class="name"
      />
      <input
        v-model.lazy="row.before"
        name="before"
        class="fig"
        maxlength="20"
        aria-label="before"
        placeholder="before"
      />
      <input
        v-model.lazy="row.after"
        name="after"
        class="fig"
        maxlength="20"
        aria-label="after"
        placeholder="after"
      />
      <input
        v-model="row.unit"
        name="sign-unit"
        class="unit"
        maxlength="12"
        aria-label="unit"
        placeholder="unit"
      />
      <b class="fig">{{ change(row.key) }}</b>
      <button
        type="button"
        class="gone"
        :aria-label="`take ${row.what || 'it'} away`"
        @click="$emit('remove', 'compared', row.key)"
      >
        ×
      </button>
    </div>
    <template v-if="sheet.compared?.length">
      <div v-for="row in sheet.changes" :key="row.key" class="row">
        <span class="faint">changed</span>
        <input
          v-model="row.what"
          name="change"
          maxlength="80"
          placeholder="one change"
          aria-label="what was changed"
          class="name"
        />
        <button
          type="button"
          class="gone"
          :aria-label="`take ${row.what || 'it'} away`"
          @click="$emit('remove', 'changes', row.key)"
        >
          ×
        </button>
      </div>
      <p>
        <button type="button" class="plain" @click="$emit('add', 'changes')">what was changed</button>
        <span v-if="helped === 'not_known'" class="att">
          It is not known which of them helped. Make one change at a time.</span
        >
      </p>
    </template>
    <h2><label for="note-next">For the next person</label></h2>
    <textarea id="note-next" v-model="sheet.note_next" name="note_next" rows="1" maxlength="1000"></textarea>
  </section>
</template>

<style scoped>
.rows {
  padding: 4px 18px 8px;
  font-size: 14.5px;
}
h2 {
  font-size: 15px;
  margin: 5px 0 1px;
}
h2 .plain {
  font-size: 14px;
  margin-left: 8px;
}
.row {
  display: flex;
  gap: 7px;
  align-items: baseline;
}
.row.late {
  box-shadow: inset 4px 0 0 var(--attention);
  padding-left: 8px;
}
input:not([type='checkbox']),
textarea {
  border: 0;
  border-bottom: 1.5px solid var(--rule);
  background: transparent;
  color: var(--ink);
  padding: 2px;
  min-width: 0;
}
input:focus,
textarea:focus {
  border-color: var(--action);
}
.name {
  flex: 1;
}
.fig {
  width: 58px;
  font-size: 16px;
}
.unit {
  width: 46px;
}
textarea {
  width: 100%;
  resize: vertical;
}
.gone {
  color: var(--faint);
  font-size: 17px;
}
</style>
