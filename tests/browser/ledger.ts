import type { Page } from '@playwright/test'
import { expect, made } from './page'

export const margin = (page: Page) => page.getByLabel('Margin')
export const mark = (page: Page, key: string, role = 'value') =>
  page.locator(`svg.chart [data-key="${key}"][data-role="${role}"]`)
export const menu = (page: Page, row: string) => page.getByRole('menu', { name: `What to do with ${row}` })
export const item = (page: Page, name: string | RegExp) => page.getByRole('menuitem', { name })

export const LEDGER =
  'Month\tRoute\tAmount\tBudget\n2025-08\tNorth\t50\t60\n2026-07\tNorth\t100\t90\n2026-07\tHolm\t40\t45\n2026-08\tNorth\t120\t100\n2026-08\tHolm\t50\t52\n2026-09\tNorth\t\t100\n'
export async function ledger(page: Page, name: string) {
  const id = await made(page, name, LEDGER)
  await page.goto(`/charts/new?dataset=${id}`)
  await expect(page.locator('svg.chart')).toBeVisible()
  return id
}

/** The amount of North in August, as somebody else would change it. */
export const setAugust = (page: Page, id: number, amount: string) =>
  page.request.post(`/api/datasets/${id}/edits`, {
    data: {
      measure: 'Amount',
      by: 'Route',
      rows: ['North'],
      periods: [{ key: '2026-08', scenario: 'AC' }],
      amounts: [[amount]],
    },
  })
