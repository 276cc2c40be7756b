import { ask, fetchFile } from '../../shared/api'
import { copyTogether } from '../../shared/clipboard'
import { save, saveFile } from '../../shared/save'
import type { Drawing, Recipe, WorkingsTable } from '../../shared/types'
import { copied } from '../workings/tableText'

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

/** The picture with two pixels a point and sharp at any size, and all numbers behind it. */
export const copyChart = (dataset: number, recipe: Recipe, shown: WorkingsTable) =>
  copyTogether({
    picture: format => fetchFile(pictures(dataset, format, 2), { recipe }).then(({ blob }) => blob),
    table: shown.more
      ? // Not all of its rows had to be sent to be seen.
        ask<Drawing>('POST', `/datasets/${dataset}/drawings`, { body: { recipe } }).then(({ workings }) =>
          copied(workings, workings.rows),
        )
      : copied(shown, shown.rows),
  })
