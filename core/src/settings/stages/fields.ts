import { choice, record } from '../../schema/field'
import { seconds } from '../fieldParts'
import type { Value } from '../../schema/value'

/** How the stages of one controller follow one another. */
export const stagePlanRecord = record('stages', {
  /** Between one stage and the next. */
  waitS: seconds('delay between stages', 86400),
  /** Always the same first, or the one that rested longest. */
  lead: choice('lead', ['fixed', 'rotate'], { fixed: 'always the same stage leads', rotate: 'the lead rotates' }),
})

/** How the stages of one controller follow one another. */
export interface StagePlan extends Value<typeof stagePlanRecord> {}
