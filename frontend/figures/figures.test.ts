import { describe, expect, it, vi } from 'vitest'
import { createApp, h } from 'vue'
import type { Component } from 'vue'
import ReadingQuestions from './reading/ReadingQuestions.vue'
import SampleTable from './reading/SampleTable.vue'
import SourcesPanel from './table/SourcesPanel.vue'
import TrialSummary from './reading/TrialSummary.vue'
import WorkProgress from './reading/WorkProgress.vue'
import type { Mapping, Reading, Trial } from './types'
import { ago, grouped, plural, stamp } from '../shared/wording'

function mounted(component: Component, props: Record<string, unknown>): HTMLElement {
  const root = document.createElement('div')
  createApp({ render: () => h(component, props) }).mount(root)
  return root
}
const text = (root: Element) => (root.textContent ?? '').replace(/\s+/g, ' ').trim()
const mapping = (more: Partial<Mapping> = {}): Mapping => ({
  columns: { Month: { role: 'period' }, Actual: { role: 'amount', scenario: 'AC' } },
  decimal: '.',
  dates: 'day first',
  fiscalYearStarts: 1,
  ...more,
})

describe('words', () => {
  it('group the digits of a decimal', () => {
    expect(['-10030.50', '1234567', '12', '-0.1234', '999'].map(grouped)).toEqual([
      '−10,030.50',
      '1,234,567',
      '12',
      '−0.1234',
      '999',
    ])
  })

  it('count and tell times', () => {
    expect([plural(1, 'row'), plural(1200, 'row'), plural(0, 'figure')]).toEqual(['1 row', '1,200 rows', '0 figures'])
    expect(ago('2026-09-05T09:12:00')).toBe('on 5 Sept 2026 at 09:12')
    expect(stamp('2026-09-05T09:12:00')).toBe('5 Sept 2026, 09:12')
  })
})

describe('the summary of a trial', () => {
  const trial: Trial = {
    accepted: true,
    doubts: [],
    facts: 74,
    counts: { added: 54, replaced: 7, unchanged: 13, removed: 0 },
    periods: 'Aug–Sep 2026',
    grain: 'month',
    scenarios: ['AC'],
    measures: [
      { name: 'Fuel', unit: 'EUR', isNew: true, grouping: 'sum', overMembers: 'sum', better: 'less', isGuess: true },
    ],
    breakdowns: [{ name: 'Route', members: 7, newMembers: ['Norht', ''], newCount: 5 }],
    near: [],
    notices: [{ holds: false, says: 'Row 76 does not tie' }],
    without: 1,
  }
  const target = { id: 1, version: 1, name: 'Ledger' }
  const near = [{ breakdown: 'Route', name: 'Norht', like: 'North' }]

  it('says what would change in the dataset', () => {
    const said = text(mounted(TrialSummary, { trial, target, near, reading: 'r' }))
    for (const part of [
      '74 amounts',
      'added54',
      'replaced7',
      'unchanged13',
      'removed0',
      'New to the datasetFuel',
      'New in RouteNorht, (blank) and 3 more',
      '!Row 76 does not tie.',
      'Fuel in EUR',
      '1 row, passed over',
    ])
      expect(said).toContain(part)
  })

  it('leaves that out for a dataset of its own', () => {
    const said = text(mounted(TrialSummary, { trial, target: null, near: [], reading: 'r' }))
    expect(said).not.toMatch(/added|New in|New to/)
  })

  it('offers a slip as the same or as different', () => {
    const onSame = vi.fn()
    const onDifferent = vi.fn()
    const root = mounted(TrialSummary, { trial, target, near, reading: 'r', onSame, onDifferent })
    root.querySelectorAll<HTMLButtonElement>('[role=group] button').forEach(button => button.click())
    expect([onSame.mock.calls[0]?.[0], onDifferent.mock.calls[0]?.[0]]).toEqual([near[0], near[0]])
  })

  it('names refused rows, and leaves them out together', () => {
    const onLeaveOut = vi.fn()
    const refusals = [3, 3, 5].map(row => ({ row, column: `c${row}`, reason: `Row ${row}: no.` }))
    const refused: Trial = { accepted: false, doubts: [], says: 'x', refusals, refused: 412 }
    const root = mounted(TrialSummary, { trial: refused, target: null, near: [], reading: 'r1', onLeaveOut })
    expect(text(root)).toContain('And 409 more.')
    expect(root.querySelector('a')?.getAttribute('href')).toBe('/api/readings/r1/refusals')
    root.querySelector<HTMLButtonElement>('button')?.click()
    expect(onLeaveOut).toHaveBeenCalledWith([3, 5])
  })
})

