import { expect, it } from 'vitest'
import { defineComponent, h, nextTick, ref } from 'vue'
import { mounted } from '../../shared/mounted'
import type { ReportDocument } from '../document'
import type { ReportFinding } from '../types'
import PageOutline from './PageOutline.vue'

const pages = [
  { id: 'a', title: 'First' },
  { id: 'b', title: 'Second' },
]
const finding = { key: 'empty/b/1', kind: 'empty', page: 'b', block: '', says: 'Nothing', accepted: null } as never

it('keeps what is typed as the name of a page, whatever comes in meanwhile', async () => {
  const findings = ref<ReportFinding[]>([])
  const renamed: unknown[][] = []
  const document: ReportDocument = { keenMargin: 1, report: 'Pack', pages }
  const root = mounted(
    defineComponent(
      () => () =>
        h(PageOutline, {
          document,
          page: 'a',
          findings: findings.value,
          changes: null,
          onRename: (...told: unknown[]) => renamed.push(told),
        }),
    ),
    {},
  )
  const button = root.querySelectorAll<HTMLElement>('[data-page]')[1]
  button?.dispatchEvent(new KeyboardEvent('keydown', { key: 'F2', bubbles: true }))
  await nextTick()
  const field = root.querySelector<HTMLInputElement>('input')
  expect(field?.value).toBe('Second')
  if (field) field.value = 'What is next'
  field?.dispatchEvent(new Event('input'))
  findings.value = [finding]
  await nextTick()
  expect(field?.value).toBe('What is next')
  field?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
  expect(renamed).toEqual([['b', 'What is next']])
})
