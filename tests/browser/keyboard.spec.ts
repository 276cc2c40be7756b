import { chart, expect, sentence, test } from './page'

type Page = import('@playwright/test').Page

/** Presses a key until the wanted thing has the focus. */
async function until(page: Page, key: string, wanted: import('@playwright/test').Locator) {
  for (let i = 0; i < 90; i++) {
    if ((await wanted.count()) && (await wanted.first().evaluate(element => element === document.activeElement))) return
    await page.keyboard.press(key)
  }
  await expect(wanted.first()).toBeFocused()
}
const item = (page: Page, name: string | RegExp) => page.getByRole('menuitem', { name })

async function june(page: Page) {
  await page.locator('svg.chart').focus()
  await page.keyboard.press('Home')
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('status').filter({ hasText: 'Jun 2026' })).toBeVisible()
}

test('a mark is selected, its source rows read, looked into and back, by keyboard alone', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await june(page)
  await page.keyboard.press('Enter')
  await expect(item(page, 'by route')).toBeVisible()
  await until(page, 'ArrowDown', item(page, 'Source rows'))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog').getByRole('row').nth(1)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await june(page)
  await page.keyboard.press('Enter')
  await expect(item(page, 'by route')).toBeVisible()
  await until(page, 'ArrowDown', item(page, 'by route'))
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('in Jun 2026')
  const back = page.getByRole('navigation', { name: 'Looked into' }).getByRole('button', { name: 'Monthly revenue' })
  await until(page, 'Tab', back)
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('in Jan–Dec 2026')
})

test('reading, message, workings and finish by keyboard alone', async ({ page }) => {
  await chart(page, 'Fuel cost since')
  const message = page.getByLabel('Margin').getByRole('button', { name: 'as message' })
  await until(page, 'Tab', message)
  await page.keyboard.press('Enter')
  await expect(page.locator('svg.chart text[data-role=message]').first()).toContainText('Fuel cost in Jan–Aug 2026')
  await page.keyboard.press('Control+z')
  await expect(page.locator('svg.chart text[data-role=message]')).toHaveCount(0)
  await page.keyboard.press('w')
  const head = page.getByRole('button', { name: /ΔBU$/ })
  await until(page, 'Tab', head)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('columnheader', { name: /ΔBU Shown|▼\s*ΔBU/ }).first()).toBeVisible()
  await page.keyboard.press('w')
  const finish = page.getByRole('button', { name: 'Finish', exact: true })
  await finish.focus()
  await page.keyboard.press('Enter')
  await until(page, 'Tab', page.getByRole('radio', { name: 'by effect' }))
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page.locator('svg.chart rect[data-role=variance]').first()).toHaveAttribute('fill', /#(8B9096|2E3238)/)
  await page.keyboard.press('Escape')
  await expect(finish).toBeFocused()
  await page.keyboard.press('Control+z')
  await expect(page.locator('svg.chart rect[data-role=variance]').first()).not.toHaveAttribute(
    'fill',
    /#(8B9096|2E3238)/,
  )
})

test('beside, export and the list of charts by keyboard alone', async ({ page }) => {
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('b')
  await expect(page.getByLabel('Chart beside it')).toBeVisible()
  await page.keyboard.press('b')
  await expect(page.getByLabel('Chart beside it')).toHaveCount(0)
  await page.keyboard.press('e')
  await expect(page.getByRole('menu', { name: 'Export' })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  const download = page.waitForEvent('download')
  await page.keyboard.press('Enter')
  expect((await download).suggestedFilename()).toMatch(/\.pdf$/)
  await page.keyboard.press('g')
  await page.keyboard.press('c')
  await expect(page.getByRole('heading', { name: 'Charts' })).toBeVisible()
  const more = page.getByRole('button', { name: 'More for Punctuality against target' })
  await expect(more).toBeVisible()
  await until(page, 'Tab', more)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menu')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('New name of Punctuality against target')).toBeFocused()
  await page.keyboard.type('Punctuality in the year')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Punctuality in the year' })).toBeVisible()
})
