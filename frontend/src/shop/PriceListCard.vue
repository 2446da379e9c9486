<script setup lang="ts">
import { ref } from 'vue'
import { api, resultOf, withKey, type Refusal, type Schemas } from '@/api/client'

/** Price lists: a CSV from a supplier, chosen, dropped or pasted; rows that cannot be read are told with the reason. */
const text = ref('')
const busy = ref(false)
const refusal = ref<Refusal | null>(null)
const read = ref<Schemas['PriceListAnswer'] | null>(null)
const EXAMPLE = `maker,marking,supplier,price,lead_days,stock,place
Oldwick,6205-2RS,Lowgate Factors,8.40,2,3,bin 12`

const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`
async function take(files: FileList | null | undefined): Promise<void> {
  const file = files?.[0]
  if (file) text.value = await file.text()
}
async function send(): Promise<void> {
  busy.value = true
  read.value = null
  const { answer, refusal: why } = await resultOf(
    api.POST('/api/price-lists', { body: { text: text.value }, ...withKey() }),
  )
  busy.value = false
  refusal.value = why
  read.value = answer
  if (answer && !answer.refused_count) text.value = ''
}
</script>

<template>
  <section aria-label="price lists">
    <h1 class="second">Price lists</h1>
    <form
      class="put"
      @submit.prevent="send"
      @dragover.prevent
      @drop.prevent="take($event.dataTransfer?.files)"
    >
      <label
        >one item per row; maker and marking are required
        <textarea
          v-model="text"
          name="price-list"
          rows="4"
          spellcheck="false"
          :placeholder="EXAMPLE"
          required
        ></textarea>
      </label>
      <p v-if="refusal" class="stop" role="alert">{{ refusal.message }} {{ refusal.hint }}</p>
      <template v-else-if="read">
        <p class="good" role="status">
          {{ count(read.rows, 'row') }} read: {{ count(read.added, 'new item') }},
          {{ count(read.offers, 'price') }}.
        </p>
        <div v-if="read.refused_count" class="refused" role="alert">
          <b>Not imported: {{ count(read.refused_count, 'row') }}</b>
          <p v-for="each in read.refused.slice(0, 20)" :key="each.row">
            row {{ each.row }} <span class="fig">{{ each.marking }}</span> {{ each.why }}
          </p>
          <p v-if="read.refused_count > 20">and {{ read.refused_count - 20 }} more</p>
        </div>
      </template>
      <div class="acts">
        <button type="submit" class="go small" :disabled="busy || !text.trim()">
          {{ busy ? 'Reading…' : 'Import' }}
        </button>
        <label class="plain file"
          >choose a file<input
            type="file"
            name="price-file"
            accept=".csv,text/csv,text/plain"
            @change="take(($event.target as HTMLInputElement).files)"
        /></label>
      </div>
    </form>
  </section>
</template>

<style scoped>
.second {
  margin: 26px 0 8px;
}
.put {
  display: grid;
  gap: 9px;
}
label {
  font-size: 13px;
  color: var(--faint);
  display: grid;
}
textarea {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
  font-size: 15px;
  padding: 6px 8px;
}
.acts {
  display: flex;
  align-items: center;
  gap: 24px;
}
.small {
  width: 200px;
}
.file {
  font-size: 15px;
  color: var(--action);
  cursor: pointer;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.file:focus-within {
  outline: 2.5px solid var(--action);
}
.refused {
  border-left: 4px solid var(--attention);
  padding-left: 10px;
  font-size: 14px;
  max-height: 170px;
  overflow: auto;
}
</style>
