import type { Page } from '@playwright/test'
import { expect, made } from './page'

export const FARES =
  'Month\tRoute\tAmount\tBudget\n2026-01\tNorth\t100\t120\n2026-01\tHolm\t50\t40\n2026-02\tNorth\t110\t120\n2026-02\tHolm\t55\t40\n2026-03\tNorth\t130\t120\n2026-03\tHolm\t45\t40\n2026-04\tNorth\t140\t120\n2026-04\tHolm\t48\t40\n'
export const PORTS = 'Month\tHarbour\tCalls\n2026-01\tEast\t10\n2026-02\tEast\t12\n2026-03\tWest\t9\n'

const question = { by: 'month', against: ['BU'], span: 'year to date' }
export const recipe = (more: object = {}) => ({
  keenMargin: 1,
  kind: 'variance-tiers',
  question: { ...question, ...more },
})

interface Parts {
  title: string
  closedThrough?: string
  pages?: object[]
}

/** A number of the chart c: what the year to date differs from its budget. */
export const toDate = (said: string, exact: string, follows: boolean) => ({
  said,
  exact,
  follows,
  of: 'c',
  row: { sum: 'toDate' },
  column: 'variance:BU',
})

/** A report of its own over figures of its own, made past the page. */
export async function pack(page: Page, { title, closedThrough = '2026-03', pages }: Parts) {
  const dataset = await made(page, `Fares of ${title}`, FARES)
  const document = {
    keenMargin: 1,
    report: title,
    closedThrough,
    pages: pages ?? [
      {
        id: 'first',
        title: 'Where we stand',
        message: ['Fares are ', toDate('10', '10', false), ' ahead'],
        rows: [
          {
            id: 'row1',
            blocks: [
              { id: 'c', dataset: String(dataset), chart: recipe() },
              { id: 'd', dataset: String(dataset), chart: recipe({ by: 'Route' }) },
            ],
          },
          { id: 'row2', blocks: [{ id: 't', text: ['The year is ', toDate('10', '10', false), ' ahead of budget'] }] },
        ],
      },
      { id: 'second', title: 'Afterwards', message: 'Nothing to say', rows: [] },
    ],
  }
  const answer = await page.request.post('/api/reports', { data: { title, document } })
  expect(answer.status(), await answer.text()).toBe(201)
  const { id } = await answer.json()
  return { id: id as number, dataset }
}

export async function openPack(page: Page, id: number) {
  await page.goto(`/reports/${id}`)
  await expect(sheet(page)).toBeVisible()
}

export const sheet = (page: Page) => page.getByRole('article', { name: /^Page \d/ }).first()
export const says = (page: Page) => page.locator('article h2')
export const block = (page: Page, id: string) => page.locator(`[data-block="${id}"]`)
export const settle = (page: Page) => page.getByRole('region', { name: 'Before it goes out' })
export const aside = (page: Page) => page.getByRole('complementary', { name: 'Report' })
export const aboutSlot = (page: Page, name: string) =>
  page.getByRole('group', { name: 'What the page is about' }).getByRole('button', { name: new RegExp(`^${name}:`) })
/** The document as the server has it. */
export const kept = async (page: Page, id: number) =>
  (await (await page.request.get(`/api/reports/${id}`)).json()).document
