import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loopContext } from '../loop/context'
import { loopKinds } from '../kinds/kinds'
import { keyingSheet } from '../commissioning/keyingSheet'
import { withDefaultPlans } from '../survey/defaultPlans'
import { fieldData } from '../testing/fieldData'
import { shelf, surveyed } from '../testing/loops'
import { addDevice } from '../wiring/chainEdit'
import type { ControllerFacts, DeviceProfile } from './deviceProfile'
import { keyingOrder, keyingRoute, replayRoute } from './keyingRoute'
import { home } from './menu'
import { type Held, newMachine, pressKey, put, shownOf } from './menuMachine'
import { parameterView } from './parameterView'

const controlled = shelf.filter(({ controller }) => controller !== undefined)
const units = ['C', 'F'] as const
const each = controlled.flatMap((profile) => units.map((unit) => [profile.id, unit, profile] as const))

function sheetOf(profile: DeviceProfile, unit: 'C' | 'F') {
  const kind = loopKinds.find((k) => profile.kinds?.[k]) ?? 'floor'
  const { job, loop } = surveyed(kind)
  const edited = { job: { ...job, temperatureUnit: unit, system: unit === 'F' ? 'us' : 'metric' } as const, loop }
  let n = 0
  const made = withDefaultPlans(addDevice(edited, profile, 'a1'), fieldData, () => `plan-${++n}`)
  return keyingSheet(loopContext(made.job, made.loop, fieldData))[0]!
}

describe('the sheet, keyed on the menu it was made for', () => {
  it.each(each)('%s in °%s shows every value as planned at the end', (_, unit, profile) => {
    const facts = profile.controller!
    const { rows } = sheetOf(profile, unit)
    expect(rows.length).toBeGreaterThan(0)
    const codes = rows.map(({ code }) => code)
    const wanted = Object.fromEntries(rows.map(({ code, planned }) => [code, planned]))
    const { machine, missed } = replayRoute(facts, newMachine(facts, unit), keyingRoute(facts, codes), wanted)
    expect(missed).toEqual([])
    expect(Object.fromEntries(codes.map((code) => [code, shownOf(facts, machine, code)]))).toEqual(wanted)
    expect(machine.at).toEqual(home)
  })
  it.each(controlled.map((profile) => [profile.id, profile] as const))(
    '%s: each level is gone into once',
    (_, profile) => {
      const steps = keyingRoute(
        profile.controller!,
        sheetOf(profile, 'C').rows.map(({ code }) => code),
      )
      const entered = steps.flatMap(({ enters }) => (enters === undefined ? [] : [enters]))
      expect(new Set(entered).size).toBe(entered.length)
    },
  )
  it.each(controlled.map((profile) => [profile.id, profile] as const))(
    '%s: what sets others back comes before them',
    (_, { controller }) => {
      const order = keyingOrder(controller!, Object.keys(controller!.parameters))
      for (const [code, { resets = {} }] of Object.entries(controller!.parameters))
        for (const other of Object.keys(resets)) expect(order.indexOf(code)).toBeLessThan(order.indexOf(other))
    },
  )
})

/** Every value a parameter can hold, some of them. */
const heldOf = (facts: ControllerFacts, code: string, unit: 'C' | 'F'): fc.Arbitrary<Held> => {
  const parameter = facts.parameters[code]!
  const view = parameterView(parameter, facts, { temperatureUnit: unit, system: 'metric' })
  if (!view) return fc.constantFrom(...Object.keys(parameter.shows ?? { '': '' }))
  // A stretch of it: a thousand presses more show nothing new.
  const steps = Math.round((view.high - view.low) / view.step)
  return fc
    .integer({ min: 0, max: Math.min(steps, 200) })
    .map((n) => Number((view.low + n * view.step).toPrecision(12)))
}

