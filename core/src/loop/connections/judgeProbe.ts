import type { ResolvedConnection, ResolvedDevice } from '../../document/chain'
import { mismatch, probeRange } from '../../probes/mismatch'
import { faultyProbe } from '../../probes/faultyProbe'
import { probeCurve } from '../../probes/probeCurve'
import type { ProbeFacts, ProbeInPort } from '../../device/deviceProfile'
import type { CalcCall } from '../../kinds/asked'
import { coreOhm } from '../../wiring/wireResistance'
import { type Judged, optionOf } from './judged'

/** Temperature at which a wrong probe is shown up, °C. */
const SHOWN_AT_C = 20

/** What a probe and an input of the same kind may be apart there. */
const SAME_K = 1

const NEAR_K = 3

/** A probe at an input: whether what the controller shows is what is there, and what its lead adds. */
export function judgeProbe({ fromDevice, toDevice, toPort }: ResolvedConnection): Judged {
  const fitted = fromDevice.facts.probe
  if (!fitted || toPort.kind !== 'probe-in')
    return {
      verdict: 'does-not-fit',
      code: 'probe.no-probe',
      figures: { name: fromDevice.name },
      worked: [],
    }
  const input = {
    fitted: fitted.curve,
    expected: toPort.accepts,
    temperatureC: SHOWN_AT_C,
    rangeC: [toPort.lowC, toPort.highC],
  }
  const { shownC, reason } = mismatch(fitted.curve, toPort.accepts, SHOWN_AT_C, [toPort.lowC, toPort.highC])
  const worked = [{ calc: 'probe.mismatch', input, output: 'shownC' }]
  const gives =
    fitted.curve.kind === 'thermocouple'
      ? { type: fitted.curve.type }
      : { ohm: probeCurve(fitted.curve).resistance(SHOWN_AT_C) }
  // A thermocouple's display at 20 °C hides the kind: its terminals are about as warm. A hot end shows it.
  const sameCouple = fitted.curve.kind !== 'thermocouple' || sameType(fitted.curve, toPort.accepts)
  if (shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= SAME_K && sameCouple) {
    const far = apartElsewhere(fitted.curve, toPort)
    if (far)
      return {
        verdict: 'look-again',
        code: 'probe.other-curve-elsewhere',
        worked: [{ calc: 'probe.mismatch', input: { ...input, temperatureC: far.atC }, output: 'shownC' }],
        figures: {
          gives,
          atC: SHOWN_AT_C,
          elsewhereC: far.atC,
          shownC: far.shownC,
          option: optionOf(toDevice, toPort.by?.option),
          title: toPort.title,
        },
      }
    const lead = leadError(fromDevice)
    if (lead && Math.abs(lead.errorK) > fitted.toleranceK)
      return {
        verdict: 'look-again',
        code: 'probe.lead-error',
        worked: [lead.call],
        figures: {
          gives,
          leadM: fromDevice.leadM!,
          errorK: lead.errorK,
          toleranceK: fitted.toleranceK,
        },
      }
    return {
      verdict: 'fits',
      code: 'probe.fits',
      figures: {
        gives,
        atC: SHOWN_AT_C,
        shownC,
        leadK: lead?.errorK,
      },
      worked: lead ? [...worked, lead.call] : worked,
    }
  }
  return {
    verdict: sameCouple && shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= NEAR_K ? 'look-again' : 'does-not-fit',
    code: 'probe.wrong-kind',
    figures: {
      gives,
      atC: SHOWN_AT_C,
      name: toDevice.name,
      shownC,
      fault: reason,
      option: optionOf(toDevice, toPort.by?.option),
      title: toPort.title,
    },
    worked,
  }
}

/** Where two curves that agree at room temperature part: the worst of what a loop may come to. */
function apartElsewhere(fitted: Fitted, { accepts, lowC, highC }: ProbeInPort) {
  const [from, to] = probeRange(fitted)
  const worst = ELSEWHERE_C.filter((c) => c >= from && c <= to && c >= lowC && c <= highC)
    .map((atC) => ({ atC, ...mismatch(fitted, accepts, atC, [-273, 2000]) }))
    .sort((a, b) => Math.abs(b.errorK ?? Infinity) - Math.abs(a.errorK ?? Infinity))[0]
  return worst && Math.abs(worst.errorK ?? Infinity) > SAME_K ? worst : undefined
}

const ELSEWHERE_C = [0, 40, 60]

type Fitted = ProbeFacts['curve']

const sameType = (fitted: { readonly type: string }, expected: { readonly kind: string }) =>
  expected.kind === 'thermocouple' && (expected as unknown as { type: string }).type === fitted.type

/** Error of a plain two-wire lead in usual probe cable. */
function leadError({ facts, leadM }: ResolvedDevice): { readonly errorK: number; readonly call: CalcCall } | undefined {
  const { probe } = facts
  if (!probe || leadM === undefined || leadM === 0 || probe.wires === 3) return undefined
  if (probe.curve.kind === 'thermocouple') return undefined
  const { errorK } = faultyProbe(probe.curve, SHOWN_AT_C, { seriesOhm: 2 * coreOhm(leadM, PROBE_MM2) })
  const input = { probe: probe.curve, temperatureC: SHOWN_AT_C, lengthM: leadM, areaMm2: PROBE_MM2 }
  return errorK === null ? undefined : { errorK, call: { calc: 'probe.leadError', input, output: 'errorK' } }
}

const PROBE_MM2 = 0.5
