import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { mounted, named, text } from '../../shared/mounted'
import type { WorkingsTable } from '../../shared/types'
import WorkingsPanel from './WorkingsPanel.vue'

const row = (key: string, label: string, cell: string, variance: string, flagged = false) => ({
  ...{ key, ref: key, label, role: 'row' as const, depth: 0, panel: '', shown: 'AC' as const, flagged },
  ...{
    cells: { AC: cell, 'variance:BU': variance },
    effects: { 'variance:BU': 'favourable' as const },
    only: {},
    flags: { BU: flagged },
  },
})
const table: WorkingsTable = {
  more: 0,
  unit: 'k',
  rowsAre: 'Period',
  columns: [
    { id: 'AC', head: 'AC', rule: 'Actual, k', reference: null },
    { id: 'variance:BU', head: 'ΔBU', rule: 'Shown minus budget', reference: 'BU' },
  ],
  rows: [row('1', 'Jan', '5', '+1'), row('2', 'Feb', 'missing', '–'), row('3', 'Mar', '9', '+3', true)],
  sums: [
    { key: 'total', label: 'Total', cells: { AC: '14', 'variance:BU': '+4' } },
    { key: 'toDate', label: 'Year to date', cells: { AC: '5', 'variance:BU': '+1' } },
  ],
}
const open = (more: Record<string, unknown> = {}) =>
  mounted(WorkingsPanel, { table, highlighted: [], open: true, ...more })
const names = (root: Element) => [...root.querySelectorAll('tbody th')].map(cell => text(cell).split(' ')[0])

describe('the workings', () => {
  beforeEach(() => localStorage.clear())

  it('tell each column’s rule, what is flagged, and the sums of the year', () => {
    const root = open()
    expect(text(root)).toContain('ΔBUShown minus budget')
    expect(text(root)).toContain('Mar flagged')
    expect([...root.querySelectorAll('tfoot th')].map(text)).toEqual(['Total', 'Year to date'])
  })

  it('are sorted up, down and not at all', async () => {
    const root = open()
    for (const order of [
      ['Mar', 'Jan', 'Feb'],
      ['Jan', 'Mar', 'Feb'],
      ['Jan', 'Feb', 'Mar'],
    ]) {
      named(
        root,
        root.querySelector('[aria-sort=descending]')
          ? '▼ΔBU'
          : root.querySelector('[aria-sort=ascending]')
            ? '▲ΔBU'
            : 'ΔBU',
      ).click()
      await nextTick()
      expect(names(root)).toEqual(order)
    }
  })

  it('light a row, select it and highlight it', async () => {
    const [onLit, onSelect, onHighlight] = [vi.fn(), vi.fn(), vi.fn()]
    const root = open({ 'onUpdate:lit': onLit, onSelect, onHighlight })
    root.querySelector('[data-row="3"]')?.dispatchEvent(new Event('pointerenter'))
    expect(onLit).toHaveBeenCalledWith('3')
    named(root, 'Mar').click()
    expect(onSelect).toHaveBeenCalledWith('3')
    ;(root.querySelector('[aria-label="Highlight Jan"]') as HTMLButtonElement).click()
    expect(onHighlight).toHaveBeenCalledWith('1')
  })

  it('keep the height that they were given', async () => {
    const edge = open().querySelector('[role=separator]') as HTMLElement
    const before = Number(edge.getAttribute('aria-valuenow'))
    edge.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }))
    await nextTick()
    expect(Number(edge.getAttribute('aria-valuenow'))).toBeGreaterThan(before)
    const again = open().querySelector('[role=separator]') as HTMLElement
    expect(again.getAttribute('aria-valuenow')).toBe(edge.getAttribute('aria-valuenow'))
  })

  it('are closed until they are opened', async () => {
    const onOpen = vi.fn()
    const root = open({ open: false, 'onUpdate:open': onOpen })
    expect(root.querySelector('table')).toBeNull()
    named(root, 'Workings').click()
    expect(onOpen).toHaveBeenCalledWith(true)
  })
})
