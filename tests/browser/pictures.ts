import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'

/** How much two pictures differ: the mean over all dots of what their colours are apart, from 0 to 1. */
export async function difference(page: Page, one: Buffer, other: Buffer): Promise<number> {
  return page.evaluate(
    async ([a = '', b = '']) => {
      const dots = async (base64: string) => {
        const bytes = Uint8Array.from(atob(base64), letter => letter.charCodeAt(0))
        const image = await createImageBitmap(new Blob([bytes], { type: 'image/png' }))
        const canvas = new OffscreenCanvas(image.width, image.height)
        const context = canvas.getContext('2d')
        if (!context) throw new Error('no canvas')
        context.drawImage(image, 0, 0)
        return context.getImageData(0, 0, image.width, image.height)
      }
      const [first, second] = [await dots(a), await dots(b)]
      if (Math.abs(first.width - second.width) > 1 || Math.abs(first.height - second.height) > 1)
        throw new Error(`${first.width}×${first.height} and ${second.width}×${second.height}`)
      const [width, height] = [Math.min(first.width, second.width), Math.min(first.height, second.height)]
      let sum = 0
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++)
          for (let part = 0; part < 3; part++)
            sum += Math.abs(
              (first.data[4 * (y * first.width + x) + part] ?? 0) -
                (second.data[4 * (y * second.width + x) + part] ?? 0),
            )
      return sum / (3 * 255 * width * height)
    },
    [one.toString('base64'), other.toString('base64')],
  )
}

/** The first page of a PDF with one dot a point. */
export function drawnPdf(pdf: Buffer): Buffer {
  const folder = mkdtempSync(join(tmpdir(), 'keen-pdf-'))
  try {
    writeFileSync(join(folder, 'a.pdf'), pdf)
    execFileSync('pdftoppm', ['-r', '72', '-png', '-singlefile', join(folder, 'a.pdf'), join(folder, 'a')])
    return readFileSync(join(folder, 'a.png'))
  } finally {
    rmSync(folder, { recursive: true })
  }
}
