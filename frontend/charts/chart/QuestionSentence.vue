<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, watch, type Component } from 'vue'
import { ask, says } from '../../shared/api'
import type { Dataset, Drawing, Question, SentencePart } from '../../shared/types'
import ChoiceSlot from '../../shared/slots/ChoiceSlot.vue'
import GatheredBar from '../../shared/slots/GatheredBar.vue'
import FlagSlot from '../slots/FlagSlot.vue'
import MembersSlot from '../../shared/slots/MembersSlot.vue'
import MoreSlot from '../slots/MoreSlot.vue'
import NumbersSlot from '../slots/NumbersSlot.vue'
import ReferencesSlot from '../slots/ReferencesSlot.vue'
import RowsSlot from '../slots/RowsSlot.vue'
import SlotText from '../slots/SlotText.vue'
import SpanSlot from '../slots/SpanSlot.vue'
import { filterText } from '../../shared/slots/memberFilter'
import { nameOf, usualColumns } from '../slots/columns'
import { spanText } from '../slots/spanText'
import { provideSpeak } from '../../shared/slots/speak'
import { stepSlots } from '../../shared/slots/slotSteps'
import { useGathered } from '../../shared/slots/useGathered'

/** Slots that only some kinds have are loaded when one is asked. */
const later = (loader: () => Promise<Component>) =>
  defineAsyncComponent({ loader, loadingComponent: SlotText, delay: 0 })
const BandsSlot = later(() => import('../slots/BandsSlot.vue'))
const BetweenSlot = later(() => import('../slots/BetweenSlot.vue'))
const BridgeSlot = later(() => import('../slots/BridgeSlot.vue'))
const CapacitySlot = later(() => import('../slots/CapacitySlot.vue'))
const ColumnsSlot = later(() => import('../slots/ColumnsSlot.vue'))
const GoalSlot = later(() => import('../slots/GoalSlot.vue'))
const TargetSlot = later(() => import('../slots/TargetSlot.vue'))

defineOptions({ inheritAttrs: false })
const props = defineProps<{ drawing: Drawing; dataset: Dataset; question: Question; isSmall?: boolean }>()
const emit = defineEmits<{
  change: [part: Partial<Question>]
  say: [better: 'more' | 'less']
  keepBands: [bands: NonNullable<Question['bands']>]
}>()
const gathered = useGathered(
  computed(() => props.question),
  ['where', 'span'],
  part => emit('change', part),
)
const { shown, isGathering, count } = gathered
const where = computed(() => shown.value.where ?? [])
const rows = computed(
  () =>
    props.drawing.kinds.find(kind => kind.id === props.drawing.recipe.kind)?.rows ?? {
      hasMembers: true,
      taken: null,
      canLand: false,
      isWaterfall: false,
      canOrder: true,
      canBeWhole: false,
    },
)
provideSpeak(async (slot, text) => {
  try {
    const { change } = await ask<{ change: Record<string, unknown> }>('POST', `/datasets/${props.dataset.id}/slots`, {
      body: { recipe: props.drawing.recipe, slot, text },
    })
    const dropped = Object.entries(change).map(([key, value]) => [key, value ?? undefined])
    emit('change', Object.fromEntries(dropped) as Partial<Question>)
    return null
  } catch (error) {
    return says(error)
  }
})
const line = ref<HTMLElement | null>(null)

/** A slot with nothing set that was asked for; it stands in the sentence until it is set or the sentence changes. */
const extra = ref<{ slot: string; text: string } | null>(null)
watch(
  () => props.drawing.sentence,
  () => (extra.value = null),
)
async function open(slot: string) {
  const offers = props.drawing.sentence.find(part => part.slot === 'more')?.offers ?? []
  extra.value = offers.find(offer => offer.slot === slot) ?? null
  await nextTick()
  line.value?.querySelector<HTMLElement>('[data-extra] .slot')?.click()
}

