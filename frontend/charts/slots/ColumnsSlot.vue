<script setup lang="ts">
import { computed } from 'vue'
import type { Dataset, Question } from '../../shared/types'
import SlotSheet from '../../shared/slots/SlotSheet.vue'
import { columnsOf, drawnAs, formOf, formsOf, moved, nameOf, usualColumns, type TableColumn } from './columns'

/** The columns of a table, in their order, and how each is drawn. */
const props = defineProps<{ text: string; dataset: Dataset; question: Question }>()
const emit = defineEmits<{ change: [part: Partial<Question>] }>()

const isOverTime = computed(() => (props.dataset.grains as string[]).includes(props.question.by ?? ''))
const chosen = computed<TableColumn[]>(() =>
  props.question.columns?.length ? props.question.columns : usualColumns(props.question, isOverTime.value),
)
const names = computed(() => chosen.value.map(nameOf))
const others = computed(() => columnsOf(props.dataset, props.question).filter(name => !names.value.includes(name)))

function take(columns: TableColumn[]) {
  emit('change', { columns: columns.length ? columns : undefined })
}
function drawAs(at: number, form: string) {
  take(chosen.value.map((column, i) => (i === at ? drawnAs(column, form) : column)))
}
</script>

<template>
  <SlotSheet :text="text" name="Columns" says="columns" example="AC, BU, ΔBU, trend" :width="330">
    <ul aria-label="Columns shown">
      <li v-for="(column, i) in chosen" :key="nameOf(column)" class="flex items-center gap-2 py-0.5">
        <span class="min-w-0 flex-1">{{ nameOf(column) }}</span>
        <select
          v-if="formsOf(nameOf(column)).length > 1"
          class="field py-0.5"
          :aria-label="`How ${nameOf(column)} is drawn`"
          :value="formOf(column)"
          @change="drawAs(i, ($event.target as HTMLSelectElement).value)">
          <option v-for="form in formsOf(nameOf(column))" :key="form" :value="form">{{ form }}</option>
        </select>
        <button
          class="link px-1"
          :aria-label="`Move ${nameOf(column)} to the left`"
          :disabled="i === 0"
          @click="take(moved(chosen, i, -1))">
          ‹
        </button>
        <button
          class="link px-1"
          :aria-label="`Move ${nameOf(column)} to the right`"
          :disabled="i === chosen.length - 1"
          @click="take(moved(chosen, i, 1))">
          ›
        </button>
        <button
          class="link"
          :disabled="chosen.length === 1"
          :aria-label="`Leave out ${nameOf(column)}`"
          @click="take(chosen.filter((_, at) => at !== i))">
          leave out
        </button>
      </li>
    </ul>
    <div v-if="others.length" class="mt-2 border-t border-hairline pt-2">
      <p class="label mb-1">More columns</p>
      <div class="flex flex-wrap gap-1">
        <button
          v-for="name in others"
          :key="name"
          class="rounded border border-hairline px-2 py-0.5 hover:bg-accent-tint"
          @click="take([...chosen, name])">
          {{ name }}
        </button>
      </div>
    </div>
    <button v-if="question.columns?.length" class="link mt-3" @click="emit('change', { columns: undefined })">
      The usual columns
    </button>
  </SlotSheet>
</template>