describe('what the file cannot tell', () => {
  const asked = (doubts: string[], more: Partial<Mapping> = {}, joins = false, notices: unknown[] = []) =>
    mounted(ReadingQuestions, { modelValue: mapping(more), doubts, joins, notices })

  it('is asked only where it is in doubt', () => {
    expect(text(asked([]))).not.toMatch(/please check|no year|plain list|comes in|Totals/)
    expect(text(asked(['dates']))).toContain('Dates have the')
    expect(text(asked(['year']))).toContain('The periods have no year.')
    expect(text(asked(['periods']))).toContain('this would be a plain list')
  })

  it('shows thousands for confirmation, and whether totals are left out', () => {
    const root = asked(['scale'], { measures: { Fuel: { unit: 'EUR', factor: 1000 } } }, false, [
      { holds: true, says: '1 row of totals was left out' },
    ])
    expect(root.querySelector<HTMLSelectElement>('[aria-label="Scale of Fuel"]')?.value).toBe('1000')
    expect(text(root)).toMatch(/Fuel comes in .*of EUR.*Totals in the file/)
  })

  it('leaves the fiscal year to the dataset that is joined', () => {
    expect(text(asked([], {}, true))).not.toContain('Fiscal year')
  })

  it('answers with a changed mapping', () => {
    const onUpdate = vi.fn()
    const root = mounted(ReadingQuestions, {
      modelValue: mapping({ measures: { Fuel: { factor: 1000 } } }),
      'onUpdate:modelValue': onUpdate,
      doubts: ['scale'],
      joins: false,
      notices: [],
    })
    const select = root.querySelector<HTMLSelectElement>('[aria-label="Scale of Fuel"]')
    if (select) select.value = '1'
    select?.dispatchEvent(new Event('change'))
    expect(onUpdate.mock.calls[0]?.[0].measures.Fuel.factor).toBe(1)
  })
})

describe('the sample', () => {
  const reading = {
    columns: ['Month', 'Actual'],
    sample: [
      ['2026-01', '5'],
      ['2026-02', 'x'],
    ],
    sampleRows: [2, 3],
    rowCount: null,
    notes: ['in k EUR'],
  } as unknown as Reading

  it('marks refused rows and tells the notes above the header', () => {
    const root = mounted(SampleTable, { reading, refused: [3], modelValue: mapping() })
    expect([...root.querySelectorAll('tbody tr')].map(row => row.className.includes('bg-unfavourable'))).toEqual([
      false,
      true,
    ])
    expect(text(root)).toContain('The first 2 rows. Above the header: in k EUR')
  })

  it('keeps a column’s measure when its scenario changes', () => {
    const onUpdate = vi.fn()
    const columns: Mapping['columns'] = {
      Month: { role: 'period' },
      Actual: { role: 'amount', scenario: 'AC', measure: 'Fuel', period: '2026-01' },
    }
    const root = mounted(SampleTable, {
      reading,
      refused: [],
      modelValue: mapping({ columns }),
      'onUpdate:modelValue': onUpdate,
    })
    const select = root.querySelector<HTMLSelectElement>('[aria-label="Role of Actual"]')
    if (select) select.value = 'amount-BU'
    select?.dispatchEvent(new Event('change'))
    expect(onUpdate.mock.calls[0]?.[0].columns.Actual).toEqual({
      role: 'amount',
      scenario: 'BU',
      measure: 'Fuel',
      period: '2026-01',
    })
  })
})

describe('long work', () => {
  it('shows rows read of about so many', () => {
    const root = mounted(WorkProgress, { phase: 'reading', done: 250_000, of: 1_000_000 })
    expect(text(root)).toContain('250,000 rows read')
    expect(root.querySelector<HTMLElement>('.bg-accent')?.style.width).toBe('25%')
    expect(text(mounted(WorkProgress, { phase: 'writing', done: 512, of: null }))).toContain('Writing…')
  })
})

describe('where an amount came from', () => {
  it('leads to rows with the amounts marked, or says why not', () => {
    const cell = { member: 'North', period: { key: '2026-08', label: 'Aug' }, scenario: 'AC', amount: '5' }
    const files = [
      {
        import: 2,
        name: 'b.csv',
        at: '2026-09-05T09:12:00',
        facts: 1,
        says: '',
        columns: ['Month', 'Actual'],
        rows: [{ row: 7, cells: ['2026-08', '5'], amounts: ['Actual'] }],
      },
      {
        import: 1,
        name: 'a.csv',
        at: '2026-08-05T09:12:00',
        facts: 2,
        says: 'The file itself is not kept.',
        columns: [],
        rows: [],
      },
    ]
    const root = mounted(SourcesPanel, { cell, files, problem: '' })
    expect(text(root)).toContain('North, Aug, AC: 5')
    expect([...root.querySelectorAll('td')].map(one => one.className.includes('font-semibold'))).toEqual([
      false,
      false,
      true,
    ])
    expect(text(root)).toContain('2 figuresThe file itself is not kept.')
  })
})
