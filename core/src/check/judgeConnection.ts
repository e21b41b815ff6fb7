import { EXTRA_LOW_V } from '../units/peopleLimits'
import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../document/chain'
import { mismatch, probeRange } from '../probes/mismatch'
import { faultyProbe } from '../probes/faultyProbe'
import { probeCurve } from '../probes/probeCurve'
import type { ElectricLoad, ProbeFacts, ProbeInPort, SignalInPort, SignalOutPort } from '../device/deviceProfile'
import { acrossResistorV, loopCurrent } from '../signal/signalLoop'
import { type Signal, signalPercent, signalSpan, signalValue } from '../signal/signal'
import { signalTitle } from '../signal/signalTitle'
import type { CalcCall } from '../survey/asked'
import type { Words } from '../units/words'
import { coreOhm } from '../wiring/wireResistance'
import { contactLoad, type Verdict } from '../wiring/contactLoad'
import { callPaths, lineVoltage, type Line, type PowerPath, powerPaths, supplyOf } from '../wiring/powerPath'
import { signalBudget } from '../wiring/signalBudget'
import { supplyVariant } from '../wiring/supplyVariant'
import type { Fix } from './fix'

/** Verdict on one connection of the chain: what passes, why, the arithmetic, and what to do. */
export interface ConnectionVerdict {
  readonly connection: string
  readonly verdict: Verdict
  /** What goes over the connection, in three words. */
  readonly passes: string
  readonly reason: string
  readonly worked: readonly CalcCall[]
  readonly remedy?: string
  /** A remedy that the chain can carry out itself. */
  readonly fix?: Fix
}

type Judged = Omit<ConnectionVerdict, 'connection'>

/** Temperature at which a wrong probe is shown up, °C. */
const SHOWN_AT_C = 20
/** What a probe and an input of the same kind may be apart there. */
const SAME_K = 1
const NEAR_K = 3

/** Judges every connection of a chain in the order of its connections. */
export function judgeConnections(chain: ResolvedChain, words: Words): ConnectionVerdict[] {
  return chain.connections.map((connection) => ({ connection: connection.id, ...judge(chain, connection, words) }))
}

function judge(chain: ResolvedChain, connection: ResolvedConnection, words: Words): Judged {
  const { fromPort, toPort, fromDevice } = connection
  if (fromPort.kind === 'probe-out' && toPort.kind === 'probe-in') return judgeProbe(connection, words)
  if (fromPort.kind === 'measure-out' || toPort.kind === 'measure-in') return judgeMeasure(chain, connection, words)
  if (fromPort.kind === 'signal-out' && toPort.kind === 'signal-in')
    return judgeSignal(chain, connection, fromPort, toPort, words)
  if (fromPort.kind === 'supply-out' && toPort.kind === 'supply-in') return judgeSupply(connection, words)
  if (fromPort.kind === 'pair' && toPort.kind === 'pair')
    return {
      verdict: 'fits',
      passes: 'group talk',
      worked: [],
      reason: 'Same three wires on both: A to A, B to B, common to common. In a line, not in a star.',
    }
  const call = callPaths(chain).find(({ connections }) => connections.some((c) => c.id === connection.id))
  if (fromPort.kind === 'contact' && call) return judgeCall(chain, connection, call, words)
  const over = pathOver(chain, connection)
  const load = over?.loadPort.load
  if (fromPort.kind === 'contact' && over) return judgeContact(chain, connection, over, words)
  if (fromPort.kind === 'supply-out' && load)
    return fromPort.movedBy ? judgeDriven(connection, load, words) : judgeLine(connection, load, words)
  return {
    verdict: 'look-again',
    passes: 'nothing yet',
    reason: `Nothing hangs on this line of ${fromDevice.tag} yet.`,
    worked: [],
    remedy: 'Choose a load.',
  }
}

/** The line that a connection is part of, to the load that its current ends in. */
const pathOver = (chain: ResolvedChain, { id }: ResolvedConnection): PowerPath | undefined =>
  powerPaths(chain).find(({ connections }) => connections.some((c) => c.id === id))

