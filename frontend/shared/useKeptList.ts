import { ask, says } from './api'
import { usePages } from './usePages'
import { useToast } from './useToast'

interface Kept {
  id: number
  version: number
}

/**
 * A list of named things that are deleted, brought back and duplicated.
 *
 * @param resource first part of the path, `charts`
 * @param nameOf what one of them is called
 * @param filter what the list is narrowed to; what is empty is left out
 */
export function useKeptList<T extends Kept>(
  resource: string,
  nameOf: (one: T) => string,
  filter: () => Record<string, string>,
) {
  const { list, problem, reload, turn, restart } = usePages<T>(resource, filter)
  const { tell } = useToast()

  /** Does something, then loads the list anew; says what went wrong. */
  async function run(action: () => Promise<void>) {
    try {
      await action()
      await reload()
    } catch (error) {
      tell(says(error))
    }
  }
  const remove = (one: T) =>
    run(async () => {
      await ask('DELETE', `/${resource}/${one.id}`, { version: one.version })
      tell(`“${nameOf(one)}” is deleted.`, { label: 'Undo', do: () => void bringBack(one) })
    })
  const bringBack = (one: T) =>
    run(async () => {
      await ask('POST', `/${resource}/${one.id}/restoration`)
      tell(`“${nameOf(one)}” is back.`)
    })
  const duplicate = (one: T) =>
    run(async () => {
      tell(`“${nameOf(await ask<T>('POST', `/${resource}/${one.id}/copies`))}” is made.`)
    })

  return { list, problem, reload, turn, restart, run, remove, duplicate }
}
