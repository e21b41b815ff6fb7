import { sameValue } from './canonicalJson'
import type { Change } from './command'

/** Codes of findings that were named by words that the trade does not use; a finding closed with a reason is kept under its code. */
const codes: Readonly<Record<string, string>> = {
  C011_JOINT_LOOK: 'C011_CONNECTION_LOOK',
  C017_OWN_GUARD: 'C017_OWN_PROTECTION',
  C034_REST_TWICE: 'C034_MINIMUM_OFF_TWICE',
  C035_REST_TOO_SHORT: 'C035_MINIMUM_OFF_SHORT',
  C102_NO_FROST_GUARD: 'C102_NO_FROST_PROTECTION',
  C120_BAND_RESTS_AWAY: 'C120_BAND_SETTLES_AWAY',
  C121_BEAT_TOO_SHORT: 'C121_CYCLE_TIME_SHORT',
}

type Held = Readonly<Record<string, unknown>>
const isHeld = (value: unknown): value is Held => value !== null && typeof value === 'object' && !Array.isArray(value)

/** Key of a closed finding, `code/about`. */
function findingKey(key: string): string {
  const [code = '', ...about] = key.split('/')
  return [codes[code] ?? code, ...about].join('/')
}

/** Id of a test: the one of the minimum off time was named by another word. */
const testId = (id: unknown): unknown =>
  typeof id === 'string' ? id.replace(/^(test\/)?rest\//, '$1minimum-off/') : id

/** One thing with its keys and the test that it belongs to named anew. */
function thing(held: unknown, keys: Readonly<Record<string, string>>): unknown {
  if (!isHeld(held)) return held
  return Object.fromEntries(
    Object.entries(held).map(([key, value]) => [
      Object.hasOwn(keys, key) ? keys[key] : key,
      key === 'test' || key === 'during' ? testId(value) : value,
    ]),
  )
}

/** A map with its things named anew, and its keys where those are named too. */
const mapped = (
  held: unknown,
  keys: Readonly<Record<string, string>>,
  keyOf: (key: string) => unknown = (key) => key,
): unknown =>
  isHeld(held)
    ? Object.fromEntries(Object.entries(held).map(([key, value]) => [String(keyOf(key)), thing(value, keys)]))
    : held

const TAKE = { take: 'attempt' } as const

interface Place {
  readonly from: readonly string[]
  readonly to: readonly string[]
  /** The map that stands there, in the words of now. */
  readonly named: (held: unknown) => unknown
}

/** What version 2 of a loop held under other words. */
const places: readonly Place[] = [
  { from: ['proof', 'readings'], to: ['proof', 'readings'], named: (held) => mapped(held, TAKE) },
  { from: ['proof', 'takes'], to: ['proof', 'attempts'], named: (held) => mapped(held, TAKE, testId) },
  { from: ['proof', 'past'], to: ['proof', 'past'], named: (held) => mapped(held, TAKE) },
  { from: ['proof', 'skipped'], to: ['proof', 'skipped'], named: (held) => mapped(held, {}, testId) },
  { from: ['notes'], to: ['notes'], named: (held) => mapped(held, { sum: 'calculation' }) },
  { from: ['temporary'], to: ['temporary'], named: (held) => mapped(held, {}) },
  { from: ['waivers'], to: ['waivers'], named: (held) => mapped(held, {}, findingKey) },
]

const at = (value: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((held, key) => (isHeld(held) && Object.hasOwn(held, key) ? held[key] : undefined), value)

/** What of a loop of version 2 goes under other words, as changes of it. */
export function namedAnew(document: string, loop: unknown): Change[] {
  return places.flatMap(({ from, to, named }): Change[] => {
    const held = at(loop, from)
    if (!isHeld(held)) return []
    const now = named(held) as Held
    if (from.join() !== to.join())
      return [
        { document, path: from, from: held, to: null },
        { document, path: to, from: null, to: now },
      ]
    return [...new Set([...Object.keys(held), ...Object.keys(now)])].flatMap((key): Change[] => {
      const [was, is] = [held[key] ?? null, now[key] ?? null]
      return sameValue(was, is) ? [] : [{ document, path: [...from, key], from: was, to: is }]
    })
  })
}

type Row = Pick<Change, 'path' | 'from' | 'to'>

/** A row of a log, which stays as it was written, with the path and the words that it would have now. */
export function readNow<R extends Row>(row: R): R {
  const place = places.find(({ from }) => from.every((key, i) => row.path[i] === key))
  const key = place && row.path[place.from.length]
  if (!place || key === undefined || row.path.length > place.from.length + 1) return row
  const pair = (value: unknown) => Object.entries(place.named({ [key]: value }) as Held)[0]!
  return {
    ...row,
    path: [...place.to, pair(null)[0]],
    ...(row.from === undefined ? {} : { from: pair(row.from)[1] }),
    ...(row.to === undefined ? {} : { to: pair(row.to)[1] }),
  }
}
