<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { ask, conflict, says } from '../../shared/api'
import KindsRow from '../../charts/kinds/KindsRow.vue'
import QuestionSentence from '../../charts/chart/QuestionSentence.vue'
import { useDrawing } from '../../charts/chart/useDrawing'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Chart, Drawing, Finish, Kind, Question, Recipe } from '../../shared/types'
import { useDataset } from '../../shared/useDataset'
import { useToast } from '../../shared/useToast'
import { told, type About, type Block } from '../document'

const FinishSheet = defineAsyncComponent(() => import('../../charts/finish/FinishSheet.vue'))

/**
 * A chart that is changed where it stands: its question in place of the page's. A named chart changes wherever it stands, or is made
 * the page's own first.
 */
const props = defineProps<{
  block: Block
  sign: string
  /** as it is asked on the page; null: it cannot be drawn there */
  asked: Recipe | null
  /** what the page says over its charts */
  about: About
  cannot: string[]
}>()
const emit = defineEmits<{
  change: [block: Block]
  drawn: [drawing: Drawing | null, dataset: number]
  fresh: []
  close: []
}>()
const WIDTH = 880
const { tell } = useToast()
const chart = shallowRef<Chart | null>(null)
const problem = ref('')
const named = computed(() => (typeof props.block.chart === 'string' ? Number(props.block.chart) : null))
watch(
  [named, () => props.sign],
  async ([id]) => {
    try {
      chart.value = id === null ? null : await ask<Chart>('GET', `/charts/${id}`)
    } catch (error) {
      problem.value = says(error)
    }
  },
  { immediate: true },
)
const datasetId = computed(() => chart.value?.dataset ?? (props.block.dataset ? Number(props.block.dataset) : null))
const { value: dataset } = useDataset(datasetId)
const recipe = computed<Recipe | null>(() =>
  typeof props.block.chart === 'object' ? props.block.chart : (chart.value?.recipe ?? null),
)
const signs = ref(0)
watch(
  () => props.sign,
  () => signs.value++,
)
/** The question as the page asks it is shown; what is changed belongs to the chart. */
const shown = computed<Recipe | null>(() => {
  const own = recipe.value
  if (!own || !props.asked) return own
  return { ...own, question: { ...own.question, ...governed.value } }
})
const governed = computed<Partial<Question>>(() => {
  const { where, span, against, closedThrough } = props.asked?.question ?? {}
  return told({ where, span, against, closedThrough })
})
/** Slots that the page fills, by the keys of the question. */
const ruled = computed(() => {
  const fields = (props.about.where ?? []).map(one => one.field)
  return { span: props.about.span !== undefined, against: Boolean(props.about.against?.length), fields }
})
const { drawing, problem: refusal } = useDrawing(
  datasetId,
  computed(() => (shown.value ? [shown.value] : [])),
  ref(WIDTH),
  signs,
)
watch(drawing, is => emit('drawn', is, datasetId.value ?? 0), { immediate: true })

async function put(next: Recipe) {
  if (!chart.value) return emit('change', { ...props.block, chart: next })
  try {
    chart.value = await ask<Chart>('PUT', `/charts/${chart.value.id}`, {
      version: chart.value.version,
      body: { name: chart.value.name, recipe: next, names: chart.value.names },
    })
    problem.value = ''
    emit('fresh')
  } catch (error) {
    chart.value = conflict<Chart>(error) ?? chart.value
    problem.value = conflict(error) ? 'Somebody changed this chart meanwhile. It is shown as it is now.' : says(error)
  }
}
function alter(question: Partial<Question>) {
  if (('span' in question && ruled.value.span) || ('against' in question && ruled.value.against)) {
    const what = 'span' in question ? 'span' : 'references'
    tell(`The page says the ${what} of its charts. Change it there, or leave it to each chart.`)
  }
  if ('where' in question) {
    // Filters that the page puts over the chart are not its own.
    const own = question.where?.filter(one => !ruled.value.fields.includes(one.field))
    question = { ...question, where: own?.length ? own : undefined }
  }
  if (recipe.value) void put({ ...recipe.value, question: told({ ...recipe.value.question, ...question }) as Question })
}
function finish(part: Partial<Finish>) {
  if (recipe.value) void put({ ...recipe.value, finish: told({ ...recipe.value.finish, ...part }) as Finish })
}
/** Asks as the kind does; what the page says stays the page's. */
function draw(kind: Kind) {
  if (!recipe.value || !kind.question) return
  const { where, span, against, closedThrough } = recipe.value.question
  const own = { where, span, closedThrough, ...(ruled.value.against ? { against } : {}) }
  void put({ ...recipe.value, kind: kind.id, question: told({ ...kind.question, ...own }) as Question })
}
function makeOwn() {
  if (chart.value) emit('change', { ...props.block, dataset: String(chart.value.dataset), chart: chart.value.recipe })
}
const kind = computed(() => drawing.value?.kinds.find(one => one.id === recipe.value?.kind))
const inPoints = computed(
  () => dataset.value?.measures.find(one => one.name === recipe.value?.question.measure)?.inPoints ?? false,
)
</script>

<template>
  <div class="mb-4">
    <p v-if="chart" class="mb-2 rounded border border-accent/40 bg-accent-tint px-3 py-1.5">
      This is the chart “{{ chart.name }}”: what is changed here changes wherever it stands.
      <button class="link" @click="makeOwn">Make it this page’s own</button>
    </p>
    <SentenceOfTrouble v-if="problem || refusal" class="mb-3" :says="problem || refusal" />
    <template v-if="drawing && dataset && recipe">
      <QuestionSentence
        class="mb-3"
        is-small
        :drawing="drawing"
        :dataset="dataset"
        :question="shown?.question ?? recipe.question"
        @change="alter" />
      <div class="flex items-start gap-4">
        <KindsRow :kinds="drawing.kinds" :kind="recipe.kind" @draw="draw" />
        <FinishSheet
          v-if="kind"
          :kind="kind"
          :finish="recipe.finish ?? {}"
          :chart="chart"
          :is-over-time="drawing.workings.rowsAre === 'Period'"
          :in-points="inPoints"
          @change="finish"
          @renew="$emit('fresh')" />
        <button class="button" title="Escape" @click="$emit('close')">Done</button>
      </div>
      <p v-if="cannot.length" class="mt-2 text-quiet">Not as its page: {{ cannot.join(' ') }}</p>
    </template>
    <p v-else-if="!problem" class="text-quiet">Loading…</p>
  </div>
</template>
