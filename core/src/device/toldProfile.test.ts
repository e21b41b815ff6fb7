import { describe, expect, it } from '@jest/globals'
import { device, shelf } from '../testing/loops'
import { wordsFor } from '../words/words'
import { toldProfile } from './toldProfile'

const metric = wordsFor({ temperatureUnit: 'C', system: 'metric' })
const us = wordsFor({ temperatureUnit: 'F', system: 'us' })

describe('a device as it is copied', () => {
  it('stands in the units that are looked at', () => {
    expect(toldProfile(device('fan-ac'), us).summary).toBe('230 V, 120 W, 530\u00a0cfm')
    expect(toldProfile(device('fan-ac'), metric).summary).toBe('230 V, 120 W, 900\u00a0m³/h')
    expect(toldProfile(device('martin'), us).controller!.parameters['gone']!.meaning).toMatch(/32\s°F/)
  })
  it.each(shelf.map((profile) => [profile.id, profile] as const))('%s keeps its figures and no brace', (_, profile) => {
    const copy = toldProfile(profile, us)
    expect(JSON.stringify(copy)).not.toMatch(/\{-?\d/)
    expect(Object.keys(copy.ports)).toEqual(Object.keys(profile.ports))
    expect(copy.probe?.curve).toEqual(profile.probe?.curve)
  })
})
