import { choice, record } from '../../schema/field'
import { seconds } from '../fieldParts'
import type { Value } from '../../schema/value'

/** A timer that counts down once, or repeats A and B. */
export const timerPlanRecord = record('timer', {
  mode: choice('mode', ['once', 'repeat']),
  aS: seconds('time A', 1e6),
  bS: seconds('time B', 1e6),
  /** Starts with a key, or when the setpoint is reached. */
  from: choice('starts', ['key', 'heat'], { key: 'with a key', heat: 'at the setpoint' }),
  counts: choice('counts', ['down', 'up']),
})

/** A timer that counts down once, or repeats A and B. */
export interface TimerPlan extends Value<typeof timerPlanRecord> {}
