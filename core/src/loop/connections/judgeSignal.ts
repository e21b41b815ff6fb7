import type { ResolvedChain, ResolvedConnection } from '../../document/chain'
import type { SignalInPort, SignalOutPort } from '../../device/deviceProfile'
import { signalPercent, signalSpan } from '../../signal/signal'
import { signalBudget } from '../../wiring/signalBudget'
import { type Judged, choiceFor } from './judged'

/** A signal from an output to an input: whether both speak of the same span. */
export function judgeSignal(
  chain: ResolvedChain,
  { id, from, fromDevice, toDevice }: ResolvedConnection,
  out: SignalOutPort,
  input: SignalInPort,
): Judged {
  const raw = fromDevice.facts.ports[from.port]
  const fix = choiceFor(fromDevice, raw?.by, input.signal)
  const span = signalSpan(out.signal)
  const wanted = signalSpan(input.signal)
  if (out.signal === 'pwm' || input.signal === 'pwm' ? out.signal !== input.signal : span.unit !== wanted.unit) {
    const resistor = out.signal === '4-20mA' && input.signal === '2-10V'
    return {
      verdict: 'does-not-fit',
      code: 'signal.other-kind',
      worked: resistor
        ? [{ calc: 'signal.acrossResistor', input: { milliampsMa: 20, resistorOhm: 500 }, output: 'voltageV' }]
        : [],
      figures: {
        signal: out.signal,
        tag: fromDevice.tag,
        toDeviceTag: toDevice.tag,
        wanted: input.signal,
        option: fix?.do === 'set-option' ? fix.say : undefined,
        resistor,
      },
      ...(fix
        ? { fix }
        : resistor
          ? {
              fix: {
                do: 'insert' as const,
                connection: id,
                wants: { category: 'transmitter' as const, converts: { from: '4-20mA', to: '2-10V' } },
              },
            }
          : {}),
    }
  }
  if (span.at0 !== wanted.at0 || span.at100 !== wanted.at100) {
    const starts = signalPercent(span, wanted.at0)
    const reversed = (span.at100 - span.at0) * (wanted.at100 - wanted.at0) < 0
    return {
      verdict: starts > 0 && !reversed ? 'look-again' : 'does-not-fit',
      code: 'signal.other-span',
      worked: [],
      figures: {
        signal: out.signal,
        wanted: input.signal,
        reversed,
        starts,
        signalPercent: signalPercent(wanted, span.at0),
        option: fix?.do === 'set-option' ? fix.say : undefined,
      },
      ...(fix ? { fix } : {}),
    }
  }
  const all = chain.connections.flatMap(({ from: f, toPort, toDevice: { tag } }) =>
    f.device === fromDevice.id && f.port === from.port && toPort.kind === 'signal-in' ? [{ ...toPort, tag }] : [],
  )
  if (out.sourceMa !== undefined && span.unit !== 'mA') {
    const loads = all.map(({ tag, needMa = 0, pushesMa = 0 }) => ({ name: tag, needMa: Math.max(needMa, pushesMa) }))
    const budget = signalBudget(out.sourceMa, loads)
    if (!budget.enough)
      return {
        verdict: 'does-not-fit',
        code: 'signal.too-many',
        worked: [{ calc: 'signal.budget', input: { sourceMa: out.sourceMa, loads }, output: 'needMa' }],
        figures: {
          signal: out.signal,
          allCount: all.length,
          needMa: budget.needMa,
          sourceMa: out.sourceMa,
        },
      }
  }
  if (out.mostOhm !== undefined && span.unit === 'mA') {
    const burden = all.reduce((sum, { burdenOhm = 0 }) => sum + burdenOhm, 0)
    if (burden > out.mostOhm)
      return {
        verdict: 'does-not-fit',
        code: 'signal.burden',
        worked: [],
        figures: { signal: out.signal, burden, mostOhm: out.mostOhm },
      }
  }
  if (span.unit === 'mA' && all.length > 1)
    return {
      verdict: 'look-again',
      code: 'signal.side-by-side',
      worked: [],
      figures: { signal: out.signal, allCount: all.length },
    }
  return { verdict: 'fits', code: 'signal.fits', worked: [], figures: { signal: out.signal } }
}