/** Slots and words between them; a comma or full stop after a slot stays on its line. */
const parts = computed(() => {
  const sentence = props.drawing.sentence.flatMap((part): (SentencePart & { isExtra?: boolean })[] => {
    if (part.slot !== 'more' || !extra.value) return [part]
    const offers = part.offers?.filter(offer => offer.slot !== extra.value?.slot) ?? []
    return [
      { ...extra.value, isExtra: true },
      ...(offers.length ? [{ text: ', ' }, { ...part, offers }] : [{ text: '.' }]),
    ]
  })
  return sentence.map((part, i) => {
    const after = part.slot ? sentence[i + 1] : undefined
    return {
      ...part,
      key: part.slot ?? i,
      text: part.slot || !sentence[i - 1]?.slot ? part.text : part.text.replace(/^[,?;.]+/, ''),
      tail: after && !after.slot ? (/^[,?;.]+/.exec(after.text)?.[0] ?? '') : '',
    }
  })
})

/** What a value on its way to a goal is held against, by when. */
const paces = computed(() => [
  { value: '', label: 'the usual pace', note: 'as the goal has it' },
  ...(props.dataset.grains.length
    ? [{ value: 'elapsed', label: 'the time elapsed', note: 'evenly over the span' }]
    : []),
  ...props.dataset.references
    .filter(reference => reference.code !== (props.question.scenario ?? 'AC'))
    .map(reference => ({ value: reference.code as string, label: `${reference.word} to date`, note: reference.code })),
  { value: 'none', label: 'no pace', note: '' },
])
const layers = computed(() => [
  { value: '', label: 'as a whole', note: '' },
  ...props.dataset.breakdowns
    .filter(one => one.name !== props.question.by)
    .map(one => ({ value: one.name, label: `by ${one.name}`, note: '' })),
])
/** A span is gathered with the filter; whether the forecast is shown is not. */
function takeSpan(part: Partial<Question>) {
  if (isGathering.value && 'span' in part) gathered.set({ span: part.span })
  else emit('change', part)
}
/** What rows of a table are in order by: the column and a word for the direction, as one text. */
const sorted = computed(() => {
  const sort = props.question.sort
  return sort
    ? `${typeof sort === 'string' ? sort : sort.column}|${typeof sort === 'string' ? '' : (sort.order ?? '')}`
    : ''
})
const sorts = computed(() => [
  { value: '', label: 'in the order of the rows', note: '' },
  ...(props.question.columns?.length
    ? props.question.columns.map(nameOf)
    : usualColumns(props.question, (props.dataset.grains as string[]).includes(props.question.by ?? ''))
  ).flatMap(name =>
    (['largest first', 'smallest first'] as const).map(order => ({
      value: `${name}|${order}`,
      label: `by ${name}`,
      note: order,
    })),
  ),
])
function takeSort(value: string) {
  const [column, order] = value.split('|')
  const sort = column ? { column, order: order as 'largest first' | 'smallest first' } : undefined
  emit('change', { sort })
}
function breakdown(slot: string) {
  return props.dataset.breakdowns.find(breakdown => slot === `members:${breakdown.name}`)
}
</script>

