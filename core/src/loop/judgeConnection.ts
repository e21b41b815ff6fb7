import { EXTRA_LOW_V } from '../units/peopleLimits'
import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../document/chain'
import { mismatch, probeRange } from '../probes/mismatch'
import { faultyProbe } from '../probes/faultyProbe'
import { probeCurve } from '../probes/probeCurve'
import type { ElectricLoad, ProbeFacts, ProbeInPort, SignalInPort, SignalOutPort } from '../device/deviceProfile'
import { acrossResistorV, loopCurrent } from '../signal/signalLoop'
import { type Signal, signalPercent, signalSpan, signalValue } from '../signal/signal'
import type { CalcCall } from '../kinds/asked'
import type { Words } from '../words/words'
import { type ConnectionFact, sayConnection, type Span } from '../words/connectionWords'
import type { ConnectionWords } from '../words/sentences'
import { coreOhm } from '../wiring/wireResistance'
import { contactLoad, type Verdict } from '../wiring/contactLoad'
import { callPaths, lineVoltage, type Line, type PowerPath, powerPaths, supplyOf } from '../wiring/powerPath'
import { signalBudget } from '../wiring/signalBudget'
import { supplyVariant } from '../wiring/supplyVariant'
import type { Fix } from '../shapes/fix'

type Judged = ConnectionFact & {
  readonly verdict: Verdict
  readonly worked: readonly CalcCall[]
  /** A remedy that the chain can carry out itself. */
  readonly fix?: Fix
}

/** Verdict on one connection of the chain: what passes, why, the arithmetic, and what to do. */
export type ConnectionVerdict = Judged & ConnectionWords & { readonly connection: string }

/** Temperature at which a wrong probe is shown up, °C. */
const SHOWN_AT_C = 20
/** What a probe and an input of the same kind may be apart there. */
const SAME_K = 1
const NEAR_K = 3

/** Judges every connection of a chain in the order of its connections. */
export function judgeConnections(chain: ResolvedChain, words: Words): ConnectionVerdict[] {
  return chain.connections.map((connection) => {
    const judged = judge(chain, connection)
    return {
      connection: connection.id,
      ...judged,
      ...sayConnection(judged, words),
    }
  })
}

function judge(chain: ResolvedChain, connection: ResolvedConnection): Judged {
  const { fromPort, toPort, fromDevice } = connection
  if (fromPort.kind === 'probe-out' && toPort.kind === 'probe-in') return judgeProbe(connection)
  if (fromPort.kind === 'measure-out' || toPort.kind === 'measure-in') return judgeMeasure(chain, connection)
  if (fromPort.kind === 'signal-out' && toPort.kind === 'signal-in')
    return judgeSignal(chain, connection, fromPort, toPort)
  if (fromPort.kind === 'supply-out' && toPort.kind === 'supply-in') return judgeSupply(connection)
  if (fromPort.kind === 'pair' && toPort.kind === 'pair')
    return {
      verdict: 'fits',
      code: 'pair.fits',
      worked: [],
      figures: {},
    }
  const call = callPaths(chain).find(({ connections }) => connections.some((c) => c.id === connection.id))
  if (fromPort.kind === 'contact' && call) return judgeCall(chain, connection, call)
  const over = pathOver(chain, connection)
  const load = over?.loadPort.load
  if (fromPort.kind === 'contact' && over) return judgeContact(chain, connection, over)
  if (fromPort.kind === 'supply-out' && load)
    return fromPort.movedBy ? judgeDriven(connection, load) : judgeLine(connection, load)
  return {
    verdict: 'look-again',
    code: 'line.no-load',
    figures: { tag: fromDevice.tag },
    worked: [],
  }
}

/** The line that a connection is part of, to the load that its current ends in. */
const pathOver = (chain: ResolvedChain, { id }: ResolvedConnection): PowerPath | undefined =>
  powerPaths(chain).find(({ connections }) => connections.some((c) => c.id === id))

function judgeProbe({ fromDevice, toDevice, toPort }: ResolvedConnection): Judged {
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

/** A choice on the device by which its input takes another kind of probe. */
function optionOf({ facts, tag }: ResolvedDevice, option: string | undefined) {
  const found = option === undefined ? undefined : facts.options?.[option]
  return found && { title: found.title, tag }
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

function judgeMeasure(chain: ResolvedChain, { fromPort, toPort, fromDevice, toDevice }: ResolvedConnection): Judged {
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

function judgeSupply({ fromPort, toPort, fromDevice, toDevice }: ResolvedConnection): Judged {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') throw new RangeError('not a supply connection')
  const kind = fromPort.current.toUpperCase()
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant)
    return {
      verdict: 'does-not-fit',
      code: 'supply.window',
      worked: [],
      figures: {
        volts: fromPort.volts,
        current: kind,
        name: toDevice.name,
        windows: Object.values(toPort.variants).map(
          (v) => `${v.lowV} to ${v.highV} V ${v.current.toUpperCase().replace('-', ' or ')}`,
        ),
        tag: fromDevice.tag,
      },
    }
  const labels = [variant.line, variant.neutral].map((t) => toDevice.facts.terminals[t]?.label ?? t)
  return {
    verdict: 'fits',
    code: 'supply.fits',
    worked: [],
    figures: { volts: fromPort.volts, current: kind, lowV: variant.lowV, highV: variant.highV, labels },
  }
}

const isExtraLow = (volts: number) => volts <= EXTRA_LOW_V

function judgeContact(chain: ResolvedChain, connection: ResolvedConnection, path: PowerPath): Judged {
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
function judgeCall(
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

/** Voltage that a relay's coil can be fed with beside a device: that of its own supply. */
function coilFrom(
  chain: ResolvedChain,
  { id }: ResolvedDevice,
): { readonly volts: number; readonly current: 'ac' | 'dc' } {
  const port = supplyOf(chain, id)?.fromPort
  return port?.kind === 'supply-out' ? { volts: port.volts, current: port.current } : { volts: 230, current: 'ac' }
}

function judgeDriven({ fromPort, fromDevice, toDevice }: ResolvedConnection, load: ElectricLoad): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const { loadA } = contactLoad([], load)
  return loadA > fromPort.protectionA
    ? {
        verdict: 'does-not-fit',
        code: 'drive.too-small',
        worked: [],
        figures: { loadA, protectionA: fromPort.protectionA, tag: toDevice.tag, name: fromDevice.name },
      }
    : {
        verdict: 'fits',
        code: 'drive.fits',
        worked: [],
        figures: { loadA, protectionA: fromPort.protectionA },
      }
}

function judgeLine({ fromPort, fromDevice }: ResolvedConnection, load: ElectricLoad): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const apart = Math.abs(fromPort.volts - load.volts) / load.volts
  if (apart > 0.1 || (fromPort.current === 'dc') !== (load.kind === 'dc'))
    return {
      verdict: 'does-not-fit',
      code: 'line.other-voltage',
      worked: [],
      figures: {
        volts: fromPort.volts,
        tag: fromDevice.tag,
        current: fromPort.current.toUpperCase(),
        loadVolts: load.volts,
        kind: load.kind,
      },
    }
  const { loadA } = contactLoad([], load)
  if (loadA > fromPort.protectionA)
    return {
      verdict: 'does-not-fit',
      code: 'line.over-fuse',
      worked: [],
      figures: { volts: fromPort.volts, loadA, protectionA: fromPort.protectionA },
    }
  return {
    verdict: 'fits',
    code: 'line.fits',
    worked: [],
    figures: { volts: fromPort.volts, loadA, protectionA: fromPort.protectionA },
  }
}
