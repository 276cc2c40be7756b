import { signature } from './signature'
import type { Refusal } from './types'

/** What the server refused, as it said it. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly path = '',
    readonly refusals: Refusal[] = [],
    readonly current: unknown = null,
  ) {
    super(detail)
  }
}

interface Options {
  body?: unknown
  version?: number
  signal?: AbortSignal
}

async function send(method: string, path: string, { body, version, signal }: Options): Promise<Response> {
  const isForm = body instanceof FormData
  const headers: Record<string, string> = { Accept: 'application/json' }
  if (body !== undefined && !isForm) headers['Content-Type'] = 'application/json'
  if (method !== 'GET' && signature.value) headers['X-Signed'] = encodeURIComponent(signature.value)
  if (version !== undefined) headers['If-Match'] = `"${version}"`
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers,
      signal,
      body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
    })
  } catch (error) {
    if (signal?.aborted) throw error
    throw new Problem(0, 'Keen Margin does not answer. Look whether it is still running, then try again.')
  }
  if (response.ok) return response
  const told = await response.json().catch(() => ({}))
  throw new Problem(response.status, told.detail ?? 'Something went wrong.', told.path, told.refusals, told.current)
}

export async function ask<T>(method: string, path: string, options: Options = {}): Promise<T> {
  const response = await send(method, path, options)
  return response.status === 204 ? (undefined as T) : ((await response.json()) as T)
}

/** A file that the server makes, under the name that it gives. */
export async function fetchFile(path: string, body?: unknown): Promise<{ name: string; blob: Blob }> {
  const response = await send(body === undefined ? 'GET' : 'POST', path, { body })
  const disposition = response.headers.get('Content-Disposition') ?? ''
  const name = /filename="?([^";]+)"?/.exec(disposition)?.[1] ?? 'chart'
  return { name, blob: await response.blob() }
}

export function says(error: unknown): string {
  return error instanceof Problem ? error.detail : 'Something went wrong on this page. Reload it and try again.'
}
