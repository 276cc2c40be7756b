<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { useSignature } from '../../shared/useSignature'

const { signature } = storeToRefs(useSignature())
</script>

<template>
  <label class="block">
    <span class="label">Changes by hand are signed</span>
    <input
      v-model.lazy.trim="signature"
      class="mt-0.5 w-full border-b border-hairline bg-transparent py-1 outline-none focus:border-accent"
      maxlength="80"
      autocomplete="name"
      placeholder="your name" />
  </label>
</template>
