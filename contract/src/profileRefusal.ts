import { asSet } from '@nachtigal/core/device/asSet'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { home, itemsOf, press } from '@nachtigal/core/device/menu'
import type { AnyObjectSchema } from 'yup'
import { refusal, type Refusal } from './check'
import { wholly } from './parts'
import { deviceRecord } from '@nachtigal/core/device/fields/deviceFields'
import { partOf } from './partOf'

/**
 * Why a device cannot be taken: its shape, then what must hold between its parts. Every choice of every option gives whole
 * ports; ports name terminals that are there; what is set back by a parameter is a parameter; menus stand in the menu.
 */
export function profileRefusal(value: unknown): Refusal | undefined {
  if (value === null || typeof value !== 'object') return says('', 'this is no device: it must be an object')
  return refusal(deviceSchema, value)
}

/** What must hold between the parts of a device. */
export const deviceRefusal = (profile: DeviceProfile): Refusal | undefined =>
  factsRefusal(profile) ?? optionRefusal(profile) ?? terminalRefusal(profile) ?? parameterRefusal(profile)

/** The shape of a device alone. */
export const profileSchema = partOf(deviceRecord) as AnyObjectSchema

/** A device with everything that must hold between its parts. */
export const deviceSchema = wholly(profileSchema, deviceRefusal)

const says = (field: string, message: string): Refusal => ({ field, message })

/** What a device of a sort cannot be without. */
function factsRefusal(profile: DeviceProfile): Refusal | undefined {
  const { category } = profile
  if (!(['controller', 'probe', 'limiter', 'permissive'] as readonly string[]).includes(category)) return undefined
  return profile[category as 'controller' | 'probe' | 'limiter' | 'permissive'] === undefined
    ? says(category, `${category} is missing: a device of this sort has it`)
    : undefined
}

function optionRefusal(profile: DeviceProfile): Refusal | undefined {
  for (const [id, port] of Object.entries(profile.ports)) {
    const { by } = port
    if (!by) continue
    const option = profile.options?.[by.option]
    const at = `ports.${id}.by`
    if (!option) return says(at, `${at}.option is "${by.option}": it must be one of the device's options`)
    for (const choice of Object.keys(option.choices)) {
      if (!Object.hasOwn(by.choices, choice)) return says(at, `${at}.choices lacks ${choice}`)
      const { options: _none, ...set } = asSet(profile, { [by.option]: choice })
      const wrong = refusal(profileSchema, set)
      if (wrong) return says(at, `with ${choice} of ${by.option}: ${wrong.message}`)
      const bad = terminalRefusal(set)
      if (bad) return bad
    }
  }
  for (const [id, { parameter }] of Object.entries(profile.options ?? {}))
    if (parameter !== undefined && !Object.hasOwn(profile.controller?.parameters ?? {}, parameter))
      return says(
        `options.${id}.parameter`,
        `options.${id}.parameter is "${parameter}": it must be one of the parameters`,
      )
  return undefined
}

const FEET = ['line', 'neutral', 'earth', 'l2', 'l3', 'a', 'b', 'common', 'make', 'breaks', 'plus', 'minus']

function terminalRefusal({ ports, terminals }: Pick<DeviceProfile, 'ports' | 'terminals'>): Refusal | undefined {
  for (const [id, port] of Object.entries(ports)) {
    const shapes: readonly Readonly<Record<string, unknown>>[] =
      port.kind === 'supply-in' ? Object.values(port.variants).map((v) => ({ ...v })) : [{ ...port }]
    for (const shape of shapes)
      for (const foot of FEET) {
        const terminal = shape[foot]
        // A signal output also says whether its common is the supply's.
        if (typeof terminal !== 'string' || (foot === 'common' && port.kind === 'signal-out')) continue
        if (!Object.hasOwn(terminals, terminal))
          return says(`ports.${id}.${foot}`, `ports.${id}.${foot} is "${terminal}": it must be one of the terminals`)
      }
  }
  return undefined
}

function parameterRefusal({ controller }: DeviceProfile): Refusal | undefined {
  if (!controller) return undefined
  const { parameters, menu } = controller
  for (const [code, { resets, menu: level, hand }] of Object.entries(parameters)) {
    const at = `controller.parameters.${code}`
    for (const other of Object.keys(resets ?? {}))
      if (!Object.hasOwn(parameters, other))
        return says(`${at}.resets`, `${at}.resets names "${other}": it must be a parameter`)
    if (level === undefined && hand === undefined)
      return says(`${at}.menu`, `${at} stands in no menu: give the level it stands in, or what it is set with by hand`)
    if (level !== undefined && !Object.hasOwn(menu?.levels ?? {}, level))
      return says(`${at}.menu`, `${at}.menu is "${level}": it must be one of the levels of the menu`)
  }
  for (const [id, level] of Object.entries(menu?.levels ?? {})) {
    const at = `controller.menu.levels.${id}`
    const keys = [
      level.next,
      level.previous,
      level.open,
      level.more,
      level.less,
      level.keep,
      ...[level.enter, level.leave].flatMap((p) => p.keys.split('+')),
    ]
    for (const key of keys)
      if (key !== undefined && !Object.hasOwn(menu!.keys, key))
        return says(at, `${at} uses the key "${key}": it must be one of the keys`)
    if (itemsOf(parameters, id).length > 0 && press(menu!, parameters, home, level.enter).where === 'home')
      return says(`${at}.enter`, `${at}.enter does not lead into the level`)
  }
  return undefined
}
