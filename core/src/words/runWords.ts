import { spell } from '../time/spell'
import { hours } from '../units/hours'
import { counted, type Words } from './words'
import type { RunWords } from './sentences'

const hourText = (atS: number, say: Words['say']) => say(hours(atS), 'hours')

/** How far it runs past one of its points because its probe follows late. */
export interface Late {
  readonly pastK: number
  readonly point: 'upper' | 'lower'
}

/** Water that follows the weather: how far it went from its line, and what the rooms did. */
interface AlongLine {
  readonly underK: number
  readonly overK: number
  readonly roomsFromC: number
  readonly roomsToC: number
}

const alongText = (f: AlongLine, say: Words['say']) =>
  `The water goes up to ${say(f.underK, 'difference')} under and ${say(f.overK, 'difference')} over its line. The rooms went from ${say(f.roomsFromC, 'temperature')} to ${say(f.roomsToC, 'temperature')}.`

const lateText = (late: Late | undefined, say: Words['say']) =>
  late ? ` It runs ${say(late.pastK, 'difference')} past its ${late.point} point: the probe follows late.` : ''

/** Who commands a fan, and for how much of the time. */
interface Commanded {
  readonly warmthPercent: number
  readonly humidityPercent: number
  readonly dampestPercent: number
  readonly setPercent: number
  readonly fullPercent: number
}

const commandHead = (f: Commanded, say: Words['say']) =>
  f.humidityPercent === 0 && f.warmthPercent === 0
    ? 'Nothing commands the fan.'
    : f.humidityPercent > f.warmthPercent
      ? `Humidity commands, ${say(f.humidityPercent, 'percent')} of the time.`
      : `Warmth commands, ${say(f.warmthPercent, 'percent')} of the time.`

const commandText = (f: Commanded, say: Words['say']) =>
  `Warmth commands ${say(f.warmthPercent, 'percent')}, humidity over ${say(f.setPercent, 'percent')} commands ${say(f.humidityPercent, 'percent')} of the time.`

const faultWords: Readonly<Record<string, string>> = {
  open: 'Open:',
  short: 'Shorted:',
  drifted: 'Reads wrong:',
  'fallen-off': 'Fallen off:',
  'wrong-kind': 'Of the wrong kind:',
  sun: 'In the sun:',
  welded: 'Welded:',
  dead: 'Dead:',
  'stage-missing': 'A stage missing:',
  'supply-low': 'Low voltage:',
  'stuck-open': 'Stuck open:',
  'stuck-closed': 'Stuck closed:',
  'door-open': 'Door open:',
}

