<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import { ask, says } from '../../shared/api'
import SentenceOfTrouble from '../../shared/SentenceOfTrouble.vue'
import type { Dataset, Filter, Pulse } from '../../shared/types'
import { useToast } from '../../shared/useToast'
import SourcesPanel from './SourcesPanel.vue'
import { useSources } from './useFigureTable'
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
  folded: string[]
}>()
const emit = defineEmits<{ took: [pulse: Pulse]; changed: []; arrived: []; fold: [group: string] }>()
const { tell } = useToast()
const field = ref<InstanceType<typeof FigureGrid> | null>(null)

const id = computed(() => props.dataset.id)
const table = useTableRows(id, toRef(props, 'body'))
const { head, rows, problem: unread } = table
const edits = useCellEdits(id, table, toRef(props, 'fixedAt'), pulse => emit('took', pulse))
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
const breakdown = computed(() => props.dataset.breakdowns.find(one => one.name === head.value?.by) ?? null)
const measure = computed(() => props.dataset.measures.find(one => one.name === head.value?.measure))

watch(
  () => [props.pulse?.version, props.pulse?.revision],
  (_, before) => {
    if (before[0] !== undefined && edits.underway.value === 0) void table.refresh()
  },
)
watch([() => props.wanted, head], async () => {
  if (!props.wanted || !head.value) return
  const column = head.value.periods.findIndex(period => period.key === props.wanted?.period)
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
  field.value?.focus()
}

/** The periods that are selected; the whole row where it is one. */
const spreadOver = computed(() => {
  if (!box.value || !head.value) return null
  return box.value.right > box.value.left ? box.value : { ...box.value, left: 0, right: head.value.periods.length - 1 }
})
/** Spreads over those periods of each selected row. */
async function spread(amount: string, by: 'even' | 'prior year') {
  const [own, over] = [head.value, spreadOver.value]
  if (!own || !over) return
  const periods = own.periods
    .map((period, i) => ({ key: period.key, scenario: own.into[i] }))
    .slice(over.left, over.right + 1)
  try {
    const members = await table.all(over.top, over.bottom)
    const lines = await Promise.all(
      members.map(({ member }) => {
        const where = own.by ? { ...props.fixedAt, [own.by]: member } : props.fixedAt
        return ask<{ amounts: string[] }>('POST', `/datasets/${id.value}/spreads`, {
          body: { measure: own.measure, where: Object.keys(where).length ? where : undefined, periods, amount, by },
        })
      }),
    )
    field.value?.focus()
    await edits.set(
      over.top,
      over.left,
      lines.map(one => one.amounts),
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
    field.value?.focus()
  } catch (error) {
    unset.value = says(error)
  }
}

function traceActive() {
  const at = active.value
  const row = at ? rows.value[at.row] : undefined
  if (!head.value || !at || !row) return
  const period = head.value.periods[at.column]
  void trace({
    member: head.value.by === null ? null : row.member,
    period: period?.key ? period : null,
    scenario: head.value.shown[at.column] ?? head.value.into[at.column] ?? 'AC',
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
    :over="spreadOver ? spreadOver.right - spreadOver.left + 1 : 0"
    :can-spread="measure?.grouping === 'sum' && head.periods.length > 1"
    :can-trace="count === 1 && Boolean(active && rows[active.row]?.cells[active.column])"
    :by="head.by"
    @fill="fill"
    @spread="spread"
    @clear="fill('')"
    @trace="traceActive"
    @add="add" />
  <FigureGrid
    v-if="head"
    ref="field"
    :head="head"
    :rows="rows"
    :breakdown="breakdown"
    :folded="folded"
    :selection="selection"
    :waits="edits.waiting.value > 0"
    @fold="emit('fold', $event)"
    @look="table.look"
    @set="edits.set"
    @read="edits.read"
    @refuse="unset = $event"
    @trace="traceActive" />
  <SourcesPanel v-if="cell" class="-mx-7 mt-4" :cell="cell" :files="files" :problem="untraced" @close="close" />
</template>
