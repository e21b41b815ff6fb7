import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { calcData } from '../testing/calcData'
import { device, shelf } from '../testing/loops'
import { keysOf } from '../commissioning/keyingSheet'
import { probeCurve } from '../probes/probeCurve'
import { probeName } from '../probes/probeName'
import { wordsFor } from '../words/words'
import { asSet, choiceOf } from './asSet'
import { type DeviceProfile } from './deviceProfile'
import { categories } from '../choices/deviceChoices'
import { keyPath, keyPathText } from './keyPath'
import { leaflet, parameterComes, parameterRange } from './leaflet'
import { home, itemsOf, press, pressesOf } from './menu'
import { emptyProfile, freeId, profileForm } from './profileForm'
import { withParts } from './withParts'
import type { Field, Fields } from '../schema/field'

const controlled = shelf.filter(({ controller }) => controller !== undefined)
const menus = controlled.flatMap((profile) =>
  profile.controller?.menu ? [[profile.id, profile.controller, profile.controller.menu] as const] : [],
)

describe('menus', () => {
  it.each(menus)(
    '%s: every parameter is reached from the home display, and the keys lead there',
    (_, controller, menu) => {
      for (const [code, { menu: level }] of Object.entries(controller.parameters)) {
        if (level === undefined) continue
        const path = keyPath(menu, controller.parameters, code)
        expect(path).toBeDefined()
        const end = path!.reduce((state, pressed) => press(menu, controller.parameters, state, pressed), home)
        expect(end).toMatchObject({ level })
        if (end.where !== 'item' && end.where !== 'edit') throw new Error(`ends at ${end.where}`)
        expect(itemsOf(controller.parameters, level)[end.at]).toBe(code)
        expect(keyPathText(menu, path!, level).length).toBeGreaterThan(0)
      }
    },
  )
  it.each(menus)('%s: from one parameter to any other without going home', (_, controller, menu) => {
    for (const level of Object.keys(menu.levels)) {
      const codes = itemsOf(controller.parameters, level)
      for (const [at, code] of codes.entries())
        for (const other of codes) {
          const path = keyPath(menu, controller.parameters, other, { where: 'item', level, at })
          expect(path).toBeDefined()
          if (code === other) expect(path!.length).toBeLessThanOrEqual(1)
        }
    }
  })
  it.each(menus)('%s: whatever is pressed, it stands somewhere that is there', (_, controller, menu) => {
    const presses = pressesOf(menu)
    fc.assert(
      fc.property(fc.array(fc.nat(presses.length - 1), { maxLength: 40 }), (pressed) => {
        const end = pressed.reduce((state, i) => press(menu, controller.parameters, state, presses[i]!), home)
        if (end.where === 'item' || end.where === 'edit')
          expect(itemsOf(controller.parameters, end.level)[end.at]).toBeDefined()
      }),
    )
  })
  it('an owner never passes the installer\u2019s code unasked', () => {
    const { menu, parameters } = device('eider').controller!
    const path = keyPath(menu!, parameters, 'rise')!
    expect(path.map(({ keys }) => keys)).toContain('code')
    expect(keyPathText(menu!, path, 'installer')).toContain('turn to 22')
  })
  it('what has no menu says what it is set by', () =>
    expect(keysOf(device('bunting').controller!, 'dial')).toBe('turn the dial on the front'))
  it('a level that nothing leads to is not reached', () => {
    const { menu, parameters } = device('dipper').controller!
    const shut = { ...menu!, levels: { installer: { ...menu!.levels['installer']!, enter: { keys: 'nothing' } } } }
    expect(keyPath({ ...shut, levels: {} }, parameters, 'gap')).toBeUndefined()
  })
})

describe('parameters', () => {
  const every = controlled.flatMap((profile) =>
    Object.entries(profile.controller!.parameters).map(([code, p]) => [`${profile.id} ${code}`, p, profile] as const),
  )
  it.each(every)(
    '%s: what sets others back names them, its range holds what it comes with',
    (_, parameter, profile) => {
      for (const code of Object.keys(parameter.resets ?? {})) expect(profile.controller!.parameters[code]).toBeDefined()
      if (parameter.port !== undefined) expect(profile.ports[parameter.port]).toBeDefined()
      if (typeof parameter.comes === 'number' && parameter.low !== undefined) {
        expect(parameter.comes).toBeGreaterThanOrEqual(parameter.low)
        expect(parameter.comes).toBeLessThanOrEqual(parameter.high!)
      }
      if (typeof parameter.comes === 'string') expect(Object.values(parameter.shows ?? {})).toContain(parameter.comes)
    },
  )
})