/** What a simulated run says, by code, from its figures. */
const runWords = {
  saturated: (
    f: {
      readonly settlesC: number
      readonly setC: number
      readonly powerW: number
      readonly aroundC: number
      readonly action: 'heating' | 'cooling'
    },
    { say }: Words,
  ): RunWords => ({
    head: `Reaches ${say(f.settlesC, 'temperature')}, not ${say(f.setC, 'temperature')}.`,
    reason: `It runs all the time: ${say(f.powerW, 'power')} give no more at ${say(f.aroundC, 'temperature')} around it.`,
    next: `More ${f.action === 'heating' ? 'power, or less loss' : 'cooling, or less heat'}, or agree where it settles. No setting mends it.`,
  }),
  droop: (
    f: {
      readonly settlesC: number
      readonly setC: number
      readonly aroundC: number
      readonly shortK: number
      readonly short: boolean
    },
    { say }: Words,
  ): RunWords => ({
    head: `Reaches ${say(f.settlesC, 'temperature')}, not ${say(f.setC, 'temperature')}.`,
    reason: `At ${say(f.aroundC, 'temperature')} around it the band leaves it ${say(Math.abs(f.shortK), 'difference')} ${f.short ? 'short' : 'over'}.`,
  }),
  ran: (
    f: {
      readonly place: string
      readonly lowestC: number
      readonly highestC: number
      readonly late: Late | undefined
    },
    { say }: Words,
  ): RunWords => ({
    head: 'Ran.',
    reason: `The ${f.place} went from ${say(f.lowestC, 'temperature')} to ${say(f.highestC, 'temperature')}.${lateText(f.late, say)}`,
  }),
  holds: (
    f: {
      readonly place: string
      readonly underK: number
      readonly overK: number
      readonly target: number
      readonly tolerance: number
      readonly late: Late | undefined
    },
    { say }: Words,
  ): RunWords => ({
    head: 'Holds.',
    reason: `The ${f.place} stays up to ${say(f.underK, 'difference')} under and ${say(f.overK, 'difference')} over ${say(f.target, 'temperature')}; ${say(f.tolerance, 'difference')} either way is asked for.${lateText(f.late, say)}`,
  }),
  strays: (
    f: {
      readonly place: string
      readonly underK: number
      readonly overK: number
      readonly target: number
      readonly tolerance: number
      readonly late: Late | undefined
    },
    words: Words,
  ): RunWords => ({
    head: 'Strays too far.',
    reason: `The ${f.place} goes up to ${words.say(f.underK, 'difference')} under and ${words.say(f.overK, 'difference')} over ${words.say(f.target, 'temperature')}; ${words.say(f.tolerance, 'difference')} either way is asked for.${lateText(f.late, words.say)}`,
  }),
  commands: (f: Commanded, { say }: Words): RunWords => ({
    head: commandHead(f, say),
    reason: `${commandText(f, say)} The air gets no damper than ${say(f.dampestPercent, 'percent')}.`,
  }),
  'too-damp': (f: Commanded, { say }: Words): RunWords => ({
    head: `Gets as damp as ${say(f.dampestPercent, 'percent')}.`,
    reason: `${commandText(f, say)} It runs at full from ${say(f.fullPercent, 'percent')}.`,
    next: 'No setting mends that: the air outside is too damp, or the fan moves too little. Look at what wets the air.',
  }),
  'cold-by-humidity': (
    f: { readonly lowestC: number; readonly target: number; readonly setPercent: number },
    { say }: Words,
  ): RunWords => ({
    head: `Down to ${say(f.lowestC, 'temperature')} while humidity commands.`,
    reason: `The fan dries, and takes the heat along: ${say(f.target, 'temperature')} is the target.`,
    next: 'It wants heat beside it, or damper air allowed.',
  }),
  'no-call': (f: { readonly roomsFromC: number; readonly roomsToC: number }, { say }: Words): RunWords => ({
    head: 'Stood still.',
    reason: `It is too warm outside for its line all the while. The rooms went from ${say(f.roomsFromC, 'temperature')} to ${say(f.roomsToC, 'temperature')}.`,
  }),
  'holds-line': (f: AlongLine, { say }: Words): RunWords => ({
    head: 'Follows its line.',
    reason: alongText(f, say),
  }),
  'strays-line': (f: AlongLine, { say }: Words): RunWords => ({
    head: 'Falls behind its line.',
    reason: alongText(f, say),
    next: 'It lacks power on the coldest hours, or the line is too steep.',
  }),
  fault: (f: { readonly atS: number; readonly fault: string; readonly of: string }, { say }: Words): RunWords => ({
    head: `With a fault since ${hourText(f.atS, say)}.`,
    reason: `${faultWords[f.fault] ?? 'Something'} ${f.of}: what follows is its doing.`,
  }),
  frozen: (f: { readonly of: string; readonly atS: number }, { say }: Words): RunWords => ({
    head: `${f.of} opened.`,
    reason: `${hourText(f.atS, say)} into the run it was colder than it allows.`,
    next: 'Raise the lowest stage, or look for flow. The thermostat stays.',
  }),
  trip: (
    f: {
      readonly of: string
      readonly atS: number
      /** The water of a floor's supply is what tripped it. */
      readonly floor: boolean
      readonly dialC: number | undefined
    },
    { say, term }: Words,
  ): RunWords => ({
    head: `${f.of} tripped.`,
    reason: `${hourText(f.atS, say)} into the run${f.floor ? `: the ${term('flowWater')} is too hot for it` : ` it was hotter than its ${f.dialC === undefined ? 'dial' : say(f.dialC, 'temperature')}`}.`,
    next: f.floor
      ? `Lower the ${term('flowWater')}. The ${term('limiter')} stays.`
      : `Find why it got so hot. The ${term('limiter')} stays.`,
  }),
  held: (f: { readonly of: string; readonly by: string; readonly atS: number }, { say }: Words): RunWords => ({
    head: `${f.of} is called and does not run.`,
    reason: `${f.by[0]!.toUpperCase()}${f.by.slice(1)}, keeps its line open${f.atS > 0 ? ` from ${hourText(f.atS, say)} on` : ''}.`,
    next: 'Plan it in Set, or take it out of the line in Match.',
  }),
  'cut-off': (f: { readonly atS: number; readonly starts: number }, { say, term }: Words): RunWords => ({
    head: `The battery is cut off after ${hourText(f.atS, say)}.`,
    reason: `It started ${counted(f.starts, 'time')} until then; each start glows.`,
    next: `A wider ${term('differential')} starts less; a larger battery lasts longer; a smaller heater runs through.`,
  }),
  starts: (
    f: {
      readonly name: string
      readonly worstHour: number
      readonly ofDevice: boolean
      readonly perHour: number
    },
    { say }: Words,
  ): RunWords => ({
    head: `${f.name} starts ${counted(f.worstHour, 'time')} in one hour.`,
    reason: `${f.ofDevice ? 'It bears' : 'Usual are at most'} ${say(f.perHour, 'perHour', 0)}.`,
  }),
  ice: (f: { readonly iced: number; readonly melts: number }): RunWords => ({
    head: `${counted(f.iced, 'defrost')} of ${f.melts} ended by the clock.`,
    reason: 'The coil was not warm enough by then: ice stays on it.',
    next: 'Melt longer, or more often, or with more heat.',
  }),
  'no-coil-probe': (
    f: { readonly longestMin: number; readonly everyH: number; readonly byCoil: boolean },
    { say }: Words,
  ): RunWords => ({
    head: `Each defrost takes ${say(f.longestMin, 'minutes')}.`,
    reason: `No probe feels the coil: the clock starts it every ${say(f.everyH, 'hours')} and ends it.`,
    ...(f.byCoil ? { next: 'Fit the coil probe that the plan goes by, or plan it by the clock.' } : {}),
  }),
  'coil-not-reached': (
    f: { readonly coilC: number; readonly lowestC: number; readonly everyH: number },
    { say }: Words,
  ): RunWords => ({
    head: `The coil never gets down to ${say(f.coilC, 'temperature')}.`,
    reason: `It got to ${say(f.lowestC, 'temperature')}: no defrost starts by it${f.everyH > 0 ? `, only every ${say(f.everyH, 'hours')} by the clock` : ''}.`,
    next: 'Key a start that the coil gets to when it is iced: read it then.',
  }),
  'time-over': (
    f: {
      readonly atS: number
      readonly lowestC: number
      /** It was not at its temperature for as long as was asked for. */
      readonly short?: {
        readonly heldS: number
        readonly wantedS: number
        readonly fromKey: boolean
        readonly reached: boolean
      }
    },
    { say }: Words,
  ): RunWords => ({
    head: `The timer ended it after ${hourText(f.atS, say)}.`,
    reason: f.short
      ? `${f.short.reached ? `${spell(f.short.heldS)} of it at temperature` : 'It never came to its temperature'}; ${spell(f.short.wantedS)} are asked for.`
      : `From then on it cools down: ${say(f.lowestC, 'temperature')} at the end.`,
    ...(f.short
      ? {
          next: !f.short.reached
            ? 'Look at its power, its loss and its setpoint first.'
            : f.short.fromKey
              ? 'This controller counts from the key: a longer time, or one that counts from the temperature.'
              : 'A longer time, or look why it warms so late.',
        }
      : {}),
  }),
  alarm: (
    f: { readonly atS: number; readonly alarms: number; readonly delayMin: number },
    { say }: Words,
  ): RunWords => ({
    head: `Alarm after ${hourText(f.atS, say)}.`,
    reason: `${counted(f.alarms, 'alarm')} in the run; it waits ${say(f.delayMin, 'minutes')} before it calls.`,
  }),
  idle: (
    f: {
      readonly cools: boolean
      readonly reachC: number
      readonly leastPercent: number
      readonly target: number
    },
    { say }: Words,
  ): RunWords => ({
    head: `Goes ${f.cools ? 'down' : 'up'} to ${say(f.reachC, 'temperature')} with nothing asked of it.`,
    reason: `${f.cools ? 'It is cold enough without' : 'It is warm enough without'} ${f.leastPercent > 0 ? `more than its least, ${say(f.leastPercent, 'percent')}` : 'it'}: ${say(f.target, 'temperature')} is the target.`,
    next: f.cools
      ? f.leastPercent > 0
        ? 'Heat is what it lacks; a lower least keeps more of it, where the air allows.'
        : 'Heat is what it lacks, not a setting.'
      : 'Look for heat that comes by itself.',
  }),
}

/** What a run was found to do, as a code and the figures that its sentences are made of. */
export type RunFact = {
  readonly [C in keyof typeof runWords]: {
    readonly code: C
    readonly figures: Parameters<(typeof runWords)[C]> extends [infer F, ...unknown[]] ? F : object
  }
}[keyof typeof runWords]

/** The sentences about a run in the reader's units and practice. */
export const sayRun = ({ code, figures }: RunFact, words: Words): RunWords =>
  (runWords[code] as (f: object, w: Words) => RunWords)(figures, words)
