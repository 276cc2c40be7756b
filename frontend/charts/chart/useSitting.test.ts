import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { useSitting } from './useSitting'

function sitting(last = ref<number | null>(0)) {
  const value = ref('a')
  const log: string[] = []
  const dataset = {
    last,
    name: ref('keen:sitting-1'),
    settle: vi.fn(async () => {}),
    undo: vi.fn(async () => (log.push('undone'), (last.value = (last.value ?? 1) - 1), true)),
    redo: vi.fn(async () => (log.push('done again'), (last.value = (last.value ?? 0) + 1), true)),
  }
  const scope = effectScope()
  const steps = scope.run(() =>
    useSitting<string>({
      name: ref('keen:chart-1'),
      current: () => value.value,
      restore: state => (value.value = state),
      dataset,
    }),
  )
  if (!steps) throw new Error('no scope')
  const change = (to: string) => (steps.remember(), (value.value = to))
  return { value, dataset, steps, change, last, log }
}

describe('steps through a sitting', () => {
  beforeEach(() => sessionStorage.clear())

  it('go back and on through a chart', async () => {
    const { value, steps, change } = sitting()
    change('b')
    change('c')
    await steps.undo()
    expect(value.value).toBe('b')
    await steps.undo()
    expect([value.value, steps.canUndo.value]).toEqual(['a', false])
    await steps.redo()
    await steps.redo()
    expect([value.value, steps.canRedo.value]).toEqual(['c', false])
  })

  it('take changes of the dataset in between, in the order in which they were made', async () => {
    const { value, dataset, steps, change, last } = sitting()
    change('b')
    last.value = 1
    change('c')
    await nextTick()
    await steps.undo()
    expect([value.value, dataset.undo.mock.calls.length]).toEqual(['b', 0])
    await steps.undo()
    expect([value.value, dataset.undo.mock.calls.length]).toEqual(['b', 1])
    await steps.undo()
    expect(value.value).toBe('a')
    await steps.redo()
    expect([value.value, dataset.redo.mock.calls.length]).toEqual(['b', 0])
    await steps.redo()
    expect(dataset.redo.mock.calls.length).toBe(1)
    await steps.redo()
    expect(value.value).toBe('c')
  })

  it('know a change that was underway', async () => {
    const { value, dataset, steps, change, last } = sitting()
    change('b')
    dataset.settle.mockImplementationOnce(async () => {
      last.value = 1
    })
    await steps.undo()
    expect([value.value, dataset.undo.mock.calls.length]).toEqual(['b', 1])
  })

  it('leave what was done to the dataset before the sitting', async () => {
    const { dataset, steps, last } = sitting(ref(7))
    expect(steps.canUndo.value).toBe(false)
    await steps.undo()
    expect(dataset.undo).not.toHaveBeenCalled()
    last.value = 8
    expect(steps.canUndo.value).toBe(true)
  })

  it('survive a reload', async () => {
    const first = sitting(ref(3))
    first.change('b')
    first.last.value = 4
    const { steps, value, dataset } = sitting(ref(4))
    value.value = 'b'
    await steps.undo()
    expect(dataset.undo).toHaveBeenCalledOnce()
    await steps.undo()
    expect(value.value).toBe('a')
  })

  it('let go of what was undone once something else is done', async () => {
    const { steps, change } = sitting()
    change('b')
    await steps.undo()
    change('c')
    expect(steps.canRedo.value).toBe(false)
  })
})
