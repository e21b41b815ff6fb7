import type { Effect } from '../choices/deviceChoices'
import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import { dutyOf } from '../device/duty'
import type { Nameplate } from '../device/withNameplate'

/** Whether a load's own plate says what heat or cold it gives, and not the shelf's usual one. */
export const readsPlate = ({ nameplate }: Pick<ResolvedDevice, 'nameplate'>): boolean =>
  (nameplate?.givesW ?? nameplate?.powerW) !== undefined

/** A plate without its power: a current that was read beside it no longer holds. */
export function withoutPower({ powerW: _taken, givesW: _given, amps: _amps, ...kept }: Nameplate = {}): Nameplate {
  return kept
}

/**
 * Plates under which the loads of these effects give a power together, each its share as they have it now. An element's plate tells the power
 * that it takes, any other's what it gives.
 */
export function platesFor(chain: ResolvedChain, effects: readonly Effect[], powerW: number): Record<string, Nameplate> {
  const loads = chain.devices.flatMap((device) => {
    const dutyW = dutyOf(device.facts, effects)
    return dutyW > 0 && !device.shared ? [{ device, dutyW }] : []
  })
  const allW = loads.reduce((sum, { dutyW }) => sum + dutyW, 0)
  return Object.fromEntries(
    loads.map(({ device: { id, facts, nameplate }, dutyW }) => {
      const gives = Object.values(facts.ports).some((port) => 'does' in port && port.givesW !== undefined)
      const mineW = (powerW * dutyW) / allW
      return [id, { ...withoutPower(nameplate), ...(gives ? { givesW: mineW } : { powerW: mineW }) }]
    }),
  )
}
