import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import type { Port, SupplyOutPort } from '../device/deviceProfile'
import type { Practice } from '../units/practice'
import { CLASS_A_MOST_V, EXTRA_LOW_V, PERSON_MA } from '../units/peopleLimits'

/** What a device gives, where it is a supply. */
export const givenBy = ({ facts }: ResolvedDevice): SupplyOutPort | undefined =>
  Object.values(facts.ports).find((port: Port): port is SupplyOutPort => port.kind === 'supply-out')

/**
 * Volts from a hot of a supply to earth: as its plate says, else half of two hots, a star’s phase of three, or all of it.
 * Formula: U/2 of two hots, U/√3 of a star, else U.
 * @example voltsToEarth({ volts: 240, midpoint: 'N' }) // 120
 */
export function voltsToEarth({ volts, midpoint, l3, neutral, earth, toEarthV }: SupplyOutPort): number {
  if (toEarthV !== undefined) return toEarthV
  if (midpoint !== undefined) return volts / 2
  return l3 !== undefined && neutral !== earth ? volts / Math.sqrt(3) : volts
}

/** How a circuit protects somebody at water: it does, it has no such device, or there is none for its voltage. */
type GroundFault = 'protects' | 'none' | 'refer'

/**
 * In US practice Class A protection alone counts, up to 150 V to ground; elsewhere a device of 30 mA or less.
 * Source: IEC 60364-4-41 (30 mA); North American codes (Class A, 4 to 6 mA).
 * @example groundFault({ volts: 230, residualMa: 30 }, 'europe') // 'protects'
 */
export function groundFault(out: SupplyOutPort, practice: Practice): GroundFault {
  if (practice === 'us') return voltsToEarth(out) > CLASS_A_MOST_V ? 'refer' : out.classA ? 'protects' : 'none'
  return out.classA || (out.residualMa ?? Infinity) <= PERSON_MA ? 'protects' : 'none'
}

/** The circuits of a chain that carry more than extra-low voltage. */
export const mainsCircuits = ({
  devices,
}: ResolvedChain): readonly { readonly device: ResolvedDevice; readonly out: SupplyOutPort }[] =>
  devices.flatMap((device) => {
    const out = givenBy(device)
    return device.facts.category === 'supply' && out && out.volts > EXTRA_LOW_V ? [{ device, out }] : []
  })
