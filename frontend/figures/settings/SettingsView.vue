<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import TopBar from '../../shared/TopBar.vue'
import type { Dataset } from '../../shared/types'
import { useKeys } from '../../shared/useKeys'
import { useToast } from '../../shared/useToast'
import SignatureField from '../edits/SignatureField.vue'
import { useSteps } from '../../shared/useSteps'
import { plural } from '../../shared/wording'
import BreakdownPanel from './BreakdownPanel.vue'
import ChoiceSetting from './ChoiceSetting.vue'
import FollowsDialog from './FollowsDialog.vue'
import MeasureBands from './MeasureBands.vue'
import MeasureTable from './MeasureTable.vue'
import TextSetting from './TextSetting.vue'
import { useSettings } from './useSettings'

const MONTHS = Array.from({ length: 12 }, (_, i) => ({
  value: String(i + 1),
  label: new Date(2000, i, 1).toLocaleDateString('en-GB', { month: 'long' }),
}))

const id = Number(useRoute().params.id)
const router = useRouter()
const { tell } = useToast()
const { dataset, missing, problem, pending, kept, change, go, leave, reload } = useSettings(id)
const {
  pulse,
  canUndo,
  canRedo,
  undo,
  redo,
  beat,
  problem: unstepped,
} = useSteps(
  computed(() => dataset.value?.id ?? null),
  () => void reload(),
)
watch(
  dataset,
  value => {
    if (value) document.title = `Settings of ${value.name} – Keen Margin`
    void beat()
  },
  { immediate: true },
)
useKeys({ 'mod+z': () => void undo(), 'mod+shift+z': () => void redo(), 'mod+y': () => void redo() })
const scenarios = computed(() =>
  (dataset.value?.references ?? [])
    .filter(one => dataset.value?.scenarios.includes(one.code))
    .map(one => `${one.code} ${one.word}`)
    .join(', '),
)

async function duplicate() {
  try {
    const copy = await ask<Dataset>('POST', `/datasets/${id}/copies`, { body: {} })
    tell(`${copy.name} is made.`)
    await router.push(`/figures/${copy.id}`)
  } catch (error) {
    problem.value = says(error)
  }
}
async function remove() {
  try {
    const { follows } = await ask<{ follows: string[] }>('DELETE', `/datasets/${id}?foresee=1`)
    pending.value = {
      title: `Delete ${dataset.value?.name}?`,
      follows,
      go: async () => {
        await ask('DELETE', `/datasets/${id}`, { version: dataset.value?.version })
        const name = dataset.value?.name
        await router.push('/figures')
        tell(`${name} is deleted.`, {
          label: 'Bring it back',
          do: () =>
            void ask('POST', `/datasets/${id}/restoration`, { body: {} }).then(() => router.push(`/figures/${id}`)),
        })
      },
    }
  } catch (error) {
    problem.value = says(error)
  }
}
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="figures">
      <button class="button" :disabled="!canUndo" :title="pulse?.undo ?? 'Nothing to undo'" @click="undo">Undo</button>
      <button class="button" :disabled="!canRedo" :title="pulse?.redo ?? 'Nothing to do again'" @click="redo">
        Redo
      </button>
      <RouterLink class="button button-strong" :to="`/figures/${id}`">To the figures</RouterLink>
    </TopBar>
    <SentenceOfTrouble v-if="missing" class="m-8" :says="missing" />
    <div v-if="dataset" class="flex min-h-0 flex-1">
      <aside
        class="w-[272px] shrink-0 border-r-2 border-accent/35 px-7 pt-8 pb-8 max-lg:w-[228px] max-lg:px-5"
        aria-label="Dataset">
        <h1 class="mb-4 font-serif text-[21px] leading-7 break-words">Settings of {{ dataset.name }}</h1>
        <p class="mb-4 text-quiet">
          Everything here is changed where it stands. Charts follow; what they would show otherwise is told before.
          Every step can be undone.
        </p>
        <SignatureField class="mb-8" />
        <p class="flex flex-col items-start gap-2">
          <button class="link" @click="duplicate">Duplicate this dataset</button>
          <button class="link" @click="remove">Delete this dataset</button>
        </p>
      </aside>
      <main class="min-w-0 max-w-[980px] flex-1 px-9 pt-8 pb-10 max-lg:px-6">
        <SentenceOfTrouble v-if="problem || unstepped" class="mb-4" :says="problem || unstepped" />
        <dl class="mb-10 grid grid-cols-[150px_minmax(0,1fr)] items-center gap-y-1">
          <dt class="label">Name</dt>
          <dd>
            <TextSetting
              label="Name"
              :value="dataset.name"
              :kept="kept"
              width="w-96 font-semibold"
              required
              @change="change('Rename the dataset?', '', { name: $event })" />
          </dd>
          <dt class="label">Organisation</dt>
          <dd>
            <TextSetting
              label="Organisation"
              :value="dataset.organisation"
              :kept="kept"
              width="w-96"
              @change="change('Change the organisation?', '', { organisation: $event })" />
          </dd>
          <template v-if="!dataset.isList">
            <dt class="label">Fiscal year starts in</dt>
            <dd>
              <ChoiceSetting
                label="Fiscal year starts in"
                :value="String(dataset.firstMonth)"
                :choices="MONTHS"
                :kept="kept"
                @change="change('Change the fiscal year?', '', { firstMonth: Number($event) })" />
            </dd>
            <dt class="label">Finest grain</dt>
            <dd>
              <ChoiceSetting
                label="Finest grain"
                :value="dataset.finest"
                :choices="dataset.ownGrains.map(one => ({ value: one, label: one }))"
                :kept="kept"
                @change="change('Change the finest grain?', '', { finest: $event })" />
            </dd>
            <dt class="label">Books closed through</dt>
            <dd>
              <TextSetting
                v-if="dataset.grain === 'day'"
                label="Books closed through"
                :value="dataset.closingStep?.label ?? ''"
                :kept="kept"
                required
                @change="change('Move the closing period?', '', { closedThrough: $event })" />
              <ChoiceSetting
                v-else
                label="Books closed through"
                :value="dataset.closing"
                :choices="dataset.closings.map(one => ({ value: one.key, label: one.label }))"
                :kept="kept"
                @change="change('Move the closing period?', '', { closedThrough: $event })" />
            </dd>
          </template>
          <dt class="label">Figures</dt>
          <dd class="py-1">
            {{ plural(dataset.facts, 'figure') }},
            {{ dataset.isList ? 'without periods' : `by ${dataset.grain}, ${dataset.periods}` }}
          </dd>
          <dt class="label">Scenarios</dt>
          <dd class="py-1">{{ scenarios || 'none yet' }}</dd>
        </dl>
        <h2 class="mb-2 font-serif text-[17px]">Measures</h2>
        <MeasureTable class="mb-10" :dataset="dataset" :kept="kept" @change="change" />
        <h2 class="mt-10 mb-2 font-serif text-[17px]">Bands</h2>
        <MeasureBands :dataset="dataset" @change="change" />
        <template v-if="dataset.breakdowns.length">
          <h2 class="mt-10 mb-2 font-serif text-[17px]">Breakdowns</h2>
          <BreakdownPanel
            v-for="breakdown in dataset.breakdowns"
            :key="breakdown.id"
            :breakdown="breakdown"
            :kept="kept"
            @change="change" />
        </template>
      </main>
    </div>
    <FollowsDialog v-if="pending" :title="pending.title" :follows="pending.follows" @go="go" @leave="leave" />
  </div>
</template>