<template>
  <h1 class="sr-only">{{ drawing.sentence.map(part => part.text).join('') }}</h1>
  <div
    ref="line"
    role="group"
    aria-label="Question"
    class="font-serif"
    :class="isSmall ? 'text-[18px] leading-[29px]' : 'text-[22px] leading-[34px]'"
    v-bind="$attrs"
    @keydown.left="stepSlots($event, -1)"
    @keydown.right="stepSlots($event, 1)">
    <span
      v-for="part in parts"
      :key="part.key"
      :class="part.tail ? 'whitespace-nowrap' : ''"
      :data-extra="part.isExtra ? '' : undefined">
      <template v-if="!part.slot">{{ part.text }}</template>
      <ChoiceSlot
        v-else-if="part.slot === 'measure'"
        :text="part.text"
        name="Measure"
        :value="question.measure ?? dataset.measures[0]?.name ?? ''"
        :choices="dataset.measures.map(measure => ({ value: measure.name, label: measure.name, note: measure.unit }))"
        @choose="
          emit('change', {
            measure: $event,
            better: undefined,
            flag: question.flag?.percent ? { percent: question.flag.percent } : undefined,
          })
        " />
      <RowsSlot
        v-else-if="part.slot === 'by'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        :rows="rows"
        @change="emit('change', $event)" />
      <BetweenSlot
        v-else-if="part.slot === 'between'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <BridgeSlot
        v-else-if="part.slot === 'bridge'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <CapacitySlot
        v-else-if="part.slot === 'capacity'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <GoalSlot
        v-else-if="part.slot === 'aim' || part.slot === 'goal'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        :of="part.slot === 'goal' ? 'goal' : 'target'"
        :has-milestones="parts.some(one => one.slot === 'layers')"
        @change="emit('change', $event)" />
      <ChoiceSlot
        v-else-if="part.slot === 'pace'"
        :text="part.text"
        name="Pace"
        :value="question.pace ?? ''"
        :choices="paces"
        @choose="emit('change', { pace: ($event || undefined) as Question['pace'] })" />
      <ChoiceSlot
        v-else-if="part.slot === 'layers'"
        :text="part.text"
        name="Layers"
        :value="question.layers ?? ''"
        :choices="layers"
        @choose="emit('change', { layers: $event || undefined })" />
      <ColumnsSlot
        v-else-if="part.slot === 'columns'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <ChoiceSlot
        v-else-if="part.slot === 'sort'"
        :text="part.text"
        name="Sorted"
        :value="sorted"
        :choices="sorts"
        @choose="takeSort" />
      <BandsSlot
        v-else-if="part.slot === 'bands'"
        :text="part.text"
        :question="question"
        @change="emit('change', $event)"
        @keep="emit('keepBands', $event)" />
      <TargetSlot
        v-else-if="part.slot === 'target'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <ChoiceSlot
        v-else-if="part.slot === 'better'"
        :text="part.text"
        name="Better"
        :value="drawing.better"
        :guess="part.isGuess ? 'Taken from the name. Say whether it is so, for all charts of it.' : ''"
        :choices="[
          { value: 'more', label: 'More is better', note: 'such as revenue' },
          { value: 'less', label: 'Less is better', note: 'such as a cost' },
        ]"
        @choose="
          part.isGuess
            ? emit('say', $event as 'more' | 'less')
            : emit('change', { better: $event as Question['better'] })
        " />
      <MoreSlot v-else-if="part.slot === 'more'" :text="part.text" :offers="part.offers ?? []" @choose="open" />
      <SpanSlot
        v-else-if="part.slot === 'span'"
        :text="isGathering ? spanText(shown.span, dataset) : part.text"
        :dataset="dataset"
        :question="isGathering ? { ...question, span: shown.span } : question"
        :can-gather="!isGathering"
        @gather="gathered.start"
        @change="takeSpan" />
      <ReferencesSlot
        v-else-if="part.slot === 'against'"
        :text="part.text"
        :dataset="dataset"
        :question="question"
        @change="emit('change', $event)" />
      <ChoiceSlot
        v-else-if="part.slot === 'proRata'"
        :text="part.text"
        name="The month that is not over"
        :value="question.proRata ? 'yes' : ''"
        :choices="[
          { value: '', label: 'leave it out', note: 'it is planned by month' },
          { value: 'yes', label: 'take it pro rata', note: 'by the days that have passed' },
        ]"
        @choose="emit('change', { proRata: $event === 'yes' || undefined })" />
      <FlagSlot
        v-else-if="part.slot === 'flag'"
        :text="part.text"
        :flag="question.flag ?? {}"
        :in-points="dataset.measures.find(measure => measure.name === question.measure)?.inPoints ?? false"
        @change="emit('change', { flag: $event })" />
      <MembersSlot
        v-else-if="breakdown(part.slot)"
        :text="isGathering ? filterText(breakdown(part.slot)!, where) : part.text"
        :breakdown="breakdown(part.slot)!"
        :where="where"
        :can-gather="!isGathering"
        @gather="gathered.start"
        @change="gathered.set({ where: $event })" />
      <NumbersSlot
        v-else-if="part.slot === 'numbers'"
        :text="part.text"
        :dataset="dataset"
        :where="where"
        :can-gather="!isGathering"
        @gather="gathered.start"
        @change="gathered.set({ where: $event })" />{{ part.tail }}</span
    >
  </div>
  <GatheredBar
    v-if="isGathering"
    class="mt-1 mb-3"
    :count="count"
    from="chart"
    @apply="gathered.apply"
    @drop="gathered.drop" />
</template>
