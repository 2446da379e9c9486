<script setup lang="ts">
/** What stands before the shop: the drawing on the left, a door on the right. */
</script>

<template>
  <main class="title-page">
    <section class="title">
      <svg viewBox="0 0 420 420" role="img" aria-label="a ball bearing drawn in front view and section">
        <g fill="none" stroke="var(--ink)" stroke-width="2">
          <circle cx="210" cy="210" r="196" />
          <circle cx="210" cy="210" r="158" />
          <circle cx="210" cy="210" r="112" />
          <circle cx="210" cy="210" r="76" />
          <circle
            v-for="n in 9"
            :key="n"
            :cx="210 + 135 * Math.sin((n * 2 * Math.PI) / 9)"
            :cy="210 - 135 * Math.cos((n * 2 * Math.PI) / 9)"
            r="38"
            fill="var(--paper)"
          />
        </g>
        <g stroke="var(--faint)" stroke-dasharray="16 4 3 4">
          <path d="M0 210h420M210 0v420" />
          <circle cx="210" cy="210" r="135" fill="none" />
        </g>
      </svg>
      <h1>Ample</h1>
      <p>What it is, what replaces it, whether it fits.</p>
    </section>
    <section class="door"><slot /></section>
  </main>
</template>

<style scoped>
.title-page {
  height: 100%;
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-items: center;
  gap: 40px;
  padding: 40px 7vw;
  overflow: auto;
}
.title svg {
  width: min(420px, 36vw);
  display: block;
  margin-bottom: 26px;
}
.title h1 {
  font-size: 60px;
  font-stretch: 112%;
  font-weight: 760;
  letter-spacing: -0.02em;
}
.title p {
  font-size: 20px;
  color: var(--faint);
}
.door {
  max-width: 470px;
  width: 100%;
}
.door :deep(h2) {
  font-size: 26px;
  margin-bottom: 10px;
}
.door :deep(h2 + p) {
  color: var(--faint);
  margin-bottom: 20px;
}
.door :deep(form) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.door :deep(label) {
  font-size: 14px;
  color: var(--faint);
  display: grid;
  gap: 3px;
}
.door :deep(input) {
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  padding: 8px 10px;
  font-size: 18px;
  width: 100%;
  color: var(--ink);
}
.door :deep(form > p),
.door :deep(form > .wide),
.door :deep(form > .go) {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .title-page {
    grid-template-columns: 1fr;
    height: auto;
    padding: 24px;
  }
  .title svg {
    display: none;
  }
}
</style>
