<script setup lang="ts">
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import { ask, says } from '../../shared/api'
import type { DatasetBrief, Listing } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import PageTurner from '../../shared/PageTurner.vue'
import { usePages } from '../../shared/usePages'
import { useUnchecked } from '../checks/useUnchecked'
import BringIn from '../incoming/BringIn.vue'

document.title = 'Figures – Keen Margin'
const { list, problem, reload, turn } = usePages<DatasetBrief>('datasets')
useUnchecked(list)
const { value: deleted, reload: reloadDeleted } = useLoad(['datasets', 'list', 'deleted'], () =>
  ask<Listing<DatasetBrief>>('GET', '/datasets?deleted=1'),
)

async function bringBack(dataset: DatasetBrief) {
  try {
    await ask('POST', `/datasets/${dataset.id}/restoration`, { body: {} })
    await Promise.all([reload(), reloadDeleted()])
  } catch (error) {
    problem.value = says(error)
  }
}
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
            <span v-if="dataset.failing" class="ml-2 text-[12px]"
              ><span class="font-semibold text-unfavourable-text" aria-hidden="true">!</span> {{ dataset.failing }}
              {{ dataset.failing === 1 ? 'check fails' : 'checks fail' }}</span
            >
          </th>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.isList ? 'a list' : dataset.periods }}</td>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.scenarios.join(' ') }}</td>
          <td class="py-2.5 pr-6 whitespace-nowrap">{{ dataset.closedThrough }}</td>
          <td class="py-2.5 pr-6 text-right">{{ dataset.facts.toLocaleString('en-GB') }}</td>
          <td class="py-2.5 text-right">
            <RouterLink
              v-if="dataset.facts"
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
    <section v-if="deleted?.items.length" class="mt-8" aria-label="Deleted">
      <h2 class="label mb-1">Deleted</h2>
      <ul>
        <li v-for="dataset in deleted.items" :key="dataset.id" class="py-0.5 break-words text-quiet">
          {{ dataset.name }}
          <button class="link ml-1" :aria-label="`Bring ${dataset.name} back`" @click="bringBack(dataset)">
            Bring it back
          </button>
        </li>
      </ul>
    </section>
  </main>
</template>
