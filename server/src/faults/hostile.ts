import { createHash } from 'node:crypto'
import { routes } from '@nachtigal/contract/api'

/** What a request is made of; the path is sent as it is, letter by letter. */
export interface Hostile {
  readonly method: string
  readonly path: string
  readonly headers: Readonly<Record<string, string>>
  readonly body?: Buffer
}

/** Sound things to spoil: ids that are there, and bodies that would be taken. */
export interface Material {
  readonly jobId: string
  readonly otherJobId: string
  readonly loopIds: readonly string[]
  /** A loop without a single wire. */
  readonly bareLoopId: string
  readonly commands: readonly object[]
  readonly files: readonly object[]
  readonly devices: readonly object[]
  readonly calculations: readonly (readonly [id: string, input: unknown])[]
  readonly photo: Buffer
}

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
  const tree = value as Readonly<Record<string, unknown>>
  return { ...tree, [key]: put(tree[key], rest, change) }
}

/** A value with one to three of its places spoilt: another kind, another size, another name, gone. */
function spoilt(value: unknown, chance: Chance): unknown {
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

/** JSON as bytes, spoilt as text: cut off, other letters, other encodings, thousands deep. */
function encoded(value: unknown, chance: Chance): { readonly body: Buffer; readonly headers: Record<string, string> } {
  const json = JSON.stringify(value) ?? ''
  const type = chance.below(12) === 0 ? chance.of(oddTypes) : 'application/json'
  const headers: Record<string, string> = { 'content-type': type }
  const text = Buffer.from(json, 'utf8')
  switch (chance.below(24)) {
    case 0:
      return { body: text.subarray(0, chance.below(text.length + 1)), headers }
    case 1:
      return { body: Buffer.from(json, 'utf16le'), headers }
    case 2:
      return { body: Buffer.concat([Buffer.from([0xff, 0xfe, 0x00]), text]), headers }
    case 3:
      return { body: text, headers: { ...headers, 'content-encoding': chance.of(['gzip', 'br', 'deflate', 'rot13']) } }
    case 4:
      return { body: Buffer.from('['.repeat(5000) + ']'.repeat(5000)), headers }
    case 5:
      return { body: Buffer.from(`${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`), headers }
    case 6:
      return { body: Buffer.from(json.replace(/"[^"]{3}/, '"\\ud834')), headers }
    case 7:
      return { body: Buffer.alloc(0), headers }
    case 8:
      return { body: Buffer.from(json.replace(/\d+/, '1e400')), headers }
    default:
      return { body: text, headers }
  }
}
const oddTypes = ['text/plain', 'application/xml', 'multipart/form-data', 'application/json; charset=utf-99', '', 'x']

const oddIds = [
  '%00',
  '%ff',
  '%E0%A4%A',
  '..',
  '%2e%2e%2f',
  '__proto__',
  'a'.repeat(3000),
  '%F0%9F%90%A6',
  '-1',
  '0',
  '1e99',
  '4294967296',
  '%27%20or%201%3D1',
  'null',
]
const oddQueries = [
  '',
  '?before=99999999999999',
  '?before=-1&kind=chain&kind=job',
  '?words[]=a&words[b]=c',
  `?words=${encodeURIComponent("' & | ! \\ :* <->")}`,
  '?words=%00',
  `?words=${'w%20'.repeat(400)}`,
  '?from=1e99',
  '?from=-5',
  '?from=',
  '?from=2147483648',
  '?loop=%F0%9F%90%A6&by=%27',
  '?__proto__[x]=1',
]

/** One hostile request: any route, with ids that are there or are none, and a body that was sound once. */
export function hostile(chance: Chance, given: Material): Hostile {
  const all = Object.keys(routes) as (keyof typeof routes)[]
  // Sheets take long to make and are asked for in one way: a few of them do.
  const name = chance.of(all.filter((each) => !routes[each].endsWith('.pdf') || chance.below(12) === 0))
  const known: Readonly<Record<string, readonly string[]>> = {
    jobId: [given.jobId, given.jobId, given.otherJobId, chance.uuid()],
    loopId: [...given.loopIds, given.bareLoopId],
    deviceId: given.devices.map((device) => String((device as { id: unknown }).id)),
    id: given.calculations.map(([id]) => id),
    hash: [createHash('sha256').update(given.photo).digest('hex'), '0'.repeat(64)],
    sequence: ['1', '2', '5', '0', '4294967296', 'x', '1.5'],
    name: ['2026-01-05T08-00-00Z-asked', 'none', '..'],
  }
  let calculation: string | undefined
  const path = routes[name].replace(/:(\w+)/g, (_, key: string) => {
    const id = chance.below(6) === 0 ? chance.of(oddIds) : chance.of(known[key] ?? oddIds)
    if (key === 'id') calculation = id
    return id
  })
  const query = chance.below(4) === 0 ? chance.of(oddQueries) : ''
  const usual = methodsOf[name] ?? 'GET'
  const method = chance.below(12) === 0 ? chance.of(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']) : usual
  if (method === 'GET' || method === 'DELETE' || method === 'OPTIONS')
    return { method, path: path + query, headers: {} }
  if (name === 'photo' && chance.below(2) === 0) {
    const cut = given.photo.subarray(0, chance.below(given.photo.length + 1))
    return { method, path, headers: { 'content-type': 'application/octet-stream' }, body: cut }
  }
  const sound =
    chance.below(5) === 0
      ? chance.of([given.commands[0], given.devices[0], given.calculations[0]![1]])
      : name === 'commands'
        ? { ...chance.of(given.commands), ...(chance.below(3) === 0 ? {} : { id: chance.uuid() }) }
        : name === 'import'
          ? chance.of(given.files)
          : name === 'calc'
            ? (given.calculations.find(([id]) => id === calculation)?.[1] ?? {})
            : name === 'shelfImport'
              ? { format: 'nachtigal-shelf', version: 1, profiles: [chance.of(given.devices)] }
              : chance.of(given.devices)
  return { method, path: path + query, ...encoded(chance.below(10) === 0 ? sound : spoilt(sound, chance), chance) }
}

const methodsOf: Partial<Record<keyof typeof routes, string>> = {
  commands: 'POST',
  import: 'POST',
  calc: 'POST',
  shelfDevice: 'PUT',
  shelfImport: 'POST',
  photo: 'PUT',
  backup: 'POST',
}
