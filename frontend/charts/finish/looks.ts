import type { Finish, NamedFinish } from '../../shared/types'
import { LOOKS } from './keys'

/** A named finish as a change of a chart's own. */
export const looksOf = (named: NamedFinish): Partial<Finish> => ({
  ...(Object.fromEntries(LOOKS.map(key => [key, named.finish[key]])) as Partial<Finish>),
  named: named.name,
})
