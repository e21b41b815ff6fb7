/** What a field may hold; a question mark lets it be left out. */
type Kind = 'any' | 'number' | 'over0' | 'from0' | 'share' | 'text' | 'truth' | 'list' | 'tree'

export type Keys = Readonly<Record<string, Kind | `${Kind}?`>>

export type Tree = Readonly<Record<string, unknown>>

/** Whether it is an object with fields. */
export const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether it is a number that can be worked with. */
export const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value)

/** A value as it is repeated to whoever wrote it. */
export const said = (value: unknown) =>
  typeof value === 'number' ? String(value) : (JSON.stringify(value) ?? 'nothing').slice(0, 80)

const must: Readonly<Record<Kind, readonly [(value: unknown) => boolean, string]>> = {
  any: [() => true, ''],
  number: [isNumber, 'it must be a finite number'],
  over0: [(value) => isNumber(value) && value > 0, 'it must be a number over 0'],
  from0: [(value) => isNumber(value) && value >= 0, 'it must be a number, 0 or more'],
  share: [(value) => isNumber(value) && value >= 0 && value <= 1, 'it must lie between 0 and 1'],
  text: [(value) => typeof value === 'string' && value !== '', 'it must be a text'],
  truth: [(value) => typeof value === 'boolean', 'it must be true or false'],
  list: [Array.isArray, 'it must be a list'],
  tree: [isTree, 'it must be an object'],
}

/** Holds an object to its fields. @throws RangeError naming the field, what stands there and what is allowed */
export function checkPart(where: string, keys: Keys, value: unknown): Tree {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  for (const key of Object.keys(value))
    if (!Object.hasOwn(keys, key))
      throw new RangeError(`${where}.${key} is not known; ${where} takes ${Object.keys(keys).join(', ')}`)
  for (const [key, kind] of Object.entries(keys)) {
    const held = value[key]
    if (held === undefined) {
      if (kind.endsWith('?')) continue
      throw new RangeError(`${where}.${key} is missing`)
    }
    const [fits, words] = must[kind.replace('?', '') as Kind]
    if (!fits(held)) throw new RangeError(`${where}.${key} is ${said(held)}: ${words}`)
  }
  return value
}

/** Holds each entry of a list. @throws RangeError where it is none */
export function each(where: string, list: unknown, check: (where: string, item: unknown) => void) {
  if (!Array.isArray(list)) throw new RangeError(`${where} must be a list`)
  list.forEach((item, i) => check(`${where}[${i}]`, item))
}

/** A check of objects by these fields. */
export const parts = (keys: Keys) => (where: string, item: unknown) => void checkPart(where, keys, item)

/** Holds a text to those allowed. */
export function oneOf(where: string, value: unknown, allowed: readonly string[]) {
  if (!allowed.includes(String(value)))
    throw new RangeError(`${where} is ${said(value)}: it must be one of ${allowed.join(', ')}`)
}

/** Holds a list to finite numbers, so many at least. */
export function numbers(where: string, value: unknown, least = 1) {
  let fits = Array.isArray(value) && value.length >= least
  if (fits) for (const each of value as unknown[]) if (!isNumber(each)) fits = false
  if (!fits) throw new RangeError(`${where} must be finite numbers, ${least === 1 ? 'one' : least} at least`)
}
