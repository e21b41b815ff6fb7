import { formatQuantity, type Quantity, type UnitPreferences } from './quantity'

/** A count with its word: `counted(1, 'reading')` is "1 reading". */
export const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`

/** Puts numbers into sentences in the user's units: one per job, handed to whoever words a finding. */
export interface Words {
  readonly preferences: UnitPreferences
  /** A number with its unit. */
  readonly say: (si: number, quantity: Quantity, decimals?: number) => string
  /** A sentence kept as data, its figures in braces put into the user's units: `not over {55 C}`, `room + {9 K}`. */
  readonly tell: (text: string) => string
}

const figures = /\{(-?\d+(?:\.\d+)?) ([CK])\}/g

export const wordsFor = (preferences: UnitPreferences): Words => ({
  preferences,
  say: (si, quantity, decimals) => formatQuantity(si, quantity, preferences, decimals),
  tell: (text) =>
    text.replace(figures, (_, figure: string, unit: string) =>
      formatQuantity(Number(figure), unit === 'C' ? 'temperature' : 'difference', preferences, 0),
    ),
})
