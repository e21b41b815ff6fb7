import type { ResolvedChain } from '../document/chain'
import { contactLoad } from './contactLoad'
import { powerPaths } from './powerPath'
import { remembered } from '../memory/remembered'

/** What one device takes from one supply, VA. */
export interface SharedDraw {
  readonly supply: string
  readonly device: string
  readonly tag: string
  readonly va: number
}

/** Everything that a chain draws from its supplies: what devices need for themselves, and the loads on lines that a supply feeds. */
export const supplyDraws = remembered((chain: ResolvedChain): readonly SharedDraw[] => {
  const own = chain.connections.flatMap(({ fromPort, toPort, fromDevice, toDevice }) =>
    fromPort.kind === 'supply-out' && toPort.kind === 'supply-in'
      ? [{ supply: fromDevice.id, device: toDevice.id, tag: toDevice.tag, va: toPort.drawsVa }]
      : [],
  )
  const lines = powerPaths(chain).flatMap(({ supply, load, loadPort }) =>
    supply
      ? [
          {
            supply: supply.device.id,
            device: load.id,
            tag: load.tag,
            va: contactLoad([], loadPort.load).loadA * loadPort.load.volts,
          },
        ]
      : [],
  )
  return [...own, ...lines]
})
