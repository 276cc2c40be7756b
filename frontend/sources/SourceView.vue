<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import TopBar from '../shared/TopBar.vue'
import SampleTable from '../figures/reading/SampleTable.vue'
import PlaceForm from './PlaceForm.vue'
import ScheduleForm from './ScheduleForm.vue'
import SourceMargin from './SourceMargin.vue'
import { useSource } from './useSource'

const route = useRoute()
const router = useRouter()
const {
  dataset,
  source,
  draft,
  reading,
  mapping,
  problem,
  trouble,
  isBusy,
  isChanged,
  look,
  save,
  fetchNow,
  remove,
  reload,
} = useSource(
  () => (route.params.source ? Number(route.params.source) : null),
  () => (route.params.id ? Number(route.params.id) : null),
)
const title = computed(() => source.value?.name ?? 'A new source')
watch(title, own => (document.title = `${own} – Keen Margin`), { immediate: true })
const sampled = ref<HTMLElement | null>(null)
const canKeep = computed(() => draft.value.name.trim() !== '' && mapping.value !== null && !isBusy.value)

async function seeFirst() {
  if (await look()) sampled.value?.scrollIntoView({ block: 'nearest' })
}
async function keep() {
  const id = await save()
  if (id && !source.value) await router.replace(`/sources/${id}`)
}
async function removeIt() {
  if (await remove()) await router.push(`/figures/${dataset.value?.id}`)
}
const takes = [
  ['never', 'nothing: all waits to be looked at'],
  ['new periods', 'new periods only'],
  ['open periods', 'all but changes of closed periods'],
  ['checked', 'everything whose checks hold'],
] as const
const modes = [
  ['replace periods', 'what is not in it any more goes, of the periods that it has'],
  ['add', 'what is there stays, unless it has it'],
  ['replace all', 'the dataset holds what the source holds'],
] as const
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <TopBar area="figures">
      <button v-if="source" class="button" :disabled="isBusy || isChanged" @click="fetchNow">Fetch now</button>
      <button class="button button-strong" :disabled="!canKeep || (source !== null && !isChanged)" @click="keep">
        {{ source ? 'Keep the changes' : 'Keep this source' }}
      </button>
    </TopBar>
    <SentenceOfTrouble v-if="problem" class="m-8" :says="problem" retry="Try again" @retry="reload" />
    <div v-else-if="dataset" class="flex min-h-0 flex-1 max-md:flex-col">
      <SourceMargin :title="title" :dataset="dataset" :source="source" @remove="removeIt" />
      <main class="min-w-0 flex-1 px-7 pt-6 pb-12 max-md:px-4">
        <SentenceOfTrouble v-if="trouble" class="mb-5 max-w-3xl" :says="trouble" />
        <section class="mb-8 max-w-3xl" aria-label="Where the figures are">
          <h2 class="mb-3 font-serif text-[20px]">Where the figures are</h2>
          <label class="mb-4 block w-80 max-w-full"
            ><span class="label mb-1 block">What it is called</span
            ><input v-model="draft.name" class="field w-full" maxlength="120" placeholder="Harbour ledger" required
          /></label>
          <PlaceForm v-model="draft" :dataset="dataset.id" :source="source" />
          <p class="mt-4">
            <button class="button" :disabled="isBusy" @click="seeFirst">
              {{ isBusy ? 'Asking…' : reading ? 'Look again' : 'Look at the first rows' }}
            </button>
          </p>
        </section>
        <section v-if="mapping" ref="sampled" class="mb-8" aria-label="How it is read">
          <h2 class="mb-1 font-serif text-[20px]">How it is read</h2>
          <template v-if="reading">
            <p class="mb-3 text-quiet">The first rows as they come, each column with its role.</p>
            <SampleTable v-model="mapping" :reading="reading" :refused="[]" />
          </template>
          <ul v-else class="text-quiet">
            <li v-for="(role, column) in mapping.columns" :key="column">
              <span class="text-ink">{{ column }}</span>: {{ role.role
              }}{{ role.measure ? `, counts ${role.measure}` : '' }}
            </li>
          </ul>
          <label class="mt-4 flex flex-wrap items-baseline gap-2"
            ><span>Beside what is there:</span
            ><select v-model="draft.mode" class="field">
              <option v-for="[id, words] in modes" :key="id" :value="id">{{ words }}</option>
            </select></label
          >
        </section>
        <section v-if="mapping" class="mb-8 max-w-3xl" aria-label="When it is fetched">
          <h2 class="mb-3 font-serif text-[20px]">When it is fetched</h2>
          <ScheduleForm v-model="draft.schedule" />
          <p class="mt-4 flex flex-wrap items-center gap-2">
            <label for="look-back">Each time it asks for the last</label>
            <input
              id="look-back"
              v-model.number="draft.lookBack"
              class="field w-16"
              type="number"
              min="1"
              max="60"
              required />
            <span
              >{{ draft.lookBack === 1 ? 'period' : 'periods' }} that are over, so that what is restated is seen.</span
            >
          </p>
        </section>
        <section v-if="mapping" class="max-w-3xl" aria-label="What comes in by itself">
          <h2 class="mb-3 font-serif text-[20px]">What comes in by itself</h2>
          <fieldset>
            <legend class="sr-only">What comes in by itself</legend>
            <label v-for="[id, words] in takes" :key="id" class="flex items-baseline gap-2.5 py-0.5">
              <input v-model="draft.takes" type="radio" name="takes" class="accent-accent" :value="id" />{{ words }}
            </label>
          </fieldset>
          <p class="mt-2 text-quiet">
            What does not come in waits until somebody has looked at it. Names that may be misspelt, other columns and
            totals that do not add up always wait.
          </p>
        </section>
      </main>
    </div>
  </div>
</template>
