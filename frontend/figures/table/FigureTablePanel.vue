<script setup lang="ts">
import { computed, toRef, watch } from 'vue'
import { ask, says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Dataset, Filter, Pulse } from '../../shared/types'
import { useToast } from '../../shared/useToast'
import SourcesPanel from '../SourcesPanel.vue'
import { useSources } from '../useFigureTable'
import FigureGrid from './FigureGrid.vue'
import GridBar from './GridBar.vue'
import OvertakenNote from './OvertakenNote.vue'
import { useCellEdits } from './useCellEdits'
import { useSelection } from './useSelection'
import { useTableRows } from './useTableRows'

/** The table of figures with all that can be done in it. */
const props = defineProps<{
  dataset: Dataset
  body: object | null
  filters: Filter[]
  fixedAt: Record<string, string>
  pulse: Pulse | null
  /** a member and a period that something else leads to */
  wanted: { member: string; period: string } | null
}>()
const emit = defineEmits<{ took: [pulse: Pulse]; changed: [] }>()
const { tell } = useToast()

const id = computed(() => props.dataset.id)
const table = useTableRows(id, toRef(props, 'body'))
const { head, rows, problem: unread } = table
const edits = useCellEdits(id, table, toRef(props, 'fixedAt'), (pulse) => emit('took', pulse))
const { problem: unset, overtaken } = edits
const selection = useSelection(
  computed(() => rows.value.length),
  computed(() => head.value?.periods.length ?? 0),
)
const { box, active } = selection
const {
  cell,
  files,
  problem: untraced,
  trace,
  close,
} = useSources(
  computed(() => props.dataset),
  head,
  toRef(props, 'filters'),
)
const breakdown = computed(() => props.dataset.breakdowns.find((one) => one.name === head.value?.by) ?? null)
const measure = computed(() => props.dataset.measures.find((one) => one.name === head.value?.measure))

watch(
  () => [props.pulse?.version, props.pulse?.revision],
  (_, before) => {
    if (before[0] !== undefined && edits.underway.value === 0) void table.refresh()
  },
)
watch([() => props.wanted, head], async () => {
  if (!props.wanted || !head.value) return
  const column = head.value.periods.findIndex((period) => period.key === props.wanted?.period)
  const row = breakdown.value ? breakdown.value.members.indexOf(props.wanted.member) : 0
  if (column >= 0) selection.go({ row: Math.max(0, row), column })
})

const count = computed(() =>
  box.value ? (box.value.bottom - box.value.top + 1) * (box.value.right - box.value.left + 1) : 0,
)
const line = computed(() => {
  const at = active.value
  const row = at ? rows.value[at.row] : undefined
  if (!head.value || !at || !row) return ''
  if (count.value > 1) return `${count.value.toLocaleString('en-GB')} amounts`
  const name = head.value.by === null ? head.value.measure : row.member || '(blank)'
  const period = head.value.periods[at.column]?.label
  return `${[name, period, head.value.into[at.column]].filter(Boolean).join(', ')}: ${row.cells[at.column] || 'missing'}`
})

function filled(text: string): (string | null)[][] {
  if (!box.value) return []
  const wide = box.value.right - box.value.left + 1
  return Array.from({ length: box.value.bottom - box.value.top + 1 }, () => Array<string>(wide).fill(text))
}
function fill(text: string) {
  if (box.value) void edits.set(box.value.top, box.value.left, filled(text))
}

/** Spreads over the selected periods of each selected row. */
async function spread(amount: string, by: 'even' | 'prior year') {
  if (!box.value || !head.value) return
  const { top, bottom, left, right } = box.value
  try {
    const members = await table.all(top, bottom)
    const lines = await Promise.all(
      members.map((row) =>
        ask<{ amounts: string[] }>('POST', `/datasets/${id.value}/spreads`, {
          body: {
            measure: head.value!.measure,
            where: { ...props.fixedAt, ...(head.value!.by ? { [head.value!.by]: row.member } : {}) },
            periods: head
              .value!.periods.slice(left, right + 1)
              .map((period, i) => ({ key: period.key, scenario: head.value!.into[left + i] })),
            amount,
            by,
          },
        }),
      ),
    )
    await edits.set(
      top,
      left,
      lines.map((one) => one.amounts),
    )
  } catch (error) {
    unset.value = says(error)
  }
}

async function add(name: string) {
  if (!breakdown.value) return
  try {
    await ask('PATCH', `/datasets/${id.value}/breakdowns/${breakdown.value.id}`, {
      version: props.dataset.version,
      body: { add: name },
    })
    tell(`${name} is added as the last row.`)
    emit('changed')
    await table.refresh()
    selection.go({ row: rows.value.length - 1, column: active.value?.column ?? 0 })
  } catch (error) {
    unset.value = says(error)
  }
}

function traceActive() {
  const at = active.value
  const row = at ? rows.value[at.row] : undefined
  if (!head.value || !at || !row) return
  void trace({
    member: head.value.by === null ? null : row.member,
    period: head.value.periods[at.column]?.key ? head.value.periods[at.column]! : null,
    scenario: head.value.shown[at.column] ?? head.value.into[at.column]!,
    amount: row.cells[at.column] ?? '',
  })
}
</script>

<template>
  <SentenceOfTrouble v-if="unread || unset" class="mb-3" :says="unread || unset" />
  <OvertakenNote v-if="overtaken" :overtaken="overtaken" @put-on-top="edits.putOnTop" @keep-theirs="edits.keepTheirs" />
  <GridBar
    v-if="head"
    :says="line"
    :count="count"
    :fixed="head.fixed"
    :can-spread="measure?.grouping === 'sum' && box !== null && box.right > box.left"
    :can-trace="count === 1 && Boolean(active && rows[active.row]?.cells[active.column])"
    :by="head.by"
    @fill="fill"
    @spread="spread"
    @clear="fill('')"
    @trace="traceActive"
    @add="add"
  />
  <FigureGrid
    v-if="head"
    :head="head"
    :rows="rows"
    :breakdown="breakdown"
    :selection="selection"
    :all="table.all"
    @look="table.look"
    @set="edits.set"
    @refuse="unset = $event"
    @trace="traceActive"
  />
  <SourcesPanel v-if="cell" class="-mx-7 mt-4" :cell="cell" :files="files" :problem="untraced" @close="close" />
</template>
