import { bindsOf } from '../binding'
import type { DriveKeys } from './driveKeys'

/** What a parameter of a drive may take from the plate of its motor. */
export const driveBinds = bindsOf<DriveKeys>()({
  motorCurrent: (plan) => plan.motorA,
  fastest: (plan) => plan.fastestHz,
  slowest: (plan) => plan.slowestHz,
  turns: (plan) => plan.turns,
})
