import type { ResolvedChain, ResolvedConnection } from '../job/chain'
import type { ElectricLoad } from '../profile/deviceProfile'
import { mismatch } from '../probes/mismatch'
import { probeCurve } from '../probes/probeCurve'
import type { CalcCall } from '../survey/surveyResult'
import type { Words } from '../units/words'
import { contactLoad, type Verdict } from '../wiring/contactLoad'
import { type PowerPath, powerPaths } from '../wiring/powerPath'
import { supplyVariant } from '../wiring/supplyVariant'

/** Verdict on one joint of the chain: what passes, why, the arithmetic, and what to do. */
export interface JointVerdict {
  readonly connection: string
  readonly verdict: Verdict
  /** What goes over the joint, in three words. */
  readonly passes: string
  readonly reason: string
  readonly worked: readonly CalcCall[]
  readonly remedy?: string
  /** A remedy that the chain can carry out itself. */
  readonly fix?: 'insert-contactor'
}

type Judged = Omit<JointVerdict, 'connection'>

/** Temperature at which a wrong probe is shown up, °C. */
const SHOWN_AT_C = 20

/** Judges every joint of a chain in the order of its connections. */
export function judgeJoints(chain: ResolvedChain, words: Words): JointVerdict[] {
  return chain.connections.map((connection) => ({ connection: connection.id, ...judge(chain, connection, words) }))
}

function judge(chain: ResolvedChain, connection: ResolvedConnection, words: Words): Judged {
  const { fromPort, toPort } = connection
  if (fromPort.kind === 'probe-out' && toPort.kind === 'probe-in') return judgeProbe(connection, words)
  if (fromPort.kind === 'supply-out' && toPort.kind === 'supply-in') return judgeSupply(connection, words)
  const over = pathOver(chain, connection)
  const load = over?.loadPort.load
  if (fromPort.kind === 'contact' && over) return judgeContact(connection, over, words)
  if (fromPort.kind === 'supply-out' && load) return judgeLine(connection, load, words)
  return {
    verdict: 'look-again',
    passes: 'nothing yet',
    reason: 'Nothing hangs on this line yet.',
    worked: [],
    remedy: 'Choose a load.',
  }
}

/** The line that a connection is part of, to the load that its current ends in. */
const pathOver = (chain: ResolvedChain, { id }: ResolvedConnection): PowerPath | undefined =>
  powerPaths(chain).find(({ connections }) => connections.some((c) => c.id === id))

function judgeProbe({ fromDevice, toDevice, toPort }: ResolvedConnection, { say }: Words): Judged {
  const fitted = fromDevice.facts.probe
  if (!fitted || toPort.kind !== 'probe-in')
    return {
      verdict: 'does-not-fit',
      passes: 'no curve',
      reason: `${fromDevice.name} is no probe.`,
      worked: [],
      remedy: 'Choose a probe.',
    }
  const input = {
    fitted: fitted.curve,
    expected: toPort.accepts,
    temperatureC: SHOWN_AT_C,
    rangeC: [toPort.lowC, toPort.highC],
  }
  const resistanceOhm = probeCurve(fitted.curve).resistance(SHOWN_AT_C)
  const { shownC, reason } = mismatch(fitted.curve, toPort.accepts, SHOWN_AT_C, [toPort.lowC, toPort.highC])
  const worked = [{ calc: 'probe.mismatch', input, output: 'shownC' }]
  const passes = `${say(resistanceOhm, 'resistance', 0)}`
  const at = say(SHOWN_AT_C, 'temperature', 0)
  if (shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= 1)
    return {
      verdict: 'fits',
      passes,
      reason: `At ${at} the probe gives ${passes}, the display shows ${say(shownC, 'temperature')}.`,
      worked,
    }
  const shows =
    shownC === null
      ? { open: 'takes it for a broken wire', short: 'takes it for a short', 'out-of-range': 'is off its range' }[
          reason ?? 'open'
        ]
      : `shows ${say(shownC, 'temperature')}`
  return {
    verdict: shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= 3 ? 'look-again' : 'does-not-fit',
    passes,
    reason: `At ${at} this probe gives ${passes}; ${toDevice.name} ${shows}. Wrong kind of probe for this input.`,
    worked,
    remedy: `Choose a probe for ${toPort.title}.`,
  }
}

