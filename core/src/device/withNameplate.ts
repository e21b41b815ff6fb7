import type { Value } from '../schema/value'
import type { nameplateRecord } from './fields/nameplateFields'
import type { Effect } from '../choices/deviceChoices'
import type { DeviceProfile, ElectricLoad, LoadPort, Port } from './deviceProfile'
import { givesOf } from './duty'

/** What stands on the plate of the very device; what is left out is as the shelf has it. */
export interface Nameplate extends Value<typeof nameplateRecord> {}

const MAKES: ReadonlySet<Effect> = new Set(['element', 'fuel', 'cooling'])

const works = (port: Port): port is LoadPort => port.kind === 'load' && port.does !== 'none' && port.does !== 'light'

/** The port through which a load takes its power: of those that do something to the plant the greatest. */
export const workingPort = ({ ports }: Pick<DeviceProfile, 'ports'>): string | undefined =>
  Object.entries(ports)
    .flatMap(([id, port]) => (works(port) ? [{ id, powerW: port.load.powerW }] : []))
    .sort((a, b) => b.powerW - a.powerW)[0]?.id

/**
 * A profile as its own plate has it, so that nothing beyond this looks at plates: contact, wire, fuse, supply and simulation go by the very
 * device. Heat given and power taken keep the shelf's ratio where the plate says only one of them and the device makes what it gives; a
 * current follows the power; an element gives what it takes.
 * Formula: I = I(shelf) × P/P(shelf) × U(shelf)/U × phases(shelf)/phases, one phase 1 and three √3.
 */
export function withNameplate(profile: DeviceProfile, plate: Nameplate | undefined): DeviceProfile {
  if (!plate) return profile
  const working = workingPort(profile)
  const given = Math.max(0, ...Object.values(profile.ports).map((port) => ('does' in port ? givesOf(port) : 0)))
  const base = working === undefined ? undefined : profile.ports[working]
  const taken = base?.kind === 'load' ? base.load.powerW : 0
  const share = (said: number | undefined, usual: number) =>
    said === undefined || usual <= 0 ? undefined : said / usual
  // A pump that brings much heat takes no more for it: only what makes its heat or cold itself keeps the ratio.
  const makes = base !== undefined && 'does' in base && MAKES.has(base.does)
  const gives = share(plate.givesW, given) ?? (makes ? share(plate.powerW, taken) : undefined) ?? 1
  const takes = share(plate.powerW, taken) ?? (makes ? share(plate.givesW, given) : undefined) ?? 1
  const ports = Object.fromEntries(
    Object.entries(profile.ports).map(([id, port]): [string, Port] => {
      const more = 'does' in port && port.givesW !== undefined ? { givesW: port.givesW * gives } : {}
      if (port.kind === 'supply-out' && port.ratedVa !== undefined && plate.ratedVa !== undefined)
        return [id, { ...port, ratedVa: plate.ratedVa }]
      if (id !== working || port.kind !== 'load') return [id, { ...port, ...more }]
      return [id, { ...port, ...more, load: electricBy(port.load, plate, takes) }]
    }),
  )
  const { startsPerHour, minimumOffS, ratedHz, leastHz, turns } = plate
  const load = {
    ...profile.load,
    ...(startsPerHour === undefined ? {} : { startsPerHour }),
    ...(minimumOffS === undefined ? {} : { minimumOffS }),
    ...(ratedHz === undefined && leastHz === undefined && turns === undefined
      ? {}
      : {
          motor: {
            ...profile.load?.motor,
            ...(ratedHz === undefined ? {} : { ratedHz }),
            ...(leastHz === undefined ? {} : { leastHz }),
            ...(turns === undefined ? {} : { turns }),
          },
        }),
  }
  return { ...profile, ports, ...(Object.keys(load).length > 0 ? { load } : {}) }
}

const phaseFactor = (phases: 1 | 3 | undefined) => (phases === 3 ? Math.sqrt(3) : 1)

function electricBy(usual: ElectricLoad, plate: Nameplate, share: number): ElectricLoad {
  const powerW = usual.powerW * share
  const volts = plate.volts ?? usual.volts
  const phases = plate.phases ?? usual.phases
  // A plate's own power factor stands beside its power: the shelf's current says nothing then.
  const follows = usual.amps !== undefined && plate.powerFactor === undefined
  const { amps: usualA, ...rest } = usual
  const amps =
    plate.amps ??
    (follows ? (usualA! * share * usual.volts * phaseFactor(usual.phases)) / (volts * phaseFactor(phases)) : undefined)
  return {
    ...rest,
    powerW,
    volts,
    ...(phases === undefined ? {} : { phases }),
    ...(plate.powerFactor === undefined ? {} : { powerFactor: plate.powerFactor }),
    ...(amps === undefined ? {} : { amps }),
  }
}
