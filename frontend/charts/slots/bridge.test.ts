import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Dataset, Question } from '../../shared/types'
import { named, opened } from '../../shared/mounted'
import BridgeSlot from './BridgeSlot.vue'

const dataset = {
  references: [
    { code: 'AC', word: 'actual' },
    { code: 'BU', word: 'budget' },
    { code: 'FC', word: 'forecast' },
  ],
  grains: ['month', 'quarter', 'year'],
  years: [
    { key: '2025', label: '2025' },
    { key: '2026', label: '2026' },
  ],
  closings: [{ key: '2026-08', label: 'Aug 2026' }],
  breakdowns: [
    { name: 'Route', members: ['North', 'Holm'] },
    { name: 'Class', members: ['Foot', 'Car', 'Van'] },
  ],
  drivers: { volume: 'Bookings', value: 'Revenue' },
} as unknown as Dataset

async function slot(question: Question) {
  const onChange = vi.fn()
  const root = await opened(BridgeSlot, { text: 'from budget to actual', dataset, question, onChange })
  return { root, last: () => onChange.mock.calls.at(-1)?.[0] as unknown }
}
async function choose(root: HTMLElement, id: string, value: string) {
  const field = root.querySelector<HTMLSelectElement>(`#${id}`)
  if (!field) throw new Error(`There is no ${id}.`)
  field.value = value
  field.dispatchEvent(new Event('change'))
  await nextTick()
}
const bridge = { from: 'BU', to: 'AC' } as const

describe('from what to what a bridge leads', () => {
  it('takes scenarios, and a total between them', async () => {
    const { root, last } = await slot({ by: 'Route', bridge })
    await choose(root, 'bridge-from', 'FC')
    expect(last()).toEqual({ bridge: { from: 'FC', to: 'AC' }, opened: undefined })
    await choose(root, 'bridge-through', 'FC')
    expect(last()).toEqual({ bridge: { from: 'BU', to: 'AC', through: ['FC'] }, opened: undefined })
  })

  it('does not lead from a scenario to itself', async () => {
    const { root, last } = await slot({ by: 'Route', bridge })
    await choose(root, 'bridge-to', 'BU')
    expect(last()).toBeUndefined()
  })

  it('leads over time: years, the year to date, from opening to closing', async () => {
    const { root, last } = await slot({ by: 'Route', bridge })
    named(root, '2025 to 2026').click()
    expect(last()).toEqual({ bridge: { fromPeriod: '2025', toPeriod: '2026' }, opened: undefined })
    named(root, 'Year to date, on the year').click()
    expect(last()).toEqual({ bridge: { fromPeriod: 'a year before', toPeriod: 'year to date' }, opened: undefined })
    named(root, 'Opening to closing value').click()
    expect(last()).toEqual({ bridge: { over: 'periods' }, opened: undefined })
    await choose(root, 'bridge-second', '2026-08')
    expect(last()).toEqual({ bridge: { fromPeriod: '2025', toPeriod: '2026-08' }, opened: undefined })
  })

  it('leads between members of a breakdown that the rows are not', async () => {
    const { root, last } = await slot({ by: 'Route', bridge: { field: 'Class', first: 'Foot', second: 'Car' } })
    const fields = [...root.querySelectorAll('#bridge-field option')].map(one => one.textContent)
    expect(fields).toEqual(['Class'])
    await choose(root, 'bridge-one', 'Van')
    expect(last()).toEqual({ bridge: { field: 'Class', first: 'Van', second: 'Car' }, opened: undefined })
    // The same member twice is none.
    await choose(root, 'bridge-other', 'Foot')
    expect(last()).toEqual({ bridge: { field: 'Class', first: 'Foot', second: 'Car' }, opened: undefined })
  })

  it('tells the drivers of a value, by members', async () => {
    const { root, last } = await slot({ by: 'month', bridge })
    const box = root.querySelector<HTMLInputElement>('input[type=checkbox]')
    if (!box) throw new Error('There is no choice of drivers.')
    box.click()
    expect(last()).toMatchObject({ drivers: dataset.drivers, measure: 'Revenue', by: 'Route' })
  })
})
