import { afterEach, describe, expect, it, vi } from 'vitest'
import { mounted, named, text } from '../../shared/mounted'
import type { RowAbout, WorkingsTable } from '../../shared/types'
import RowMenu from './RowMenu.vue'

const recipe = { keenMargin: 1 as const, question: {}, kind: 'variance-tiers' }
const table = {
  rowsAre: 'Route',
  rows: ['North', 'Holm'].map(key => ({ key, label: key, role: 'row', depth: 0, panel: '' })),
} as unknown as WorkingsTable
const about: RowAbout = {
  ...{ key: 'North', label: 'North', canNote: true, without: recipe, whyNot: '', scenarios: [], changes: [] },
  deeper: [{ by: 'month', label: 'by month', recipe }],
}

async function menu(told: RowAbout, more: Record<string, unknown> = {}) {
  const asked = vi.fn(async () => new Response(JSON.stringify(told)))
  vi.stubGlobal('fetch', asked)
  const place = { left: 0, right: 20, top: 0, width: 800 }
  const root = mounted(RowMenu, { dataset: 1, recipe, table, rowKey: 'North', isHighlighted: false, ...place, ...more })
  await vi.waitFor(() => expect(text(root)).toContain(told.deeper.length ? 'Look into it' : 'cannot be left out'))
  return { root, asked }
}

describe('what can be done with a row', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('is offered, and handed on', async () => {
    const handlers = ['onNote', 'onHighlight', 'onMove', 'onLeaveOut', 'onLook', 'onSources', 'onClose'].map(
      name => [name, vi.fn()] as const,
    )
    const { root } = await menu(about, Object.fromEntries(handlers))
    for (const item of ['Write a note', 'Highlight', 'Move down', 'Leave it out', 'by month', 'Source rows'])
      named(root, item).click()
    const calls = Object.fromEntries(handlers.map(([name, handler]) => [name, handler.mock.calls[0]]))
    expect(calls).toMatchObject({
      onMove: [1],
      onLeaveOut: [recipe],
      onLook: [recipe, 'North'],
      onNote: [],
      onSources: [],
    })
  })

  it('offers what the kind lets a reader change, by mouse and by key', async () => {
    const onTurn = vi.fn()
    const onMove = vi.fn()
    const changes = [{ id: 'open' as const, label: 'Open by class', key: 'o', recipe }]
    const { root } = await menu({ ...about, changes }, { onTurn, onMove })
    named(root, 'Open by class').click()
    const press = (key: string) =>
      named(root, 'Highlight').dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
    press('o')
    press(']')
    press('[')
    expect(onTurn.mock.calls).toEqual([[recipe], [recipe]])
    expect(onMove.mock.calls).toEqual([[1]])
  })

  it('leaves out what does not go, and says why', async () => {
    const { root } = await menu({ ...about, deeper: [], without: null, whyNot: 'It is the only one.', canNote: false })
    expect(text(root)).toContain('It cannot be left out. It is the only one.')
    expect(named(root, 'Write a note').disabled).toBe(true)
    expect(named(root, 'Move up').disabled).toBe(true)
  })

  it('is gone through with the arrow keys, and closed with Escape', async () => {
    const onClose = vi.fn()
    const { root } = await menu(about, { onClose })
    const press = (key: string) =>
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
    named(root, 'Write a note').focus()
    press('ArrowDown')
    expect(text(document.activeElement ?? root)).toContain('Highlight')
    press('ArrowUp')
    press('ArrowUp')
    expect(text(document.activeElement ?? root)).toBe('by month')
    press('Escape')
    expect(onClose).toHaveBeenCalled()
  })
})
