import { afterEach, describe, expect, it, vi } from 'vitest'
import { ask, fetchFile, Problem } from './api'
import { useJobs, type Job } from './useJobs'

const job: Job = {
  id: 'a',
  state: 'waiting',
  says: 'It works',
  phase: '',
  done: 0,
  of: null,
  status: null,
  answer: null,
  file: null,
}
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status })

/** Answers each request with the next one. */
function answers(...all: Response[]) {
  const fetch = vi.fn(async () => all.shift() ?? json({}, 500))
  vi.stubGlobal('fetch', fetch)
  return fetch
}

/** Runs the clock until the work is done. */
async function settled<T>(work: Promise<T>): Promise<T | unknown> {
  const end = work.catch((error: unknown) => error)
  await vi.runAllTimersAsync()
  return end
}

describe('the API', () => {
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('waits for long work, shows it, and gives its answer', async () => {
    vi.useFakeTimers()
    answers(
      json({ job }, 202),
      json({ ...job, state: 'working', phase: 'series', done: 512 }),
      json({ ...job, state: 'ended', status: 200, answer: { counted: 3 } }),
    )
    const work = ask('POST', '/x', { body: {} })
    await vi.advanceTimersByTimeAsync(500)
    expect(useJobs().jobs).toMatchObject([{ says: 'It works', done: 512 }])
    expect(await settled(work)).toEqual({ counted: 3 })
    expect(useJobs().jobs).toEqual([])
  })

  it('tells what long work was refused for, or that it was stopped', async () => {
    vi.useFakeTimers()
    answers(json({ job }, 202), json({ ...job, state: 'ended', status: 409, answer: { detail: 'It was stopped.' } }))
    const told = await settled(ask('POST', '/x', { body: {}, isShown: true }))
    expect(told).toBeInstanceOf(Problem)
    expect(told).toMatchObject({ status: 409, detail: 'It was stopped.' })
  })

  it('fetches the file that long work has made', async () => {
    vi.useFakeTimers()
    answers(
      json({ job }, 202),
      json({ ...job, state: 'ended', status: 200, file: '/api/jobs/a/file' }),
      new Response('a,b', { headers: { 'Content-Disposition': 'attachment; filename=ledger.csv' } }),
    )
    expect(await settled(fetchFile('/datasets/1/exports/csv'))).toMatchObject({ name: 'ledger.csv' })
  })

  it('waits for its turn where somebody else writes, and gives up in the end', async () => {
    vi.useFakeTimers()
    const busy = () => json({ isBusy: true, detail: 'Try again.' }, 503)
    const once = answers(busy(), busy(), json({ ok: 1 }))
    expect(await settled(ask('PUT', '/x'))).toEqual({ ok: 1 })
    expect(once).toHaveBeenCalledTimes(3)
    answers(...Array.from({ length: 40 }, busy))
    expect(await settled(ask('PUT', '/x'))).toMatchObject({ status: 503 })
  })

  it('asks once where anything else is wrong', async () => {
    const fetch = answers(json({ detail: 'The disk is full.' }, 507), json({}))
    await expect(ask('PUT', '/x')).rejects.toMatchObject({ status: 507, detail: 'The disk is full.' })
    expect(fetch).toHaveBeenCalledOnce()
  })
})
