import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import { rememberedOfBoth } from '../memory/remembered'
import type { SupplyOutPort } from '../device/deviceProfile'
import { supplyOf } from './powerPath'

/** Where the energy of a wire comes from in the end: what has to be off and locked before a hand goes to it. */
export interface Source {
  readonly device: string
  readonly tag: string
  readonly name: string
  /** `own`: the device is fed by a circuit that is not in this list, such as a boiler's own. */
  readonly kind: 'circuit' | 'battery' | 'own'
  readonly volts?: number
  /** Its conductors as they are called there: hots, then neutral and earth where it has them. */
  readonly feet?: { readonly hots: readonly string[]; readonly neutral?: string; readonly earth?: string }
}

/** The hots, the neutral and the earth of what a supply gives, by the labels of its terminals. */
function feetOf({ facts }: ResolvedDevice, out: SupplyOutPort): NonNullable<Source['feet']> {
  const label = (terminal: string) => facts.terminals[terminal]?.label ?? terminal
  const hots = [out.line, out.l2, out.l3, ...(out.midpoint === undefined ? [] : [out.neutral])].filter(
    (each) => each !== undefined,
  )
  const neutral = out.midpoint ?? out.neutral
  return {
    hots: hots.map(label),
    ...(neutral === out.earth ? {} : { neutral: label(neutral) }),
    ...(out.earth === undefined ? {} : { earth: label(out.earth) }),
  }
}

/** The root that feeds a device: through transformers, power supplies and drives up to a circuit, a battery, or its own unknown feed. */
export const sourceOf = rememberedOfBoth((chain: ResolvedChain, device: ResolvedDevice) =>
  rootOf(chain, device, new Set()),
)

function rootOf(chain: ResolvedChain, device: ResolvedDevice, seen: ReadonlySet<string>): Source {
  const feed = supplyOf(chain, device.id)
  if (feed && !seen.has(feed.fromDevice.id)) return rootOf(chain, feed.fromDevice, new Set([...seen, device.id]))
  const out = Object.values(device.facts.ports).find((port) => port.kind === 'supply-out')
  const named = { device: device.id, tag: device.tag, name: device.name }
  if (device.facts.category !== 'supply' || out?.kind !== 'supply-out') return { ...named, kind: 'own' }
  return {
    ...named,
    kind: out.batteryAh === undefined ? 'circuit' : 'battery',
    volts: out.volts,
    feet: feetOf(device, out),
  }
}

/** The source that counts as the loop's own: what feeds its controller, or the first contact of one that needs no feed. */
export function mainSource(chain: ResolvedChain): Source | undefined {
  const controllers = chain.devices.filter(({ facts }) => facts.controller !== undefined)
  for (const controller of controllers) {
    const own = supplyOf(chain, controller.id)
    const line = chain.connections.find(
      ({ fromPort, to, toPort }) =>
        fromPort.kind === 'supply-out' && to.device === controller.id && toPort.kind === 'contact',
    )
    const feed = own ?? line
    if (feed) return sourceOf(chain, feed.fromDevice)
  }
  const first = chain.connections.find(({ fromPort }) => fromPort.kind === 'supply-out')
  return first && sourceOf(chain, first.fromDevice)
}
