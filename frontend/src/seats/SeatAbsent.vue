<script setup lang="ts">
import type { Schemas } from '@/api/client'
import ReferenceLink from '@/entry/ReferenceLink.vue'
import VerdictMark from '@/drawing/VerdictMark.vue'

/** A side without a straight seat: none at all, or a taper that the bearing is driven up. */
defineProps<{ title: string; absent: Schemas['Absent']; driveUp: Schemas['DriveUp'] | null | undefined }>()
const um = (range: { min: number; max: number }): string =>
  `${(range.min / 1000).toFixed(3)} … ${(range.max / 1000).toFixed(3)} mm`
</script>

<template>
  <section class="absent">
    <h2><VerdictMark state="not_looked_at" :size="19" silent /> {{ title }}</h2>
    <p>{{ absent.words }}</p>
    <template v-if="absent.code === 'taper_bore' && driveUp">
      <p class="fig big">{{ um(driveUp.reduction_um) }}</p>
      <p>
        Drive it up until the radial clearance has gone down by this much, by feeler between roller and ring.
      </p>
      <dl>
        <dt>axial drive-up</dt>
        <dd class="fig">{{ driveUp.axial_mm.min.toFixed(2) }} … {{ driveUp.axial_mm.max.toFixed(2) }} mm</dd>
        <dt>clearance before</dt>
        <dd class="fig">{{ um(driveUp.before_um) }}</dd>
        <dt>left at least</dt>
        <dd class="fig">{{ (driveUp.left_um.min / 1000).toFixed(3) }} mm</dd>
      </dl>
      <p>
        <ReferenceLink
          question="taper_drive_up"
          words="drive-up, worked"
          :given="{ taper_one_in: driveUp.taper_one_in, drive_up_mm: driveUp.axial_mm.likely }"
        />
      </p>
    </template>
  </section>
</template>

<style scoped>
.absent {
  padding: 12px 20px;
  border-bottom: 1px solid var(--rule);
}
h2 {
  font-size: 21px;
  display: flex;
  gap: 9px;
  align-items: center;
}
p {
  font-size: 15px;
}
.big {
  font-size: 30px;
  line-height: 1.1;
  margin: 5px 0 3px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin-top: 6px;
  font-size: 14.5px;
}
dt {
  color: var(--faint);
}
dd {
  font-size: 18px;
}
</style>
