import { choice, maybe, record, whole } from '../../schema/field'
import { over, seconds, share, width } from '../fieldParts'
import { everyPlan } from '../everyPlan'
import { anchors } from './law/proportional'

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
