import type { ResolvedDevice } from '../document/chain'

/** From here a motor in the water’s way is a pump, W. */
const PUMP_W = 15

/** Whether a device opens and closes the way of water: a three-point drive, a wax head, a small motor, or one moved by a signal. */
export function isValve({ facts }: Pick<ResolvedDevice, 'facts'>): boolean {
  return Object.values(facts.ports).some((port) =>
    port.kind === 'signal-in'
      ? port.does === 'water-flow'
      : port.kind === 'load' &&
        (port.role !== undefined ||
          (port.does === 'water-flow' &&
            (port.load.kind === 'resistive' || port.load.kind === 'coil' || port.load.powerW < PUMP_W))),
  )
}
