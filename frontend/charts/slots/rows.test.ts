import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Dataset, Question } from '../../shared/types'
import { named, opened, text, type } from '../../shared/mounted'
import BetweenSlot from './BetweenSlot.vue'
import CapacitySlot from './CapacitySlot.vue'
import RowsSlot from './RowsSlot.vue'
import TargetSlot from './TargetSlot.vue'

const measure = (name: string, unit = '') => ({ name, unit, grouping: 'sum', band: null })
const dataset = {
  grains: ['day', 'month', 'quarter'],
  breakdowns: [
    { name: 'Route', members: Array.from({ length: 12 }, (_, i) => `R${i}`), parents: {} },
    { name: 'Class', members: ['All', 'Foot', 'Car'], parents: { Foot: 'All', Car: 'All' } },
    { name: 'Pier', members: ['A', 'B'], parents: {} },
  ],
  references: [
    { code: 'AC', word: 'actual' },
    { code: 'BU', word: 'budget' },
    { code: 'TG', word: 'target' },
  ],
  measures: [measure('Sold'), measure('Seats'), measure('Free'), measure('Fares', 'EUR')],
} as unknown as Dataset

const any = { hasMembers: true, taken: null, canLand: true, isWaterfall: false, canOrder: true, canBeWhole: false }

async function slot(component: Parameters<typeof opened>[0], question: Question, more: Record<string, unknown> = {}) {
  const onChange = vi.fn()
  const root = await opened(component, { text: 'slot', dataset, question, rows: any, onChange, ...more })
  return { root, onChange, part: () => onChange.mock.calls.at(-1)?.[0] as Partial<Question> }
}
async function select(root: HTMLElement, label: string, value: string) {
  const field = root.querySelector<HTMLSelectElement>(`select[aria-label="${label}"], #${label}`)
  if (!field) throw new Error(`There is no field ${label}`)
  field.value = value
  field.dispatchEvent(new Event('change'))
  await nextTick()
}

describe('the slot of rows', () => {
  it('asks by a grain, and drops what only members have', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'Route', top: 3, order: 'largest first' })
    named(root, 'quarter').click()
    expect(part()).toEqual({ by: 'quarter', order: undefined, top: undefined })
  })

  it('asks by a breakdown, and drops running totals and a chart for each of the same', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'month', cumulate: 'moving', each: 'Class' })
    named(root, 'Class').click()
    expect(part()).toEqual({ by: 'Class', cumulate: undefined, each: undefined })
  })

  it('moves over no twelve months of days', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'month', cumulate: 'moving' })
    expect(named(root, 'over 12 months')).toBeDefined()
    named(root, 'day').click()
    expect(part()).toMatchObject({ by: 'day', cumulate: undefined })
    const days = await slot(RowsSlot, { by: 'day' })
    expect(named(days.root, 'over 12 months')).toBeUndefined()
  })

  it('takes an order, so many of the largest, and a chart for each', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'Route' })
    named(root, 'smallest first').click()
    expect(part()).toEqual({ order: 'smallest first' })
    await select(root, 'How many members', '5')
    expect(part()).toEqual({ top: 5 })
    await select(root, 'A chart for each', 'Pier')
    expect(part()).toEqual({ each: 'Pier' })
    const few = await slot(RowsSlot, { by: 'Pier' })
    expect(few.root.querySelector('[aria-label="How many members"]')).toBeNull()
  })

  it('lets go of an order by hand', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'Route', sequence: ['Holm'] })
    expect(text(root)).toContain('Order: your own')
    expect(named(root, 'as given').getAttribute('aria-checked')).toBe('false')
    named(root, 'as given').click()
    expect(part()).toEqual({ order: undefined, sequence: undefined })
  })

  it('offers a line no members, and a hat none of its own sides', async () => {
    const line = await slot(RowsSlot, { by: 'month' }, { rows: { ...any, hasMembers: false } })
    expect(text(line.root)).not.toContain('Members of')
    const between = { field: 'Class', first: 'Foot', second: 'Car' }
    const hat = await slot(RowsSlot, { by: 'Route', between }, { rows: { ...any, taken: 'Class' } })
    expect(named(hat.root, 'Route')).toBeDefined()
    expect(named(hat.root, 'Class')).toBeUndefined()
  })

  it('sets apart where the year will land, where there is a forecast', async () => {
    const { root, part } = await slot(RowsSlot, { by: 'month', forecast: 'FC' })
    const box = root.querySelector<HTMLInputElement>('input[type=checkbox]')
    if (!box) throw new Error('There is no box')
    box.checked = true
    box.dispatchEvent(new Event('change'))
    expect(part()).toEqual({ landing: true })
    expect((await slot(RowsSlot, { by: 'month' })).root.querySelector('input[type=checkbox]')).toBeNull()
    const line = { ...any, canLand: false }
    const none = await slot(RowsSlot, { by: 'month', forecast: 'FC' }, { rows: line })
    expect(none.root.querySelector('input[type=checkbox]')).toBeNull()
  })

  it('goes through its choices with the arrow keys', async () => {
    const { root } = await slot(RowsSlot, { by: 'month' })
    const press = (key: string) =>
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
    named(root, 'day').focus()
    press('ArrowDown')
    expect(text(document.activeElement ?? root)).toBe('month')
    press('ArrowUp')
    press('ArrowUp')
    expect(text(document.activeElement ?? root)).toBe('day')
  })
})

