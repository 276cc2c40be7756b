<script setup lang="ts">
import { MenuItem } from '@headlessui/vue'
import { computed } from 'vue'
import { ask } from '../../shared/api'
import MoreMenu from '../../shared/MoreMenu.vue'
import { useLoad } from '../../shared/useLoad'
import type { ReportBrief, Settlement } from '../types'

const props = defineProps<{ report: ReportBrief; editable?: boolean }>()
const emit = defineEmits<{ remove: []; duplicate: [] }>()

/** Where nobody has looked since it changed, it is looked up now. */
const { value: found } = useLoad(
  () => ['reports', props.report.id, 'findings', props.report.pictured],
  signal => ask<Settlement>('GET', `/reports/${props.report.id}/findings`, { signal, isShown: true }),
  { isAsked: () => props.report.settle === null },
)
const open = computed(() => props.report.settle ?? found.value?.findings.filter(one => !one.accepted).length ?? null)
const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
const choices = [
  ['Duplicate', () => emit('duplicate')],
  ['Delete', () => emit('remove')],
] as const
</script>

<template>
  <article class="relative rounded-lg border border-hairline bg-panel transition-colors hover:border-accent/50">
    <RouterLink :to="`/reports/${report.id}`" class="block rounded-t-lg" :aria-label="report.title">
      <div class="aspect-[62/44] overflow-hidden rounded-t-lg border-b border-hairline bg-paper p-4">
        <img
          :src="`/api/reports/${report.id}/picture.svg?v=${report.pictured}`"
          :alt="`First page of ${report.title}`"
          loading="lazy"
          class="mx-auto h-full border border-hairline bg-panel object-contain" />
      </div>
    </RouterLink>
    <div class="px-4 py-3 pr-12">
      <h2 class="font-semibold break-words">
        <RouterLink :to="`/reports/${report.id}`" class="block">{{ report.title }}</RouterLink>
      </h2>
      <p class="text-[12px] break-words text-quiet">
        {{
          [report.organisation, report.closing, `${report.pages} ${report.pages === 1 ? 'page' : 'pages'}`]
            .filter(Boolean)
            .join(' · ')
        }}
      </p>
      <p class="text-[12px] text-quiet">
        <template v-if="report.issued"
          >{{ report.issued.closing || 'Issued' }} issued {{ day(report.issued.at) }}; </template
        >draft saved {{ day(report.savedAt) }}
      </p>
      <p v-if="report.trouble" class="flex gap-1.5 text-[12px]">
        <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>{{ report.trouble }}
      </p>
      <p v-else-if="open" class="flex gap-1.5 text-[12px]">
        <span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span>{{ open }} to settle
      </p>
      <p v-else-if="open === 0" class="flex gap-1.5 text-[12px] text-quiet">
        <span class="text-favourable-text" aria-hidden="true">✓</span>Nothing to settle
      </p>
    </div>
    <MoreMenu v-if="editable" :name="report.title" :choices="choices">
      <MenuItem>
        <a class="choice" :href="`/reports/${report.id}.pdf`" target="_blank" rel="noopener">Open as PDF</a>
      </MenuItem>
    </MoreMenu>
  </article>
</template>
