import { afterEach, describe, expect, it, vi } from 'vitest'
import { createApp, h, nextTick } from 'vue'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import ChartCard from '../charts/list/ChartCard.vue'
import DatasetLine from '../figures/list/DatasetLine.vue'
import SearchSheet from '../shared/SearchSheet.vue'
import ToastLine from '../shared/ToastLine.vue'
import { useSearch } from '../shared/useSearch'
import { useToast } from '../shared/useToast'

const router = createRouter({
  history: createMemoryHistory(),
  routes: [{ path: '/:rest(.*)', component: { template: '<i />' } }],
})
async function mounted(component: Component, props: Record<string, unknown> = {}): Promise<HTMLElement> {
  const root = document.createElement('div')
  document.body.append(root)
  createApp({ render: () => h(component, props) })
    .use(router)
    .mount(root)
  await router.isReady()
  return root
}
const text = (root: Element) => (root.textContent ?? '').replace(/\s+/g, ' ').trim()

describe('what lists mark', () => {
  const chart = { id: 3, version: 2, name: 'Fuel', dataset: 1, datasetName: 'Costs', savedAt: '2026-09-05T09:12:00' }

  it('is a chart that cannot be drawn, or stands on figures that fail, or is behind', async () => {
    const marked = {
      ...chart,
      pictured: '2.7.1',
      troubles: ['2 checks of its figures fail.'],
      behind: 'Closed through Jul 2026; its figures through Aug 2026.',
    }
    const root = await mounted(ChartCard, { chart: marked })
    expect(text(root)).toContain('!2 checks of its figures fail.')
    expect(text(root)).toContain('Closed through Jul 2026; its figures through Aug 2026.')
    expect(root.querySelector('img')?.getAttribute('src')).toBe('/api/charts/3/picture.svg?v=2.7.1')
    expect(text(await mounted(ChartCard, { chart }))).not.toContain('!')
  })

  it('is a dataset whose checks fail', async () => {
    const dataset = { id: 1, name: 'Costs', organisation: '', isList: true, periods: '', scenarios: ['AC'] }
    expect(text(await mounted(DatasetLine, { dataset: { ...dataset, failing: 1 } }))).toContain('1 check fails')
    expect(text(await mounted(DatasetLine, { dataset: { ...dataset, failing: 2 } }))).toContain('2 checks fail')
    expect(text(await mounted(DatasetLine, { dataset: { ...dataset, failing: null } }))).not.toContain('check')
  })
})

describe('the line at the foot', () => {
  it('offers the way back', async () => {
    const root = await mounted(ToastLine)
    const { tell } = useToast()
    const back = vi.fn()
    tell('Costs is deleted.', { label: 'Bring it back', do: back })
    await nextTick()
    expect(text(root)).toBe('Costs is deleted. Bring it back')
    root.querySelector('button')?.click()
    await nextTick()
    expect([back.mock.calls.length, text(root)]).toEqual([1, ''])
  })
})

describe('the search', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('asks once for what was typed, and leads to what is chosen', async () => {
    const items = [{ kind: 'member', id: 4, name: 'Fuel', within: 'Line of Costs', dataset: 7 }]
    const asked = vi.fn(
      async (path: string) => new Response(JSON.stringify({ items: path.includes('fu') ? items : [] })),
    )
    vi.stubGlobal('fetch', asked)
    // The library of dialogs watches sizes, which there are none of here.
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe() {}
        disconnect() {}
      },
    )
    await mounted(SearchSheet)
    useSearch().isOpen = true
    await nextTick()
    await nextTick()
    const field = document.querySelector('input[role=combobox]') as HTMLInputElement
    for (const typed of ['f', 'fu', 'fu&']) {
      field.value = typed
      field.dispatchEvent(new Event('input'))
    }
    await new Promise(resolve => setTimeout(resolve, 200))
    expect(asked.mock.calls.map(([path]) => path)).toEqual(['/api/search?q=fu%26'])
    const option = document.querySelector('[role=option]') as HTMLElement
    expect(text(option)).toBe('memberFuelLine of Costs')
    option.dispatchEvent(new MouseEvent('mousedown', { bubbles: true, button: 0 }))
    option.click()
    await vi.waitFor(() => expect(router.currentRoute.value.fullPath).toBe('/figures/7?member=Fuel'))
    expect(useSearch().isOpen).toBe(false)
  })
})
