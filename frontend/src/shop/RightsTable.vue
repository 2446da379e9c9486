<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** Who may do what: a disc where a role may, a ring where it may not; what cannot be changed is no button. */
type Right = Schemas['RightRow']
type RoleRight = Schemas['RoleRight']
const props = defineProps<{ rights: readonly Right[] }>()
const emit = defineEmits<{ set: [body: Schemas['SetRight']] }>()
const roles = computed(() => props.rights[0]?.roles.map((each) => each.role) ?? [])
const changed = (each: RoleRight): boolean => each.allowed !== each.usual || each.limit !== null

function send(right: Right, role: RoleRight, allowed: boolean, limit: string | null): void {
  emit('set', {
    role: role.role as Schemas['SetRight']['role'],
    right: right.right,
    allowed,
    limit,
    version: role.version,
  })
}
function limited(right: Right, role: RoleRight, event: Event): void {
  const typed = (event.target as HTMLInputElement).value.trim().replace(',', '.')
  if (typed === (role.limit ?? '')) return
  send(right, role, true, typed === '' ? null : typed)
}
</script>

<template>
  <table>
    <caption>
      Who may do what
    </caption>
    <thead>
      <tr>
        <th scope="col"><span class="visually-hidden">right</span></th>
        <th v-for="role in roles" :key="role" scope="col">{{ role }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="right in rights" :key="right.right">
        <th scope="row">{{ right.words }}</th>
        <td v-for="each in right.roles" :key="each.role">
          <component
            :is="each.fixed ? 'span' : 'button'"
            :type="each.fixed ? undefined : 'button'"
            class="cell"
            :class="{ changed: changed(each) }"
            :role="each.fixed ? 'img' : undefined"
            :aria-pressed="each.fixed ? undefined : each.allowed"
            :aria-label="`${each.role} ${each.allowed ? 'may' : 'may not'} ${right.words}`"
            @click="!each.fixed && send(right, each, !each.allowed, each.limit)"
          >
            <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
              <path v-if="each.fixed && !each.allowed" d="M5 9h8" stroke="currentColor" stroke-width="2" />
              <circle
                v-else
                cx="9"
                cy="9"
                r="6.5"
                stroke="currentColor"
                stroke-width="2"
                :fill="each.allowed ? 'currentColor' : 'none'"
              />
            </svg>
          </component>
          <label v-if="right.has_limit && each.allowed && !each.fixed" class="limit"
            ><span class="visually-hidden">{{ each.role }} up to an amount of</span
            ><input
              :value="each.limit ?? ''"
              inputmode="decimal"
              maxlength="13"
              placeholder="any amount"
              :name="`limit-${each.role}`"
              @change="limited(right, each, $event)"
          /></label>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
  max-width: 860px;
  table-layout: fixed;
}
thead th:first-child {
  width: auto;
}
caption {
  text-align: left;
  font-size: 19px;
  font-weight: 680;
  padding-bottom: 6px;
}
thead th {
  font-size: 14px;
  font-weight: 600;
  color: var(--faint);
  width: 96px;
  padding-bottom: 3px;
}
tbody tr {
  border-top: 1px solid var(--rule);
}
th[scope='row'] {
  text-align: left;
  font-weight: 400;
  padding: 5px 10px 5px 0;
}
th[scope='row'] {
  white-space: nowrap;
}
th[scope='row']::first-letter {
  text-transform: uppercase;
}
td {
  text-align: center;
}
.cell {
  display: inline-grid;
  place-items: center;
  width: 38px;
  height: 30px;
}
span.cell {
  color: var(--faint);
}
button.cell:hover {
  background: var(--sheet);
}
.changed {
  color: var(--action);
}
.limit input {
  display: block;
  margin: 0 auto 4px;
  width: 88px;
  text-align: center;
  font-size: 14px;
  border: 0;
  border-bottom: 1px solid var(--ink);
  background: var(--sheet);
  padding: 1px 3px;
}
</style>
