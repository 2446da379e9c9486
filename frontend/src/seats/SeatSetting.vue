<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { range } from '@/drawing/figures'
import ReferenceLink from '@/entry/ReferenceLink.vue'

/** A bearing that is set against another: what fitting its rings takes from the axial play. */
defineProps<{ setting: Schemas['SettingAfterFitting']; why: boolean }>()
const KNOWN = { marked: 'as marked', by_series: 'usual in its series', assumed: 'assumed' }
</script>

<template>
  <section class="setting">
    <div>
      <b class="fig">{{ range(setting.taken_usual) }} µm</b>
      <span>axial play that fitting takes, 9 of 10</span>
    </div>
    <p :class="{ att: setting.matched }">{{ setting.words }}</p>
    <p v-if="why" class="faint">
      Worst to best case {{ range(setting.taken) }} µm, by a contact angle of {{ setting.angle_deg }}° ({{
        KNOWN[setting.angle_known]
      }}). {{ setting.source }}
      <ReferenceLink
        question="radial_from_end_play"
        words="axial and radial play"
        :given="{ end_play_mm: setting.taken_usual.likely / 1000, contact_angle_deg: setting.angle_deg }"
      />
      <ReferenceLink question="raceway_growth" words="growth of a raceway" />
    </p>
  </section>
</template>

<style scoped>
.setting {
  padding: 11px 20px;
  border-bottom: 1px solid var(--rule);
}
.setting div {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
.setting b {
  font-size: 28px;
}
.setting span {
  font-size: 14.5px;
  color: var(--faint);
}
.setting p {
  font-size: 15px;
}
</style>
