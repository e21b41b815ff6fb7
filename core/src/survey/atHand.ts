import type { DeviceProfile, SupplyOutPort } from '../device/deviceProfile'
import type { Answers } from '../kinds/answers'
import { EXTRA_LOW_V } from '../units/peopleLimits'

/** Volts that a circuit can be had with, by what is at hand: between two lines, and from a line to neutral. */
const mains: Readonly<Record<string, readonly number[]>> = {
  '230': [230],
  '400': [230, 400],
  '120': [120],
  '240': [120, 240],
  '208': [120, 208],
  '480': [277, 480],
  none: [],
}
const low: Readonly<Record<string, { readonly volts: number; readonly current: SupplyOutPort['current'] }>> = {
  '24ac': { volts: 24, current: 'ac' },
  '24dc': { volts: 24, current: 'dc' },
}

/** Volts that are had from those mains with a transformer, or with a second hot of the same panel. */
const also: Readonly<Record<string, readonly number[]>> = { '480': [120], '120': [240] }

/** What a supply gives; nothing of what is none. */
export const supplyOutOf = ({ ports }: Pick<DeviceProfile, 'ports'>): SupplyOutPort | undefined =>
  Object.values(ports).find((port): port is SupplyOutPort => port.kind === 'supply-out')

/** 208 and 240 V are two systems. */
const near = (volts: number, other: number) => Math.abs(volts - other) <= 0.06 * other

/** Whether a supply is the low voltage that was found at hand. */
export function isLowAtHand({ lowAtHand }: Answers, profile: Pick<DeviceProfile, 'ports'>): boolean {
  const out = supplyOutOf(profile)
  const found = low[String(lowAtHand)]
  return out !== undefined && found !== undefined && near(out.volts, found.volts) && out.current === found.current
}

/**
 * Whether a supply can be had where the loop is, by what the survey found at hand: a circuit of the mains there, what a transformer makes
 * of it, the low voltage that is there already, a battery anywhere. What was not answered rules nothing out.
 */
export function atHand(answers: Answers, { ports }: Pick<DeviceProfile, 'ports'>): boolean {
  const out = supplyOutOf({ ports })
  const volts = mains[String(answers['mainsAtHand'])]
  if (!out || !volts || out.batteryAh !== undefined) return true
  const into = Object.values(ports).find((port) => port.kind === 'supply-in')
  if (out.volts > EXTRA_LOW_V && !into) return volts.some((each) => near(out.volts, each))
  if (into?.kind !== 'supply-in' || isLowAtHand(answers, { ports })) return true
  return Object.values(into.variants).some(({ lowV, highV }) => volts.some((each) => each >= lowV && each <= highV))
}

/**
 * Whether what a device runs on can be had where the loop is, by the mains at hand; extra-low voltage comes from a transformer, and what was
 * not answered rules nothing out.
 */
export function voltsAtHand(answers: Answers, { ports }: Pick<DeviceProfile, 'ports'>): boolean {
  const given = mains[String(answers['mainsAtHand'])]
  if (given === undefined) return true
  const volts = [...given, ...(also[String(answers['mainsAtHand'])] ?? [])]
  return Object.values(ports).every((port) => {
    if (port.kind === 'supply-in')
      return Object.values(port.variants).some(
        ({ lowV, highV }) => lowV < EXTRA_LOW_V || volts.some((each) => each >= lowV && each <= highV),
      )
    if (port.kind !== 'load' || port.does === 'none' || port.load.volts <= EXTRA_LOW_V) return true
    return volts.some((each) => near(port.load.volts, each))
  })
}
