import { voltsAcross } from '../../wiring/voltsAcross'
import { EXTRA_LOW_V } from '../../units/peopleLimits'
import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../../document/chain'
import type { SignalOutPort } from '../../device/deviceProfile'
import { type Signal } from '../../signal/signal'
import type { CalcCall } from '../../kinds/asked'
import { type ConnectionFact } from '../../words/connectionWords'
import { type Verdict } from '../../wiring/contactLoad'
import { type PowerPath, powerPaths, supplyOf } from '../../wiring/powerPath'
import type { Fix } from '../../shapes/fix'

export type Judged = ConnectionFact & {
  readonly verdict: Verdict
  readonly worked: readonly CalcCall[]
  /** A remedy that the chain can carry out itself. */
  readonly fix?: Fix
}

/** The line that a connection is part of, to the load that its current ends in. */
export const pathOver = (chain: ResolvedChain, { id }: ResolvedConnection): PowerPath | undefined =>
  powerPaths(chain).find(({ connections }) => connections.some((c) => c.id === id))

/** A choice on the device by which its input takes another kind of probe. */
export function optionOf({ facts, tag }: ResolvedDevice, option: string | undefined) {
  const found = option === undefined ? undefined : facts.options?.[option]
  return found && { title: found.title, tag }
}

/** A choice of the giving device's options that turns its output into this signal. */
export function choiceFor(device: ResolvedDevice, by: SignalOutPort['by'], signal: Signal): Fix | undefined {
  const option = by && device.facts.options?.[by.option]
  const choice = by && Object.entries(by.choices).find(([, change]) => change['signal'] === signal)?.[0]
  return option && choice !== undefined
    ? {
        do: 'set-option',
        device: device.id,
        option: by.option,
        choice,
        say: `Set \u201c${option.title}\u201d of ${device.tag} to ${option.choices[choice]?.title ?? choice}`,
      }
    : undefined
}

/** Whether it is a voltage that one may touch. */
export const isExtraLow = (volts: number) => volts <= EXTRA_LOW_V

/** Voltage that a relay's coil can be fed with beside a device: that of its own supply. */
export function coilFrom(
  chain: ResolvedChain,
  { id }: ResolvedDevice,
): { readonly volts: number; readonly current: 'ac' | 'dc' } {
  const port = supplyOf(chain, id)?.fromPort
  return port?.kind === 'supply-out'
    ? { volts: voltsAcross(port), current: port.current }
    : { volts: 230, current: 'ac' }
}
