import { type SQL, sql } from 'drizzle-orm'
import type { LogWanted } from '@nachtigal/contract/api'
import { didOf } from '@nachtigal/core/actions/didOf'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { Command } from '@nachtigal/core/document/command'
import { kindsOf } from '@nachtigal/core/document/logKind'
import type { Reader } from '@nachtigal/core/words/words'

/** Every way in which a row can be read: whoever searches may word it in any of them. */
const READERS: readonly Reader[] = [
  { temperatureUnit: 'C', system: 'metric' },
  { temperatureUnit: 'C', system: 'metric', practice: 'uk' },
  { temperatureUnit: 'F', system: 'us', practice: 'us' },
]
/** Most words that one row is found by, and letters that a word keeps. */
const MOST_WORDS = 600
const MOST_LETTERS = 60

/** Words of a text as they are looked up: small letters without accents; figures alone are none. */
const wordsOf = (text: string): readonly string[] =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => /\p{L}/u.test(word))
    .map((word) => word.slice(0, MOST_LETTERS))

const mark = (what: string, value: string) => `${what}:${value.trim().toLowerCase()}`

/** What a row of the log is found by: its words in every practice, who, which loop, which kinds. */
export function logWords(command: Command): readonly string[] {
  const lines = command.change.flatMap((change) =>
    READERS.map((reader) => {
      const { what, before, after } = wordChange(change, reader)
      return `${what} ${before} ${after}`
    }),
  )
  const told = wordsOf(
    [command.by, didOf(command) ?? '', command.why ?? '', command.undoes ? 'taken back' : '', ...lines].join(' '),
  )
  const marks = [
    mark('by', command.by),
    ...(command.loopId === undefined ? [] : [mark('loop', command.loopId)]),
    ...kindsOf(command).map((kind) => mark('kind', kind)),
  ]
  return [...marks, ...[...new Set(told)].slice(0, MOST_WORDS)]
}

/** The words as the database keeps them. */
export const stored = (words: readonly string[]): SQL<string> =>
  sql`array_to_tsvector(ARRAY(SELECT jsonb_array_elements_text(${JSON.stringify(words)}::jsonb)))`

const quoted = (word: string) => `'${word.replaceAll('\\', '\\\\').replaceAll("'", "''")}'`

/**
 * What is wanted of a log as a question to its index; nothing where all rows are wanted. A typed word is met by any word that begins
 * with it, and by the rows of a loop whose name has it.
 * @param loops names of the loops by id
 */
export function lookUp(
  { loop, kind, by, words }: Omit<LogWanted, 'before'>,
  loops: readonly (readonly [id: string, name: string])[],
): string | undefined {
  const terms = [
    ...(loop ? [quoted(mark('loop', loop))] : []),
    ...(by ? [quoted(mark('by', by))] : []),
    ...(kind ? [quoted(mark('kind', kind))] : []),
    ...wordsOf(words ?? '').map((word) => {
      const named = loops.filter(([, name]) => wordsOf(name).some((each) => each.startsWith(word)))
      return `(${[`${quoted(word)}:*`, ...named.map(([id]) => quoted(mark('loop', id)))].join(' | ')})`
    }),
  ]
  // A search for figures alone finds nothing rather than everything.
  if (words !== undefined && words.trim() !== '' && wordsOf(words).length === 0) return quoted('no such word:')
  return terms.length === 0 ? undefined : terms.join(' & ')
}
