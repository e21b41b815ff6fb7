import type { Fix, WantedDevice } from '../shapes/fix'
import type { Behaviour } from '../settings/behaviour'
import { asSet } from '../device/asSet'
import type { Control } from '../choices/deviceChoices'
import type { ResolvedDevice } from '../document/chain'
import type { LoopKind } from '../kinds/kinds'
import { withLoopSetting } from '../simulate/loop/sweep'
import type { ContactPort, DeviceProfile } from '../device/deviceProfile'
import {
  addDevice,
  canJoin,
  type Edited,
  insertDevice,
  joinPorts,
  replaceDevice,
  type Placing,
  setDevice,
  setOption,
} from '../wiring/chainEdit'

const carriesIt = (profile: DeviceProfile, { load, volts, amps }: NonNullable<WantedDevice['carries']>) =>
  Object.values(profile.ports).some(
    (port) =>
      port.kind === 'contact' &&
      Object.values(port.ratings).some(
        (rating) => rating.load === load && rating.volts >= volts && rating.amps * 0.8 >= amps,
      ),
  )

const polesOf = ({ second, third }: ContactPort) => (third ? 3 : second ? 2 : 1)

/** Electric power of a load, W; 0 of what is none. */
const powerOf = ({ ports }: Pick<DeviceProfile, 'ports'>): number =>
  Math.max(
    0,
    ...Object.values(ports).map((port) => (port.kind === 'load' && port.does !== 'none' ? port.load.powerW : 0)),
  )

/** What another device must be able to do to stand in the place of this one, in this kind of loop. */
export function wantedLike({ facts }: Pick<ResolvedDevice, 'facts'>, suits: LoopKind): WantedDevice {
  const ports = Object.values(facts.ports)
  const does = ports.flatMap((port) => ('does' in port && port.does !== 'none' ? [port.does] : []))[0]
  const contact = ports.find((port): port is ContactPort => port.kind === 'contact')
  const powerW = powerOf(facts)
  const controls = Object.keys(facts.controller?.controls ?? {}) as Control[]
  return {
    category: facts.category,
    suits,
    ...(does ? { does } : {}),
    ...(powerW > 0 ? { powerW } : {}),
    ...(controls.length > 0 ? { controls } : {}),
    ...(facts.permissive ? { senses: facts.permissive.senses } : {}),
    ...(contact && facts.category === 'relay'
      ? { poles: polesOf(contact), ...(contact.least ? { gold: true } : {}) }
      : {}),
  }
}

/** The devices of the shelf that can do what is wanted, the smallest first. */
export function devicesFor(wants: WantedDevice, shelf: readonly DeviceProfile[]): readonly DeviceProfile[] {
  const rated = (profile: DeviceProfile) =>
    Math.max(
      0,
      ...Object.values(profile.ports).flatMap((port) =>
        port.kind === 'contact' ? Object.values(port.ratings).map(({ amps }) => amps) : [],
      ),
    )
  /** How far its power is from what was wanted, as a ratio. */
  const away = (profile: DeviceProfile) =>
    wants.powerW ? Math.abs(Math.log((powerOf(profile) || wants.powerW) / wants.powerW)) : 0
  return shelf
    .filter((profile) => {
      if (profile.category !== wants.category) return false
      const ports = Object.values(asSet(profile).ports)
      const { coil, carries, gold, separated, senses, converts, poles = 1, does, controls, suits } = wants
      if (does && !ports.some((port) => 'does' in port && port.does === does)) return false
      if (controls?.some((control) => !profile.controller?.controls?.[control])) return false
      if (suits && profile.kinds && !profile.kinds[suits]) return false
      if (
        coil &&
        !ports.some(
          (port) =>
            port.kind === 'load' &&
            port.does === 'none' &&
            Math.abs(port.load.volts - coil.volts) <= 0.1 * coil.volts &&
            (port.load.kind === 'dc') === (coil.current === 'dc'),
        )
      )
        return false
      if (poles > 1 && !ports.some((port) => port.kind === 'contact' && polesOf(port) >= poles)) return false
      if (carries && !carriesIt(profile, carries)) return false
      if (gold && !ports.some((port) => port.kind === 'contact' && port.least !== undefined)) return false
      if (separated && !profile.relay?.separated) return false
      if (senses && profile.permissive?.senses !== senses) return false
      if (
        converts &&
        !(
          ports.some((port) => port.kind === 'signal-in' && port.signal === converts.from) &&
          ports.some((port) => port.kind === 'signal-out' && port.signal === converts.to)
        )
      )
        return false
      return true
    })
    .sort((a, b) => away(a) - away(b) || rated(a) - rated(b) || (a.id < b.id ? -1 : 1))
}

