import { afterEach, describe, expect, it, vi } from 'vitest'
import { createApp, h, nextTick } from 'vue'
import type { Component } from 'vue'
import type { Dataset, Measure } from '../../shared/types'
import ChoiceSetting from './ChoiceSetting.vue'
import MeasureTable from './MeasureTable.vue'
import TextSetting from './TextSetting.vue'
import { useSettings } from './useSettings'

const settled = () => new Promise(resolve => setTimeout(resolve))
function mounted(component: Component, props: Record<string, unknown>): HTMLElement {
  const root = document.createElement('div')
  document.body.append(root)
  createApp({ render: () => h(component, props) }).mount(root)
  return root
}

describe('a setting that stands in place', () => {
  const field = (props: Record<string, unknown>) =>
    mounted(TextSetting, { label: 'Name', value: 'Ledger', kept: 0, ...props }).querySelector(
      'input',
    ) as HTMLInputElement
  const type = (input: HTMLInputElement, text: string) => {
    input.value = text
    input.dispatchEvent(new Event('input'))
  }

  it('tells what was typed when the field is left', () => {
    const onChange = vi.fn()
    const input = field({ onChange })
    type(input, '  Ledger of 2026 ')
    input.dispatchEvent(new Event('blur'))
    expect(onChange).toHaveBeenCalledWith('Ledger of 2026')
  })

  it('tells nothing where nothing has changed, or a name would be empty', async () => {
    const onChange = vi.fn()
    const input = field({ onChange, required: true })
    type(input, '   ')
    input.dispatchEvent(new Event('blur'))
    await nextTick()
    expect([input.value, onChange.mock.calls.length]).toEqual(['Ledger', 0])
    input.dispatchEvent(new Event('blur'))
    expect(onChange).not.toHaveBeenCalled()
  })

  it('lets it be on Escape', async () => {
    const onChange = vi.fn()
    const input = field({ onChange })
    input.focus()
    type(input, 'Other')
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
    await nextTick()
    expect([input.value, onChange.mock.calls.length]).toEqual(['Ledger', 0])
  })

  it('is one of a few', () => {
    const onChange = vi.fn()
    const choices = ['sum', 'last'].map(value => ({ value, label: value }))
    const select = mounted(ChoiceSetting, { label: 'How', value: 'sum', choices, kept: 0, onChange }).querySelector(
      'select',
    ) as HTMLSelectElement
    select.value = 'last'
    select.dispatchEvent(new Event('change'))
    expect(onChange).toHaveBeenCalledWith('last')
  })
})

describe('the measures', () => {
  const measure = (id: number, name: string, more: Partial<Measure> = {}): Measure => ({
    id,
    name,
    unit: '',
    inPoints: false,
    decimals: 0,
    bands: [],
    grouping: 'sum',
    overMembers: 'sum',
    better: null,
    betterGuess: null,
    numerator: null,
    denominator: null,
    band: null,
    ...more,
  })
  const dataset = (...measures: Measure[]) => ({ measures }) as Dataset

  it('become a ratio of two others, with parts that are there', () => {
    const onChange = vi.fn()
    const root = mounted(MeasureTable, {
      dataset: dataset(measure(1, 'Rate'), measure(2, 'On time'), measure(3, 'Sailings')),
      kept: 0,
      onChange,
    })
    const select = root.querySelector('[aria-label="How Rate is counted"]') as HTMLSelectElement
    select.value = 'ratio'
    select.dispatchEvent(new Event('change'))
    const body = { grouping: 'ratio', numerator: 'On time', denominator: 'Sailings' }
    expect(onChange.mock.calls[0]?.slice(1, 3)).toEqual(['/measures/1', body])
  })

  it('offer no ratio where there are not two others', () => {
    const root = mounted(MeasureTable, { dataset: dataset(measure(1, 'A'), measure(2, 'B')), kept: 0 })
    expect(root.querySelector('[aria-label="How A is counted"]')?.textContent).not.toContain('ratio')
    expect([...root.querySelectorAll('button')].map(one => one.textContent)).toEqual(['Add a ratio'])
  })

  it('show the parts of a ratio, which has no decimals of its own', () => {
    const ratio = measure(3, 'Punctuality', { grouping: 'ratio', numerator: 'A', denominator: 'B' })
    const root = mounted(MeasureTable, { dataset: dataset(measure(1, 'A'), measure(2, 'B'), ratio), kept: 0 })
    const value = (label: string) => (root.querySelector(`[aria-label="${label}"]`) as HTMLSelectElement | null)?.value
    expect([value('Numerator of Punctuality'), value('Denominator of Punctuality')]).toEqual(['A', 'B'])
    expect(root.querySelector('[aria-label="Decimals of Punctuality"]')).toBeNull()
  })
})

