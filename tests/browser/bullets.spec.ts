import { expect, kind, labels, made, question, sentence, slot, test } from './page'
import { margin } from './ledger'

const SCORES =
  'Store\tValue\tTarget\tPoor\tFair\tGood\nNorth\t72\t80\t60\t75\t100\nHolm\t81\t85\t60\t75\t100\nSound\t54\t75\t60\t75\t100\n'

test('pasted scores with bands become bullets', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Paste a table' }).click()
  await page.getByLabel('Table', { exact: true }).fill(SCORES)
  await page.getByRole('button', { name: 'Read it' }).click()
  await page
    .getByRole('radiogroup', { name: 'What the bands are' })
    .getByLabel(/limits/)
    .first()
    .check()
  await page.getByRole('button', { name: 'Bring in' }).click()
  await expect(kind(page, 'Bullet')).toHaveAttribute('aria-checked', 'true')
  await expect(page.locator('svg.chart rect[data-role=band]')).toHaveCount(9)
  expect(await labels(page, 'band-label')).toEqual(['Fair', 'Good', 'Poor'])
  await expect(margin(page)).toContainText('0 of 3 reach their target')
})

test('target and bands are typed into the sentence, and undone', async ({ page }) => {
  await question(page, 'Punctuality')
  await kind(page, 'Bullet').click()
  await expect(sentence(page)).toContainText('How near is on time')
  await slot(page, 'Target').click()
  await page.getByLabel('Type the target').fill('90')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('to 90, with')
  await slot(page, 'Bands').click()
  await page.getByLabel('Type the bands').fill('poor 80, fair 90, good 100')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('bands to 80, 90 and 100')
  await expect(page.locator('svg.chart')).toContainText('poor to 80, fair to 90, good to 100')
  await expect(margin(page)).toContainText('By band:')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sentence(page)).toContainText('bands as given')
})

test('bands that do not rise are refused in place, by keyboard alone', async ({ page }) => {
  const id = await made(page, `Scores ${Date.now()}`, 'Store\tActual\nNorth\t72\nHolm\t81\n')
  const recipe = { keenMargin: 1, question: { by: 'Store', target: '80' }, kind: 'bullet' }
  const kept = await page.request.post('/api/charts', { data: { dataset: id, name: `Scores ${Date.now()}`, recipe } })
  await page.goto(`/charts/${(await kept.json()).id}`)
  await slot(page, 'Bands').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.type('90, 60')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Limits of bands must rise; 60 does not lie above 90.')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('+60 +20 +20')
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('bands to 60, 80 and 100')
  expect(await labels(page, 'band-label')).toEqual(['fair', 'good'])
})
