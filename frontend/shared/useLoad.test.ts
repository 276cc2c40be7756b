import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { Problem } from './api'
import { useLoad } from './useLoad'

const settle = () => new Promise(resolve => setTimeout(resolve))

describe('loading', () => {
  it('tells what was refused, and forgets it once it goes well', async () => {
    let isDown = true
    const { value, problem, reload } = useLoad(['charts', 7], async () => {
      if (isDown) throw new Problem(404, 'There is no chart 7.')
      return 7
    })
    await settle()
    expect([value.value, problem.value]).toEqual([null, 'There is no chart 7.'])
    isDown = false
    await reload()
    expect([value.value, problem.value]).toEqual([7, ''])
  })

  it('drops an answer that is for the key before', async () => {
    const answers: ((value: string) => void)[] = []
    const id = ref(1)
    const { value } = useLoad(
      () => ['charts', id.value],
      () => new Promise<string>(resolve => answers.push(resolve)),
    )
    await settle()
    id.value = 2
    await settle()
    answers[1]?.('new')
    await settle()
    answers[0]?.('old')
    await settle()
    expect(value.value).toBe('new')
  })

  it('drops an answer that was asked for again meanwhile', async () => {
    const answers: ((value: string) => void)[] = []
    const { value, reload } = useLoad(['charts'], () => new Promise<string>(resolve => answers.push(resolve)))
    await settle()
    answers[0]?.('first')
    await settle()
    void reload()
    const last = reload()
    answers[2]?.('new')
    await last
    answers[1]?.('old')
    await settle()
    expect(value.value).toBe('new')
  })

  it('has no value before it is asked for, nor of another key', async () => {
    const id = ref<number | null>(null)
    const load = vi.fn(async () => `dataset ${id.value}`)
    const { value, ready } = useLoad(() => ['datasets', id.value], load, { isAsked: () => id.value !== null })
    await settle()
    expect([load.mock.calls.length, value.value]).toEqual([0, null])
    id.value = 3
    expect(await ready()).toBe('dataset 3')
    await settle()
    expect(value.value).toBe('dataset 3')
    id.value = null
    await settle()
    expect(value.value).toBeNull()
  })

  it('shows at once what another view has set', async () => {
    const { value } = useLoad(['charts'], async () => 'kept')
    const other = useLoad(['charts'], async () => 'kept')
    await settle()
    value.value = 'changed'
    await settle()
    expect(other.value.value).toBe('changed')
  })
})
