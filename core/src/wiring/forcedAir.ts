import type { PortRef, ResolvedChain, ResolvedDevice } from '../document/chain'
import { powerPaths, supplyOf } from './powerPath'
import { controlOutputs, type Reach, reachOf } from './reach'
import { sourceOf } from './sources'

/** What could take a fan to full speed by itself when the control fails. */
interface AirBackup {
  readonly device: ResolvedDevice
  readonly fan: ResolvedDevice
  /** Nothing of the control that it stands in for lies in the line of its fan. */
  readonly ownLine: boolean
  /** Its fan is fed from another circuit than the control and the fan that the control drives. */
  readonly ownSupply: boolean
  /** Where its line begins, and what feeds that now. */
  readonly head: PortRef
  readonly supply?: string
}

/** The fans of a loop, which controllers move them, and what stands in for those. */
interface ForcedAir {
  /** Controllers that move air day by day. */
  readonly controllers: readonly ResolvedDevice[]
  readonly fans: readonly ResolvedDevice[]
  readonly backups: readonly AirBackup[]
}

/**
 * Who moves the air of a loop: controllers that turn a fan by degrees come first; where there is none, the first that switches one. Every
 * other thermostat, and every contact with the role of a backup, with a fan in its line stands in for them.
 */
export function forcedAir(chain: ResolvedChain): ForcedAir {
  const moved = chain.devices.flatMap((controller) =>
    controlOutputs(controller).flatMap((port) =>
      reachOf(chain, { device: controller.id, port })
        .filter(({ does }) => does === 'air-flow')
        .map((reach) => ({ controller, port, reach })),
    ),
  )
  const byDegrees = moved.filter(({ controller, port }) => controller.facts.ports[port]?.kind === 'signal-out')
  const main = byDegrees.length > 0 ? byDegrees : moved.filter(({ controller }) => controller === moved[0]?.controller)
  const controllers = unique(main.map(({ controller }) => controller))
  const fans = unique(main.map(({ reach }) => reach.device))
  const mine = new Set(
    [...controllers, ...fans].flatMap((device) =>
      rootsOf(
        chain,
        device,
        main.map(({ reach }) => reach),
      ),
    ),
  )
  const lines = powerPaths(chain).filter(({ loadPort }) => loadPort.does === 'air-flow')
  const backups = lines.flatMap(({ load, contacts, supply }): AirBackup[] =>
    contacts
      .filter(
        ({ device, port }) =>
          port.role === 'backup' ||
          (device.facts.controller !== undefined && port.movedBy === 'control' && !controllers.includes(device)),
      )
      .map(({ device }) => ({
        device,
        fan: load,
        head: { device: contacts[0]!.device.id, port: contacts[0]!.portId },
        ...(supply ? { supply: supply.device.id } : {}),
        ownLine: !contacts.some((each) => each.device !== device && controllers.includes(each.device)),
        ownSupply: supply !== undefined && !mine.has(sourceOf(chain, supply.device).device),
      })),
  )
  return { controllers, fans, backups }
}

/** Where a device and the lines that it is moved by get their current from in the end. */
function rootsOf(chain: ResolvedChain, device: ResolvedDevice, reaches: readonly Reach[]): string[] {
  const feed = supplyOf(chain, device.id)
  const lines = reaches.flatMap(({ lines: all, device: fan }) =>
    fan === device ? all.flatMap(({ supply }) => (supply ? [supply.device] : [])) : [],
  )
  return [...(feed ? [feed.fromDevice] : []), ...lines].map((supply) => sourceOf(chain, supply).device)
}

const unique = <T>(list: readonly T[]): T[] => [...new Set(list)]
