import { createHash } from 'node:crypto'
import { routes } from '@nachtigal/contract/api'
import { type Chance, spoilt } from '@nachtigal/core/testing/spoilt'

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
