<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { Finish, Kind, NamedFinish } from '../../shared/types'
import FinishChoice from './FinishChoice.vue'
import FinishEnds from './FinishEnds.vue'
import FinishSize from './FinishSize.vue'
import FinishSwitch from './FinishSwitch.vue'
import FinishWords from './FinishWords.vue'
import NamedFinishes from './NamedFinishes.vue'
import type { PlainControl } from './PlainControl'
import { CONTROLS } from './keys'

/** The choices of a finish; what its kind has no use for is not offered. */
const props = defineProps<{ kind: Kind; finish: Finish; isOverTime: boolean; inPoints: boolean }>()
const emit = defineEmits<{ change: [part: Partial<Finish>]; put: [finish: NamedFinish]; renew: [] }>()

const controls = computed(() => CONTROLS.filter(control => !control.ofKinds || has(control.key)))
const has = (option: string) => props.kind.options.includes(option)
const usual = computed(() => props.kind.usualVariance ?? 'amount')
const variance = computed(() => props.finish.variance ?? usual.value)
const highlighted = computed(() => props.finish.highlight?.length ?? 0)

const root = ref<HTMLElement | null>(null)
/** The sheet opens before its choices are there, which the focus goes to. */
onMounted(() => root.value?.querySelector<HTMLElement>('button')?.focus())

function set(control: PlainControl, value: string | number | boolean) {
  emit('change', { [control.key]: value === control.usual ? undefined : value })
}
function limit(text: string) {
  const digits = text.trim().replace('%', '').trim()
  if (digits === '' || /^\d{1,6}(\.\d{1,4})?$/.test(digits))
    emit('change', { limit: Number(digits) > 0 ? digits : undefined })
}
</script>

<template>
  <div ref="root" class="space-y-3">
    <template v-for="control in controls" :key="control.key">
      <FinishChoice
        v-if="'choices' in control"
        :label="control.label"
        :value="String(finish[control.key] ?? control.usual)"
        :choices="control.choices"
        @choose="set(control, control.isNumber && $event !== '' ? Number($event) : $event)" />
    </template>
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
    <FinishEnds v-if="has('ends')" :ends="finish.ends" @change="emit('change', { ends: $event })" />
    <div class="space-y-1.5 border-t border-hairline pt-3">
      <template v-for="control in controls" :key="control.key">
        <FinishSwitch
          v-if="'text' in control"
          :on="Boolean(finish[control.key] ?? control.usual)"
          :text="isOverTime ? control.overTime : control.text"
          @turn="set(control, $event)" />
      </template>
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
