import type { LoadKind } from '../choices/deviceChoices'
import type { ProbeFault } from '../probes/probe'
import type { Signal } from '../signal/signal'
import { signalTitle } from '../signal/signalTitle'
import { localTexts } from './localTexts'
import type { Words } from './words'
import type { ConnectionWords } from './sentences'

/** What a probe gives at the temperature at which it is looked at. */
type ProbeGives = { readonly type: string } | { readonly ohm: number }

/** A signal with what it stands for at both of its ends. */
export interface Span {
  readonly signal: Signal
  readonly quantity: 'temperature' | 'percent'
  readonly low: number
  readonly high: number
}

const probeGives = (gives: ProbeGives, say: Words['say']) =>
  'type' in gives ? `type ${gives.type}` : say(gives.ohm, 'resistance', 0)
const rangeWords = ({ low, high, quantity }: Span, say: Words['say']) =>
  `${say(low, quantity, 0)} to ${say(high, quantity, 0)}`
const spanWords = (span: Span, say: Words['say']) => `${signalTitle(span.signal)}, ${rangeWords(span, say)}`
const faultWords: Readonly<Record<ProbeFault, string>> = {
  open: 'takes it for a broken wire',
  short: 'takes it for a short',
  'out-of-range': 'is off its range',
}
const probeRemedy = ({
  option,
  title,
}: {
  readonly option: { readonly title: string; readonly tag: string } | undefined
  readonly title: string
}) =>
  option
    ? `Choose another probe, or set \u201c${option.title}\u201d of ${option.tag} to the one that is fitted.`
    : `Choose a probe for ${title}.`

/** Three phases without a neutral, at what takes one of them. */
const noNeutral = (tag: string) => `${tag} gives three phases and brings no neutral; one phase alone has no way back.`

