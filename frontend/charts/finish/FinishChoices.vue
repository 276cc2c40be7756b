<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { Finish, Kind, NamedFinish } from '../../shared/types'
import FinishChoice from './FinishChoice.vue'
import FinishEnds from './FinishEnds.vue'
import FinishSize from './FinishSize.vue'
import FinishSwitch from './FinishSwitch.vue'
import FinishWords from './FinishWords.vue'
import NamedFinishes from './NamedFinishes.vue'

/** The choices of a finish; what its kind has no use for is not offered. */
const props = defineProps<{ kind: Kind; finish: Finish; isOverTime: boolean; inPoints: boolean }>()
const emit = defineEmits<{ change: [part: Partial<Finish>]; put: [finish: NamedFinish]; renew: [] }>()

const has = (option: string) => props.kind.options.includes(option)
const usual = computed(() => props.kind.usualVariance ?? 'amount')
const variance = computed(() => props.finish.variance ?? usual.value)
const highlighted = computed(() => props.finish.highlight?.length ?? 0)

const root = ref<HTMLElement | null>(null)
/** The sheet opens before its choices are there, which the focus goes to. */
onMounted(() => root.value?.querySelector<HTMLElement>('button')?.focus())

function limit(text: string) {
  const digits = text.trim().replace('%', '').trim()
  if (digits === '' || /^\d{1,6}(\.\d{1,4})?$/.test(digits))
    emit('change', { limit: Number(digits) > 0 ? digits : undefined })
}
</script>

