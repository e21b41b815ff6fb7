import { type Judging, type Refusal, verdictOf } from './check'

/** Half of a pair of code units: it stands for no letter, and no store takes it. */
const HALF = /\p{Surrogate}/u
const isWhole = (text: string) => !HALF.test(text)

/**
 * Names the first text, or key, that no database can hold: one with a zero character or half of a surrogate pair. Anything else is
 * taken as it is, backslashes and odd letters too.
 */
export const unstorable = (value: unknown): Refusal | undefined => verdictOf(judgeStorable(value))

/** The same in steps: one object at a time. */
export function* judgeStorable(value: unknown): Judging {
  const rest: [string, unknown][] = [['', value]]
  for (let next = rest.pop(); next; next = rest.pop()) {
    const [path, here] = next
    if (typeof here === 'string') {
      if (here.includes('\0') || !isWhole(here))
        return { field: path, message: `${path || 'the text'} holds a character that cannot be stored` }
    } else if (here !== null && typeof here === 'object') {
      yield undefined
      for (const [key, inner] of Object.entries(here)) {
        if (key.includes('\0') || !isWhole(key))
          return { field: path, message: `${path || 'the document'} holds a key that cannot be stored` }
        if (typeof inner === 'string' || typeof inner === 'object')
          rest.push([path === '' ? key : `${path}.${key}`, inner])
      }
    }
  }
  return undefined
}
