import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './page'
import { block, kept, openPack, pack, recipe, says, settle } from './pack'

type Rows = { id: string; blocks: { id: string; chart?: string }[] }[]

/** Goes on with Tab until something has the focus. */
async function tabTo(page: import('@playwright/test').Page, name: RegExp, most = 80) {
  for (let i = 0; i < most; i++) {
    const label = await page.evaluate(() => {
      const at = document.activeElement
      return at?.getAttribute('aria-label') ?? at?.textContent?.trim() ?? ''
    })
    if (name.test(label)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab does not lead to ${name}`)
}

test('a page is written and arranged by keys alone', async ({ page }) => {
  const { id } = await pack(page, { title: 'By keys' })
  await openPack(page, id)
  await tabTo(page, /^Write the message/)
  await page.keyboard.press('Enter')
  const field = page.getByRole('textbox', { name: 'Message of the page' })
  await expect(field).toBeFocused()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('In February it was ')
  await page.keyboard.press('#')
  await expect(page.getByLabel('Find a number of this page')).toBeFocused()
  const found = page.waitForResponse(response => /q=feb\+2026%2C\+AC/.test(response.url()))
  await page.keyboard.type('feb 2026, AC')
  await found
  await expect(page.getByRole('option')).toHaveCount(1)
  await expect(page.getByRole('option')).toContainText('Feb 2026, AC')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByLabel('Find a number of this page')).toHaveAttribute('aria-activedescendant', /./)
  await page.keyboard.press('Enter')
  await expect(field).toBeFocused()
  await expect(field).toHaveText('In February it was 165')
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('In February it was 165')
  // Blocks: moved, made wider, taken away, all undone.
  await block(page, 'c').locator('.tools').focus()
  await page.keyboard.press('Alt+ArrowRight')
  await expect
    .poll(async () => (await kept(page, id)).pages[0].rows[0].blocks.map((one: { id: string }) => one.id))
    .toEqual(['d', 'c'])
  await expect(block(page, 'c').locator('.tools')).toBeFocused()
  await page.keyboard.press('2')
  await expect.poll(async () => (await kept(page, id)).pages[0].rows[0].blocks[1].width).toBe(2)
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(async () => (await kept(page, id)).pages[0].rows.length).toBe(3)
  await expect(block(page, 'c').locator('.tools')).toBeFocused()
  await page.keyboard.press('Delete')
  await expect(block(page, 'c')).toHaveCount(0)
  const version = async () => (await (await page.request.get(`/api/reports/${id}`)).json()).version
  for (let steps = 0; steps < 4; steps++) {
    const before = await version()
    await page.keyboard.press('Control+z')
    await expect.poll(version).not.toBe(before)
    await expect(page.getByRole('status').filter({ hasText: /^Undone/ })).toBeVisible()
  }
  await expect
    .poll(async () => (await kept(page, id)).pages[0].rows[0].blocks.map((one: { id: string }) => one.id))
    .toEqual(['c', 'd'])
})

test('pages are added, named and moved in the outline by keys', async ({ page }) => {
  const { id } = await pack(page, { title: 'Outline by keys' })
  await openPack(page, id)
  await tabTo(page, /^2\s*Afterwards/)
  await page.keyboard.press('Alt+ArrowUp')
  await expect
    .poll(async () => (await kept(page, id)).pages.map((one: { id: string }) => one.id))
    .toEqual(['second', 'first'])
  await tabTo(page, /^Add a page/)
  await page.keyboard.press('Enter')
  await expect.poll(async () => (await kept(page, id)).pages.length).toBe(3)
  const last = page.locator('[data-page]').last()
  await last.focus()
  await page.keyboard.press('F2')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('What is next')
  await page.keyboard.press('Enter')
  await expect.poll(async () => (await kept(page, id)).pages[2].title).toBe('What is next')
  await page.keyboard.press('PageUp')
  await expect(page.locator('[data-page][aria-current=page]')).toContainText('Where we stand')
  // A text on the empty page.
  await page.keyboard.press('PageDown')
  await page.getByRole('button', { name: 'Add a block' }).focus()
  await page.keyboard.press('Enter')
  await page.keyboard.type('text')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Text' })).toBeFocused()
  await page.keyboard.type('- first')
  await page.keyboard.press('Enter')
  await page.keyboard.type('- **second**')
  await page.keyboard.press('Control+Enter')
  await expect.poll(async () => (await kept(page, id)).pages[2].rows[0].blocks[0].text).toBe('- first\n- **second**')
})

test('rolled on, settled, issued and presented by keys', async ({ page }) => {
  const { id } = await pack(page, { title: 'Issued by keys' })
  await page.goto('/')
  await page.keyboard.press('g')
  await page.keyboard.press('r')
  await expect(page).toHaveURL(/\/reports$/)
  await openPack(page, id)
  await page.keyboard.press(']')
  await expect(page.getByRole('dialog')).toContainText('2 numbers stay and would be wrong')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect((await kept(page, id)).closedThrough).toBe('2026-03')
  await page.keyboard.press(']')
  await page.getByRole('dialog').getByRole('button', { name: 'Roll on to Apr 2026' }).focus()
  await page.keyboard.press('Enter')
  await expect(settle(page)).toContainText('The message says 10; it is now 38.')
  await tabTo(page, /^Take 38/)
  await page.keyboard.press('Enter')
  await expect(says(page)).toHaveText('Fares are 38 ahead')
  await tabTo(page, /^Issue Apr 2026/)
  await page.keyboard.press('Enter')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Issue Apr 2026/ })
    .focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: /^Apr 2026/ })).toBeVisible()
  await page.keyboard.press('p')
  await expect(page).toHaveURL(/present/)
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(new RegExp(`/reports/${id}\\?page`))
})

test('rows are moved by keys and by their handles', async ({ page }) => {
  const { id } = await pack(page, { title: 'Rows' })
  await openPack(page, id)
  const order = async () => ((await kept(page, id)).pages[0].rows as Rows).map(row => row.id)
  await tabTo(page, /^Row 2 of 2/)
  await page.keyboard.press('ArrowUp')
  await expect.poll(order).toEqual(['row2', 'row1'])
  const handle = page.getByRole('button', { name: 'Row 1 of 2: drag it, or move it with the arrow keys' })
  await expect(handle).toBeFocused()
  const from = await handle.boundingBox()
  const below = await block(page, 'c').boundingBox()
  if (!from || !below) throw new Error('The rows are not on the sheet')
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(from.x + 40, below.y + below.height - 4, { steps: 4 })
  await page.mouse.up()
  await expect.poll(order).toEqual(['row1', 'row2'])
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect.poll(order).toEqual(['row2', 'row1'])
})

test('a chart is put into a report by keys, and a row of it gets a note where it is read', async ({ page }) => {
  const { id, dataset } = await pack(page, { title: 'Put here' })
  const named = await page.request.post('/api/charts', { data: { dataset, name: 'Fares to put', recipe: recipe() } })
  const chart = (await named.json()).id
  await page.goto(`/charts/${chart}`)
  await expect(page.locator('svg.chart')).toBeVisible()
  await page.keyboard.press('r')
  const dialog = page.getByRole('dialog', { name: 'Put into a report' })
  await dialog.getByRole('button', { name: /^Put here/ }).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Open it' }).click()
  await expect(page).toHaveURL(new RegExp(`/reports/${id}`))
  const put = ((await kept(page, id)).pages[1].rows as Rows)[0]?.blocks[0]
  expect(put?.chart).toBe(String(chart))
  await page.goto(`/reports/${id}?page=second`)
  // A note from the mark: the chart's margin opens on it, and the page numbers it.
  await block(page, put?.id ?? '')
    .locator('svg.chart [data-key="2026-02"][data-role=value]')
    .click()
  const field = page.getByRole('textbox', { name: /^Note about .*Feb 2026/ })
  await expect(field).toBeFocused()
  await page.keyboard.type('Storms on nine days')
  await page.keyboard.press('Control+Enter')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('article')).toContainText('Storms on nine days')
  // It is read as it stands, on the whole screen.
  await page.goto(`/reports/${id}/present?page=second`)
  await expect(page.getByRole('article')).toContainText('Storms on nine days')
  const axe = await new AxeBuilder({ page }).analyze()
  expect(axe.violations.map(one => `${one.id}: ${one.nodes.map(node => node.target).join(' ')}`)).toEqual([])
})
