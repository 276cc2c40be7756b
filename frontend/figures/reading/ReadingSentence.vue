<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceSlot from '../../shared/slots/ChoiceSlot.vue'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { ask } from '../../shared/api'
import { useLoad } from '../../shared/useLoad'
import type { DatasetBrief, Listing } from '../../shared/types'
import type { DatasetName, HeaderPlace, ImportMode, Reading } from '../types'

/** Where the table stands in the file and where its figures go, as one sentence. */
const props = defineProps<{ reading: Reading; target: DatasetName | null }>()
const mode = defineModel<ImportMode>('mode', { required: true })
const emit = defineEmits<{ look: [part: { sheet?: string; header?: HeaderPlace; dataset?: DatasetName | null }] }>()
const { value: datasets } = useLoad(['datasets', 'list', ''], () => ask<Listing<DatasetBrief>>('GET', '/datasets'))

const NEW = 'new'
const targets = computed(() => {
  const listed = (datasets.value?.items ?? []).map(one => ({
    value: String(one.id),
    label: one.name,
    note: one.periods || 'list',
  }))
  const own = props.target
  const known =
    own && !listed.some(one => one.value === String(own.id))
      ? [{ value: String(own.id), label: own.name, note: '' }]
      : []
  return [{ value: NEW, label: 'a new dataset', note: '' }, ...known, ...listed]
})
const modes: { value: ImportMode; label: string; note: string }[] = [
  { value: 'add', label: 'adding to it', note: 'same keys are replaced' },
  { value: 'replace periods', label: 'replacing the same periods', note: 'what the file lacks of them goes' },
  { value: 'replace all', label: 'replacing all of it', note: 'nothing else stays' },
]
const row = ref(props.reading.header.row)
const levels = ref<0 | 1 | 2>(props.reading.header.levels)
const headerText = computed(() => {
  const { row, levels } = props.reading.header
  return levels === 0 ? 'no header' : levels === 2 ? `rows ${row} and ${row + 1}` : `row ${row}`
})

function choose(value: string) {
  const chosen = datasets.value?.items.find(one => String(one.id) === value)
  const dataset =
    value === NEW ? null : chosen ? { id: chosen.id, version: chosen.version, name: chosen.name } : props.target
  emit('look', { dataset })
}
</script>

<template>
  <p class="font-serif text-[21px] leading-[33px]">
    Bring
    <template v-if="reading.sheets.length > 1">
      the sheet
      <ChoiceSlot
        :text="reading.sheet"
        name="Sheet"
        :value="reading.sheet"
        :choices="reading.sheets.map(sheet => ({ value: sheet, label: sheet, note: '' }))"
        @choose="emit('look', { sheet: $event })" />
    </template>
    <template v-else>the table</template>
    with
    <template v-if="reading.header.levels">its header in </template>
    <SlotSheet v-slot="{ close }" :text="headerText" name="Header" :width="280">
      <form class="space-y-3" @submit.prevent="(emit('look', { header: { row, levels } }), close())">
        <label class="flex items-center justify-between gap-3"
          >The names of the columns stand in
          <select v-model.number="levels" class="field">
            <option :value="1">one row</option>
            <option :value="2">two rows</option>
            <option :value="0">no row</option>
          </select></label
        >
        <label class="flex items-center justify-between gap-3"
          >{{ levels === 0 ? 'Figures begin in row' : 'The first of them is row' }}
          <input v-model.number="row" class="field w-20" type="number" min="0" max="10000"
        /></label>
        <button class="button button-strong">Look again</button>
      </form>
    </SlotSheet>
    into
    <ChoiceSlot
      :text="target?.name ?? 'a new dataset'"
      name="Dataset"
      :value="target ? String(target.id) : NEW"
      :choices="targets"
      @choose="choose" /><template v-if="target"
      >,
      <ChoiceSlot
        :text="modes.find(one => one.value === mode)?.label ?? ''"
        name="Mode"
        :value="mode"
        :choices="modes"
        @choose="mode = $event as ImportMode" /></template
    >.
  </p>
</template>
