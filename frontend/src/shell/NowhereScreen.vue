<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <main class="nowhere">
    <h1>Page not found.</h1>
    <p>Nothing is at this address. The Counter finds jobs, markings and sizes.</p>
    <RouterLink class="go" to="/"><span>Go to the Counter</span><kbd>Alt 0</kbd></RouterLink>
  </main>
</template>

<style scoped>
.nowhere {
  padding: 12vh 24px 0;
  max-width: 640px;
  margin: 0 auto;
}
h1 {
  font-size: 30px;
  margin-bottom: 12px;
}
p {
  font-size: 18px;
  margin-bottom: 22px;
}
.go {
  display: inline-flex;
  width: auto;
  text-decoration: none;
}
</style>
