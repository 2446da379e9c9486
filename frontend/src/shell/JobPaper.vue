<script setup lang="ts">
import { useSession } from '@/api/session'

/** A sheet of a job on A4: whose it is, what it is, where it lies on screen with its code; what to do with it beside. */
defineProps<{ title: string; under: string; number: string; what: string; screen: string }>()
const session = useSession()
</script>

<template>
  <div class="paper">
    <header>
      <div>
        <h1 v-if="title">{{ title }}</h1>
        <p>{{ under }}</p>
      </div>
      <div class="no">
        <p>
          <b class="fig">{{ number }}</b><br />{{ what }}<br />
          <span>{{ session.address }}/jobs/{{ number }}/{{ screen }}</span>
        </p>
        <img :src="`/api/jobs/${number}/code.svg`" alt="QR code for this job" width="92" height="92" />
      </div>
    </header>
    <slot></slot>
  </div>
  <div class="keys"><slot name="keys"></slot></div>
</template>

<style scoped>
.paper {
  width: 210mm;
  min-height: 297mm;
  background: #fffdf8;
  color: #1e2a32;
  border: 1px solid var(--rule);
  padding: 12mm;
  font-size: 13px;
}
.keys {
  width: 160px;
  display: grid;
  gap: 12px;
}
header {
  display: flex;
  justify-content: space-between;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 6px;
}
h1 {
  font-size: 25px;
  font-stretch: 84%;
}
.no {
  display: flex;
  gap: 6px;
  text-align: right;
}
.no span {
  font-size: 13px;
}
.no img {
  margin: -8px -8px 0 0;
}
.no b {
  font-size: 26px;
}
</style>

<style>
/* what lies on such a page: its tables, and how it prints */
.job-paper {
  display: flex;
  justify-content: center;
  gap: 24px;
  padding: 24px;
  align-items: flex-start;
}
.job-paper h2 {
  font-size: 16px;
  margin: 12px 0 3px;
}
.job-paper h2 span {
  font-size: 13px;
  font-weight: 400;
}
.job-paper table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
  font-stretch: 90%;
  line-height: 1.25;
}
.job-paper th {
  text-align: left;
  border-bottom: 1.5px solid var(--ink);
  font-weight: 650;
  padding: 2px 5px 2px 0;
  vertical-align: bottom;
}
.job-paper td {
  border-bottom: 1px solid var(--rule);
  padding: 3px 5px 3px 0;
  vertical-align: top;
}
.job-paper tr {
  break-inside: avoid;
}
.job-paper h2,
.job-paper svg {
  break-after: avoid;
  break-inside: avoid;
}
.job-paper .box {
  font-size: 16px;
  text-align: center;
}
@page {
  size: A4;
  margin: 12mm;
}
@media (max-width: 900px) {
  .job-paper {
    display: block;
    padding: 10px;
    overflow-x: auto;
  }
}
@media print {
  .job-paper {
    padding: 0;
    display: block;
  }
  .job-paper .paper {
    border: 0;
    padding: 0;
    width: auto;
    background: #fff;
  }
  .job-paper .keys {
    display: none;
  }
}
</style>
