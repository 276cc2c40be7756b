<script setup lang="ts">
/** Stands in the sheet until its choices are there. It keeps the focus: leaving its only button closes the sheet. */
</script>

<template>
  <button class="text-quiet" type="button" @keydown.tab.prevent>The choices are on their way.</button>
</template>
