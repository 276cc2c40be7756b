<script setup lang="ts">
import { defineAsyncComponent, shallowRef } from 'vue'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import type { Chart, Finish, Kind, NamedFinish } from '../../shared/types'
import FinishLoading from './FinishLoading.vue'
import { looksOf } from './looks'

/** What only changes the looks of this chart. */
defineProps<{ kind: Kind; finish: Finish; chart: Chart | null; isOverTime: boolean; inPoints: boolean }>()
const emit = defineEmits<{ change: [part: Partial<Finish>]; renew: [] }>()

const FinishChoices = defineAsyncComponent({
  loader: () => import('./FinishChoices.vue'),
  loadingComponent: FinishLoading,
  delay: 0,
})
const FinishOnCharts = defineAsyncComponent(() => import('./FinishOnCharts.vue'))
/** The finish that is put on other charts; asked past the sheet, which closes. */
const putting = shallowRef<NamedFinish | null>(null)
</script>

<template>
  <Popover as="div" class="relative">
    <PopoverButton class="button">Finish</PopoverButton>
    <PopoverPanel focus class="sheet right-0 max-h-[calc(100vh-290px)] min-h-60 w-[350px] overflow-y-auto p-4">
      <FinishChoices
        :kind="kind"
        :finish="finish"
        :is-over-time="isOverTime"
        :in-points="inPoints"
        @change="emit('change', $event)"
        @put="putting = $event"
        @renew="emit('renew')" />
    </PopoverPanel>
    <FinishOnCharts
      v-if="putting"
      :named="putting"
      :own="chart?.id ?? null"
      @close="putting = null"
      @here="emit('change', looksOf($event))" />
  </Popover>
</template>
