import { fetchFile } from './api'

/** Hands a file to the browser to be saved. */
export function save(name: string, blob: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  window.setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}

/** Fetches a file that the server makes and saves it; returns its name. */
export async function saveFile(path: string, body?: unknown): Promise<string> {
  const { name, blob } = await fetchFile(path, body)
  save(name, blob)
  return name
}
