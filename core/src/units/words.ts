import { formatQuantity, type Quantity, type UnitPreferences } from './quantity'

/** Puts numbers into sentences in the user's units: one per job, handed to whoever words a finding. */
export interface Words {
  readonly preferences: UnitPreferences
  /** A number with its unit. */
  readonly say: (si: number, quantity: Quantity, decimals?: number) => string
}

export const wordsFor = (preferences: UnitPreferences): Words => ({
  preferences,
  say: (si, quantity, decimals) => formatQuantity(si, quantity, preferences, decimals),
})
