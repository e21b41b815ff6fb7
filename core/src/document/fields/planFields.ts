import { anchors } from '../../control/proportional'
import { conventionWords } from '../../control/conventionWords'
import { conventions } from '../../control/switchingPoints'
import { faultActions } from '../../choices/deviceChoices'
import { choice, either, flag, maybe, number, record, variant, whole } from '../../schema/field'
import { order, portRef } from './chainFields'

const share = (word: string) => number(word, 'percent', { min: 0, max: 100 })
const seconds = (word: string) => number(word, 'seconds', { min: 0, max: 86400 })
const over = (word: string) => number(word, 'seconds', { over: 0, max: 86400 })
const degrees = (word: string) => number(word, 'temperature', { min: -273.15, max: 2000 })
const width = (word: string) => number(word, 'difference', { over: 0, max: 1000 })
const part = (word: string) => number(word, 'difference', { min: 0, max: 1000 })

/** What every planned output has, whatever way it controls. Implausible values are findings; what has no meaning is refused. */
const everyPlan = {
  order: order(),
  output: portRef('output'),
  input: portRef('follows'),
  action: choice('action', ['heating', 'cooling'], { heating: 'heats', cooling: 'cools' }),
  setpointC: degrees('setpoint'),
  lowestC: maybe(degrees('lowest setpoint')),
  highestC: maybe(degrees('highest setpoint')),
  alarmHighC: maybe(degrees('high alarm')),
  alarmLowC: maybe(degrees('low alarm')),
  offsetK: number('offset', 'difference', { min: -1000, max: 1000 }),
  probeFault: choice('probe fault', faultActions),
  /** Share of full that it runs at without its probe, where the probe fault is `duty`. */
  dutyPercent: maybe(share('output without its probe')),
}

/**
 * On/off behaviour of one output, in the words of one convention. The points at which it switches follow from setpoint, swing, action and
 * convention (`switchingOf`) and are kept nowhere, so that they cannot say something else.
 */
export const onOffRecord = whole(
  record('on/off plan', {
    ...everyPlan,
    convention: choice('setpoint', conventions, conventionWords),
    /** Width from cut-in to cut-out; `signed` puts the sign on when it is keyed. Of `split` it is the sum of the two parts and is left out. */
    swingK: maybe(width('swing')),
    /** Only for `split`, and always there. */
    aboveK: maybe(part('swing above')),
    belowK: maybe(part('swing below')),
    /** Only for `centred`: whether the controller's own parameter counts total or each side. */
    swingIs: maybe(choice('swing counts', ['total', 'each-side'])),
    minimumOffS: seconds('minimum off time'),
    /** A stage that is not used: nothing is keyed for its output, and nothing is asked of it. */
    unused: maybe(flag('not used')),
  }),
)

/** An output that gives more or less: a signal, a valve driven open and closed, a relay that is on for its share of a cycle. */
export const bandRecord = whole(
  record('band plan', {
    ...everyPlan,
    anchor: choice('band', anchors, { 'from-setpoint': 'from the setpoint', centred: 'half at the setpoint' }),
    /** From nothing to full. */
    bandK: width('proportional band'),
    /** Integral time; 0 is without. */
    integralS: seconds('integral time'),
    minimumPercent: share('minimum output'),
    maximumPercent: share('maximum output'),
    /** Cycle of an output that is on for its share of it. */
    cycleS: maybe(over('cycle time')),
    /** End to end, of a valve that is driven open and closed. */
    travelS: maybe(over('valve travel')),
  }),
)

/** A fan output: the stronger of two demands, never under its minimum. */
export const fanRecord = whole(
  record('fan plan', {
    ...everyPlan,
    /** From the setpoint to full speed. */
    bandK: width('band to full speed'),
    humidityPercent: maybe(share('humidity from')),
    humidityBandPercent: maybe(number('humidity band to full speed', 'percent', { over: 0, max: 100 })),
    /** `off` lets it stop. */
    minimumPercent: either('minimum speed', share('minimum speed'), { words: ['off'] }),
    minimumMode: choice('demand starts', ['floor', 'scaled'], { floor: 'from 0', scaled: 'from the minimum speed' }),
  }),
)

/** What is planned for one output. */
export const planVariant = variant('plan', { 'on-off': onOffRecord, band: bandRecord, fan: fanRecord })
