import { fetchFile } from '../shared/api'
import { saveFile } from '../shared/save'
import type { Recipe } from '../shared/types'

export const savePicture = (dataset: number, recipe: Recipe) => saveFile(`/datasets/${dataset}/pictures`, { recipe })
export const saveWorkings = (dataset: number, recipe: Recipe) => saveFile(`/datasets/${dataset}/workings`, { recipe })

/** The picture as PNG, two pixels a point, on white. */
async function png(svg: Blob): Promise<Blob> {
  const url = URL.createObjectURL(svg)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = image.naturalWidth * 2
    canvas.height = image.naturalHeight * 2
    const context = canvas.getContext('2d')
    if (!context) throw new Error('This browser cannot draw pictures.')
    context.fillStyle = '#fff'
    context.fillRect(0, 0, canvas.width, canvas.height)
    context.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await new Promise((resolve, reject) =>
      canvas.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
        'image/png',
      ),
    )
  } finally {
    URL.revokeObjectURL(url)
  }
}

export async function copyPicture(dataset: number, recipe: Recipe) {
  const picture = fetchFile(`/datasets/${dataset}/pictures`, { recipe }).then(({ blob }) => png(blob))
  await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })])
}