function judgeProbe({ fromDevice, toDevice, toPort }: ResolvedConnection, words: Words): Judged {
  const { say } = words
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
  const { shownC, reason } = mismatch(fitted.curve, toPort.accepts, SHOWN_AT_C, [toPort.lowC, toPort.highC])
  const worked = [{ calc: 'probe.mismatch', input, output: 'shownC' }]
  const passes =
    fitted.curve.kind === 'thermocouple'
      ? `type ${fitted.curve.type}`
      : say(probeCurve(fitted.curve).resistance(SHOWN_AT_C), 'resistance', 0)
  const at = say(SHOWN_AT_C, 'temperature', 0)
  // A thermocouple's display at 20 °C hides the kind: its terminals are about as warm. A hot end shows it.
  const sameCouple = fitted.curve.kind !== 'thermocouple' || sameType(fitted.curve, toPort.accepts)
  if (shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= SAME_K && sameCouple) {
    const far = apartElsewhere(fitted.curve, toPort)
    if (far)
      return {
        verdict: 'look-again',
        passes,
        worked: [{ calc: 'probe.mismatch', input: { ...input, temperatureC: far.atC }, output: 'shownC' }],
        reason: `Same at ${at}, but at ${say(far.atC, 'temperature', 0)} the display shows ${far.shownC === null ? 'a broken probe' : say(far.shownC, 'temperature')}: another curve.`,
        remedy: optionRemedy(toDevice, toPort.by?.option) ?? `Choose a probe for ${toPort.title}.`,
      }
    const lead = leadError(fromDevice)
    if (lead && Math.abs(lead.errorK) > fitted.toleranceK)
      return {
        verdict: 'look-again',
        passes,
        worked: [lead.call],
        reason: `${say(fromDevice.leadM!, 'length', 0)} of two-wire lead reads ${say(Math.abs(lead.errorK), 'difference', 2)} ${lead.errorK > 0 ? 'high' : 'low'}; the probe itself is good for ${say(fitted.toleranceK, 'difference', 2)}.`,
        remedy: 'A probe of more ohms, three wires, a shorter lead, or an offset that says why.',
      }
    return {
      verdict: 'fits',
      passes,
      reason: `At ${at} the probe gives ${passes}, the display shows ${say(shownC, 'temperature')}.${lead ? ` The lead adds ${say(lead.errorK, 'difference', 2)}.` : ''}`,
      worked: lead ? [...worked, lead.call] : worked,
    }
  }
  const shows =
    shownC === null
      ? { open: 'takes it for a broken wire', short: 'takes it for a short', 'out-of-range': 'is off its range' }[
          reason ?? 'open'
        ]
      : `shows ${say(shownC, 'temperature')}`
  return {
    verdict: sameCouple && shownC !== null && Math.abs(shownC - SHOWN_AT_C) <= NEAR_K ? 'look-again' : 'does-not-fit',
    passes,
    reason: `At ${at} this probe gives ${passes}; ${toDevice.name} ${shows}. Wrong kind of probe for this input.`,
    worked,
    remedy: optionRemedy(toDevice, toPort.by?.option) ?? `Choose a probe for ${toPort.title}.`,
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

function optionRemedy({ facts, tag }: ResolvedDevice, option: string | undefined): string | undefined {
  const found = option === undefined ? undefined : facts.options?.[option]
  return found && `Choose another probe, or set \u201c${found.title}\u201d of ${tag} to the one that is fitted.`
}

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

function judgeMeasure(
  chain: ResolvedChain,
  { fromPort, toPort, fromDevice, toDevice }: ResolvedConnection,
  { say }: Words,
): Judged {
  if (fromPort.kind !== 'measure-out' || toPort.kind !== 'measure-in')
    return {
      verdict: 'does-not-fit',
      passes: fromPort.kind === 'measure-out' ? signalTitle(fromPort.signal) : 'ohms',
      worked: [],
      reason:
        fromPort.kind === 'measure-out'
          ? `${fromDevice.name} gives a signal of ${signalTitle(fromPort.signal)}; this input of ${toDevice.name} measures a probe.`
          : `${fromDevice.name} is a bare probe; this input of ${toDevice.name} wants a signal.`,
      remedy: fromPort.kind === 'measure-out' ? 'Choose a bare probe.' : 'Choose a transmitter.',
    }
  const quantity = fromPort.measures === 'humidity' ? 'percent' : 'temperature'
  const span = ({ low, high }: { low: number; high: number }) => `${say(low, quantity, 0)} to ${say(high, quantity, 0)}`
  const passes = `${signalTitle(fromPort.signal)}, ${span(fromPort)}`
  if (fromPort.measures !== toPort.measures)
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `${fromDevice.tag} measures ${fromPort.measures}, this input is for ${toPort.measures}.`,
      remedy: 'Take it to the input for what it measures.',
    }
  const [out, input] = [signalSpan(fromPort.signal), signalSpan(toPort.signal)]
  if (out.unit !== input.unit)
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `${signalTitle(fromPort.signal)} into an input for ${signalTitle(toPort.signal)}: ${out.unit} are not ${input.unit}.`,
      remedy:
        out.unit === 'mA' && input.unit === 'V'
          ? `Set the input to ${signalTitle(fromPort.signal)}, or a resistor over its terminals: 500 ohm makes ${acrossResistorV(4, 500)} to ${acrossResistorV(20, 500)} V of 4 to 20 mA.`
          : `Set the input to ${signalTitle(fromPort.signal)}, or choose another transmitter.`,
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
      passes,
      worked: [],
      reason: `The display would run from ${say(shown[0]!, quantity)} to ${say(shown[1]!, quantity)} while the transmitter means ${span(fromPort)}.`,
      remedy: 'Key the input\u2019s span to the transmitter\u2019s, or choose one of the same span.',
    }
  if (fromPort.loop) {
    const { loopV, burdenOhm = 0 } = toPort
    if (loopV === undefined)
      return {
        verdict: 'does-not-fit',
        passes,
        worked: [],
        reason: `${fromDevice.tag} has two wires and lives on the loop; this input feeds nothing into it.`,
        remedy: 'Choose a three-wire transmitter with its own supply, or an input that feeds the loop.',
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
        passes,
        worked: [call],
        reason: `${say(loopV, 'voltage')} less ${say(fromPort.loop.dropV, 'voltage')} over ${say(burdenOhm, 'resistance', 0)} drives ${say(maximumMa ?? 0, 'milliamps')}; full scale needs 20 mA.`,
        remedy: 'A higher loop supply, or less burden in the loop.',
      }
    return {
      verdict: 'fits',
      passes,
      worked: [call],
      reason: `${say(loopV, 'voltage')} feeds the loop, enough for 20 mA. Same signal, same span.`,
    }
  }
  if (!supplyOf(chain, fromDevice.id) && Object.values(fromDevice.facts.ports).some(({ kind }) => kind === 'supply-in'))
    return {
      verdict: 'look-again',
      passes,
      worked: [],
      reason: `${fromDevice.tag} has a supply of its own, and nothing feeds it yet.`,
      remedy: 'Choose the supply that feeds it.',
    }
  return { verdict: 'fits', passes, worked: [], reason: `Same signal, same span: ${passes}.` }
}

