import type { OnOffBehaviour, PlanOf } from '../../../settings/behaviour'
import { type Driven } from '../loopActuators'
import type { Parts } from './parts'

/** Outputs that are stages of one control: on one after another, with the delay between them. */
export function addStaged(
  parts: Parts,
  group: readonly (Driven & { plan: PlanOf<OnOffBehaviour> })[],
  probe: string,
  { fromC, follow, runs }: ReturnType<Parts['shared']>,
): void {
  const { plan } = group[0]!
  const { stages } = parts.whole(plan)
  parts.controls.push({
    id: plan.id,
    kind: 'staged',
    probe,
    action: plan.action,
    stages: group.map(({ plan: each, actuator }) => ({
      drives: actuator,
      onC: each.onC - fromC,
      offC: each.offC - fromC,
    })),
    waitS: stages?.waitS ?? 0,
    lead: stages?.lead ?? 'fixed',
    minimumOffS: Math.max(...group.map((each) => parts.minimumOffS(each))),
    ...parts.fault(plan),
    ...follow,
  })
  for (const each of group) parts.outputs.push({ plan: each.plan, actuator: each.actuator, probe, control: plan.id })
  parts.runOnly(
    group.map(({ actuator }) => actuator),
    runs,
  )
}
