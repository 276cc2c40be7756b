<script setup lang="ts">
import type { DatasetBrief } from '../../shared/types'

defineProps<{ dataset: DatasetBrief }>()
</script>

<template>
  <li>
    <RouterLink :to="`/figures/${dataset.id}`" class="block border-b border-hairline py-2 hover:bg-panel">
      <span class="block font-semibold break-words">{{ dataset.name }}</span>
      <span class="text-[12px] text-quiet">{{
        [dataset.organisation, dataset.isList ? 'a list' : dataset.periods, dataset.scenarios.join(' ')]
          .filter(Boolean)
          .join(' · ')
      }}</span>
      <span v-if="dataset.failing" class="flex gap-1.5 text-[12px]"
        ><span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>{{ dataset.failing }}
        {{ dataset.failing === 1 ? 'check fails' : 'checks fail' }}</span
      >
    </RouterLink>
  </li>
</template>