/** A choice of the giving device's options that turns its output into this signal. */
function choiceFor(device: ResolvedDevice, by: SignalOutPort['by'], signal: Signal): Fix | undefined {
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

function judgeSignal(
  chain: ResolvedChain,
  { id, from, fromDevice, toDevice }: ResolvedConnection,
  out: SignalOutPort,
  input: SignalInPort,
  { say }: Words,
): Judged {
  const raw = fromDevice.facts.ports[from.port]
  const fix = choiceFor(fromDevice, raw?.by, input.signal)
  const passes = signalTitle(out.signal)
  const span = signalSpan(out.signal)
  const wanted = signalSpan(input.signal)
  if (out.signal === 'pwm' || input.signal === 'pwm' ? out.signal !== input.signal : span.unit !== wanted.unit) {
    const resistor = out.signal === '4-20mA' && input.signal === '2-10V'
    return {
      verdict: 'does-not-fit',
      passes,
      worked: resistor
        ? [{ calc: 'signal.acrossResistor', input: { milliampsMa: 20, resistorOhm: 500 }, output: 'voltageV' }]
        : [],
      reason: `${fromDevice.tag} gives ${signalTitle(out.signal)}, ${toDevice.tag} wants ${signalTitle(input.signal)}.`,
      remedy:
        fix?.do === 'set-option'
          ? `${fix.say}.`
          : resistor
            ? 'A resistor of 500 ohm over the input makes 2 to 10 V of 4 to 20 mA.'
            : `Choose an output or an input of the same kind.`,
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
    const says = reversed
      ? 'It would run backwards: full when it should be off.'
      : starts > 0
        ? `It starts to move at ${say(starts, 'percent', 0)} of the output.`
        : `At 0 % it stands at ${say(signalPercent(wanted, span.at0), 'percent', 0)} and never closes.`
    return {
      verdict: starts > 0 && !reversed ? 'look-again' : 'does-not-fit',
      passes,
      worked: [],
      reason: `${signalTitle(out.signal)} on an input for ${signalTitle(input.signal)}. ${says}`,
      remedy: fix?.do === 'set-option' ? `${fix.say}.` : 'Key a least output there, or choose the same signal on both.',
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
        passes,
        worked: [{ calc: 'signal.budget', input: { sourceMa: out.sourceMa, loads }, output: 'needMa' }],
        reason: `${all.length === 1 ? 'The input takes' : `${all.length} inputs take`} ${say(budget.needMa, 'milliamps')}; this output gives ${say(out.sourceMa, 'milliamps')}.`,
        remedy: 'Fewer inputs on it, or a signal repeater between.',
      }
  }
  if (out.mostOhm !== undefined && span.unit === 'mA') {
    const burden = all.reduce((sum, { burdenOhm = 0 }) => sum + burdenOhm, 0)
    if (burden > out.mostOhm)
      return {
        verdict: 'does-not-fit',
        passes,
        worked: [],
        reason: `${say(burden, 'resistance', 0)} in the loop; this output drives ${say(out.mostOhm, 'resistance', 0)}.`,
        remedy: 'Fewer inputs in the loop, or an input of less burden.',
      }
  }
  if (span.unit === 'mA' && all.length > 1)
    return {
      verdict: 'look-again',
      passes,
      worked: [],
      reason: `${all.length} inputs share one current: they belong in series, not side by side.`,
      remedy: 'Wire them in series, each minus to the next plus; or use a voltage signal.',
    }
  return { verdict: 'fits', passes, worked: [], reason: `Same signal on both: ${signalTitle(out.signal)}.` }
}

function judgeSupply({ fromPort, toPort, fromDevice, toDevice }: ResolvedConnection, { say }: Words): Judged {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') throw new RangeError('not a supply connection')
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

const isExtraLow = (volts: number) => volts <= EXTRA_LOW_V

function judgeContact(chain: ResolvedChain, connection: ResolvedConnection, path: PowerPath, { say }: Words): Judged {
  const { fromPort, fromDevice, id } = connection
  const { load } = path.loadPort
  if (fromPort.kind !== 'contact') throw new RangeError('not a contact connection')
  const ratings = Object.values(fromPort.ratings)
  const carried = { ...load, phases: load.phases ?? 1 }
  const { verdict, loadA, ratedA, usedPercent, remedy, assumedPowerFactor } = contactLoad(ratings, carried)
  const passes = `${say(loadA, 'current')} of ${ratedA === null ? 'no rating' : say(ratedA, 'current', 0)}`
  const head = lineVoltage(chain, path)
  const fed = fromPort.fed
  if (
    fed &&
    head &&
    (Math.abs(head.volts - load.volts) > 0.1 * load.volts || (head.current === 'dc') !== (load.kind === 'dc'))
  )
    return {
      verdict: 'does-not-fit',
      passes: `${say(head.volts, 'voltage', 0)} ${head.current.toUpperCase()}`,
      worked: [],
      reason: `${fromDevice.tag} puts ${say(head.volts, 'voltage', 0)} ${head.current.toUpperCase()} out; ${path.load.tag} wants ${say(load.volts, 'voltage', 0)} ${load.kind === 'dc' ? 'DC' : 'AC'}.`,
      remedy: `A relay with a coil for ${say(head.volts, 'voltage', 0)} between.`,
      fix: {
        do: 'insert',
        connection: id,
        wants: { category: 'relay', coil: head, carries: { load: load.kind, volts: load.volts, amps: loadA } },
      },
    }
  const assumed = assumedPowerFactor === undefined ? '' : ` Power factor ${assumedPowerFactor} assumed.`
  const used =
    usedPercent === null
      ? `no ${load.kind} rating at ${say(load.volts, 'voltage', 0)}`
      : `${say(usedPercent, 'percent')} of ${say(ratedA!, 'current', 0)} ${load.kind}`
  const leak = fromPort.solidState?.leakMa
  const leaky = leak !== undefined && verdict === 'fits' && 1000 * loadA < 10 * leak
  return {
    verdict: leaky ? 'look-again' : verdict,
    passes,
    reason: leaky
      ? `${fromDevice.tag} leaks ${say(leak, 'milliamps')} when off; ${path.load.tag} takes only ${say(loadA, 'current')} and may stay on.`
      : `${fromDevice.tag} ${fromDevice.name} carries ${say(loadA, 'current')} for ${path.load.tag} ${path.load.name}: ${used}.${assumed}`,
    worked: [{ calc: 'wiring.contact', input: { ratings, load: { ...load } }, output: 'usedPercent' }],
    ...(leaky
      ? { remedy: 'A relay contact instead, or a load beside it that takes ten times the leak.' }
      : remedy
        ? { remedy }
        : {}),
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
function judgeCall(
  chain: ResolvedChain,
  { fromPort, fromDevice, id }: ResolvedConnection,
  { loadPort, load }: Line<{ readonly wets: { readonly volts: number; readonly amps: number } }>,
  { say }: Words,
): Judged {
  if (fromPort.kind !== 'contact') throw new RangeError('not a contact connection')
  const { volts, amps } = loadPort.wets
  const passes = `${say(volts, 'voltage', 0)}, ${say(1000 * amps, 'milliamps', 0)}`
  if (fromPort.fed) {
    const head = lineVoltage(chain, { contacts: [{ device: fromDevice, portId: '', port: fromPort }] })!
    return {
      verdict: 'does-not-fit',
      passes: `${say(head.volts, 'voltage', 0)} into a dry input`,
      worked: [],
      reason: `${fromDevice.tag} puts ${say(head.volts, 'voltage', 0)} ${head.current.toUpperCase()} out; ${load.tag} wets its own input with ${passes} and wants a dry contact.`,
      remedy: `An isolating relay with a coil for ${say(head.volts, 'voltage', 0)} between.`,
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
      passes,
      worked: [],
      reason: `${fromDevice.tag} switches without a contact and leaks ${say(fromPort.solidState.leakMa, 'milliamps')} when off: the input may take that for a call.`,
      remedy: 'A relay contact instead.',
    }
  const { least } = fromPort
  if (!least || least.volts > volts || least.amps > amps)
    return {
      verdict: 'look-again',
      passes,
      worked: [],
      reason: `A power contact of ${fromDevice.tag} in a circuit of ${passes}: it oxidises and fails open.`,
      remedy: 'A gold contact: a signal relay between.',
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
    passes,
    worked: [],
    reason: `${fromDevice.tag} closes a dry gold contact: ${passes} from ${load.tag} itself.`,
  }
}

/** Voltage that a relay's coil can be fed with beside a device: that of its own supply. */
function coilFrom(
  chain: ResolvedChain,
  { id }: ResolvedDevice,
): { readonly volts: number; readonly current: 'ac' | 'dc' } {
  const port = supplyOf(chain, id)?.fromPort
  return port?.kind === 'supply-out' ? { volts: port.volts, current: port.current } : { volts: 230, current: 'ac' }
}

function judgeDriven(
  { fromPort, fromDevice, toDevice }: ResolvedConnection,
  load: ElectricLoad,
  { say }: Words,
): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const { loadA } = contactLoad([], load)
  const passes = `${say(loadA, 'current')} of ${say(fromPort.protectionA, 'current')}`
  return loadA > fromPort.protectionA
    ? {
        verdict: 'does-not-fit',
        passes,
        worked: [],
        reason: `${toDevice.tag} draws ${say(loadA, 'current')}; ${fromDevice.name} gives ${say(fromPort.protectionA, 'current')}.`,
        remedy: 'A larger drive.',
      }
    : {
        verdict: 'fits',
        passes,
        worked: [],
        reason: `${say(loadA, 'current')} of ${say(fromPort.protectionA, 'current')} that the drive gives. Screened motor cable, shield at both ends.`,
      }
}

function judgeLine({ fromPort, fromDevice }: ResolvedConnection, load: ElectricLoad, { say }: Words): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const passes = `${say(fromPort.volts, 'voltage', 0)} line`
  const apart = Math.abs(fromPort.volts - load.volts) / load.volts
  if (apart > 0.1 || (fromPort.current === 'dc') !== (load.kind === 'dc'))
    return {
      verdict: 'does-not-fit',
      passes,
      worked: [],
      reason: `${fromDevice.tag} gives ${say(fromPort.volts, 'voltage', 0)} ${fromPort.current.toUpperCase()}; the load wants ${say(load.volts, 'voltage', 0)}${load.kind === 'dc' ? ' DC' : ''}.`,
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