function judgeSupply({ fromPort, toPort, fromDevice, toDevice }: ResolvedConnection, { say }: Words): Judged {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') throw new RangeError('not a supply joint')
  const kind = fromPort.current.toUpperCase()
  const passes = `${say(fromPort.volts, 'voltage', 0)} ${kind}`
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant)
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `${toDevice.name} takes ${Object.values(toPort.variants)
        .map((v) => `${v.lowV} to ${v.highV} V ${v.current.toUpperCase().replace('-', ' or ')}`)
        .join(', or ')}; ${fromDevice.tag} gives ${passes}.`,
      remedy: 'Choose a supply in one of these windows.',
    }
  const labels = [variant.line, variant.neutral].map((t) => toDevice.facts.terminals[t]?.label ?? t)
  return {
    verdict: 'fits',
    passes,
    worked: [],
    reason: `${passes} lies in ${variant.lowV} to ${variant.highV} V: terminals ${labels.join(' and ')}. The others stay empty.`,
  }
}

function judgeContact({ fromPort, fromDevice }: ResolvedConnection, path: PowerPath, { say }: Words): Judged {
  const { load } = path.loadPort
  if (fromPort.kind !== 'contact') throw new RangeError('not a contact joint')
  const ratings = Object.values(fromPort.ratings)
  const { verdict, loadA, ratedA, usedPercent, remedy, assumedPowerFactor } = contactLoad(ratings, load)
  const passes = `${say(loadA, 'current')} of ${ratedA === null ? 'no rating' : say(ratedA, 'current', 0)}`
  const assumed = assumedPowerFactor === undefined ? '' : ` Power factor ${assumedPowerFactor} assumed.`
  const used =
    usedPercent === null
      ? `no ${load.kind} rating at ${say(load.volts, 'voltage', 0)}`
      : `${say(usedPercent, 'percent')} of ${say(ratedA!, 'current', 0)} ${load.kind}`
  return {
    verdict,
    passes,
    reason: `${fromDevice.tag} ${fromDevice.name} carries ${say(loadA, 'current')} for ${path.load.tag} ${path.load.name}: ${used}.${assumed}`,
    worked: [{ calc: 'wiring.contact', input: { ratings, load: { ...load } }, output: 'usedPercent' }],
    ...(remedy ? { remedy } : {}),
    ...(verdict === 'fits' ? {} : { fix: 'insert-contactor' as const }),
  }
}

function judgeLine({ fromPort, fromDevice }: ResolvedConnection, load: ElectricLoad, { say }: Words): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply joint')
  const passes = `${say(fromPort.volts, 'voltage', 0)} line`
  const apart = Math.abs(fromPort.volts - load.volts) / load.volts
  if (apart > 0.1 || (fromPort.current === 'dc') !== (load.kind === 'dc'))
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `${fromDevice.tag} gives ${say(fromPort.volts, 'voltage', 0)} ${fromPort.current.toUpperCase()}; the load wants ${say(load.volts, 'voltage', 0)}.`,
      remedy: 'Feed this line from a supply of the load\u2019s voltage.',
    }
  const { loadA } = contactLoad([], load)
  if (loadA > fromPort.protectionA)
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `The load draws ${say(loadA, 'current')}; the circuit is fused at ${say(fromPort.protectionA, 'current', 0)}.`,
      remedy: 'Its own circuit, by the licensed trade.',
    }
  return {
    verdict: 'fits',
    passes,
    worked: [],
    reason: `${say(loadA, 'current')} on a circuit fused at ${say(fromPort.protectionA, 'current', 0)}, ${passes}.`,
  }
}
