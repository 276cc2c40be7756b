import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { chart, expect, test } from './page'
import { pack } from './pack'

const menu = (page: Page, name: RegExp) => page.getByRole('menuitem', { name })

async function slides(page: Page): Promise<Buffer> {
  await page.keyboard.press('e')
  const download = page.waitForEvent('download')
  await menu(page, /^Slides as PPTX/).click()
  const file = await download
  expect(file.suggestedFilename()).toMatch(/\.pptx$/)
  return readFileSync(await file.path())
}
const deck = (buffer: Buffer) => ({ name: 'review.pptx', mimeType: 'application/octet-stream', buffer })

test('a report and a chart are exported as slides', async ({ page }) => {
  const { id } = await pack(page, { title: 'Slides of a report' })
  await page.goto(`/reports/${id}`)
  await expect(page.locator('article')).toBeVisible()
  expect((await slides(page)).subarray(0, 2).toString()).toBe('PK')
  await page.keyboard.press('e')
  await menu(page, /^Address of the slides/).click()
  await expect(page.getByText('The address is copied.')).toBeVisible()
  const address = await page.evaluate(() => navigator.clipboard.readText())
  expect((await page.request.get(address)).headers()['content-type']).toContain('presentationml.presentation')
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('e')
  const download = page.waitForEvent('download')
  await menu(page, /^Slide as PPTX/).click()
  expect((await download).suggestedFilename()).toMatch(/\.pptx$/)
})

test('a deck is brought up to date: what would change is told, then the new one is saved', async ({ page }) => {
  const { id } = await pack(page, { title: 'A deck that is brought up to date' })
  await page.goto(`/reports/${id}`)
  await expect(page.locator('article')).toBeVisible()
  const before = await slides(page)
  await page.setInputFiles('input[aria-label="Deck to bring up to date"]', deck(before))
  const sheet = page.getByRole('dialog', { name: 'Bring a deck up to date' })
  await expect(sheet.getByText('nothing would change')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(sheet).toBeHidden()
  const title = page.getByRole('textbox', { name: 'Title of the report' })
  await expect(title).toBeVisible()
  const kept = await (await page.request.get(`/api/reports/${id}`)).json()
  kept.document.closedThrough = '2026-04'
  const saved = await page.request.put(`/api/reports/${id}`, {
    headers: { 'If-Match': `"${kept.version}"` },
    data: { document: kept.document },
  })
  expect(saved.status(), await saved.text()).toBe(200)
  await page.reload()
  await expect(page.locator('article')).toBeVisible()
  // By keys: the menu, the entry, then the file that the browser asks for.
  await page.keyboard.press('e')
  const chooser = page.waitForEvent('filechooser')
  await menu(page, /^Bring a deck up to date/).press('Enter')
  await (await chooser).setFiles(deck(before))
  const changed = sheet.getByRole('list', { name: 'Brought up to date' })
  await expect(changed.getByRole('listitem').first()).toContainText('Slide 1')
  const download = page.waitForEvent('download')
  await sheet.getByRole('button', { name: 'Save the new deck' }).click()
  const after = readFileSync(await (await download).path())
  expect(after.equals(before)).toBe(false)
  await expect(page.getByText(/The deck that you gave is as it was/)).toBeVisible()
})

test('what is no deck is refused with a sentence', async ({ page }) => {
  const { id } = await pack(page, { title: 'No deck' })
  await page.goto(`/reports/${id}`)
  await expect(page.locator('article')).toBeVisible()
  await page.setInputFiles('input[aria-label="Deck to bring up to date"]', deck(Buffer.from('nothing')))
  const sheet = page.getByRole('dialog', { name: 'Bring a deck up to date' })
  await expect(sheet.getByText('This is not a presentation, or it is cut off. Give a .pptx file.')).toBeVisible()
  await sheet.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(sheet).toBeHidden()
})

test('a template is taken for all slides, its roles are set, and it is left again', async ({ page }) => {
  const { id } = await pack(page, { title: 'In a template' })
  await page.goto(`/reports/${id}`)
  await expect(page.locator('article')).toBeVisible()
  const own = await slides(page)
  await page.keyboard.press('e')
  await menu(page, /^Template of slides/).press('Enter')
  const sheet = page.getByRole('dialog', { name: 'Template of slides' })
  await expect(sheet.getByText('Slides look like the pages of the report.')).toBeVisible()
  await page.setInputFiles('input[aria-label="Template"]', deck(own))
  await expect(sheet.getByRole('img', { name: /A slide of the template/ })).toBeVisible()
  const favourable = sheet.getByRole('combobox', { name: 'Favourable', exact: true })
  await expect(favourable).toHaveValue('accent1')
  await favourable.selectOption('accent4')
  await expect
    .poll(async () => (await (await page.request.get('/api/template')).json()).template.roles.favourable)
    .toBe('accent4')
  await sheet.getByRole('button', { name: 'Make slides without it' }).click()
  await expect(sheet.getByRole('button', { name: 'Choose a template' })).toBeVisible()
})

test('a chart, a row of its workings and a block of a report are copied by one key', async ({ page }) => {
  const read = () =>
    page.evaluate(async () => {
      const [item] = await navigator.clipboard.read()
      const html = item?.types.includes('text/html') ? await (await item.getType('text/html')).text() : ''
      return { types: [...(item?.types ?? [])].sort(), html }
    })
  await chart(page, 'Monthly revenue')
  await page.keyboard.press('c')
  await expect(page.getByText(/Copied the picture \(PNG and SVG\) and a table of \d+ rows\./)).toBeVisible()
  expect((await read()).types).toEqual(['image/png', 'image/svg+xml', 'text/html', 'text/plain'])
  expect((await read()).html).toContain('Jul 2026')
  const workings = page.getByRole('region', { name: 'Workings' })
  if (!(await workings.getByRole('table').isVisible())) await page.keyboard.press('w')
  await workings
    .getByRole('button', { name: 'What to do with Jun 2026' })
    .or(workings.getByText('Jun 2026'))
    .first()
    .hover()
  await page.keyboard.press('c')
  await expect(page.getByText('Copied one row of numbers.')).toBeVisible()
  expect((await read()).html).toContain('Jun 2026')
  expect((await read()).html).not.toContain('Jul 2026')
  const { id } = await pack(page, { title: 'Blocks to copy' })
  await page.goto(`/reports/${id}`)
  const block = page.getByRole('group', { name: /c copies it/ }).first()
  await block.focus()
  await page.keyboard.press('c')
  await expect(page.getByText(/Copied the picture \(PNG and SVG\) and a table of \d+ rows\./)).toBeVisible()
  expect((await read()).html).toContain('<table>')
  await block.getByRole('button', { name: 'Address' }).click()
  await expect(page.getByText(/The address is copied/)).toBeVisible()
  const address = await page.evaluate(() => navigator.clipboard.readText())
  expect((await page.request.get(address)).headers()['content-type']).toContain('image/svg+xml')
})
