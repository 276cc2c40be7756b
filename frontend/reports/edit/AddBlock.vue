<script setup lang="ts">
import { computed, ref } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { refDebounced } from '@vueuse/core'
import { ask, says } from '../../shared/api'
import type { Chart, Dataset, DatasetBrief, Drawing, Listing, Recipe } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { newId, told, type Block } from '../document'
import { holds } from '../../shared/search'

/** What can stand on a page: a named chart, a question asked here, a comparison table, key figures, a text. */
defineProps<{ label: string; isQuiet?: boolean }>()
const emit = defineEmits<{ add: [block: Block]; trouble: [says: string] }>()
const sought = ref('')
const isOpen = ref(false)
const settled = refDebounced(sought, 150)
const { value: charts } = useLoad(
  () => ['charts', 'list', settled.value.trim()],
  signal => ask<Listing<Chart>>('GET', `/charts?q=${encodeURIComponent(settled.value.trim())}`, { signal }),
  { isAsked: isOpen, keepsPrevious: true },
)
const { value: datasets } = useLoad(['datasets', 'list', ''], () => ask<Listing<DatasetBrief>>('GET', '/datasets'), {
  isAsked: isOpen,
})
const foundCharts = computed(() =>
  (charts.value?.items ?? []).filter(one => holds(`${one.name} ${one.datasetName}`, sought.value)),
)
const foundDatasets = computed(() => (datasets.value?.items ?? []).filter(one => holds(one.name, sought.value)))

type Make = (recipe: Recipe, dataset: Dataset) => Block | Promise<Block>
/** What the kind is called that draws tables. */
const TABLE = 'Comparison table'

/** The question that a dataset is met with. */
async function ofDataset(brief: DatasetBrief, make: Make) {
  try {
    const dataset = await ask<Dataset>('GET', `/datasets/${brief.id}`)
    if (dataset.firstRecipe) emit('add', await make(dataset.firstRecipe, dataset))
    else emit('trouble', `${dataset.name} has neither periods nor names; a chart needs one of them.`)
  } catch (error) {
    emit('trouble', says(error))
  }
}
const chartOf: Make = (recipe, dataset) => ({ id: newId('b'), dataset: String(dataset.id), chart: recipe })
const tableOf: Make = async (recipe, dataset) => {
  const by = dataset.breakdowns[0]?.name ?? recipe.question.by
  const question = told({ ...recipe.question, by, forecast: undefined })
  const drawing = await ask<Drawing>('POST', `/datasets/${dataset.id}/drawings`, {
    body: { recipe: { ...recipe, question } },
  })
  const kind = drawing.kinds.find(one => one.name === TABLE)
  return chartOf(kind?.question ? { ...recipe, kind: kind.id, question: kind.question } : recipe, dataset)
}
const figuresOf: Make = (recipe, dataset) => ({
  id: newId('b'),
  figures: dataset.measures
    .slice(0, 4)
    .map(measure => ({
      id: newId('k'),
      dataset: String(dataset.id),
      label: measure.name,
      recipe: {
        ...recipe,
        question: told({ ...recipe.question, measure: measure.name, forecast: undefined, flag: undefined }),
      },
    })),
})
const wholes = [
  { label: 'A question about', make: chartOf },
  { label: 'A comparison table of', make: tableOf },
  { label: 'Key figures of', make: figuresOf },
]
function step(event: KeyboardEvent, by: number) {
  const items = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('input, button')]
  items[Math.max(0, Math.min(items.length - 1, items.indexOf(document.activeElement as HTMLElement) + by))]?.focus()
}
</script>

<template>
  <Popover as="div" class="relative inline-block">
    <PopoverButton
      :class="isQuiet ? 'rounded px-2 text-[12px] text-accent hover:underline' : 'button'"
      @click="isOpen = true"
      >{{ label }}</PopoverButton
    >
    <PopoverPanel v-slot="{ close }" focus class="absolute top-full left-1/2 z-40 -translate-x-1/2">
      <div
        class="sheet relative max-h-[50vh] w-80 overflow-y-auto p-3 text-left"
        @keydown.down.prevent="step($event, 1)"
        @keydown.up.prevent="step($event, -1)">
        <input
          v-model="sought"
          class="field mb-2 w-full"
          type="search"
          aria-label="Find what to add"
          placeholder="Find" />
        <button
          v-if="holds('text', sought)"
          class="choice -mx-3 w-[calc(100%+24px)]"
          @click="(emit('add', { id: newId('b'), text: '' }), close())">
          Text
        </button>
        <template v-if="foundCharts.length">
          <h3 class="label mt-2">Charts that have a name</h3>
          <button
            v-for="chart in foundCharts.slice(0, 30)"
            :key="chart.id"
            class="choice -mx-3 w-[calc(100%+24px)]"
            @click="(emit('add', { id: newId('b'), chart: String(chart.id) }), close())">
            <span class="min-w-0 flex-1 break-words">{{ chart.name }}</span>
          </button>
        </template>
        <template v-for="whole in wholes" :key="whole.label">
          <h3 v-if="foundDatasets.length" class="label mt-2">{{ whole.label }}</h3>
          <button
            v-for="dataset in foundDatasets.slice(0, 20)"
            :key="dataset.id"
            class="choice -mx-3 w-[calc(100%+24px)]"
            :aria-label="`${whole.label} ${dataset.name}`"
            @click="(void ofDataset(dataset, whole.make), close())">
            <span class="min-w-0 break-words">{{ dataset.name }}</span>
          </button>
        </template>
      </div>
    </PopoverPanel>
  </Popover>
</template>
