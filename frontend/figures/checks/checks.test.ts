import { describe, expect, it, vi } from 'vitest'
import { createApp, h, nextTick } from 'vue'
import type { Component } from 'vue'
import type { Dataset } from '../../shared/types'
import GridBar from '../table/GridBar.vue'
import OvertakenNote from '../table/OvertakenNote.vue'
import type { Finding } from '../types'
import FindingLine from './FindingLine.vue'

function mounted(component: Component, props: Record<string, unknown>): HTMLElement {
  const root = document.createElement('div')
  document.body.append(root)
  createApp({ render: () => h(component, props) }).mount(root)
  return root
}
const text = (root: Element) => (root.textContent ?? '').replace(/\s+/g, ' ').trim()
const button = (root: Element, name: string) =>
  [...root.querySelectorAll('button')].find(one => text(one).startsWith(name))
async function type(root: Element, value: string) {
  const field = root.querySelector('input:not([type=radio])') as HTMLInputElement
  field.value = value
  field.dispatchEvent(new Event('input'))
  await nextTick()
}

const dataset = { periodList: [{ key: '2026-07', label: 'Jul 2026' }] } as Dataset
const place = { measure: 'Amount', scenario: 'AC' as const, period: '2026-07', members: ['', 'Fuel'], amount: '-10030' }
const finding = (more: Partial<Finding> = {}): Finding => ({
  id: 'outliers',
  holds: false,
  says: '1 amount stands out',
  count: 1,
  mark: 'm',
  places: [place],
  accepted: null,
  ...more,
})

describe('a check', () => {
  it('that holds only says so', () => {
    const root = mounted(FindingLine, { finding: finding({ holds: true, places: [], says: 'No gap' }), dataset })
    expect(text(root)).toBe('✓No gap.')
    expect(root.querySelectorAll('button').length).toBe(0)
  })

  it('leads to its only place at once, and lists several', async () => {
    const onShow = vi.fn()
    const one = mounted(FindingLine, { finding: finding(), dataset, onShow })
    button(one, 'See it')?.click()
    expect(onShow).toHaveBeenCalledWith(place)
    const many = mounted(FindingLine, {
      finding: finding({ count: 30, places: Array.from({ length: 12 }, () => place) }),
      dataset,
      onShow,
    })
    button(many, 'See them')?.click()
    await nextTick()
    expect(text(many)).toContain('Fuel, Jul 2026, AC: −10,030')
    expect(text(many)).toContain('and 22 more')
    button(many, 'Fuel, Jul 2026')?.click()
    expect(onShow).toHaveBeenCalledTimes(2)
  })

  it('is accepted with a reason and never without', async () => {
    const onAccept = vi.fn()
    const root = mounted(FindingLine, { finding: finding(), dataset, onAccept })
    button(root, 'Accept')?.click()
    await nextTick()
    const form = root.querySelector('form') as HTMLFormElement
    await type(root, '   ')
    form.dispatchEvent(new Event('submit'))
    expect(onAccept).not.toHaveBeenCalled()
    await type(root, ' A refund ')
    form.dispatchEvent(new Event('submit'))
    expect(onAccept).toHaveBeenCalledWith('A refund')
  })

  it('that is accepted is quiet and says by whom', () => {
    const onWithdraw = vi.fn()
    const accepted = { mark: 'm', reason: 'A refund', who: 'Ada', at: '2026-09-05T09:12:00' }
    const root = mounted(FindingLine, { finding: finding({ accepted }), dataset, onWithdraw })
    expect(text(root)).toContain('✓1 amount stands out.')
    expect(text(root)).toContain('Accepted by Ada: A refund')
    button(root, 'Withdraw')?.click()
    expect(onWithdraw).toHaveBeenCalled()
  })
})

describe('what can be done with selected amounts', () => {
  const props = { says: '12 amounts', count: 12, over: 12, fixed: null, canSpread: true, canTrace: false, by: 'Route' }

  it('is nothing where they cannot be set, and it says why', () => {
    const root = mounted(GridBar, { ...props, fixed: 'Each amount is the sum over Line.', by: null })
    expect(text(root)).toBe('12 amountsEach amount is the sum over Line.')
  })

  it('is to fill, to spread, to clear, to add', async () => {
    const [onFill, onSpread, onClear, onAdd] = [vi.fn(), vi.fn(), vi.fn(), vi.fn()]
    const root = mounted(GridBar, { ...props, onFill, onSpread, onClear, onAdd })
    const submit = () => root.querySelector('form')?.dispatchEvent(new Event('submit'))
    button(root, 'Fill')?.click()
    await nextTick()
    expect(text(root)).toContain('Set 12 amounts')
    await type(root, ' 5,5 ')
    submit()
    button(root, 'Spread')?.click()
    await nextTick()
    ;(root.querySelector('[value="prior year"]') as HTMLInputElement).click()
    await type(root, '1200')
    submit()
    button(root, 'Add a Route')?.click()
    await nextTick()
    await type(root, 'Skerry')
    submit()
    button(root, 'Clear')?.click()
    expect([onFill, onSpread, onAdd, onClear].map(one => one.mock.calls[0])).toEqual([
      ['5,5'],
      ['1200', 'prior year'],
      ['Skerry'],
      [],
    ])
  })

  it('leads one amount to where it came from', () => {
    const onTrace = vi.fn()
    const root = mounted(GridBar, { ...props, says: 'North, Jul, AC: 5', count: 1, canTrace: true, onTrace })
    button(root, 'Where it came from')?.click()
    expect(onTrace).toHaveBeenCalled()
  })
})

describe('two hands on the same amounts', () => {
  it('are told what was, what is, and may choose', () => {
    const [onPutOnTop, onKeepTheirs] = [vi.fn(), vi.fn()]
    const cell = (row: string, is: string) => ({ row, period: '2026-07', label: 'Jul 2026', was: '20', is })
    const cells = [cell('North', '30'), cell('Holm', ''), ...['a', 'b', 'c'].map(row => cell(row, '1'))]
    const root = mounted(OvertakenNote, { overtaken: { cells }, onPutOnTop, onKeepTheirs })
    expect(text(root)).toContain('North, Jul 2026: was 20, is now 30')
    expect(text(root)).toContain('Holm, Jul 2026: was 20, is now cleared')
    expect(text(root)).toContain('and 1 more')
    button(root, 'Put mine')?.click()
    button(root, 'Keep theirs')?.click()
    expect([onPutOnTop.mock.calls.length, onKeepTheirs.mock.calls.length]).toEqual([1, 1])
  })
})
