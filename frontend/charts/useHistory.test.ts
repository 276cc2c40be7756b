import { beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useHistory } from './useHistory'

describe('undo and redo', () => {
  beforeEach(() => sessionStorage.clear())

  function sitting() {
    const value = ref(0)
    const history = useHistory(
      ref('keen:test'),
      () => value.value,
      (state: number) => (value.value = state),
    )
    const set = (next: number) => {
      history.remember()
      value.value = next
    }
    return { value, history, set }
  }

  it('goes back and forth over every change', () => {
    const { value, history, set } = sitting()
    for (let i = 1; i <= 5; i++) set(i)
    for (let i = 4; i >= 0; i--) {
      history.undo()
      expect(value.value).toBe(i)
    }
    expect(history.canUndo.value).toBe(false)
    history.undo()
    expect(value.value).toBe(0)
    for (let i = 1; i <= 5; i++) {
      history.redo()
      expect(value.value).toBe(i)
    }
    expect(history.canRedo.value).toBe(false)
  })

  it('forgets what was undone once something else is changed', () => {
    const { history, set } = sitting()
    set(1)
    history.undo()
    set(2)
    expect(history.canRedo.value).toBe(false)
  })

  it('survives a reload', () => {
    sitting().set(1)
    const { value, history } = sitting()
    value.value = 1
    history.undo()
    expect(value.value).toBe(0)
  })

  it('starts anew where what was kept is damaged', () => {
    sessionStorage.setItem('keen:test', '{')
    expect(sitting().history.canUndo.value).toBe(false)
  })
})