/** What is said of a connection, by code, from its figures. */
const connectionWords = {
  'pair.fits': (): ConnectionWords => ({
    passes: 'group talk',
    reason: 'Same three wires on both: A to A, B to B, common to common. In a line, not in a star.',
  }),
  'line.no-load': (f: { readonly tag: string }): ConnectionWords => ({
    passes: 'nothing yet',
    reason: `Nothing hangs on this line of ${f.tag} yet.`,
    remedy: 'Choose a load.',
  }),
  'probe.no-probe': (f: { readonly name: string }): ConnectionWords => ({
    passes: 'no curve',
    reason: `${f.name} is no probe.`,
    remedy: 'Choose a probe.',
  }),
  'probe.other-curve-elsewhere': (
    f: {
      readonly gives: ProbeGives
      readonly atC: number
      readonly elsewhereC: number
      readonly shownC: null | number
      readonly option: { readonly title: string; readonly tag: string } | undefined
      readonly title: string
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: probeGives(f.gives, say),
    reason: `Same at ${say(f.atC, 'temperature', 0)}, but at ${say(f.elsewhereC, 'temperature', 0)} the display shows ${f.shownC === null ? 'a broken probe' : say(f.shownC, 'temperature')}: another curve.`,
    remedy: probeRemedy(f),
  }),
  'probe.lead-error': (
    f: {
      readonly gives: ProbeGives
      readonly leadM: number
      readonly errorK: number
      readonly toleranceK: number
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: probeGives(f.gives, say),
    reason: `${say(f.leadM, 'length', 0)} of two-wire lead reads ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK > 0 ? 'high' : 'low'}; the probe itself is good for ${say(f.toleranceK, 'difference', 2)}.`,
    remedy: 'A probe of more ohms, three wires, a shorter lead, or an offset that says why.',
  }),
  'probe.fits': (
    f: {
      readonly gives: ProbeGives
      readonly atC: number
      readonly shownC: number
      /** What the lead adds, where it is known. */
      readonly leadK: number | undefined
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: probeGives(f.gives, say),
    reason: `At ${say(f.atC, 'temperature', 0)} the probe gives ${probeGives(f.gives, say)}, the display shows ${say(f.shownC, 'temperature')}.${f.leadK === undefined ? '' : ` The lead adds ${say(f.leadK, 'difference', 2)}.`}`,
  }),
  'probe.wrong-kind': (
    f: {
      readonly gives: ProbeGives
      readonly atC: number
      readonly name: string
      readonly shownC: null | number
      readonly fault: ProbeFault | undefined
      readonly option: { readonly title: string; readonly tag: string } | undefined
      readonly title: string
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: probeGives(f.gives, say),
    reason: `At ${say(f.atC, 'temperature', 0)} this probe gives ${probeGives(f.gives, say)}; ${f.name} ${f.shownC === null ? faultWords[f.fault ?? 'open'] : `shows ${say(f.shownC, 'temperature')}`}. Wrong kind of probe for this input.`,
    remedy: probeRemedy(f),
  }),
  'measure.wrong-input': (f: {
    readonly signal: Signal | undefined
    readonly name: string
    readonly into: string
  }): ConnectionWords => ({
    passes: f.signal ? signalTitle(f.signal) : 'ohms',
    reason: f.signal
      ? `${f.name} gives a signal of ${signalTitle(f.signal)}; this input of ${f.into} measures a probe.`
      : `${f.name} is a bare probe; this input of ${f.into} wants a signal.`,
    remedy: f.signal ? 'Choose a bare probe.' : 'Choose a transmitter.',
  }),
  'measure.other-quantity': (
    f: {
      readonly given: Span
      readonly tag: string
      readonly measures: 'temperature' | 'humidity'
      readonly wanted: 'temperature' | 'humidity'
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${f.tag} measures ${f.measures}, this input is for ${f.wanted}.`,
    remedy: 'Take it to the input for what it measures.',
  }),
  'measure.other-signal': (
    f: {
      readonly given: Span
      readonly wanted: Signal
      readonly unit: string
      readonly inputUnit: string
      readonly lowV: number
      readonly highV: number
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${signalTitle(f.given.signal)} into an input for ${signalTitle(f.wanted)}: ${f.unit} are not ${f.inputUnit}.`,
    remedy:
      f.unit === 'mA' && f.inputUnit === 'V'
        ? `Set the input to ${signalTitle(f.given.signal)}, or a resistor over its terminals: 500 ohm makes ${f.lowV} to ${f.highV} V of 4 to 20 mA.`
        : `Set the input to ${signalTitle(f.given.signal)}, or choose another transmitter.`,
  }),
  'measure.other-span': (
    f: {
      readonly given: Span
      readonly low: number
      readonly high: number
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `The display would run from ${say(f.low, f.given.quantity)} to ${say(f.high, f.given.quantity)} while the transmitter means ${rangeWords(f.given, say)}.`,
    remedy: 'Key the input\u2019s span to the transmitter\u2019s, or choose one of the same span.',
  }),
  'measure.loop-not-fed': (
    f: {
      readonly given: Span
      readonly tag: string
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${f.tag} has two wires and lives on the loop; this input feeds nothing into it.`,
    remedy: 'Choose a three-wire transmitter with its own supply, or an input that feeds the loop.',
  }),
  'measure.loop-too-weak': (
    f: {
      readonly given: Span
      readonly loopV: number
      readonly dropV: number
      readonly burdenOhm: number
      readonly maximumMa: null | number
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${say(f.loopV, 'voltage')} less ${say(f.dropV, 'voltage')} over ${say(f.burdenOhm, 'resistance', 0)} drives ${say(f.maximumMa ?? 0, 'milliamps')}; full scale needs 20 mA.`,
    remedy: 'A higher loop supply, or less burden in the loop.',
  }),
  'measure.loop-fits': (f: { readonly given: Span; readonly loopV: number }, { say }: Words): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${say(f.loopV, 'voltage')} feeds the loop, enough for 20 mA. Same signal, same span.`,
  }),
  'measure.not-fed': (
    f: {
      readonly given: Span
      readonly tag: string
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `${f.tag} has a supply of its own, and nothing feeds it yet.`,
    remedy: 'Choose the supply that feeds it.',
  }),
  'measure.fits': (f: { readonly given: Span }, { say }: Words): ConnectionWords => ({
    passes: spanWords(f.given, say),
    reason: `Same signal, same span: ${spanWords(f.given, say)}.`,
  }),
  'signal.other-kind': (f: {
    readonly signal: Signal
    readonly tag: string
    readonly toDeviceTag: string
    readonly wanted: Signal
    readonly option: string | undefined
    readonly resistor: boolean
  }): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `${f.tag} gives ${signalTitle(f.signal)}, ${f.toDeviceTag} wants ${signalTitle(f.wanted)}.`,
    remedy:
      f.option !== undefined
        ? `${f.option}.`
        : f.resistor
          ? 'A resistor of 500 ohm over the input makes 2 to 10 V of 4 to 20 mA.'
          : `Choose an output or an input of the same kind.`,
  }),
  'signal.other-span': (
    f: {
      readonly signal: Signal
      readonly wanted: Signal
      readonly reversed: boolean
      readonly starts: number
      readonly signalPercent: number
      readonly option: string | undefined
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `${signalTitle(f.signal)} on an input for ${signalTitle(f.wanted)}. ${f.reversed ? 'It would run backwards: full when it should be off.' : f.starts > 0 ? `It starts to move at ${say(f.starts, 'percent', 0)} of the output.` : `At 0 % it stands at ${say(f.signalPercent, 'percent', 0)} and never closes.`}`,
    remedy: f.option !== undefined ? `${f.option}.` : 'Key a least output there, or choose the same signal on both.',
  }),
  'signal.too-many': (
    f: { readonly signal: Signal; readonly allCount: number; readonly needMa: number; readonly sourceMa: number },
    { say }: Words,
  ): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `${f.allCount === 1 ? 'The input takes' : `${f.allCount} inputs take`} ${say(f.needMa, 'milliamps')}; this output gives ${say(f.sourceMa, 'milliamps')}.`,
    remedy: 'Fewer inputs on it, or a signal repeater between.',
  }),
  'signal.burden': (
    f: { readonly signal: Signal; readonly burden: number; readonly mostOhm: number },
    { say }: Words,
  ): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `${say(f.burden, 'resistance', 0)} in the loop; this output drives ${say(f.mostOhm, 'resistance', 0)}.`,
    remedy: 'Fewer inputs in the loop, or an input of less burden.',
  }),
  'signal.side-by-side': (f: { readonly signal: Signal; readonly allCount: number }): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `${f.allCount} inputs share one current: they belong in series, not side by side.`,
    remedy: 'Wire them in series, each minus to the next plus; or use a voltage signal.',
  }),
  'signal.fits': (f: { readonly signal: Signal }): ConnectionWords => ({
    passes: signalTitle(f.signal),
    reason: `Same signal on both: ${signalTitle(f.signal)}.`,
  }),
  'supply.window': (
    f: {
      readonly volts: number
      readonly current: string
      readonly name: string
      readonly windows: readonly string[]
      readonly tag: string
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} ${f.current}`,
    reason:
      f.volts === 0
        ? noNeutral(f.tag)
        : `${f.name} takes ${f.windows.join(', or ')}; ${f.tag} gives ${say(f.volts, 'voltage', 0)} ${f.current}.`,
    remedy: 'Choose a supply in one of these windows.',
  }),
  'supply.fits': (
    f: {
      readonly volts: number
      readonly current: string
      readonly lowV: number
      readonly highV: number
      readonly labels: readonly string[]
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} ${f.current}`,
    reason: `${say(f.volts, 'voltage', 0)} ${f.current} lies in ${f.lowV} to ${f.highV} V: terminals ${f.labels.join(' and ')}. The others stay empty.`,
  }),
  'contact.other-voltage': (
    f: {
      readonly volts: number
      readonly current: string
      readonly tag: string
      readonly loadTag: string
      readonly loadVolts: number
      readonly kind: LoadKind
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} ${f.current}`,
    reason: `${f.tag} puts ${say(f.volts, 'voltage', 0)} ${f.current} out; ${f.loadTag} wants ${say(f.loadVolts, 'voltage', 0)} ${f.kind === 'dc' ? 'DC' : 'AC'}.`,
    remedy: `A relay with a coil for ${say(f.volts, 'voltage', 0)} between.`,
  }),
  'contact.carries': (
    f: {
      readonly loadA: number
      readonly ratedA: null | number
      readonly leakMa: number | undefined
      readonly tag: string
      readonly loadTag: string
      readonly name: string
      readonly loadName: string
      readonly usedPercent: null | number
      readonly kind: LoadKind
      readonly volts: number
      readonly assumedPowerFactor: number | undefined
      readonly remedy: string | undefined
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.loadA, 'current')} of ${f.ratedA === null ? 'no rating' : say(f.ratedA, 'current', 0)}`,
    reason:
      f.leakMa !== undefined
        ? `${f.tag} leaks ${say(f.leakMa, 'milliamps')} when off; ${f.loadTag} takes only ${say(f.loadA, 'current')} and may stay on.`
        : `${f.tag} ${f.name} carries ${say(f.loadA, 'current')} for ${f.loadTag} ${f.loadName}: ${f.usedPercent === null ? `no ${f.kind} rating at ${say(f.volts, 'voltage', 0)}` : `${say(f.usedPercent, 'percent')} of ${say(f.ratedA ?? 0, 'current', 0)} ${f.kind}`}.${f.assumedPowerFactor === undefined ? '' : ` Power factor ${f.assumedPowerFactor} assumed.`}`,
    ...(f.leakMa !== undefined
      ? { remedy: 'A relay contact instead, or a load beside it that takes ten times the leak.' }
      : f.remedy !== undefined
        ? { remedy: f.remedy }
        : {}),
  }),
  'call.not-dry': (
    f: {
      readonly volts: number
      readonly tag: string
      readonly current: string
      readonly loadTag: string
      readonly wetsV: number
      readonly wetsMa: number
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} into a dry input`,
    reason: `${f.tag} puts ${say(f.volts, 'voltage', 0)} ${f.current} out; ${f.loadTag} wets its own input with ${say(f.wetsV, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)} and wants a dry contact.`,
    remedy: `An isolating relay with a coil for ${say(f.volts, 'voltage', 0)} between.`,
  }),
  'call.solid-state': (
    f: { readonly volts: number; readonly wetsMa: number; readonly tag: string; readonly leakMa: number },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)}`,
    reason: `${f.tag} switches without a contact and leaks ${say(f.leakMa, 'milliamps')} when off: the input may take that for a call.`,
    remedy: 'A relay contact instead.',
  }),
  'call.not-gold': (
    f: { readonly volts: number; readonly wetsMa: number; readonly tag: string },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)}`,
    reason: `A power contact of ${f.tag} in a circuit of ${say(f.volts, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)}: it oxidises and fails open.`,
    remedy: 'A gold contact: a signal relay between.',
  }),
  'call.fits': (
    f: { readonly volts: number; readonly wetsMa: number; readonly tag: string; readonly loadTag: string },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)}`,
    reason: `${f.tag} closes a dry gold contact: ${say(f.volts, 'voltage', 0)}, ${say(f.wetsMa, 'milliamps', 0)} from ${f.loadTag} itself.`,
  }),
  'drive.other-voltage': (
    f: { readonly volts: number; readonly loadVolts: number; readonly tag: string; readonly drive: string },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} for ${say(f.loadVolts, 'voltage', 0)}`,
    reason: `${f.drive} makes ${say(f.volts, 'voltage', 0)} between its phases; ${f.tag} is for ${say(f.loadVolts, 'voltage', 0)}.`,
    remedy:
      f.loadVolts > f.volts
        ? `Look at the plate of ${f.tag}: many motors bear both, in another joining of their windings. Then join it so, dead, and write its volts and amperes at this joining under Nameplate. Else another motor or another drive.`
        : `Another motor or another drive: more volts than its plate says burn it.`,
  }),
  'drive.too-small': (
    f: { readonly loadA: number; readonly protectionA: number; readonly tag: string; readonly name: string },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.loadA, 'current')} of ${say(f.protectionA, 'current')}`,
    reason: `${f.tag} draws ${say(f.loadA, 'current')}; ${f.name} gives ${say(f.protectionA, 'current')}.`,
    remedy: 'A larger drive.',
  }),
  'drive.fits': (f: { readonly loadA: number; readonly protectionA: number }, { say }: Words): ConnectionWords => ({
    passes: `${say(f.loadA, 'current')} of ${say(f.protectionA, 'current')}`,
    reason: `${say(f.loadA, 'current')} of ${say(f.protectionA, 'current')} that the drive gives. Screened motor cable, shield at both ends.`,
  }),
  'line.other-voltage': (
    f: {
      readonly volts: number
      readonly tag: string
      readonly current: string
      readonly loadVolts: number
      readonly kind: LoadKind
      /** What a heating element would give at these volts. */
      readonly derated?: { readonly powerW: number; readonly percent: number }
    },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} line`,
    reason:
      f.volts === 0
        ? noNeutral(f.tag)
        : `${f.tag} gives ${say(f.volts, 'voltage', 0)} ${f.current}; the load wants ${say(f.loadVolts, 'voltage', 0)}${f.kind === 'dc' ? ' DC' : ''}.${
            f.derated
              ? ` Here it would give ${say(f.derated.powerW, 'electricPower')}, ${say(f.derated.percent, 'percent')} of its plate${f.derated.percent > 100 ? ': more than it, its wires and its contact are made for' : ''}.`
              : ''
          }`,
    remedy: 'Feed this line from a supply of the load\u2019s voltage.',
  }),
  'line.over-fuse': (
    f: { readonly volts: number; readonly loadA: number; readonly protectionA: number },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} line`,
    reason: `The load draws ${say(f.loadA, 'current')}; the circuit is fused at ${say(f.protectionA, 'current', 0)}.`,
    remedy: 'Its own circuit, by the licensed trade.',
  }),
  'line.fits': (
    f: { readonly volts: number; readonly loadA: number; readonly protectionA: number },
    { say }: Words,
  ): ConnectionWords => ({
    passes: `${say(f.volts, 'voltage', 0)} line`,
    reason: `${say(f.loadA, 'current')} on a circuit fused at ${say(f.protectionA, 'current', 0)}, ${say(f.volts, 'voltage', 0)} line.`,
  }),
}

/** Code of what was found about a connection. */
type ConnectionCode = keyof typeof connectionWords
type FiguresOfConnection<C extends ConnectionCode> =
  Parameters<(typeof connectionWords)[C]> extends [infer F, ...unknown[]] ? F : object

/** What was found about a connection, as a code and the figures that its sentences are made of. */
export type ConnectionFact = {
  readonly [C in ConnectionCode]: { readonly code: C; readonly figures: FiguresOfConnection<C> }
}[ConnectionCode]

/** The sentences about a connection in the reader's units and practice. */
export const sayConnection = ({ code, figures }: ConnectionFact, words: Words): ConnectionWords =>
  localTexts((connectionWords[code] as (f: object, w: Words) => ConnectionWords)(figures, words), words)
