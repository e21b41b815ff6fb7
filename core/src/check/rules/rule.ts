import { type OnOffBehaviour, type PlanOf, plansOf, switchingPlans } from '../../document/behaviour'
import type { Answer } from '../../document/documents'
import type { WorkflowStep } from '../../survey/hazards'
import type { LoopContext } from '../context'
import type { Finding, Severity } from '../finding'
import { sayFinding, type SafetyCode, type SafetyFigures } from '../safetyWords'

/** A rule looks at a loop and tells what it finds; rules are a list, in the order of the stages. */
export type Rule = (context: LoopContext) => Finding[]

/** A rule that looks at each planned output by itself. */
export const eachPlan =
  (find: (plan: PlanOf, context: LoopContext) => Finding[]): Rule =>
  (context) =>
    plansOf(context.loop.settings.planned).flatMap((plan) => find(plan, context))

/** A rule that looks at each planned output that switches. */
export const eachSwitching =
  (find: (plan: PlanOf<OnOffBehaviour>, context: LoopContext) => Finding[]): Rule =>
  (context) =>
    switchingPlans(context.loop.settings.planned).flatMap((plan) => find(plan, context))

type Rest = Pick<Finding, 'about' | 'head' | 'reason' | 'remedy'> & Partial<Pick<Finding, 'worked' | 'fix' | 'step'>>

const made =
  (severity: Severity, safety: boolean) =>
  (code: string, rest: Rest, step: WorkflowStep = 'match'): Finding => ({ code, severity, safety, step, ...rest })

/** A stop is a matter of safety: it cannot be reasoned away. */
export const stop = made('stop', true)
export const lookAgain = made('look-again', false)
export const note = made('note', false)

/** A finding as its code and figures; the sentences are made of them elsewhere. A stop where no other severity is named. */
export const told = <C extends SafetyCode>(
  context: Pick<LoopContext, 'words'>,
  code: C,
  about: string,
  figures: SafetyFigures<C>,
  { severity = 'stop', step = 'match', ...more }: Partial<Pick<Finding, 'severity' | 'step' | 'fix'>> = {},
): Finding => ({
  code,
  severity,
  safety: severity === 'stop',
  step,
  about,
  figures,
  ...sayFinding(code, figures, context.words),
  ...more,
})

/** An answer of the survey as text. */
export const answered = ({ loop }: Pick<LoopContext, 'loop'>, question: string): Answer | undefined =>
  loop.survey.answers[question]