describe('options', () => {
  const optioned = shelf.filter(({ options }) => options !== undefined)
  it('are there', () => expect(optioned.length).toBeGreaterThan(4))
  it.each(optioned.map((profile) => [profile.id, profile] as const))(
    '%s: each choice turns a port into another',
    (_, profile) => {
      for (const [option, { choices }] of Object.entries(profile.options!)) {
        const made = Object.keys(choices).map((choice) => JSON.stringify(asSet(profile, { [option]: choice }).ports))
        expect(new Set(made).size).toBe(made.length)
      }
    },
  )
  it('takes the first choice where none, or one that is none, is set', () => {
    const option = device('swift').options!['form']!
    expect([choiceOf(option, undefined), choiceOf(option, 'nonsense'), choiceOf(option, 'pulse')]).toEqual([
      'volt',
      'volt',
      'pulse',
    ])
  })
  it('leaves a device without options as it is', () => expect(asSet(device('dipper'))).toBe(device('dipper')))
})

describe('the shelf', () => {
  const count = (category: string) => shelf.filter((profile) => profile.category === category).length
  it.each([
    ['controller', 14],
    ['probe', 20],
    ['load', 25],
    ['transmitter', 1],
    ['relay', 5],
    ['limiter', 3],
    ['permissive', 3],
    ['drive', 1],
    ['supply', 5],
  ])('holds at least its %s devices', (category, least) => expect(count(category)).toBeGreaterThanOrEqual(least))
  it.each([
    ['one relay and one probe on extra-low voltage', (p) => only24(p) && contacts(p) === 1],
    [
      'four stages on one probe',
      (p) => p.controller?.controls?.staged === true && contacts(p) === 4 && inputs(p) === 1,
    ],
    [
      'modulating with owner and installer menus',
      (p) => p.controller?.controls?.modulating === true && levels(p) === 2,
    ],
    ['three-point beside a signal', (p) => roles(p).has('open') && signals(p) > 0],
    ['signed swing, probe by model', (p) => conventions(p).has('signed') && p.options?.['model']?.by === 'model'],
    [
      'a decimal point that sets everything back',
      (p) => Object.values(p.controller?.parameters ?? {}).some(({ resets }) => Object.keys(resets ?? {}).length >= 5),
    ],
    [
      'fan by temperature and humidity, volts or pulses by a link',
      (p) => p.controller?.controls?.fan === true && p.options?.['form']?.by === 'link',
    ],
    [
      'a current budget',
      (p) => Object.values(p.ports).some((port) => port.kind === 'signal-out' && port.sourceMa === 5),
    ],
    [
      'mechanical changeover',
      (p) =>
        !p.controller?.menu &&
        Object.values(p.ports).some((port) => port.kind === 'contact' && port.breaks !== undefined),
    ],
    ['outdoor reset', (p) => p.controller?.controls?.reset === true],
    [
      'cold room with coil, defrost, fan and four supplies',
      (p) => roles(p).has('defrost') && roles(p).has('fan') && variants(p) === 4,
    ],
    ['a group on three wires', (p) => Object.values(p.ports).some(({ kind }) => kind === 'pair')],
    [
      'a drive with signal, run and apart commons',
      (p) =>
        p.category === 'drive' &&
        ['signal-in', 'contact-in', 'supply-in'].every((kind) =>
          Object.values(p.ports).some((port) => port.kind === kind),
        ),
    ],
    ['a 24 V room thermostat with remote-probe terminals', (p) => only24(p) && p.body?.mount === 'wall'],
    [
      'thermocouple, solid-state output, timer',
      (p) =>
        p.controller?.controls?.timer === true &&
        Object.values(p.ports).some((port) => port.kind === 'contact' && port.solidState),
    ],
    [
      'cabin heater with battery cut-off and three timers',
      (p) =>
        p.controller?.controls?.battery === true &&
        ['wake1', 'wake2', 'wake3'].every((code) => p.controller!.parameters[code]),
    ],
    ['enclosure cooler in two supply models', (p) => p.kinds?.enclosure === true && p.options?.['model'] !== undefined],
  ] as [string, (profile: DeviceProfile) => boolean][])('covers: %s', (_, suits) =>
    expect(shelf.filter(suits).map(({ id }) => id)).not.toEqual([]),
  )
  const only24 = (p: DeviceProfile) =>
    p.category === 'controller' &&
    Object.values(p.ports).some(
      (port) => port.kind === 'supply-in' && Object.values(port.variants).every((v) => v.highV <= 50),
    )
  const contacts = (p: DeviceProfile) => Object.values(p.ports).filter((port) => port.kind === 'contact').length
  const inputs = (p: DeviceProfile) => Object.values(p.ports).filter((port) => port.kind === 'probe-in').length
  const signals = (p: DeviceProfile) => Object.values(p.ports).filter((port) => port.kind === 'signal-out').length
  const levels = (p: DeviceProfile) => Object.keys(p.controller?.menu?.levels ?? {}).length
  const roles = (p: DeviceProfile) =>
    new Set(Object.values(p.ports).flatMap((port) => (port.kind === 'contact' ? [port.role] : [])))
  const conventions = (p: DeviceProfile) =>
    new Set(Object.values(p.controller?.conventions ?? {}).map((c) => c.convention))
  const variants = (p: DeviceProfile) =>
    Math.max(
      0,
      ...Object.values(p.ports).map((port) => (port.kind === 'supply-in' ? Object.keys(port.variants).length : 0)),
    )

  it.each(shelf.map((profile) => [profile.id, profile] as const))('%s reads as a leaflet in any unit', (_, profile) => {
    for (const temperatureUnit of ['C', 'F'] as const) {
      const words = wordsFor({ temperatureUnit, system: temperatureUnit === 'C' ? 'metric' : 'us' })
      const sections = leaflet(profile, calcData.parts, words)
      expect(sections.length).toBeGreaterThan(0)
      for (const { rows } of sections)
        for (const { label, text } of rows) expect(`${label} ${text}`).not.toMatch(/undefined|NaN|\[object/)
      for (const parameter of Object.values(profile.controller?.parameters ?? {}))
        expect(parameterRange(parameter, words) + parameterComes(parameter, words)).not.toMatch(/undefined|NaN/)
    }
  })
  it.each(shelf.flatMap((p) => (p.probe ? [[p.id, p.probe] as const] : [])))(
    '%s has a curve with a name',
    (_, { curve, lowC = -40, highC = 100 }) => {
      expect(probeName(curve, calcData.parts).length).toBeGreaterThan(3)
      expect(lowC).toBeLessThan(highC)
      if (curve.kind === 'thermocouple') return
      const { resistance, temperature, lowC: from, highC: to } = probeCurve(curve)
      const middle = (from + to) / 2
      expect(temperature(resistance(middle))).toBeCloseTo(middle, 6)
    },
  )
  it('a curve given by a part that the shelf lacks is named', () =>
    expect(() =>
      withParts({ ...device('dipper'), probe: { curve: { kind: 'named', name: 'gone' } } } as never, []),
    ).toThrow(/dipper names the probe part gone/))
})

describe('the form of a device', () => {
  /** Paths of a value that the form has no field for. */
  const lost = (fields: Fields, value: unknown, at = ''): string[] =>
    Object.entries(value as Readonly<Record<string, unknown>>).flatMap(([key, held]) => {
      const field = Object.hasOwn(fields, key) ? fields[key]! : undefined
      return field ? lostIn(field, held, `${at}${key}`) : [`${at}${key}`]
    })
  const lostIn = (field: Field, held: unknown, at: string): string[] => {
    if (field.type === 'record') return lost(field.fields, held, `${at}.`)
    if (field.type === 'map')
      return Object.entries(held as object).flatMap(([key, each]) => lostIn(field.of, each, `${at}.${key}`))
    if (field.type !== 'variant') return []
    const { kind, ...rest } = held as { readonly kind: string }
    const chosen = Object.hasOwn(field.of, kind) ? field.of[kind] : undefined
    return chosen ? lost(chosen.fields, rest, `${at}.`) : [`${at}.kind`]
  }
  const written = new Set(['format', 'id', 'version', 'category'])
  it.each(categories)('%s: holds all that a device of the shelf holds, down to the last field', (category) => {
    const mine = shelf.filter((each) => each.category === category)
    expect(mine.length).toBeGreaterThan(0)
    for (const profile of mine) {
      const typed = Object.fromEntries(Object.entries(profile).filter(([key]) => !written.has(key)))
      expect([profile.id, lost(profileForm(category, typed), typed)]).toEqual([profile.id, []])
      expect([profile.id, lost(profileForm(category), typed)]).toEqual([profile.id, []])
    }
  })
  it('does not hold what no device has', () =>
    expect(lost(profileForm('probe'), { name: 'A', colour: 'red', probe: { lagS: 1, weight: 2 } })).toEqual([
      'colour',
      'probe.weight',
    ]))
  it.each([
    ['Wheatear 2', [], 'wheatear-2'],
    ['  Grå Fugl!  ', [], 'gra-fugl'],
    ['Dipper', ['dipper'], 'dipper-2'],
    ['Dipper', ['dipper', 'dipper-2'], 'dipper-3'],
    ['<script>', [], 'script'],
    ['', [], 'device'],
  ])('%j among %j gets the id %s', (name, taken, id) => expect(freeId(name, new Set(taken))).toBe(id))
  it.each(categories)('an empty %s has what every device has', (category) =>
    expect(emptyProfile(category, 'x')).toMatchObject({ format: 1, id: 'x', category, terminals: {}, ports: {} }),
  )
})
