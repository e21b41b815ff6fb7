import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { leaflet } from '@nachtigal/core/device/leaflet'
import { calcData } from '@nachtigal/core/testing/calcData'
import { wordsFor } from '@nachtigal/core/words/words'
import { profileRefusal } from './profileRefusal'
import { readShelfFile, shelfFileOf } from './shelfFile'

const folder = fileURLToPath(new URL('../../shelf/', import.meta.url))
const profiles = readdirSync(folder, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('.json') && !/^(data|parts|fluids)\b/.test(path))
  .map((path) => JSON.parse(readFileSync(folder + path, 'utf8')) as DeviceProfile)
  .filter(({ format }) => (format as unknown) === 1)
const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T
const find = (id: string) => plain(profiles.find((profile) => profile.id === id)!)

/** Every place in a value, as keys from the top. */
function places(value: unknown, at: readonly string[] = []): string[][] {
  if (value === null || typeof value !== 'object') return [[...at]]
  return [[...at], ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...at, key]))]
}

function put(value: unknown, [key, ...rest]: readonly string[], next: unknown): unknown {
  if (key === undefined) return next
  const made = {
    ...(value as Record<string, unknown>),
    [key]: put((value as Record<string, unknown>)[key], rest, next),
  }
  return Array.isArray(value) ? Object.values(made) : made
}

const anOption = {
  x: { order: 1, title: 'X', by: 'parameter', parameter: 'none', choices: { a: { order: 1, title: 'A', does: 'a' } } },
}

/** A dry contact on a terminal. */
const aPort = (make: string) => ({
  ...find('dipper').ports[
    Object.keys(find('dipper').ports).find((id) => find('dipper').ports[id]!.kind === 'contact')!
  ],
  make,
})

describe('a profile', () => {
  it('of the shelf is taken as it is', () => {
    expect(profiles.length).toBeGreaterThan(100)
    expect(profiles.flatMap((profile) => profileRefusal(profile)?.message ?? [])).toEqual([])
  })
  it('with anything put anywhere in it is taken or refused with words, and what is taken can be shown', () => {
    const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })
    let taken = 0
    fc.assert(
      fc.property(fc.constantFrom(...profiles), fc.nat(), fc.jsonValue(), (profile, at, junk) => {
        const all = places(profile)
        const spoilt = put(profile, all[at % all.length]!, junk) as DeviceProfile
        const wrong = profileRefusal(spoilt)
        if (wrong) {
          expect(typeof wrong.field).toBe('string')
          expect(wrong.message.length).toBeGreaterThan(5)
        } else {
          taken++
          expect(Array.isArray(leaflet(spoilt, calcData.parts, words))).toBe(true)
        }
      }),
      { numRuns: 600, verbose: 0 },
    )
    expect(taken).toBeGreaterThan(0)
  })
  it.each<[string, readonly string[], unknown, RegExp]>([
    ['a port on a terminal that is not there', ['ports', 'supply'], aPort('zz'), /^ports\.supply/],
    ['no facts of its sort', ['controller'], undefined, /^controller$/],
    ['a prototype key', ['ports'], JSON.parse('{"__proto__": {"kind": "contact"}}'), /^ports/],
    ['an option of a parameter that is not there', ['options'], anOption, /^options/],
    ['a number that is text', ['controller', 'display', 'stepC'], '0.1', /^controller\.display\.stepC/],
    ['a figure that is not finite', ['controller', 'display', 'stepC'], Number.NaN, /^controller\.display\.stepC/],
  ])('with %s is refused, and the place is named', (_, path, value, field) =>
    expect(profileRefusal(put(find('dipper'), path, value))?.field).toMatch(field),
  )
})

describe('readShelfFile', () => {
  it('reads what was written', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...profiles), { minLength: 1, maxLength: 8 }), (some) => {
        const read = readShelfFile(plain(shelfFileOf(some)))
        expect(read.ok && read.profiles).toEqual(plain(some))
      }),
      { numRuns: 20, verbose: 0 },
    )
  })
  it('never throws', () => {
    fc.assert(
      fc.property(fc.anything(), fc.anything(), (value, list) => {
        expect(readShelfFile(value).ok).toBe(false)
        expect(readShelfFile({ format: 'nachtigal-shelf', profiles: list }).ok).toBe(false)
      }),
      { verbose: 0 },
    )
  })
})
