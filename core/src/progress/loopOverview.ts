import { checkLoop } from '../check/checkLoop'
import type { Severity } from '../check/finding'
import type { LoopDocument } from '../document/documents'
import { lastReading } from '../document/proofReadings'
import type { LoopKind } from '../kinds/ids'
import { type WorkflowStep, workflowSteps } from '../kinds/hazards'
import type { LoopContext } from '../loop/context'
import { remembered } from '../memory/remembered'
import { plansOf } from '../settings/behaviour'
import { formatValue } from '../units/quantity'
import { nextThing, type StepState, stepStatus } from './stepStatus'

/** A loop as the list of jobs shows it. */
export interface LoopOverview {
  readonly id: string
  readonly name: string
  readonly kind: LoopKind
  /** Where each of the seven steps stands. */
  readonly states: readonly StepState[]
  readonly next: { readonly step: WorkflowStep; readonly what: string }
  /** What needs a hand, the worst first; notes need none. */
  readonly needs: readonly { readonly code: string; readonly severity: Severity; readonly says: string }[]
  /** The setpoint of its first output and whether it heats or cools, °C. */
  readonly set?: { readonly valueC: number; readonly heats: boolean }
  /** The newest temperature read on it, °C, and as it is shown. */
  readonly reading?: { readonly valueC: number; readonly shown: string }
}

/** One loop as the list of jobs shows it. */
export const loopOverview = remembered((context: LoopContext): LoopOverview => {
  const { loop, words } = context
  const [plan] = plansOf(loop.settings.planned)
  const reading = lastReading(loop)
  const { step, what } = nextThing(context)
  return {
    id: loop.id,
    name: loop.name,
    kind: loop.kind,
    states: stepStatus(context).map(({ state }) => state),
    next: { step, what },
    needs: checkLoop(context)
      .open.filter(({ severity }) => severity !== 'note')
      .map(({ code, severity, head }) => ({ code, severity, says: head })),
    ...(plan ? { set: { valueC: plan.setpointC, heats: plan.action === 'heating' } } : {}),
    ...(reading?.value === undefined
      ? {}
      : {
          reading: {
            valueC: reading.value,
            shown: formatValue(reading.value, 'temperature', words.preferences),
          },
        }),
  }
})

/** A loop that cannot be calculated with: somebody must look at it before anything else. */
export const unreadOverview = ({ id, name, kind }: Pick<LoopDocument, 'id' | 'name' | 'kind'>): LoopOverview => ({
  id,
  name: String(name),
  kind,
  states: workflowSteps.map(() => 'stop'),
  next: { step: 'survey', what: 'It cannot be read' },
  needs: [{ code: 'UNREAD', severity: 'stop', says: 'It cannot be read.' }],
})
