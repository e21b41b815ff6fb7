import type { PortRef, ResolvedChain, ResolvedDevice } from '../document/chain'
import type { ContactInPort, LoadPort, SignalInPort } from '../device/deviceProfile'
import { givesOf } from '../device/duty'
import type { Effect } from '../choices/deviceChoices'
import { callPaths, type Line, powerPaths } from './powerPath'
import { remembered } from '../memory/remembered'

/** What an output ends in: the port that does something to the loop, and the devices on the way there. */
export interface Reach {
  readonly device: ResolvedDevice
  readonly portId: string
  readonly port: LoadPort | ContactInPort | SignalInPort
  readonly does: Effect
  /** Heat or cold it gives, W; its electric power where nothing else is said. */
  readonly givesW: number
  /** The output only lets it run, or not: how much is told by another one, as with the run terminals of a drive. */
  readonly starts?: true
  /** Devices between the controller and the end, in order. */
  readonly via: readonly ResolvedDevice[]
  /** Lines that the command runs through, first the output's own. */
  readonly lines: readonly Line<LoadPort | ContactInPort>[]
}

interface Walked {
  readonly starts?: true
  readonly via: readonly ResolvedDevice[]
  readonly lines: readonly Line<LoadPort | ContactInPort>[]
  readonly seen: ReadonlySet<string>
}

/** Everything that an output of a controller moves in the end, through relays, drives and inputs. */
export function reachOf(chain: ResolvedChain, output: PortRef): readonly Reach[] {
  const known = walkedOf(chain)
  const key = `${output.device}.${output.port}`
  const reach = known.get(key) ?? walk(chain, output)
  known.set(key, reach)
  return reach
}

const walkedOf = remembered((_chain: ResolvedChain) => new Map<string, readonly Reach[]>())

function walk(chain: ResolvedChain, output: PortRef): readonly Reach[] {
  const all: Line<LoadPort | ContactInPort>[] = [...powerPaths(chain), ...callPaths(chain)]
  const from = ({ device, port }: PortRef, walked: Walked): Reach[] => {
    const key = `${device}.${port}`
    if (walked.seen.has(key)) return []
    const seen = new Set([...walked.seen, key])
    const facts = chain.devices.find(({ id }) => id === device)?.facts.ports[port]
    if (facts?.kind === 'signal-out') return bySignal({ device, port }, { ...walked, seen })
    return below({ device, port }, new Set()).flatMap(({ line, via }) =>
      ends(line.load, line.portId, line.loadPort, {
        via: [...walked.via, ...via],
        lines: [...walked.lines, line],
        seen,
      }),
    )
  }
  /** Lines that a contact is in, in series or in a branch beside others, and what lies between it and their ends. */
  const below = (
    { device, port }: PortRef,
    seen: ReadonlySet<string>,
  ): { readonly line: Line<LoadPort | ContactInPort>; readonly via: readonly ResolvedDevice[] }[] =>
    chain.connections
      .filter((c) => c.from.device === device && c.from.port === port)
      .flatMap(({ to, toDevice, toPort }) => {
        const key = `${to.device}.${to.port}`
        if (toPort.kind === 'contact')
          return seen.has(key)
            ? []
            : below(to, new Set([...seen, key])).map(({ line, via }) => ({ line, via: [toDevice, ...via] }))
        const line = all.find(({ load, portId }) => load.id === to.device && portId === to.port)
        return line ? [{ line, via: [] }] : []
      })
  const bySignal = ({ device, port }: PortRef, walked: Walked): Reach[] =>
    chain.connections
      .filter((c) => c.from.device === device && c.from.port === port && c.toPort.kind === 'signal-in')
      .flatMap((c) => ends(c.toDevice, c.to.port, c.toPort as SignalInPort, walked))
  const ends = (
    device: ResolvedDevice,
    portId: string,
    port: LoadPort | ContactInPort | SignalInPort,
    walked: Walked,
  ): Reach[] => {
    const own: Reach[] =
      port.does === 'none'
        ? []
        : [
            {
              ...{ device, portId, port, does: port.does, givesW: givesOf(port), via: walked.via, lines: walked.lines },
              ...(walked.starts ? { starts: true as const } : {}),
            },
          ]
    const next = { ...walked, via: [...walked.via, device] }
    const moved = Object.entries(device.facts.ports).flatMap(([id, each]) =>
      (each.kind === 'contact' || each.kind === 'signal-out') && each.movedBy === portId
        ? from({ device: device.id, port: id }, next)
        : [],
    )
    const driven = all
      .filter(
        ({ supply }) =>
          supply?.device.id === device.id && (supply.port.movedBy === portId || supply.port.startedBy === portId),
      )
      .flatMap((line) =>
        ends(line.load, line.portId, line.loadPort, {
          ...next,
          lines: [...next.lines, line],
          ...(line.supply!.port.startedBy === portId ? { starts: true as const } : {}),
        }),
      )
    return [...own, ...moved, ...driven]
  }
  return from(output, { via: [], lines: [], seen: new Set() })
}

/** Outputs of controllers that a plan can be made for: contacts moved by the control, but for those with a role of their own, and signals. */
export function controlOutputs(device: ResolvedDevice): readonly string[] {
  if (!device.facts.controller) return []
  return Object.entries(device.facts.ports)
    .filter(
      ([, port]) =>
        (port.kind === 'signal-out' && port.movedBy === undefined) ||
        (port.kind === 'contact' && port.movedBy === 'control' && port.role === undefined),
    )
    .map(([id]) => id)
}
