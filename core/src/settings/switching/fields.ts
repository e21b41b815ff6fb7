import { choice, flag, maybe, record, whole } from '../../schema/field'
import { part, seconds, width } from '../fieldParts'
import { everyPlan } from '../everyPlan'
import { conventionWords } from './law/conventionWords'
import { conventions } from './law/switchingPoints'

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
