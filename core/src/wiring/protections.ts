import type { ResolvedChain } from '../document/chain'
import type { DeviceProfile } from '../device/deviceProfile'
import { type Line, type LineContact, powerPaths } from './powerPath'

const isLimiter = ({ device }: LineContact) => device.facts.limiter !== undefined

/**
 * The limiters that take a load off by a device of their own: a limiter's own contact in the load's line, or a contactor in that
 * line whose coil hangs on a limiter and on no output of a control.
 */
export function limitersOf(chain: ResolvedChain, line: Line<unknown>): readonly LineContact[] {
  const own = line.contacts.filter(isLimiter)
  const coils = powerPaths(chain)
  const byContactor = line.contacts.flatMap(({ device, port }) => {
    const coil = coils.find(({ load, portId }) => load.id === device.id && portId === port.movedBy)
    if (!coil || coil.contacts.some(({ device: d }) => d.facts.controller !== undefined)) return []
    return coil.contacts.filter(isLimiter)
  })
  return [...own, ...byContactor]
}

/** Limiters that only take the command away: in the coil or the call of the device that also controls. They do not count. */
export function limitersOnCommand(lines: readonly Line<unknown>[]): readonly LineContact[] {
  return lines.slice(0, -1).flatMap(({ contacts }) => contacts.filter(isLimiter))
}

/** The maker's own guard of a heater: a named safety chain of a fuel burner, or a limiter built in. */
export const ownProtection = ({ load }: DeviceProfile): string | undefined =>
  load?.ownLimiter ?? (load?.fuel ? load.ownSafety : undefined)
