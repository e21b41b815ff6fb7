import { describe, expect, it } from '@jest/globals'
import { device } from '../testing/loops'
import { dutyOf, givesOf } from './duty'
import { withNameplate, workingPort } from './withNameplate'

const load = (profile: string, plate: Parameters<typeof withNameplate>[1]) => {
  const made = withNameplate(device(profile), plate)
  const port = made.ports[workingPort(made) ?? '']
  return { made, port: port?.kind === 'load' ? port : undefined }
}
const element = device('oven-element-2000')
const unit = device('cabinet-unit')
const boiler = device('boiler-cond')

describe('withNameplate', () => {
  it('a device without a plate of its own is as the shelf has it', () => {
    expect(withNameplate(element, undefined)).toBe(element)
  })
  it('an element gives what it takes', () => {
    const { made, port } = load('oven-element-2000', { powerW: 6000 })
    expect(port!.load.powerW).toBe(6000)
    expect(dutyOf(made, ['element'])).toBe(6000)
  })
  it.each([
    ['twice the cold', { givesW: 2000 }, 900, 4.8, 2000],
    ['twice the power', { powerW: 900 }, 900, 4.8, 2000],
    ['both are read', { powerW: 600, givesW: 2000 }, 600, 3.2, 2000],
    ['other volts', { volts: 115 }, 450, 4.8, 1000],
    ['three phases', { phases: 3 }, 450, 2.4 / Math.sqrt(3), 1000],
    ['a current of its own', { givesW: 2000, amps: 5.5 }, 900, 5.5, 2000],
  ] as const)('a cooling unit of 450 W, 2.4 A and 1000 W of cold: %s', (_, plate, powerW, amps, givesW) => {
    const { port } = load('cabinet-unit', plate)
    expect(port!.load.powerW).toBeCloseTo(powerW, 9)
    expect(port!.load.amps).toBeCloseTo(amps, 9)
    expect(givesOf(port!)).toBeCloseTo(givesW, 9)
  })
  it('beside a power factor of its own the shelf\u2019s current says nothing', () => {
    const { port } = load('cabinet-unit', { powerW: 500, powerFactor: 0.8 })
    expect(port!.load).toMatchObject({ powerW: 500, powerFactor: 0.8 })
    expect(port!.load.amps).toBeUndefined()
  })
  it('what is called by a contact gives what its plate says, and its call stays', () => {
    const made = withNameplate(boiler, { givesW: 30_000, startsPerHour: 3, minimumOffS: 600 })
    expect(dutyOf(made, ['fuel'])).toBe(30_000)
    expect(made.load).toMatchObject({ startsPerHour: 3, minimumOffS: 600, fuel: 'gas' })
    expect(made.terminals).toBe(boiler.terminals)
  })
  it('what is called by a contact takes its power elsewhere', () => {
    expect([element, unit, boiler].map(workingPort)).toEqual(['power', 'power', undefined])
  })
  it('a pump that brings more heat takes no more for it', () => {
    const usual = load('exchanger-pump', undefined)
    const { made, port } = load('exchanger-pump', { givesW: 60_000 })
    expect(dutyOf(made, ['water-flow'])).toBeCloseTo(60_000, 6)
    expect(port!.load).toEqual(usual.port!.load)
  })
  it('does not change the shelf\u2019s entry', () => {
    const before = JSON.stringify(unit)
    withNameplate(unit, { givesW: 5000, startsPerHour: 2 })
    expect(JSON.stringify(unit)).toBe(before)
  })
})
