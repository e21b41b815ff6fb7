import { map, record, yes } from '../../schema/field'
import type { Value } from '../../schema/value'

/** Parameters that the owner may touch and the keys are to keep from him, or the other way round, by code. */
export const ownerFields = map('open to the owner', yes('open to the owner'))

/** What keeps the installer's level shut. */
export const lockRecord = record('lock', { shut: yes('shut') })
export interface LockPlan extends Value<typeof lockRecord> {}
