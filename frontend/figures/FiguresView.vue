<script setup lang="ts">
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { DatasetBrief } from '../shared/types'
import PageTurner from '../shared/PageTurner.vue'
import { usePages } from '../shared/usePages'
import BringIn from '../start/BringIn.vue'

document.title = 'Figures – Keen Margin'
const { list, problem, reload, turn } = usePages<DatasetBrief>('/datasets')
</script>

<template>
  <TopBar area="figures" />
  <main class="mx-auto max-w-[1240px] px-8 py-9">
    <h1 class="mb-5 font-serif text-[26px]">Figures</h1>
    <BringIn class="mb-9 max-w-3xl" />
    <SentenceOfTrouble v-if="problem" :says="problem" retry="Try again" @retry="reload" />
    <table v-if="list?.items.length" class="w-full border-collapse">
      <thead>
        <tr class="border-b border-ink/40 text-left text-[12px] text-quiet">
          <th class="py-1.5 pr-6 font-semibold" scope="col">Dataset</th>
          <th class="py-1.5 pr-6 font-semibold" scope="col">Periods</th>
          <th class="py-1.5 pr-6 font-semibold" scope="col">Scenarios</th>
          <th class="py-1.5 pr-6 font-semibold" scope="col">Closed through</th>
          <th class="py-1.5 pr-6 text-right font-semibold" scope="col">Amounts</th>
          <th class="py-1.5" scope="col"><span class="sr-only">Question</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="dataset in list.items" :key="dataset.id" class="border-b border-hairline hover:bg-panel">
          <th class="py-2.5 pr-6 text-left font-normal" scope="row">
            <RouterLink :to="`/figures/${dataset.id}`" class="block font-semibold break-words hover:text-accent">{{
              dataset.name
            }}</RouterLink>
            <span class="text-[12px] text-quiet">{{ dataset.organisation }}</span>
          </th>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.isList ? 'a list' : dataset.periods }}</td>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.scenarios.join(' ') }}</td>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.closedThrough }}</td>
          <td class="py-2.5 pr-6 text-right">{{ dataset.facts.toLocaleString('en-GB') }}</td>
          <td class="py-2.5 text-right">
            <RouterLink
              v-if="!dataset.isList && dataset.facts"
              class="link"
              :to="`/charts/new?dataset=${dataset.id}`"
              :aria-label="`Ask a question about ${dataset.name}`"
              >Ask</RouterLink
            >
          </td>
        </tr>
      </tbody>
    </table>
    <PageTurner :list="list" @turn="turn" />
  </main>
</template>