/** The smallest of them; undefined where there is none. */
export const deviceFor = (wants: WantedDevice, shelf: readonly DeviceProfile[]): DeviceProfile | undefined =>
  devicesFor(wants, shelf)[0]

const putBy = (fix: Fix, shelf: readonly DeviceProfile[]) => ('wants' in fix ? deviceFor(fix.wants, shelf) : undefined)

/** What the button of a fix says; undefined where the shelf has nothing for it. */
export function fixWords(fix: Fix, shelf: readonly DeviceProfile[], device = putBy(fix, shelf)): string | undefined {
  if (!('wants' in fix)) return fix.say
  return device && (fix.do === 'insert' ? `Put ${device.name} between` : `Put ${device.name} in its place`)
}

/**
 * Carries a remedy out. What it changes is one undoable step, as every other change is.
 * @param device what is put in; the smallest that the shelf has where it is left out
 * @returns undefined where the shelf has nothing for it, or what it is about is gone
 */
export function applyFix(
  edited: Edited,
  fix: Fix,
  shelf: readonly DeviceProfile[],
  makeId: () => string,
  placing: (profile: DeviceProfile) => Placing = () => ({}),
  device = putBy(fix, shelf),
): Edited | undefined {
  switch (fix.do) {
    case 'insert': {
      if (!device || !edited.loop.chain.connections[fix.connection]) return undefined
      return insertDevice(edited, fix.connection, device, makeId(), placing(device))
    }
    case 'replace':
      return device && edited.loop.chain.devices[fix.device]
        ? replaceDevice(edited, fix.device, device, placing(device))
        : undefined
    case 'set-option':
      return edited.loop.chain.devices[fix.device] ? setOption(edited, fix.device, fix.option, fix.choice) : undefined
    case 'set-device':
      return edited.loop.chain.devices[fix.device] ? setDevice(edited, fix.device, fix.change) : undefined
    case 'plates':
      return Object.entries(fix.plates).reduce(
        (next: Edited | undefined, [id, nameplate]) =>
          next?.loop.chain.devices[id] ? setDevice(next, id, { nameplate }) : undefined,
        edited,
      )
    case 'answer': {
      const { answers, ways, ...survey } = edited.loop.survey
      const { [fix.question]: _gone, ...others } = ways ?? {}
      const answered = {
        ...survey,
        answers: { ...answers, [fix.question]: fix.value },
        ...(ways ? { ways: others } : {}),
      }
      return { ...edited, loop: { ...edited.loop, survey: answered } }
    }
    case 'own-circuit': {
      const profile = edited.job.profiles[edited.job.devices[fix.supply]?.profile ?? '']
      const out = Object.entries(profile?.ports ?? {}).find(([, { kind }]) => kind === 'supply-out')?.[0]
      if (!profile || out === undefined) return undefined
      const id = makeId()
      const added = addDevice(edited, profile, id)
      const from = { device: id, port: out }
      return canJoin(added, from, fix.into) ? joinPorts(added, from, fix.into) : undefined
    }
    case 'controller': {
      const { controllers, ...settings } = edited.loop.settings
      const changed = { ...controllers, [fix.device]: { ...controllers?.[fix.device], ...fix.change } }
      return { ...edited, loop: { ...edited.loop, settings: { ...settings, controllers: changed } } }
    }
    case 'setting':
      return edited.loop.settings.planned[fix.plan]
        ? { ...edited, loop: withLoopSetting(edited.loop, fix.plan, fix.setting, fix.value) }
        : undefined
    case 'plan': {
      const plan = edited.loop.settings.planned[fix.plan]
      if (!plan) return undefined
      const planned = { ...edited.loop.settings.planned, [fix.plan]: { ...plan, ...fix.change } as Behaviour }
      return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, planned } } }
    }
  }
}
