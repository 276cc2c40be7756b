import { useJobs, type Job } from './useJobs'
import { useSignature } from './useSignature'
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
  /** whether the page itself shows how far long work is */
  isShown?: boolean
}

async function sendOnce(method: string, path: string, { body, version, signal }: Options): Promise<Response> {
  const isForm = body instanceof FormData
  const headers: Record<string, string> = { Accept: 'application/json' }
  if (body !== undefined && !isForm) headers['Content-Type'] = 'application/json'
  const { signature } = useSignature()
  if (method !== 'GET' && signature) headers['X-Signed'] = encodeURIComponent(signature)
  if (version !== undefined) headers['If-Match'] = `"${version}"`
  try {
    return await fetch(`/api${path}`, {
      method,
      headers,
      signal,
      body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
    })
  } catch (error) {
    if (signal?.aborted) throw error
    throw new Problem(0, 'Keen Margin does not answer. Look whether it is still running, then try again.')
  }
}

interface Told {
  detail?: string
  path?: string
  refusals?: Refusal[]
  current?: unknown
  /** whether nothing was changed, and the same request may do in a moment */
  isBusy?: boolean
}

function problem(status: number, told: Told): Problem {
  return new Problem(status, told.detail ?? 'Something went wrong.', told.path, told.refusals, told.current)
}

/** The answer of long work, as if it had been done at once. */
async function answered({ job }: { job: Job }, { signal, isShown }: Options): Promise<Response> {
  const done = await useJobs().ended(job, id => ask<Job>('GET', `/jobs/${id}`), !isShown)
  const status = done.status ?? 500
  if (status >= 400) throw problem(status, done.answer as Told)
  if (done.file) return fetch(done.file, { signal })
  return new Response(status === 204 ? null : JSON.stringify(done.answer), { status })
}

const PATIENCE = 30
const SECOND = 1000

/** Sends it, and again as long as another writer holds everybody up. */
async function send(method: string, path: string, options: Options): Promise<Response> {
  for (let tries = 0; ; tries++) {
    const response = await sendOnce(method, path, options)
    const told: Told = response.ok ? {} : await response.json().catch(() => ({}))
    if (response.status === 202) return answered(await response.json(), options)
    if (response.ok) return response
    if (!told.isBusy || tries >= PATIENCE || options.signal?.aborted) throw problem(response.status, told)
    await new Promise(resolve => window.setTimeout(resolve, SECOND))
  }
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

/** What stands on the server instead, where a write came too late; null: it was refused for another reason. */
export function conflict<T>(error: unknown): T | null {
  return error instanceof Problem && error.status === 412 ? (error.current as T) : null
}

export function says(error: unknown): string {
  return error instanceof Problem ? error.detail : 'Something went wrong on this page. Reload it and try again.'
}
