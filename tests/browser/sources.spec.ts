import type { Page } from '@playwright/test'
import { expect, made, test } from './page'

/** A ledger that only asks for months before the demo's own, so that nothing of the demo changes. */
const CSV =
  'Month\tCustomer\tFreight\n2026-06\tHalvik Wind\t1\n2026-07\tHalvik Wind\t1\n2026-07\tOuter Co-op\t5\n2026-08\tNobody else\t2\n'

/** Where the demo's ledger is: at a port that was free. */
async function ledger(page: Page): Promise<string> {
  const { items } = await (await page.request.get('/api/sources')).json()
  return new URL(items.find((one: { name: string }) => one.name === 'Harbour ledger').settings.address).origin
}

/** Kept past the page, so that it brings something that waits. */
async function arrived(page: Page, name: string): Promise<{ dataset: number; arrival: number }> {
  const dataset = await made(page, name, CSV)
  const told = {
    dataset,
    kind: 'web',
    settings: {
      address: `${await ledger(page)}/entries?from={from}&to={to}`,
      authentication: 'bearer',
      rows: 'entries',
      pages: 'link',
    },
    secret: 'a-token-of-the-demo',
    lookBack: 3,
  }
  const look = await (await page.request.post('/api/sources/looks', { data: told })).json()
  const source = await page.request.post('/api/sources', {
    data: { ...told, name: `Ledger of ${name}`, mapping: look.mapping },
  })
  expect(source.status(), await source.text()).toBe(201)
  await page.request.post(`/api/sources/${(await source.json()).id}/fetches`, { data: {} })
  let arrival = 0
  await expect
    .poll(async () => {
      const { items } = await (await page.request.get(`/api/datasets/${dataset}/arrivals?waiting=1`)).json()
      arrival = items[0]?.id ?? 0
      return arrival
    })
    .toBeGreaterThan(0)
  return { dataset, arrival }
}

test('a source is connected by mouse: address, first look, schedule, first fetch', async ({ page }) => {
  const id = await made(page, 'Freight that is connected', CSV)
  await page.goto(`/figures/${id}`)
  await page.getByRole('link', { name: 'Fetch from a source' }).click()
  await page.getByLabel('What it is called').fill('Ledger by mouse')
  await page.getByRole('textbox', { name: 'Address' }).fill(`${await ledger(page)}/entries?from={from}&to={to}`)
  await page.getByRole('button', { name: 'Look at the first rows' }).click()
  await expect(
    page
      .getByRole('alert')
      .or(page.getByText(/does not let us in/))
      .first(),
  ).toBeVisible()
  await page.getByLabel('Sign in').selectOption('bearer')
  await page.getByLabel('Secret', { exact: true }).fill('a-token-of-the-demo')
  await page.getByLabel('It answers with').selectOption('JSON')
  await page.getByLabel('Rows at').fill('entries')
  await page.getByLabel('Pages').selectOption('link')
  await page.getByRole('button', { name: 'Look at the first rows' }).click()
  await expect(page.getByLabel('Role of Customer')).toHaveValue('breakdown')
  await page.getByLabel('How often').selectOption('month')
  await page.getByLabel('Working day of the month').selectOption('5')
  await page.getByLabel('Time zone').selectOption('Europe/Oslo')
  await expect(page.getByText(/Next: .* 2026, 06:30/)).toBeVisible()
  await page.getByLabel('nothing: all waits to be looked at').check()
  await page.getByRole('button', { name: 'Keep this source' }).click()
  await expect(page.getByText('Not fetched yet.')).toBeVisible()
  await expect(page.getByLabel('Secret', { exact: true })).toHaveAttribute('placeholder', 'kept, and not shown')
  await page.getByRole('button', { name: 'Fetch now' }).click()
  await expect(page.getByText('What came waits for you.')).toBeVisible()
  await page.getByRole('link', { name: /^entries 2026-08/ }).click()
  await expect(page.getByRole('heading', { name: 'Totals that move' })).toBeVisible()
})

