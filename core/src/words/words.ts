import { inLocalWords } from './localWords'
import { type Term, termIn } from './terms'
import { type Practice, practices } from '../units/practice'
import { formatQuantity, type Quantity, type UnitPreferences } from '../units/quantity'

/** A count with its word: `counted(1, 'reading')` is "1 reading". */
export const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`

/** A figure for a sentence kept as data: `{20.5 C}`, `{1.0 K}`; `tell` puts it into the user's units. */
export const figure = (value: number, unit: 'C' | 'K', decimals = 1) => `{${value.toFixed(decimals)} ${unit}}`

/** Who reads: units, and the practice in whose words; Europe's where none is named. */
export type Reader = UnitPreferences & { readonly practice?: Practice }

/** Puts numbers into sentences in the user's units: one per job, handed to whoever words a finding. */
export interface Words {
  readonly preferences: UnitPreferences
  readonly practice: Practice
  /** A number with its unit. */
  readonly say: (si: number, quantity: Quantity, decimals?: number) => string
  /**
   * A sentence kept as data, its figures in braces put into the user's units: `not over {55 C}`, `room + {9 K}`; of a pair the one of the
   * user's measures: `{1.5 m|5 ft} up`.
   */
  readonly tell: (text: string) => string
  /** A sentence of ours, written in the words of Europe, in those of this practice. */
  readonly local: (text: string) => string
  /** What a thing is called in this practice. */
  readonly term: (term: Term) => string
}

/** A figure for each system of measures, metric first: `{1.5 m|5 ft}`. */
const pairs = /\{([^{}|]+)\|([^{}|]+)\}/g
const figures = /\{(-?\d+(?:\.\d+)?) ([CK])\}/g

const wordsIn = (preferences: UnitPreferences, practice: Practice): Words => ({
  preferences,
  practice,
  term: (term) => termIn(practice, term),
  say: (si, quantity, decimals) => formatQuantity(si, quantity, preferences, decimals),
  local: (text) => inLocalWords(practice, text),
  tell: (text) =>
    inLocalWords(practice, text)
      .replace(pairs, (_, metric: string, us: string) =>
        (preferences.system === 'us' ? us : metric).replaceAll(' ', '\u00a0'),
      )
      .replace(figures, (_, figure: string, unit: string) =>
        formatQuantity(
          Number(figure),
          unit === 'C' ? 'temperature' : 'difference',
          preferences,
          figure.split('.')[1]?.length ?? 0,
        ),
      ),
})

const keyOf = (temperatureUnit: string, system: string, practice: string) => `${temperatureUnit} ${system} ${practice}`

const everyWords = new Map(
  (['C', 'F'] as const).flatMap((temperatureUnit) =>
    (['metric', 'us'] as const).flatMap((system) =>
      practices.map((practice) => [
        keyOf(temperatureUnit, system, practice),
        wordsIn({ temperatureUnit, system }, practice),
      ]),
    ),
  ),
)

/**
 * The words of a user's units and practice: always the same ones for the same choice, so that what is made with them can be remembered.
 * @param practice whose words; Europe's where none is chosen
 */
export const wordsFor = ({ temperatureUnit, system, practice = 'europe' }: Reader): Words =>
  everyWords.get(keyOf(temperatureUnit, system, practice))!