describe('whatever was keyed before', () => {
  it.each(controlled.map((profile) => [profile.id, profile] as const))('%s ends as asked for', (_, { controller }) => {
    const facts = controller!
    const codes = Object.keys(facts.parameters)
    const unitCode = codes.find((code) => facts.parameters[code]!.binds === 'unit')
    const given = fc.constantFrom(...units).chain((unit) =>
      fc.record({
        unit: fc.constant(unit),
        before: fc.record(
          Object.fromEntries(codes.map((code) => [code, heldOf(facts, code, unitCode === undefined ? unit : 'C')])),
        ),
        after: fc.record(Object.fromEntries(codes.map((code) => [code, heldOf(facts, code, unit)]))),
      }),
    )
    fc.assert(
      fc.property(given, ({ unit, before, after }) => {
        const wish: Record<string, Held> = unitCode === undefined ? after : { ...after, [unitCode]: unit }
        const found: Record<string, Held> = unitCode === undefined ? before : { ...before, [unitCode]: 'C' }
        const start = { ...newMachine(facts, unitCode === undefined ? unit : 'C'), values: found }
        const order = keyingOrder(facts, codes)
        const wanted = Object.fromEntries(codes.map((code) => [code, textOf(facts, unit, code, wish[code]!)]))
        const { machine, missed } = replayRoute(facts, start, keyingRoute(facts, order), wanted)
        expect(missed).toEqual([])
        for (const code of codes) expect(shownOf(facts, machine, code)).toBe(wanted[code])
      }),
      { numRuns: 4 },
    )
  })
  const textOf = (facts: ControllerFacts, unit: 'C' | 'F', code: string, held: Held) =>
    shownOf(facts, { ...newMachine(facts, unit), temperatureUnit: unit }, code, held)
})

describe('the machine', () => {
  const dipper = shelf.find(({ id }) => id === 'dipper')!.controller!
  const into = (code: string) => {
    const [step] = keyingRoute(dipper, [code])
    return step!.path.reduce((now, pressed) => pressKey(dipper, now, pressed), newMachine(dipper, 'C'))
  }
  it('forgets a value that was turned and not kept', () => {
    const level = dipper.menu!.levels['installer']!
    const turned = pressKey(dipper, into('gap'), { keys: level.more })
    expect(shownOf(dipper, turned, 'gap', turned.editing)).toBe('2.1')
    const left = pressKey(dipper, turned, level.leave)
    expect([left.at, shownOf(dipper, left, 'gap')]).toEqual([home, '2.0'])
  })
  it('keeps it with the key that keeps', () => {
    const level = dipper.menu!.levels['installer']!
    const kept = pressKey(dipper, pressKey(dipper, into('gap'), { keys: level.less }), { keys: level.keep! })
    expect(shownOf(dipper, kept, 'gap')).toBe('1.9')
  })
  it('sets the values back that a parameter says it sets back', () => {
    const wide = put(dipper, newMachine(dipper, 'C'), 'gap', 7)
    expect(shownOf(dipper, put(dipper, wide, 'side', 'cut-in'), 'gap')).toBe('2.0')
    expect(shownOf(dipper, put(dipper, wide, 'side', wide.values['side']!), 'gap')).toBe('7.0')
  })
  it('turns its numbers into the other unit where the unit sets nothing back', () => {
    const wren = shelf.find(({ id }) => id === 'wren')!.controller!
    const warm = put(wren, put(wren, newMachine(wren, 'C'), '01', 28), '13', 2.5)
    const turned = put(wren, warm, '03', 'F')
    expect([shownOf(wren, turned, '01'), shownOf(wren, turned, '13')]).toEqual(['82.4', '4.5'])
  })
  it('stops at the ends of what a parameter takes', () => {
    const level = dipper.menu!.levels['installer']!
    let now = into('trim')
    for (let n = 0; n < 300; n++) now = pressKey(dipper, now, { keys: level.more })
    expect(shownOf(dipper, now, 'trim', now.editing)).toBe('10.0')
  })
})
