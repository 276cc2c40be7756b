import { test as base, expect, type Page } from '@playwright/test'
import { PORTS } from './servers'

/** Sends each worker to its own server. */
export const served = base.extend<object>({
  baseURL: async ({}, use, info) => use(`http://127.0.0.1:${PORTS[info.parallelIndex]}`),
})
/** A page on which nothing may go wrong quietly: errors and refused resources fail the test. */
export const test = served.extend<{ page: Page }>({
  page: async ({ page }, use) => {
    const troubles: string[] = []
    page.on('pageerror', error => troubles.push(error.message))
    page.on('console', message => {
      if (message.type() === 'error' && !/status of 4\d\d/.test(message.text())) troubles.push(message.text())
    })
    await use(page)
    expect(troubles).toEqual([])
  },
})
export { expect }

export async function chart(page: Page, name: string) {
  await page.goto('/charts')
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await expect(page.locator('svg.chart')).toBeVisible()
}

/** Asks about a dataset of that name, however many there are. */
export async function question(page: Page, dataset: string) {
  const found = await (await page.request.get(`/api/search?q=${encodeURIComponent(dataset)}`)).json()
  const { id } = found.items.find(
    (one: { kind: string; name: string }) => one.kind === 'dataset' && one.name === dataset,
  )
  await page.goto(`/charts/new?dataset=${id}`)
  await expect(page.locator('svg.chart')).toBeVisible()
}

export const sentence = (page: Page) => page.getByRole('heading', { level: 1 })
export const slot = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) })
/** Asks by another grain or breakdown. */
export async function by(page: Page, name: string) {
  await slot(page, 'Rows').click()
  await page.getByRole('radio', { name, exact: true }).click()
  await page.keyboard.press('Escape')
}
export const kind = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'Drawn as' }).getByRole('radio', { name, exact: true })
export const labels = (page: Page, role: string) => page.locator(`svg.chart text[data-role=${role}]`).allTextContents()
/** Text on the screen as it is read, its spaces made plain. */
export const read = async (page: Page) => (await sentence(page).innerText()).replace(/\s+/g, ' ')

/** Hands a file to the page as if it had been chosen. */
export async function choose(page: Page, name: string, body: string | Buffer) {
  await page.setInputFiles('input[type=file]', {
    name,
    mimeType: 'application/octet-stream',
    buffer: typeof body === 'string' ? Buffer.from(body) : body,
  })
}

/** A dataset of its own, made past the page; its number. */
export async function made(page: Page, name: string, text: string): Promise<number> {
  const reading = await page.request.post('/api/readings', { data: { name: 'Pasted table', text } })
  const dataset = await page.request.post('/api/datasets', { data: { reading: (await reading.json()).id, name } })
  expect(dataset.status()).toBe(201)
  return (await dataset.json()).id
}

export const grid = (page: Page) => page.getByRole('grid', { name: 'Figures' })
export const amount = (page: Page, name: RegExp | string) => grid(page).getByRole('gridcell', { name })

/** Puts text on the clipboard, as another program would. */
export async function clip(page: Page, text: string) {
  await page.evaluate(wanted => navigator.clipboard.writeText(wanted), text)
}