describe('the slot of two members', () => {
  const between = { field: 'Class', first: 'Foot', second: 'Car' }

  it('turns the two round, also by taking one for the other', async () => {
    const { root, part } = await slot(BetweenSlot, { by: 'Route', between })
    named(root, 'The other way round').click()
    expect(part()).toEqual({ between: { field: 'Class', first: 'Car', second: 'Foot' } })
    await select(root, 'between-second', 'Foot')
    expect(part()).toEqual({ between: { field: 'Class', first: 'Car', second: 'Foot' } })
    await select(root, 'between-first', 'All')
    expect(part()).toEqual({ between: { field: 'Class', first: 'All', second: 'Car' } })
  })

  it('takes the first two that are no groups of another breakdown', async () => {
    const { root, part } = await slot(BetweenSlot, { by: 'month', between: { field: 'Pier', first: 'A', second: 'B' } })
    await select(root, 'between-field', 'Class')
    expect(part()).toEqual({ between })
  })

  it('offers neither the rows nor the charts', async () => {
    const { root } = await slot(BetweenSlot, { by: 'Route', each: 'Pier', between })
    const fields = [...root.querySelectorAll<HTMLOptionElement>('#between-field option')].map(one => one.value)
    expect(fields).toEqual(['Class'])
  })
})

describe('the slot of a capacity', () => {
  it('gives a measure one part only, and keeps two parts told', async () => {
    const { root, part, onChange } = await slot(CapacitySlot, { used: 'Sold', total: 'Seats' })
    await select(root, 'capacity-unused', 'Free')
    expect(part()).toEqual({ used: 'Sold', unused: 'Free', total: 'Seats' })
    await select(root, 'capacity-used', 'Seats')
    expect(part()).toEqual({ used: 'Seats', unused: undefined, total: 'Sold' })
    const calls = onChange.mock.calls.length
    await select(root, 'capacity-used', '')
    expect(onChange.mock.calls).toHaveLength(calls)
  })

  it('offers measures of the same unit', async () => {
    const { root } = await slot(CapacitySlot, { used: 'Sold', total: 'Seats' })
    expect([...root.querySelectorAll<HTMLOptionElement>('#capacity-total option')].map(one => one.value)).toEqual([
      '',
      'Sold',
      'Seats',
      'Free',
    ])
  })
})

describe('the slot of a target', () => {
  it('takes a scenario, a rate, or no figures', async () => {
    const { root, part } = await slot(TargetSlot, { against: ['TG'] })
    named(root, 'BU').click()
    expect(part()).toEqual({ against: ['BU'] })
    named(root, 'no figures').click()
    expect(part()).toEqual({ against: undefined })
    await type(root.querySelector('#target-rate') as HTMLInputElement, '85')
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    await nextTick()
    expect(part()).toEqual({ target: '85' })
  })

  it('says what is no percentage', async () => {
    const { root, onChange } = await slot(TargetSlot, {})
    await type(root.querySelector('#target-rate') as HTMLInputElement, 'most')
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    await nextTick()
    expect(text(root)).toContain('"most" is not a percentage. Write it like 85.')
    expect(onChange).not.toHaveBeenCalled()
  })
})
