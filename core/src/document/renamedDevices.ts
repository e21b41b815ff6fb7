import { sameValue } from './canonicalJson'
import type { Change } from './command'

type Held = Readonly<Record<string, unknown>>
const isHeld = (value: unknown): value is Held => value !== null && typeof value === 'object' && !Array.isArray(value)

interface Anew {
  readonly id: string
  readonly was: string
  readonly name: string
}

/** Devices of the shelf that go under another name now, by the id that they had. */
const anew = new Map<string, Anew>([
  ['merlin', { id: 'wheatear', was: 'Merlin', name: 'Wheatear' }],
  ['wheatear', { id: 'whinchat', was: 'Wheatear', name: 'Whinchat' }],
])

/** Key under which a job keeps its copy: an id, and the version behind it. */
function keyNow(key: string): string {
  const [id = '', ...version] = key.split('.')
  return [anew.get(id)?.id ?? id, ...version].join('.')
}

const baseOf = (key: unknown): Anew | undefined =>
  typeof key === 'string' ? anew.get(key.split('.')[0] ?? '') : undefined

/** A copy of a device under its name of now. A name that somebody gave it stays. */
function profileNow(held: unknown): unknown {
  if (!isHeld(held)) return held
  const to = baseOf(held['id'])
  return to ? { ...held, id: to.id, name: held['name'] === to.was ? to.name : held['name'] } : held
}

/** One device of a chain: which copy it is, and its name where nobody gave it another. */
function deviceNow(held: unknown): unknown {
  if (!isHeld(held)) return held
  const to = baseOf(held['profile'])
  if (!to) return held
  const name = held['name'] === to.was ? { name: to.name } : {}
  return { ...held, profile: keyNow(held['profile'] as string), ...name }
}

/** What makes one map of a document the other, key by key. */
const mapChanges = (id: string, path: readonly string[], from: Held, to: Held): Change[] =>
  [...new Set([...Object.keys(from), ...Object.keys(to)])].flatMap((key): Change[] => {
    const [was, now] = [from[key] ?? null, to[key] ?? null]
    return sameValue(was, now) ? [] : [{ document: id, path: [...path, key], from: was, to: now }]
  })

const devicesNow = (id: string, path: readonly string[], held: unknown): Change[] =>
  isHeld(held)
    ? mapChanges(id, path, held, Object.fromEntries(Object.entries(held).map(([key, each]) => [key, deviceNow(each)])))
    : []

/** Job 2 to 3: copies of devices that the shelf calls otherwise now, with what refers to them. */
export function jobDevicesNow(id: string, { profiles, devices }: { profiles?: unknown; devices?: unknown }): Change[] {
  const copies = isHeld(profiles)
    ? mapChanges(
        id,
        ['profiles'],
        profiles,
        Object.fromEntries(Object.entries(profiles).map(([key, held]) => [keyNow(key), profileNow(held)])),
      )
    : []
  return [...copies, ...devicesNow(id, ['devices'], devices)]
}

/** Loop 3 to 4: its devices, and the control that was found, refer to the copies under their names of now. */
export function loopDevicesNow(id: string, { chain, survey }: { chain?: unknown; survey?: unknown }): Change[] {
  const found = isHeld(survey) ? survey['found'] : undefined
  return [
    ...(isHeld(chain) ? devicesNow(id, ['chain', 'devices'], chain['devices']) : []),
    ...(isHeld(found) && baseOf(found['profile'])
      ? [{ document: id, path: ['survey', 'found'], from: found, to: deviceNow(found) } as Change]
      : []),
  ]
}
