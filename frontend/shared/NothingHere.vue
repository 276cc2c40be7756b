<script setup lang="ts">
import TopBar from './TopBar.vue'
</script>

<template>
  <TopBar />
  <main class="mx-auto max-w-xl px-6 py-24">
    <h1 class="mb-3 font-serif text-2xl">There is nothing at this address</h1>
    <p>
      The chart may have been deleted, or the link is cut. <RouterLink class="link" to="/">Go to the start</RouterLink>.
    </p>
  </main>
</template>
