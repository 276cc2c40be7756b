<script setup lang="ts">
/** Stands in the sheet until its choices are there; the focus can rest on it, so that the sheet knows itself open. */
</script>

<template>
  <button class="text-quiet" type="button">The choices are on their way.</button>
</template>
