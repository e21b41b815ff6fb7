import type { Action } from '../control/action'
import { answersOf, type Surveyed } from './answersOf'
import { factsOfKind } from './kinds'

/** Whether a loop heats or cools: by its kind, or by its answers where the kind leaves it open. */
export function actionOf(loop: Surveyed): Action {
  const { action, acts } = factsOfKind(loop.kind)
  return acts?.(answersOf(loop)) ?? action
}
