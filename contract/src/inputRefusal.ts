import type { AnyAction } from '@nachtigal/core/actions/action'
import { refusal, type Refusal } from './check'
import { partOf } from './partOf'

/** What does not fit the input of an action: the field, and what is allowed. */
export const inputRefusal = (action: Pick<AnyAction, 'input'>, input: unknown): Refusal | undefined =>
  refusal(partOf(action.input), input)
