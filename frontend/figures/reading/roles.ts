import type { Scenario } from '../../shared/types'
import type { ColumnRole } from '../types'

export interface RoleChoice {
  id: string
  label: string
  role: ColumnRole
}

const scenarios: [Scenario, string][] = [
  ['AC', 'actual'],
  ['BU', 'budget'],
  ['FC', 'forecast'],
  ['TG', 'target'],
  ['PY', 'prior year'],
]

/** What a column may be said to be, in the reader's words. */
export const roleChoices: RoleChoice[] = [
  { id: 'period', label: 'Period', role: { role: 'period' } },
  ...scenarios.map(([code, word]) => ({
    id: `amount-${code}`,
    label: `Amount: ${word}`,
    role: { role: 'amount', scenario: code } as ColumnRole,
  })),
  { id: 'amount', label: 'Amount', role: { role: 'amount' } },
  { id: 'breakdown', label: 'Breakdown', role: { role: 'breakdown' } },
  { id: 'scenario', label: 'Scenario', role: { role: 'scenario' } },
  { id: 'measure', label: 'Measure', role: { role: 'measure' } },
  { id: 'unit', label: 'Unit', role: { role: 'unit' } },
  { id: 'total', label: 'Total, left out', role: { role: 'total' } },
  { id: 'band', label: 'Band', role: { role: 'band' } },
  { id: 'ignore', label: 'Ignore', role: { role: 'ignore' } },
]

export function choiceOf(role: ColumnRole | undefined): string {
  if (!role) return 'ignore'
  return role.role === 'amount' && role.scenario ? `amount-${role.scenario}` : role.role
}
