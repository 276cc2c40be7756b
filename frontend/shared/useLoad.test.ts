import { describe, expect, it } from 'vitest'
import { Problem } from './api'
import { useLoad } from './useLoad'

const settle = () => new Promise((resolve) => setTimeout(resolve))

describe('loading', () => {
  it('tells what was refused, and forgets it once it goes well', async () => {
    let isDown = true
    const { value, problem, reload } = useLoad(async () => {
      if (isDown) throw new Problem(404, 'There is no chart 7.')
      return 7
    })
    await settle()
    expect([value.value, problem.value]).toEqual([null, 'There is no chart 7.'])
    isDown = false
    await reload()
    expect([value.value, problem.value]).toEqual([7, ''])
  })

  it('drops an answer that a newer one has overtaken', async () => {
    const answers: ((value: string) => void)[] = []
    const { value, reload } = useLoad(() => new Promise<string>((resolve) => answers.push(resolve)))
    const second = reload()
    answers[1]?.('new')
    await second
    answers[0]?.('old')
    await settle()
    expect(value.value).toBe('new')
  })
})
