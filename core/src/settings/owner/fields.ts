import { map, number, record, yes } from '../../schema/field'
import type { Value } from '../../schema/value'

/** Parameters that the owner may touch and the keys are to keep from him, or the other way round, by code. */
export const ownerFields = map('open to the owner', yes('open to the owner'))

/** In which range the owner is meant to keep a parameter, by code, in the contract's unit: printed on the panel card. */
export const meantFields = map(
  'meant to stay',
  record('meant to stay', { low: number('meant from', 'factor'), high: number('meant to', 'factor') }),
)
export interface MeantRange {
  readonly low: number
  readonly high: number
}

/** What keeps the installer's level shut. */
export const lockRecord = record('lock', { shut: yes('shut') })
export interface LockPlan extends Value<typeof lockRecord> {}
