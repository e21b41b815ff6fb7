import { answersOf } from '../../kinds/answersOf'
import { type OnOffBehaviour, type PlanOf, plansOf, switchingPlans } from '../../settings/behaviour'
import type { Answer } from '../../kinds/answers'
import type { WorkflowStep } from '../../kinds/hazards'
import type { LoopContext } from '../../loop/context'
import type { FiguresOf, FindingCode } from '../../words/sayFinding'
import type { Found, Severity } from '../finding'

/** A rule looks at a loop and tells what it finds, without a word; rules are a list, in the order of the steps. */
export type Rule = (context: LoopContext) => Found[]

/** A rule that looks at each planned output by itself. */
export const eachPlan =
  (find: (plan: PlanOf, context: LoopContext) => Found[]): Rule =>
  (context) =>
    plansOf(context.loop.settings.planned).flatMap((plan) => find(plan, context))

/** A rule that looks at each planned output that switches. */
export const eachSwitching =
  (find: (plan: PlanOf<OnOffBehaviour>, context: LoopContext) => Found[]): Rule =>
  (context) =>
    switchingPlans(context.loop.settings.planned).flatMap((plan) => find(plan, context))

type More<C extends FindingCode> = Pick<Found, 'about'> &
  Partial<Pick<Found, 'worked' | 'fix' | 'step'>> & { readonly figures: FiguresOf<C> }

const made =
  (severity: Severity, safety: boolean) =>
  <C extends FindingCode>(code: C, more: More<C>, step: WorkflowStep = 'match'): Found => ({
    code,
    severity,
    safety,
    step,
    ...(more as More<C> & { readonly figures: object }),
  })

/** A stop is a matter of safety: it cannot be reasoned away. */
export const stop = made('stop', true)
export const lookAgain = made('look-again', false)
export const note = made('note', false)

/** A finding of any severity; a stop where none is named. */
export const told = <C extends FindingCode>(
  code: C,
  about: string,
  figures: FiguresOf<C>,
  { severity = 'stop', step = 'match', ...more }: Partial<Pick<Found, 'severity' | 'step' | 'fix'>> = {},
): Found => ({
  code,
  severity,
  safety: severity === 'stop',
  step,
  about,
  figures: figures as object,
  ...more,
})

/** An answer of the survey as text. */
export const answered = ({ loop }: Pick<LoopContext, 'loop'>, question: string): Answer | undefined =>
  answersOf(loop)[question]
