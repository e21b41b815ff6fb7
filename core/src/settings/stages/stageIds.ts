import type { Behaviour } from '../behaviour'

/** The outputs that are stages of one control with this one: same controller, same input, same action; itself among them. */
export function stageIds(planned: Readonly<Record<string, Behaviour>>, output: string): readonly string[] {
  const plan = planned[output]
  if (plan?.kind !== 'on-off') return plan ? [output] : []
  return Object.entries(planned)
    .filter(
      ([, other]) =>
        other.kind === 'on-off' &&
        other.output.device === plan.output.device &&
        other.input.port === plan.input.port &&
        other.action === plan.action,
    )
    .map(([id]) => id)
}
