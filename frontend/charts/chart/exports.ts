import { fetchFile } from '../../shared/api'
import { save, saveFile } from '../../shared/save'
import type { Recipe } from '../../shared/types'

const pictures = (dataset: number, format: string, scale = 1) =>
  `/datasets/${dataset}/pictures.${format}${format === 'png' ? `?scale=${scale}` : ''}`

export const savePicture = (dataset: number, recipe: Recipe, format: 'svg' | 'png' | 'pdf' | 'pptx', scale = 1) =>
  saveFile(pictures(dataset, format, scale), { recipe })
export const saveWorkings = (dataset: number, recipe: Recipe, format: 'csv' | 'xlsx') =>
  saveFile(`/datasets/${dataset}/workings.${format}`, { recipe })

export function saveRecipe(recipe: Recipe, name?: string): string {
  const words = (name ?? recipe.question.measure ?? 'chart').toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')
  const file = `${words.replace(/^-|-$/g, '') || 'chart'}.json`
  save(file, new Blob([`${JSON.stringify(recipe, null, 2)}\n`], { type: 'application/json' }))
  return file
}

/** Where the picture of a named chart is, always as the chart is now. */
export const pictureAddress = (chart: number) => `${window.location.origin}/charts/${chart}.png?scale=2`

/** The picture with two pixels a point; the browser wants it promised at once. */
export async function copyPicture(dataset: number, recipe: Recipe) {
  const picture = fetchFile(pictures(dataset, 'png', 2), { recipe }).then(({ blob }) => blob)
  await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })])
}
