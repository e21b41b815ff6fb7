import type { ResolvedChain, ResolvedConnection } from '../../document/chain'
import { contactLoad } from '../../wiring/contactLoad'
import { lineVoltage, type Line, type PowerPath } from '../../wiring/powerPath'
import { type Judged, isExtraLow, coilFrom } from './judged'

/** A contact that switches a load: what it carries, at what voltage, how often, and what welds it. */
export function judgeContact(chain: ResolvedChain, connection: ResolvedConnection, path: PowerPath): Judged {
  const { fromPort, fromDevice, id } = connection
  const { load } = path.loadPort
  if (fromPort.kind !== 'contact') throw new RangeError('not a contact connection')
  const ratings = Object.values(fromPort.ratings)
  const carried = { ...load, phases: load.phases ?? 1 }
  const { verdict, loadA, ratedA, usedPercent, remedy, assumedPowerFactor } = contactLoad(ratings, carried)
  const head = lineVoltage(chain, path)
  const fed = fromPort.fed
  if (
    fed &&
    head &&
    (Math.abs(head.volts - load.volts) > 0.1 * load.volts || (head.current === 'dc') !== (load.kind === 'dc'))
  )
    return {
      verdict: 'does-not-fit',
      code: 'contact.other-voltage',
      worked: [],
      figures: {
        volts: head.volts,
        current: head.current.toUpperCase(),
        tag: fromDevice.tag,
        loadTag: path.load.tag,
        loadVolts: load.volts,
        kind: load.kind,
      },
      fix: {
        do: 'insert',
        connection: id,
        wants: { category: 'relay', coil: head, carries: { load: load.kind, volts: load.volts, amps: loadA } },
      },
    }
  const leak = fromPort.solidState?.leakMa
  const leaky = leak !== undefined && verdict === 'fits' && 1000 * loadA < 10 * leak
  return {
    verdict: leaky ? 'look-again' : verdict,
    code: 'contact.carries',
    figures: {
      loadA,
      ratedA,
      tag: fromDevice.tag,
      leakMa: leaky ? leak : undefined,
      loadTag: path.load.tag,
      name: fromDevice.name,
      loadName: path.load.name,
      usedPercent,
      kind: load.kind,
      volts: load.volts,
      assumedPowerFactor,
      remedy,
    },
    worked: [{ calc: 'wiring.contact', input: { ratings, load: { ...load } }, output: 'usedPercent' }],
    ...(verdict === 'fits' || fromDevice.facts.category === 'limiter' || fromDevice.facts.category === 'permissive'
      ? {}
      : {
          fix: {
            do: 'insert' as const,
            connection: id,
            wants: {
              category: 'relay' as const,
              coil: head ?? { volts: load.volts, current: load.kind === 'dc' ? ('dc' as const) : ('ac' as const) },
              carries: { load: load.kind, volts: load.volts, amps: loadA },
            },
          },
        }),
  }
}

/** A contact in the circuit of an input that wets it: it must be dry, and clean enough for so little. */
export function judgeCall(
  chain: ResolvedChain,
  { fromPort, fromDevice, id }: ResolvedConnection,
  { loadPort, load }: Line<{ readonly wets: { readonly volts: number; readonly amps: number } }>,
): Judged {
  if (fromPort.kind !== 'contact') throw new RangeError('not a contact connection')
  const { volts, amps } = loadPort.wets
  if (fromPort.fed) {
    const head = lineVoltage(chain, { contacts: [{ device: fromDevice, portId: '', port: fromPort }] })!
    return {
      verdict: 'does-not-fit',
      code: 'call.not-dry',
      worked: [],
      figures: {
        volts: head.volts,
        tag: fromDevice.tag,
        current: head.current.toUpperCase(),
        loadTag: load.tag,
        wetsV: volts,
        wetsMa: 1000 * amps,
      },
      fix: {
        do: 'insert',
        connection: id,
        wants: {
          category: 'relay',
          coil: head,
          gold: true,
          ...(isExtraLow(head.volts) ? {} : { separated: true as const }),
        },
      },
    }
  }
  if (fromPort.solidState)
    return {
      verdict: 'does-not-fit',
      code: 'call.solid-state',
      worked: [],
      figures: { volts, wetsMa: 1000 * amps, tag: fromDevice.tag, leakMa: fromPort.solidState.leakMa },
    }
  const { least } = fromPort
  if (!least || least.volts > volts || least.amps > amps)
    return {
      verdict: 'look-again',
      code: 'call.not-gold',
      worked: [],
      figures: { volts, wetsMa: 1000 * amps, tag: fromDevice.tag },
      ...(fromDevice.facts.category === 'controller'
        ? {
            fix: {
              do: 'insert' as const,
              connection: id,
              wants: { category: 'relay' as const, gold: true as const, coil: coilFrom(chain, fromDevice) },
            },
          }
        : {}),
    }
  return {
    verdict: 'fits',
    code: 'call.fits',
    worked: [],
    figures: { volts, wetsMa: 1000 * amps, tag: fromDevice.tag, loadTag: load.tag },
  }
}
