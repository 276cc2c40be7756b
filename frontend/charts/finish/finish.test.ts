import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Finish, Kind } from '../../shared/types'
import { mounted, named, text } from '../../shared/mounted'
import FinishSheet from './FinishSheet.vue'
// Loaded by the sheet as it opens; else it might come only after a test has ended.
import './FinishChoices.vue'

/** A kind that takes some options of the finish. */
const taking = (options: string[], usualVariance: Kind['usualVariance'] = 'amount') =>
  ({ id: 'some', options, usualVariance }) as unknown as Kind
const tiers = taking(['labelsAt', 'variance', 'sameLength', 'limit', 'cut', 'turn'], 'both')

async function sheet(kind: Kind, finish: Finish = {}, more: Record<string, unknown> = {}) {
  const onChange = vi.fn()
  const props = { kind, finish, isOverTime: true, inPoints: false, onChange, ...more }
  const root = mounted(FinishSheet, props)
  root.querySelector('button')?.click()
  await vi.dynamicImportSettled()
  await nextTick()
  return { root, part: () => onChange.mock.calls.at(-1)?.[0] as Partial<Finish> }
}
const choice = (root: HTMLElement, label: string, name: string) =>
  [...(root.querySelector(`[aria-label="${label}"]`)?.querySelectorAll('button') ?? [])].find(
    one => text(one) === name,
  ) as HTMLButtonElement
async function turn(root: HTMLElement, label: string, on: boolean) {
  const box = [...root.querySelectorAll('label')].find(one => text(one).startsWith(label))?.querySelector('input')
  if (!box) throw new Error(`There is no switch ${label}`)
  box.checked = on
  box.dispatchEvent(new Event('change'))
  await nextTick()
}

describe('the finish', () => {
  it('leaves out what is as usual', async () => {
    const { root, part } = await sheet(tiers, { unit: 'k', decimals: 1, labels: 'none', variance: 'amount' })
    choice(root, 'Unit', 'as it fits').click()
    expect(part()).toEqual({ unit: undefined })
    choice(root, 'Decimals', '0').click()
    expect(part()).toEqual({ decimals: 0 })
    choice(root, 'Labels', 'all').click()
    expect(part()).toEqual({ labels: undefined })
    choice(root, 'Variance', 'both').click()
    expect(part()).toEqual({ variance: undefined })
    await turn(root, 'Variances as long', false)
    expect(part()).toEqual({ sameLength: false })
    await turn(root, 'Cut totals', true)
    expect(part()).toEqual({ cut: undefined })
  })

  it('offers each kind what it has a use for', async () => {
    const words = async (kind: Kind, more = {}) => text((await sheet(kind, {}, more)).root)
    expect(await words(taking(['gap']))).toContain('A thin bar over the gap')
    expect(await words(taking(['mark']))).toContain('tickdot')
    expect(await words(taking(['variance']))).not.toContain('Turn')
    expect(await words(taking(['cut']))).not.toContain('Variance')
    expect(await words(tiers, { isOverTime: false })).toContain('Turn: columns side by side')
    expect(await words(tiers, { inPoints: true })).not.toContain('Cut pins')
  })

  it('knows what each kind usually tells of a variance', async () => {
    const chosen = async (kind: Kind) =>
      text((await sheet(kind)).root.querySelector('[aria-label="Variance"] [aria-checked=true]') ?? document.body)
    expect(await chosen(tiers)).toBe('both')
    expect(await chosen(taking(['variance'], 'percent'))).toBe('percent')
  })

  it('cuts pins at a percentage, or where outliers begin', async () => {
    const { root, part } = await sheet(tiers)
    const field = root.querySelector<HTMLInputElement>('input[placeholder=outliers]')
    if (!field) throw new Error('There is no field')
    field.value = '12.5 %'
    field.dispatchEvent(new Event('change'))
    expect(part()).toEqual({ limit: '12.5' })
    field.value = ''
    field.dispatchEvent(new Event('change'))
    expect(part()).toEqual({ limit: undefined })
  })

  it('highlights none where some are', async () => {
    const { root, part } = await sheet(taking([]), { highlight: ['2026-01', '2026-02'] })
    expect(text(root)).toContain('2 rows are highlighted.')
    named(root, 'Highlight none').click()
    expect(part()).toEqual({ highlight: undefined })
  })
})
