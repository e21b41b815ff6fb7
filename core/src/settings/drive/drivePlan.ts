import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { LoadPort } from '../../device/deviceProfile'
import { contactLoad } from '../../wiring/contactLoad'
import type { DriveKeys } from './driveKeys'

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
export function drivePlan(chain: ResolvedChain, drive: Pick<ResolvedDevice, 'id'>): DriveKeys | undefined {
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
