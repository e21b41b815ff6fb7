import type { ResolvedChain, ResolvedConnection } from '../../document/chain'
import { acrossResistorV, loopCurrent } from '../../signal/signalLoop'
import { signalPercent, signalSpan, signalValue } from '../../signal/signal'
import { type Span } from '../../words/connectionWords'
import { supplyOf } from '../../wiring/powerPath'
import { type Judged } from './judged'

/** A transmitter at an input: what it sends, what the input takes, how it is fed. */
export function judgeMeasure(
  chain: ResolvedChain,
  { fromPort, toPort, fromDevice, toDevice }: ResolvedConnection,
): Judged {
  if (fromPort.kind !== 'measure-out' || toPort.kind !== 'measure-in')
    return {
      verdict: 'does-not-fit',
      code: 'measure.wrong-input',
      worked: [],
      figures: {
        signal: fromPort.kind === 'measure-out' ? fromPort.signal : undefined,
        name: fromDevice.name,
        into: toDevice.name,
      },
    }
  const quantity = fromPort.measures === 'humidity' ? 'percent' : 'temperature'
  const given: Span = { signal: fromPort.signal, quantity, low: fromPort.low, high: fromPort.high }
  if (fromPort.measures !== toPort.measures)
    return {
      verdict: 'does-not-fit',
      code: 'measure.other-quantity',
      worked: [],
      figures: {
        given,
        tag: fromDevice.tag,
        measures: fromPort.measures,
        wanted: toPort.measures,
      },
    }
  const [out, input] = [signalSpan(fromPort.signal), signalSpan(toPort.signal)]
  if (out.unit !== input.unit)
    return {
      verdict: 'does-not-fit',
      code: 'measure.other-signal',
      worked: [],
      figures: {
        given,
        wanted: toPort.signal,
        unit: out.unit,
        inputUnit: input.unit,
        lowV: acrossResistorV(4, 500),
        highV: acrossResistorV(20, 500),
      },
    }
  // What the display shows at both ends of the transmitter's span.
  const shown = [0, 100].map((percent) => {
    const share = signalPercent(input, signalValue(out, percent)) / 100
    return toPort.low + share * (toPort.high - toPort.low)
  })
  const apart = Math.max(Math.abs(shown[0]! - fromPort.low), Math.abs(shown[1]! - fromPort.high))
  if (apart > 0.01 * Math.abs(fromPort.high - fromPort.low))
    return {
      verdict: 'does-not-fit',
      code: 'measure.other-span',
      worked: [],
      figures: {
        given,
        low: shown[0]!,
        high: shown[1]!,
      },
    }
  if (fromPort.loop) {
    const { loopV, burdenOhm = 0 } = toPort
    if (loopV === undefined)
      return {
        verdict: 'does-not-fit',
        code: 'measure.loop-not-fed',
        worked: [],
        figures: { given, tag: fromDevice.tag },
      }
    const { enoughForFullScale, maximumMa } = loopCurrent(loopV, fromPort.loop.dropV, burdenOhm)
    const call = {
      calc: 'signal.loop',
      input: { supplyV: loopV, transmitterDropV: fromPort.loop.dropV, loopOhm: burdenOhm },
      output: 'maximumMa',
    }
    if (!enoughForFullScale)
      return {
        verdict: 'does-not-fit',
        code: 'measure.loop-too-weak',
        worked: [call],
        figures: {
          given,
          loopV,
          dropV: fromPort.loop.dropV,
          burdenOhm,
          maximumMa,
        },
      }
    return {
      verdict: 'fits',
      code: 'measure.loop-fits',
      worked: [call],
      figures: { given, loopV },
    }
  }
  if (!supplyOf(chain, fromDevice.id) && Object.values(fromDevice.facts.ports).some(({ kind }) => kind === 'supply-in'))
    return {
      verdict: 'look-again',
      code: 'measure.not-fed',
      worked: [],
      figures: { given, tag: fromDevice.tag },
    }
  return {
    verdict: 'fits',
    code: 'measure.fits',
    worked: [],
    figures: { given },
  }
}
