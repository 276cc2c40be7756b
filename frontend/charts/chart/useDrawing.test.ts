import { afterEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { Recipe } from '../../shared/types'
import { useDrawing } from './useDrawing'

const recipe = (by: string) => ({ keenMargin: 1, question: { by }, kind: 'variance-tiers' }) as Recipe
const settle = () => new Promise(resolve => setTimeout(resolve, 5))

/** Answers that come when the test says so. */
function server() {
  const waiting: { body: string; answer: (value: unknown, status?: number) => void }[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn(
      (_: string, { body, signal }: RequestInit) =>
        new Promise((resolve, reject) => {
          signal?.addEventListener('abort', () => reject(new DOMException('aborted', 'AbortError')))
          waiting.push({
            body: String(body),
            answer: (value, status = 200) => resolve(new Response(JSON.stringify(value), { status })),
          })
        }),
    ),
  )
  return waiting
}

describe('the drawing of a question', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('is asked for the width that there is', async () => {
    const waiting = server()
    useDrawing(ref(1), ref([recipe('month')]), ref(640.4), ref(0))
    await settle()
    expect(JSON.parse(waiting[0]?.body ?? '').recipe.finish.width).toBe(640)
  })

  it('is not asked before the width is known', async () => {
    const waiting = server()
    useDrawing(ref(1), ref([recipe('month')]), ref(0), ref(0))
    await settle()
    expect(waiting).toHaveLength(0)
  })

  it('drops an answer that comes back late for an older question', async () => {
    const waiting = server()
    const asked = ref([recipe('month')])
    const { drawing } = useDrawing(ref(1), asked, ref(640), ref(0))
    await settle()
    asked.value = [recipe('year')]
    await settle()
    waiting[1]?.answer({ answer: 'year' })
    await settle()
    waiting[0]?.answer({ answer: 'month' })
    await settle()
    expect(drawing.value).toEqual({ answer: 'year' })
  })

  it('keeps the last picture and says why when a question is refused', async () => {
    const waiting = server()
    const asked = ref([recipe('month')])
    const { drawing, problem } = useDrawing(ref(1), asked, ref(640), ref(0))
    await settle()
    waiting[0]?.answer({ answer: 'month' })
    await settle()
    asked.value = [recipe('day')]
    await settle()
    waiting[1]?.answer({ detail: 'The figures are by month.', path: 'question.by' }, 422)
    await settle()
    expect(problem.value).toBe('The figures are by month.')
    expect(drawing.value).toEqual({ answer: 'month' })
  })

  it('has the first rows of a long table first, and all of them once they are wanted', async () => {
    const waiting = server()
    const wantsAll = ref(false)
    const asked = ref([recipe('Customer')])
    const { drawing, isSlow } = useDrawing(ref(1), asked, ref(640), ref(0), ref(null), wantsAll)
    await settle()
    // A window of 768 points.
    expect(JSON.parse(waiting[0]?.body ?? '').rows).toBe(53)
    waiting[0]?.answer({ workings: { more: 380 } })
    await settle()
    expect(waiting).toHaveLength(1)
    wantsAll.value = true
    await settle()
    expect(JSON.parse(waiting[1]?.body ?? '')).not.toHaveProperty('rows')
    expect(drawing.value?.workings.more).toBe(380)
    await new Promise(resolve => setTimeout(resolve, 320))
    expect(isSlow.value).toBe(false)
    waiting[1]?.answer({ workings: { more: 0 } })
    await settle()
    expect(drawing.value?.workings.more).toBe(0)
    // Whoever is still beyond the first rows sees all of the next answer at once.
    asked.value = [recipe('Route')]
    await settle()
    expect(JSON.parse(waiting[2]?.body ?? '')).not.toHaveProperty('rows')
    wantsAll.value = false
    asked.value = [recipe('Vessel')]
    await settle()
    expect(JSON.parse(waiting[3]?.body ?? '').rows).toBe(53)
  })

  it('is not asked again for the rows of a table that is whole', async () => {
    const waiting = server()
    const wantsAll = ref(false)
    useDrawing(ref(1), ref([recipe('Customer')]), ref(640), ref(0), ref(null), wantsAll)
    await settle()
    waiting[0]?.answer({ workings: { more: 0 } })
    await settle()
    wantsAll.value = true
    await settle()
    expect(waiting).toHaveLength(1)
  })
})