test('an arrival is taken in part by keys', async ({ page }) => {
  const { dataset, arrival } = await arrived(page, 'Freight taken in part')
  await page.goto(`/arrivals/${arrival}`)
  await expect(page.getByRole('button', { name: 'Take all of it' })).toBeEnabled()
  const june = page.getByRole('checkbox', { name: 'Take Jun 2026' })
  await expect(june).toBeChecked()
  await page.getByRole('checkbox', { name: 'Take Aug 2026' }).focus()
  await page.keyboard.press('Space')
  await june.focus()
  await page.keyboard.press('Space')
  const take = page.getByRole('button', { name: 'Take what is ticked' })
  await take.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^Taken in part/)).toBeVisible()
  const csv = await (await page.request.get(`/api/datasets/${dataset}/exports/csv`)).text()
  expect(csv).toContain('2026-08,AC,Freight,EUR,Nobody else,2')
  expect(csv).toContain('2026-06,AC,Freight,EUR,Halvik Wind,1')
  expect(csv).not.toContain('2026-07,AC,Freight,EUR,Halvik Wind,1\r')
  // As any import, it is taken back.
  await page.getByRole('link', { name: 'brought in' }).click()
  await page.getByRole('button', { name: 'Take back' }).first().click()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(page.getByText('entries 2026-08 is taken back.')).toBeVisible()
})

test('an arrival is refused with a reason, from the month', async ({ page }) => {
  const { arrival } = await arrived(page, 'Freight that is refused')
  await page.goto('/month')
  const waits = page.getByRole('region', { name: 'Waits for you' })
  const item = waits.getByRole('listitem').filter({ hasText: 'Freight that is refused' })
  await item.getByRole('link', { name: 'Refuse' }).click()
  await expect(page).toHaveURL(new RegExp(`/arrivals/${arrival}`))
  await page.getByLabel('Why it is refused').fill('The ledger is one month ahead.')
  await page.getByRole('button', { name: 'Refuse it' }).click()
  await expect(page.getByText('“The ledger is one month ahead.”')).toBeVisible()
  await page.goto('/month')
  await expect(page.getByRole('heading', { name: /^August/ }).first()).toBeVisible()
  await expect(item).toBeHidden()
})

test('the month tells what it waits for, is closed and opened again', async ({ page }) => {
  await made(page, 'Books to close', 'Month\tRoute\tActual\n2026-07\tNorth\t1\n2026-08\tNorth\t2\n')
  await page.goto('/')
  await page.keyboard.press('g')
  await page.keyboard.press('m')
  await expect(page.getByRole('heading', { name: /^August waits for one file/ })).toBeVisible()
  await expect(page.getByText('forecast 1 day late, R. Aune')).toBeVisible()
  const row = page.getByRole('row', { name: /Books to close/ })
  await row.getByRole('button', { name: 'What Books to close expects' }).click()
  const expects = page.getByRole('dialog', { name: 'What Books to close expects each month' })
  await expects.getByLabel('Working day').fill('2')
  await expects.getByLabel('From whom').fill('I. Marsh')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(row.getByText('came')).toBeVisible()
  await page.getByRole('button', { name: 'Close August' }).click()
  const sheet = page.getByRole('dialog', { name: 'Close August 2026' })
  await expect(sheet.getByText(/Nothing that is written becomes wrong|is said; it will be/).first()).toBeVisible()
  // However many there are, each can be reached.
  await sheet.getByRole('checkbox').last().click()
  await sheet.getByRole('button', { name: 'Tick none' }).click()
  await sheet.getByRole('checkbox', { name: /Books to close/ }).check()
  await sheet.getByRole('button', { name: 'Close 1 dataset' }).click()
  await expect(row.getByText('closed')).toBeVisible()
  await page.getByRole('complementary', { name: 'Month' }).getByRole('button', { name: 'Undo' }).click()
  await expect(row.getByText('closed')).toBeHidden()
  await page.keyboard.press('[')
  await expect(page.getByRole('heading', { name: 'July 2026', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: 'How late it was, month by month' }).click()
  await expect(page.getByRole('dialog').getByRole('row', { name: /Fuel cost by route forecast/ })).toBeVisible()
})