describe('changing settings', () => {
  afterEach(() => vi.unstubAllGlobals())

  interface Asked {
    method: string
    path: string
    version: string
  }
  function serve(foreseen: object, answer: () => Response = () => kept(2)) {
    const asked: Asked[] = []
    vi.stubGlobal(
      'fetch',
      vi.fn(async (path: string, request: RequestInit) => {
        const headers = request.headers as Record<string, string>
        asked.push({ method: String(request.method), path, version: headers['If-Match'] ?? '' })
        if (request.method === 'GET') return kept(1)
        return path.includes('foresee') ? new Response(JSON.stringify(foreseen)) : answer()
      }),
    )
    return asked
  }
  const kept = (version: number) => new Response(JSON.stringify({ id: 5, version, name: `v${version}` }))

  it('does at once what harms nothing', async () => {
    const asked = serve({ follows: [], isHarmful: false })
    const { dataset, change } = useSettings(5)
    await settled()
    change('Rename?', '', { name: 'x' })
    await settled()
    expect(asked.slice(1)).toEqual([
      { method: 'PATCH', path: '/api/datasets/5?foresee=1', version: '"1"' },
      { method: 'PATCH', path: '/api/datasets/5', version: '"1"' },
    ])
    expect(dataset.value?.name).toBe('v2')
  })

  it('shows first what would follow, and does it only when told', async () => {
    const asked = serve({ follows: ['Charts will show other periods.'], isHarmful: true })
    const { pending, kept: shown, change, go, leave } = useSettings(5)
    await settled()
    change('Change the fiscal year?', '', { firstMonth: 4 })
    await settled()
    expect([pending.value?.title, pending.value?.follows]).toEqual([
      'Change the fiscal year?',
      ['Charts will show other periods.'],
    ])
    leave()
    expect([pending.value, shown.value, asked.length]).toEqual([null, 1, 2])
    change('Change the fiscal year?', '', { firstMonth: 4 })
    await settled()
    await go()
    expect(asked.at(-1)?.path).toBe('/api/datasets/5')
  })

  it('shows theirs where somebody else was faster', async () => {
    const late = JSON.stringify({ detail: 'late', current: { id: 5, version: 9, name: 'theirs' } })
    serve({ follows: [], isHarmful: false }, () => new Response(late, { status: 412 }))
    const { dataset, problem, change } = useSettings(5)
    await settled()
    change('Rename?', '', { name: 'mine' })
    await settled()
    expect(dataset.value?.name).toBe('theirs')
    expect(problem.value).toContain('Somebody else changed the settings meanwhile.')
  })

  it('says what is refused and shows again what is kept', async () => {
    const refusal = JSON.stringify({ detail: 'There is a measure "x" already.' })
    vi.stubGlobal(
      'fetch',
      vi.fn(async (_: string, request: RequestInit) =>
        request.method === 'GET' ? kept(1) : new Response(refusal, { status: 422 }),
      ),
    )
    const { problem, kept: shown, change } = useSettings(5)
    await settled()
    change('Rename?', '/measures/1', { name: 'x' })
    await settled()
    expect([problem.value, shown.value]).toEqual(['There is a measure "x" already.', 1])
  })
})
