<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <main class="nowhere">
    <h1>Page not found.</h1>
    <p>The <RouterLink to="/">Counter</RouterLink> finds jobs, markings and sizes.</p>
  </main>
</template>

<style scoped>
.nowhere {
  padding: 60px;
}
h1 {
  font-size: 30px;
  margin-bottom: 8px;
}
</style>
