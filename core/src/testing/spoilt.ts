/** Chance from a seed: the same seed makes the same requests. */
export class Chance {
  private state: number
  constructor(seed: number) {
    this.state = seed >>> 0
  }
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
  below = (most: number) => Math.floor(this.next() * most)
  of = <T>(values: readonly T[]): T => values[this.below(values.length)]!
  uuid(): string {
    const hex = Array.from({ length: 32 }, () => this.below(16).toString(16)).join('')
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`
  }
}

/** Texts that broke something once, somewhere. */
const oddTexts = [
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x\udfffy',
  '__proto__',
  'constructor',
  'prototype',
  'toString',
  'C:\\udata\\ub00k',
  '../../etc/passwd',
  "'; DROP TABLE jobs; --",
  '<script>alert(1)</script>',
  '=1+1\n@x',
  '\u202eabc',
  'é'.repeat(300),
  'x'.repeat(5000),
  '9'.repeat(400),
  '2026-99-99T99:99:99Z',
  '2026-02-31T00:00:00Z',
  '%00',
  '\\',
  '"',
  'null',
]
const oddNumbers = [0, -1, 1.5, 1e9, 2147483648, 4294967296, 1e15, 1e300, -1e300, 5e-324, Number.MAX_SAFE_INTEGER]

function deep(levels: number): unknown {
  let value: unknown = 1
  for (let i = 0; i < levels; i++) value = i % 2 ? [value] : { a: value }
  return value
}

const oddValue = (chance: Chance): unknown =>
  [
    () => chance.of(oddTexts),
    () => chance.of(oddNumbers),
    () => null,
    () => chance.of([true, false]),
    () => [],
    () => ({}),
    () => [chance.of(oddTexts), chance.of(oddNumbers)],
    () => ({ [chance.of(oddTexts)]: chance.of(oddNumbers) }),
    () => deep(chance.of([3, 30, 300])),
    () => Object.fromEntries(Array.from({ length: chance.of([10, 600, 3000]) }, (_, i) => [`k${i}`, i])),
    () => Array.from({ length: chance.of([10, 3000]) }, (_, i) => i),
  ][chance.below(11)]!()

/** Every place in a value, as keys from the top. */
function places(value: unknown, at: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (value === null || typeof value !== 'object') return [at]
  return [
    at,
    ...Object.entries(value).flatMap(([key, inner]) =>
      places(inner, [...at, Array.isArray(value) ? Number(key) : key]),
    ),
  ]
}

function put(value: unknown, [key, ...rest]: readonly (string | number)[], change: (was: unknown) => unknown): unknown {
  if (key === undefined) return change(value)
  if (Array.isArray(value)) return value.map((each: unknown, i) => (i === key ? put(each, rest, change) : each))
  const { [key]: was, ...others } = value as Readonly<Record<string, unknown>>
  const is = put(was, rest, change)
  // What is gone is left out, as JSON leaves it out.
  return is === undefined ? others : { ...others, [key]: is }
}

/** A value with one to three of its places spoilt: another kind, another size, another name, gone. */
export function spoilt(value: unknown, chance: Chance): unknown {
  let made = value
  for (let i = 0, n = 1 + chance.below(3); i < n; i++) {
    const at = chance.of(places(made))
    const how = chance.below(4)
    made = put(made, at, (was) => {
      if (how === 0) return undefined
      if (how === 1 && was !== null && typeof was === 'object' && !Array.isArray(was))
        return { ...was, [chance.of(oddTexts)]: oddValue(chance) }
      if (how === 2 && typeof was === 'number') return was * chance.of([-1, 0, 1e6, 1e-9])
      return oddValue(chance)
    })
  }
  return made
}
