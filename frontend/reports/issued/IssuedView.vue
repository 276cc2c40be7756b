<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useElementSize, useMediaQuery } from '@vueuse/core'
import { ask } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import { useKeys } from '../../shared/useKeys'
import { useLoad } from '../../shared/useLoad'
import PageSheet from '../page/PageSheet.vue'
import { useZoom } from '../report/useZoom'
import type { IssuedReport } from '../types'

/** A report as it went out: nothing in it follows anything any more. */
const route = useRoute()
const id = Number(route.params.id)
const number = Number(route.params.number)
const { value: issued, problem } = useLoad(['reports', id, 'issues', number], () =>
  ask<IssuedReport>('GET', `/reports/${id}/issues/${number}`),
)
watch(issued, is => is && (document.title = `${is.title} ${is.closing}, as issued – Keen Margin`))
const at = ref(0)
const isNarrow = useMediaQuery('(max-width: 700px)')
const pages = computed(() => (issued.value?.pages ?? []).map(page => (isNarrow.value ? page.column : page.sheet)))
const page = computed(() => pages.value[at.value] ?? null)
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const zoom = useZoom(width, page)
const moment = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
const turn = (by: number) => (at.value = Math.max(0, Math.min(pages.value.length - 1, at.value + by)))
useKeys({ PageDown: () => turn(1), PageUp: () => turn(-1) })
</script>

<template>
  <div class="flex h-screen flex-col">
    <TopBar area="reports" class="max-sm:hidden">
      <a class="button" :href="`/reports/${id}/issues/${number}.pptx`" download>Slides as issued</a>
      <a class="button button-strong" :href="`/reports/${id}/issues/${number}.pdf`" target="_blank" rel="noopener"
        >PDF as issued</a
      >
    </TopBar>
    <SentenceOfTrouble v-if="problem" class="m-6" :says="problem" />
    <div v-if="issued" class="flex min-h-0 flex-1 max-sm:block max-sm:overflow-y-auto">
      <aside
        tabindex="-1"
        class="w-[264px] shrink-0 overflow-y-auto border-r-2 border-accent/35 px-7 pt-6 pb-8 max-lg:w-[220px] max-lg:px-4 max-sm:w-auto max-sm:border-0"
        aria-label="Issued report">
        <h1 class="font-serif text-[21px] break-words">{{ issued.title }}</h1>
        <p class="mt-1 inline-block rounded bg-accent px-2 text-[12px] text-panel">
          {{ issued.closing || `Issue ${issued.number}` }}, as issued
        </p>
        <p class="mt-1 text-[12px] text-quiet">{{ moment(issued.at) }}{{ issued.who ? `, ${issued.who}` : '' }}</p>
        <h2 class="label mt-6 mb-1">Pages</h2>
        <ol>
          <li v-for="(one, i) in pages" :key="one.id">
            <button
              class="-mx-2 flex w-[calc(100%+16px)] gap-3 rounded px-2 py-1 text-left hover:bg-accent-tint"
              :class="i === at ? 'bg-accent-tint font-semibold' : ''"
              :aria-current="i === at ? 'page' : undefined"
              @click="at = i">
              <span class="w-3 shrink-0 text-quiet">{{ i + 1 }}</span><span class="min-w-0 break-words">{{
                one.title || `Page ${i + 1}`
              }}</span>
            </button>
          </li>
        </ol>
        <h2 class="label mt-6 mb-1">Figures came from</h2>
        <ul class="text-[12px]">
          <li v-for="source in issued.sources" :key="source.id" class="mb-1.5">
            <p>{{ source.name }}</p>
            <p v-for="one in source.imports" :key="one.id" class="break-words text-quiet">
              {{ one.name }}, {{ moment(one.at) }}
            </p>
          </li>
        </ul>
        <p class="mt-5 flex flex-col items-start gap-1">
          <RouterLink class="link" :to="`/reports/${id}?since=${number}-draft`">What changed since</RouterLink>
          <RouterLink class="link" :to="`/reports/${id}?since=${number}-now`"
            >With the figures as they are now</RouterLink
          >
          <RouterLink class="link" :to="`/reports/${id}`">The draft</RouterLink>
        </p>
      </aside>
      <main class="min-w-0 flex-1 overflow-y-auto px-7 pt-6 pb-10 max-sm:px-0">
        <div ref="frame" class="max-w-[1540px]">
          <PageSheet v-if="page" :page="page" :zoom="zoom" class="border border-hairline max-sm:border-0" />
        </div>
      </main>
    </div>
  </div>
</template>
