import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Kind } from '../../shared/types'
import { mounted, text } from '../../shared/mounted'
import FoldedKinds from './FoldedKinds.vue'
import KindGlyph from './KindGlyph.vue'
import KindsRow from './KindsRow.vue'

const kind = (id: string, group: string, lacks: string | null = null): Kind => ({
  id,
  name: id,
  group,
  says: `What ${id} shows`,
  glyph: [{ type: 'rect', x: 1, y: 2, width: 3, height: 4, fill: 'ink' }],
  lacks,
  question: lacks ? null : {},
  rows: { hasMembers: true, taken: null, canLand: false, isWaterfall: false, canOrder: true, canBeWhole: false },
  options: [],
  usualVariance: null,
})
const kinds = [kind('tiers', 'Against'), kind('nested', 'Against'), kind('hat', 'Between', 'Two members are missing.')]
const row = (onDraw = vi.fn()) => ({ root: mounted(KindsRow, { kinds, kind: 'tiers', onDraw }), onDraw })
const button = (root: HTMLElement, name: string) => root.querySelector<HTMLButtonElement>(`[aria-label="${name}"]`)

describe('the row of kinds', () => {
  it('stands in groups, the chosen one in the tab order', () => {
    const { root } = row()
    expect(text(root)).toMatch(/^Against.*Between/)
    expect([...root.querySelectorAll('[role=radio]')].map(one => one.getAttribute('tabindex'))).toEqual([
      '0',
      '-1',
      '-1',
    ])
    expect(root.querySelector('[aria-checked=true]')?.getAttribute('aria-label')).toBe('tiers')
  })

  it('draws what can be drawn, and only says what is missing of the others', async () => {
    const { root, onDraw } = row()
    button(root, 'hat')?.click()
    expect(onDraw).not.toHaveBeenCalled()
    expect(button(root, 'hat')?.getAttribute('aria-disabled')).toBe('true')
    button(root, 'hat')?.dispatchEvent(new Event('focus'))
    await nextTick()
    const tip = [...root.querySelectorAll('[role=tooltip]')].at(-1)
    expect(tip?.classList.contains('sr-only')).toBe(false)
    expect(text(tip ?? root)).toBe('hatWhat hat showsTwo members are missing.')
    button(root, 'nested')?.click()
    expect(onDraw).toHaveBeenCalledWith(kinds[1])
  })

  it('is gone through with arrow keys, round its ends', () => {
    const { root } = row()
    button(root, 'tiers')?.focus()
    const press = (key: string) =>
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
    press('ArrowRight')
    expect(document.activeElement).toBe(button(root, 'nested'))
    press('ArrowLeft')
    press('ArrowLeft')
    expect(document.activeElement).toBe(button(root, 'hat'))
  })

  it('folds a group to one button, which opens to its kinds and what they lack', async () => {
    const onDraw = vi.fn()
    const root = mounted(FoldedKinds, { name: 'Against', kinds, kind: 'tiers', onDraw })
    const button = root.querySelector('button')
    expect(button?.getAttribute('aria-label')).toBe('Against: tiers')
    button?.click()
    await nextTick()
    const items = [...root.querySelectorAll<HTMLElement>('[role=menuitemradio]')]
    expect(items.map(one => one.getAttribute('aria-checked'))).toEqual(['true', 'false', 'false'])
    items[2]?.click()
    expect(onDraw).not.toHaveBeenCalled()
    expect(text(items[2] ?? root)).toContain('Two members are missing.')
    items[1]?.click()
    expect(onDraw).toHaveBeenCalledWith(kinds[1])
  })

  it('draws each kind in small by its own marks', () => {
    const root = mounted(KindGlyph, { marks: kinds[0]?.glyph })
    expect(root.querySelector('rect')?.getAttribute('height')).toBe('4')
  })
})
