import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { mounted, named, text, type } from '../../shared/mounted'
import type { Drawing, RowNote } from '../../shared/types'
import MessageBox from './MessageBox.vue'
import NoteForm from './NoteForm.vue'
import NotesList from './NotesList.vue'
import StatementLine from './StatementLine.vue'

// The test's page has nothing that scrolls.
Element.prototype.scrollIntoView = () => {}

const note: RowNote = {
  ...{ id: 4, version: 1, number: 1, row: '2026-08', dataset: 1, datasetName: 'Fares', measure: 'Fares' },
  ...{ period: '2026-08', place: [], label: 'Fares, Aug 2026', text: '<b>Moved</b>', author: 'Ida', changedAt: null },
  at: '2026-09-05T09:12:00+00:00',
}
const drawing = {
  notes: [note],
  earlier: { '2026-07': [{ ...note, id: 2, text: 'Fair week', author: '' }] },
  workings: { rows: [{ key: '2026-07', label: 'Jul 2026' }] },
} as unknown as Drawing

describe('a statement', () => {
  const parts = [{ text: 'Most for it: ' }, { text: 'Jul', row: '2026-07' }, { text: '.' }]

  it('points to its rows and offers itself as message', async () => {
    const [onPoint, onMessage, onLit] = [vi.fn(), vi.fn(), vi.fn()]
    const root = mounted(StatementLine, { parts, onPoint, onMessage, 'onUpdate:lit': onLit })
    expect(text(root)).toBe('Most for it: Jul. as message')
    named(root, 'Jul').dispatchEvent(new Event('pointerenter'))
    expect(onLit).toHaveBeenCalledWith('2026-07')
    named(root, 'Jul').click()
    expect(onPoint).toHaveBeenCalledWith('2026-07')
    named(root, 'as message').click()
    expect(onMessage).toHaveBeenCalledOnce()
  })
})

describe('the message', () => {
  const message = { text: 'We are 48 ahead', numbers: [{ said: '48', row: 'total', column: 'BU', exact: '48' }] }
  const stale = [{ said: '48', now: '51', row: 'total', ref: 'total', column: 'BU', exact: '51' }]

  it('says which number is another, and takes the new one', () => {
    const onChange = vi.fn()
    const root = mounted(MessageBox, { message, stale, onChange })
    expect(text(root)).toContain('says 48, is now 51')
    named(root, 'Take the new numbers').click()
    expect(onChange.mock.calls[0]?.[0]).toEqual({
      text: 'We are 51 ahead',
      numbers: [{ said: '51', row: 'total', column: 'BU', exact: '51' }],
    })
    named(root, 'Remove').click()
    expect(onChange).toHaveBeenLastCalledWith(undefined)
  })

  it('is written, and let be with Escape', async () => {
    const onChange = vi.fn()
    const root = mounted(MessageBox, { message: undefined, stale: [], onChange })
    named(root, 'Write the message').click()
    await nextTick()
    const field = root.querySelector('textarea') as HTMLTextAreaElement
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }))
    await nextTick()
    expect(root.querySelector('textarea')).toBeNull()
    named(root, 'Write the message').click()
    await nextTick()
    await type(root.querySelector('textarea') as unknown as HTMLInputElement, ' Ahead ')
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    expect(onChange).toHaveBeenCalledWith({ text: 'Ahead' })
  })

  it('is not changed where nothing was', async () => {
    const onChange = vi.fn()
    const root = mounted(MessageBox, { message, stale: [], onChange })
    named(root, 'Edit').click()
    await nextTick()
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    expect(onChange).not.toHaveBeenCalled()
  })
})

describe('notes', () => {
  const props = { drawing, writing: null, editing: null, problem: '' }

  it('stand with their number, who and when, as plain text', () => {
    const root = mounted(NotesList, props)
    expect(text(root)).toContain('1<b>Moved</b>')
    expect(text(root)).toMatch(/Ida, 5 Sept? 2026, \d\d:12/)
  })

  it('are edited and deleted by name', () => {
    const [onEdit, onRemove] = [vi.fn(), vi.fn()]
    const root = mounted(NotesList, { ...props, onEdit, onRemove })
    ;(root.querySelector('[aria-label="Edit note 1"]') as HTMLButtonElement).click()
    ;(root.querySelector('[aria-label="Delete note 1"]') as HTMLButtonElement).click()
    expect([onEdit.mock.calls[0]?.[0].id, onRemove.mock.calls[0]?.[0].id]).toEqual([4, 4])
  })

  it('tell where to begin while there are none', () => {
    expect(text(mounted(NotesList, { ...props, drawing: { ...drawing, notes: [] } }))).toContain('Select a mark')
  })

  it('are written beside what was written a year before', async () => {
    const onWrite = vi.fn()
    const root = mounted(NotesList, { ...props, writing: '2026-07', onWrite })
    expect(text(root)).toContain('Jul 2026')
    expect(text(root)).toContain('Fair week')
    named(root, 'Take over').click()
    await nextTick()
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    expect(onWrite).toHaveBeenCalledWith('Fair week')
  })

  it('are not kept empty, and say what is wrong', async () => {
    const [onWrite, onDrop] = [vi.fn(), vi.fn()]
    const root = mounted(NoteForm, { about: 'Jul 2026', earlier: [], problem: 'Not kept.', onWrite, onDrop })
    expect(text(root)).toContain('Not kept.')
    await type(root.querySelector('textarea') as unknown as HTMLInputElement, '   ')
    root.querySelector('form')?.dispatchEvent(new Event('submit'))
    expect(onWrite).not.toHaveBeenCalled()
    named(root, 'Let it be').click()
    expect(onDrop).toHaveBeenCalledOnce()
  })
})
