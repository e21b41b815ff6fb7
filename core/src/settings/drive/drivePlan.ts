import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { LoadPort } from '../../device/deviceProfile'
import { contactLoad } from '../../wiring/contactLoad'

/** What a drive is keyed to by the plate of the motor on it. What the plate does not say is left out. */
export interface DrivePlan {
  /** Current of the motor at its plate, A. */
  readonly motorA: number
  /** Frequency of its plate, Hz: the fastest it is made for. */
  readonly fastestHz?: number
  /** Slowest at which it still cools itself, Hz. */
  readonly slowestHz?: number
  /** Which way it turns, seen onto its shaft. */
  readonly turns?: 'clockwise' | 'against'
}

/** The motor that hangs on a drive, with the port by which it does. */
export function motorOn(
  chain: ResolvedChain,
  drive: Pick<ResolvedDevice, 'id'>,
): { readonly motor: ResolvedDevice; readonly port: LoadPort } | undefined {
  const found = chain.connections.find(
    ({ from, fromPort, toPort }) =>
      from.device === drive.id &&
      fromPort.kind === 'supply-out' &&
      fromPort.movedBy !== undefined &&
      toPort.kind === 'load',
  )
  return found?.toPort.kind === 'load' ? { motor: found.toDevice, port: found.toPort } : undefined
}

/** What the motor's plate asks of its drive; nothing while no motor hangs on it. */
export function drivePlan(chain: ResolvedChain, drive: Pick<ResolvedDevice, 'id'>): DrivePlan | undefined {
  const on = motorOn(chain, drive)
  if (!on) return undefined
  const { ratedHz, leastHz, turns } = on.motor.facts.load?.motor ?? {}
  return {
    motorA: contactLoad([], on.port.load).loadA,
    ...(ratedHz === undefined ? {} : { fastestHz: ratedHz }),
    ...(leastHz === undefined ? {} : { slowestHz: leastHz }),
    ...(turns === undefined || turns === 'either' ? {} : { turns }),
  }
}
