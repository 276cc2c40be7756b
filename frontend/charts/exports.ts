import { fetchFile } from '../shared/api'
import type { Recipe } from '../shared/types'

function save(name: string, blob: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  window.setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}

export async function savePicture(dataset: number, recipe: Recipe) {
  const { name, blob } = await fetchFile(`/datasets/${dataset}/pictures`, { recipe })
  save(name, blob)
  return name
}

export async function saveWorkings(dataset: number, recipe: Recipe) {
  const { name, blob } = await fetchFile(`/datasets/${dataset}/workings`, { recipe })
  save(name, blob)
  return name
}

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
