<script setup lang="ts">
import type { Schemas } from '@/api/client'
import FigureInput from '@/entry/FigureInput.vue'
import { MEDIA, mediumWords } from './media'

/** What a part must be had for: how many, how warm, in what. */
defineProps<{ family: string; onLine: boolean; count: number }>()
type Sheet = Schemas['BenchSheet']
const needed = defineModel<Sheet['needed']>('needed', { required: true })
const temperature = defineModel<Sheet['temperature_c']>('temperature', { required: true })
const medium = defineModel<Sheet['medium']>('medium', { required: true })
/** Families of rubber: what they work in decides which. */
const RUBBERY = ['lip_seal', 'o_ring', 'hydraulic_seal', 'face_seal']
</script>

<template>
  <div>
    <dt>needed</dt>
    <dd>
      <b v-if="onLine" class="fig">{{ count }}</b>
      <FigureInput
        v-else
        v-model="needed"
        name="needed"
        label="quantity needed"
        :least="1"
        :most="999"
        whole
      />
      <i>{{ onLine ? 'from the strip-down' : 'pieces' }}</i>
    </dd>
  </div>
  <div>
    <dt>runs at</dt>
    <dd>
      <FigureInput
        v-model="temperature"
        name="temperature"
        label="running temperature, °C"
        :least="-100"
        :most="400"
      />
      <i>°C</i>
    </dd>
  </div>
  <div v-if="RUBBERY.includes(family)">
    <dt>medium</dt>
    <dd>
      <select v-model="medium" name="medium" aria-label="medium">
        <option value="">not known</option>
        <option v-for="each in MEDIA" :key="each" :value="each">
          {{ mediumWords(each) }}
        </option>
      </select>
    </dd>
  </div>
</template>