<template>
  <div ref="root" class="space-y-3">
    <FinishChoice
      label="Unit"
      :value="finish.unit ?? ''"
      :choices="[
        ['', 'as it fits'],
        ['1', '1'],
        ['k', 'k'],
        ['m', 'm'],
        ['bn', 'bn'],
      ]"
      @choose="emit('change', { unit: ($event || undefined) as Finish['unit'] })" />
    <FinishChoice
      label="Decimals"
      :value="finish.decimals === undefined ? '' : String(finish.decimals)"
      :choices="[
        ['', 'as it fits'],
        ['0', '0'],
        ['1', '1'],
        ['2', '2'],
      ]"
      @choose="emit('change', { decimals: $event === '' ? undefined : Number($event) })" />
    <FinishChoice
      label="Labels"
      :value="finish.labels ?? 'all'"
      :choices="[
        ['all', 'all'],
        ['extremes', 'ends and extremes'],
        ['none', 'none'],
      ]"
      @choose="emit('change', { labels: $event === 'all' ? undefined : ($event as Finish['labels']) })" />
    <FinishChoice
      v-if="has('labelsAt')"
      label="Values"
      :value="finish.labelsAt ?? 'outside'"
      :choices="[
        ['outside', 'at the end'],
        ['inside', 'within'],
      ]"
      @choose="emit('change', { labelsAt: $event === 'inside' ? 'inside' : undefined })" />
    <FinishChoice
      v-if="has('variance') && !inPoints"
      label="Variance"
      :value="variance"
      :choices="[
        ['amount', 'amount'],
        ['percent', 'percent'],
        ['both', 'both'],
      ]"
      @choose="emit('change', { variance: $event === usual ? undefined : ($event as Finish['variance']) })" />
    <FinishChoice
      v-if="has('mark')"
      label="Mark"
      :value="finish.mark ?? 'tick'"
      :choices="[
        ['tick', 'tick'],
        ['dot', 'dot'],
      ]"
      @choose="emit('change', { mark: $event === 'tick' ? undefined : 'dot' })" />
    <FinishChoice
      v-if="has('scale')"
      label="Lengths"
      :value="finish.scale ?? 'shared'"
      :choices="[
        ['shared', 'one scale'],
        ['own', 'own scales'],
        ['target', '% of target'],
      ]"
      @choose="emit('change', { scale: $event === 'shared' ? undefined : ($event as Finish['scale']) })" />
    <FinishEnds v-if="has('ends')" :ends="finish.ends" @change="emit('change', { ends: $event })" />
    <FinishChoice
      label="Colours"
      :value="finish.colours ?? 'effect'"
      :choices="[
        ['effect', 'by effect'],
        ['greys', 'greys'],
      ]"
      @choose="emit('change', { colours: $event === 'greys' ? 'greys' : undefined })" />
    <FinishChoice
      v-if="has('steps')"
      label="Steps"
      :value="finish.steps ?? ''"
      :choices="[
        ['', 'as usual'],
        ['effect', 'by effect'],
        ['sign', 'by sign'],
      ]"
      @choose="emit('change', { steps: ($event || undefined) as Finish['steps'] })" />
    <FinishChoice
      v-if="has('stepLabels')"
      label="At steps"
      :value="finish.stepLabels ?? 'amount'"
      :choices="[
        ['amount', 'amount'],
        ['share', 'share'],
        ['both', 'both'],
      ]"
      @choose="emit('change', { stepLabels: $event === 'amount' ? undefined : ($event as Finish['stepLabels']) })" />
    <FinishChoice
      label="Numbers"
      :value="finish.locale ?? 'en'"
      :choices="[
        ['en', '1,234.5'],
        ['de', '1.234,5'],
        ['fr', '1 234,5'],
      ]"
      @choose="emit('change', { locale: $event === 'en' ? undefined : ($event as Finish['locale']) })" />
    <div class="space-y-1.5 border-t border-hairline pt-3">
      <FinishSwitch
        v-if="has('sameLength')"
        :on="finish.sameLength ?? true"
        text="Variances as long per unit as the values"
        @turn="emit('change', { sameLength: $event ? undefined : false })" />
      <FinishSwitch
        v-if="has('gap')"
        :on="finish.gap ?? false"
        text="A thin bar over the gap"
        @turn="emit('change', { gap: $event || undefined })" />
      <FinishSwitch
        v-if="has('dots')"
        :on="finish.dots ?? false"
        text="A dot at the running total for each share"
        @turn="emit('change', { dots: $event || undefined })" />
      <FinishSwitch
        v-if="has('cut')"
        :on="finish.cut ?? true"
        text="Cut totals that would dwarf the rows"
        @turn="emit('change', { cut: $event ? undefined : false })" />
      <FinishSwitch
        v-if="has('turn')"
        :on="finish.turn ?? false"
        :text="isOverTime ? 'Turn: bars from top to bottom' : 'Turn: columns side by side'"
        @turn="emit('change', { turn: $event || undefined })" />
      <label v-if="has('limit') && variance !== 'amount' && !inPoints" class="flex items-center gap-2 py-0.5">
        Cut pins at
        <input
          class="field w-20 text-right"
          inputmode="decimal"
          :value="finish.limit ?? ''"
          placeholder="outliers"
          @change="limit(($event.target as HTMLInputElement).value)" />%
      </label>
    </div>
    <FinishSwitch
      :on="finish.notes ?? true"
      text="Number the notes in the chart"
      @turn="emit('change', { notes: $event ? undefined : false })" />
    <FinishSize :finish="finish" @change="emit('change', $event)" />
    <FinishWords :finish="finish" @change="emit('change', $event)" />
    <NamedFinishes
      :finish="finish"
      @change="emit('change', $event)"
      @put="emit('put', $event)"
      @renew="emit('renew')" />
    <p class="border-t border-hairline pt-3 text-quiet">
      <template v-if="highlighted">
        {{ highlighted === 1 ? 'One row is' : `${highlighted} rows are` }} highlighted.
        <button class="link" @click="emit('change', { highlight: undefined })">Highlight none</button>
      </template>
      <template v-else>Rows are highlighted in the workings, or with <kbd>h</kbd> on the chart.</template>
    </p>
  </div>
</template>
