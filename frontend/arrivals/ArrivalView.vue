<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import type { Arrival, ArrivalDifferences, ArrivalTaken } from '../shared/contract'
import { useLoad } from '../shared/useLoad'
import { useToast } from '../shared/useToast'
import ArrivalMargin from './ArrivalMargin.vue'
import ChangedAmounts from './ChangedAmounts.vue'
import ChangedMembers from './ChangedMembers.vue'
import ChangedPeriods from './ChangedPeriods.vue'

const route = useRoute()
const id = Number(route.params.id)
const { tell } = useToast()
const page = ref(1)
const {
  value: told,
  problem,
  isLoading,
  reload,
} = useLoad(
  () => ['arrivals', 'one', id, page.value],
  signal => ask<ArrivalDifferences>('GET', `/arrivals/${id}?page=${page.value}`, { signal, isShown: true }),
  { keepsPrevious: true, isFresh: true },
)
const trouble = ref('')
const isBusy = ref(false)
const arrival = computed(() => told.value?.arrival ?? null)
const canDecide = computed(() => arrival.value?.state === 'waits')
watch(arrival, own => own && (document.title = `${own.name} – Keen Margin`), { immediate: true })

/** What is left out: keys of periods, and members by breakdown. */
const withoutPeriods = ref<string[]>([])
const withoutMembers = ref<string[]>([])
const memberKey = (breakdown: string, member: string) => `${breakdown}\n${member}`
/** Only the members that change most are listed: where there are more, none can be left out without the others. */
const MOST_LISTED = 100
const isWhole = (breakdown: string) =>
  (told.value?.members ?? []).filter(one => one.breakdown === breakdown).length < MOST_LISTED
const isPartly = computed(() => withoutPeriods.value.length + withoutMembers.value.length > 0)
const taken = computed(() => {
  const { periods = [], members = [], breakdowns = [] } = told.value ?? {}
  const keys = [...new Set(periods.map(one => one.key))].filter(key => !withoutPeriods.value.includes(key))
  const byBreakdown = breakdowns.flatMap(breakdown => {
    const own = members.filter(one => one.breakdown === breakdown).map(one => one.member)
    const left = own.filter(member => !withoutMembers.value.includes(memberKey(breakdown, member)))
    return left.length === own.length ? [] : [[breakdown, [...new Set(left)]] as const]
  })
  return {
    ...(withoutPeriods.value.length ? { periods: keys } : {}),
    ...(byBreakdown.length ? { members: Object.fromEntries(byBreakdown) } : {}),
  }
})
const isNothing = computed(
  () => taken.value.periods?.length === 0 || Object.values(taken.value.members ?? {}).some(own => own.length === 0),
)

async function decide(action: () => Promise<string>) {
  trouble.value = ''
  isBusy.value = true
  try {
    tell(await action())
  } catch (error) {
    trouble.value = says(error)
  } finally {
    isBusy.value = false
    await reload()
  }
}
const take = () =>
  decide(async () => {
    const done = await ask<ArrivalTaken>('POST', `/arrivals/${id}/take`, { body: taken.value })
    const { added, replaced, removed } = done.import.counts
    return `${done.import.name} is in: ${added} added, ${replaced} replaced, ${removed} removed.`
  })
const refuse = (reason: string) =>
  decide(async () => {
    const done = await ask<Arrival>('POST', `/arrivals/${id}/refuse`, { body: { reason } })
    return `${done.name} is refused.`
  })
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="figures">
      <button
        v-if="canDecide && arrival?.counts"
        class="button button-strong"
        :disabled="isBusy || isNothing"
        @click="take">
        {{ isPartly ? 'Take what is ticked' : 'Take all of it' }}
      </button>
    </TopBar>
    <SentenceOfTrouble v-if="problem" class="m-8" :says="problem" retry="Try again" @retry="reload" />
    <p v-else-if="!told" class="m-8 text-quiet" role="status">{{ isLoading ? 'Comparing…' : '' }}</p>
    <div v-if="told && arrival" class="flex min-h-0 flex-1 max-md:flex-col">
      <ArrivalMargin
        :arrival="arrival"
        :can-decide="canDecide"
        :is-busy="isBusy"
        :opens-refusal="route.query.refuse === '1'"
        @refuse="refuse" />
      <main class="min-w-0 flex-1 px-7 pt-6 pb-10 max-md:px-4">
        <SentenceOfTrouble v-if="trouble" class="mb-4" :says="trouble" />
        <h2 class="mb-5 max-w-3xl font-serif text-[22px] leading-8 break-words">{{ arrival.says }}</h2>
        <template v-if="told.all">
          <ChangedPeriods v-model="withoutPeriods" class="mb-8" :periods="told.periods" :can-pick="canDecide" />
          <ChangedMembers
            v-for="breakdown in told.breakdowns"
            :key="breakdown"
            v-model="withoutMembers"
            class="mb-8"
            :breakdown="breakdown"
            :members="told.members"
            :can-pick="canDecide && isWhole(breakdown)" />
          <ChangedAmounts :told="told" :page="page" @turn="page += $event" />
        </template>
        <table v-else-if="arrival.refusals.length" class="border-collapse" aria-label="Rows that cannot be read">
          <thead>
            <tr class="text-left text-[12px] text-quiet">
              <th class="pr-6 pb-1 font-normal" scope="col">Row</th>
              <th class="pr-6 pb-1 font-normal" scope="col">Column</th>
              <th class="pb-1 font-normal" scope="col">Why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in arrival.refusals" :key="i" class="border-t border-hairline align-top">
              <td class="py-1 pr-6">{{ one.row || '' }}</td>
              <td class="py-1 pr-6">{{ one.column }}</td>
              <td class="py-1 break-words">{{ one.reason }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else-if="canDecide && arrival.counts" class="text-quiet">
          The dataset holds all of it by now: there is nothing left to take.
        </p>
      </main>
    </div>
  </div>
</template>
