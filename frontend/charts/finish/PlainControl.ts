import type { Finish } from '../../shared/types'

/** A key of a finish that is offered as it is: a choice of a few values, or a switch. */
export type PlainControl = {
  key: keyof Finish
  /** whether only kinds that list it among their options have a use for it */
  ofKinds: boolean
  /** what holds where the key is left out; `''`: what fits */
  usual: string | boolean
} & ({ label: string; isNumber: boolean; choices: [string, string][] } | { text: string; overTime: string })
