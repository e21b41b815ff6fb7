import type { OnOffBehaviour, PlanOf } from '../../../settings/behaviour'
import { type Driven } from '../loopActuators'
import { stageContact } from '../../controls/staged'
import type { Parts } from './parts'

/** Outputs that are stages of one control: on one after another, with the delay between them. */
export function addStaged(
  parts: Parts,
  group: readonly (Driven & { plan: PlanOf<OnOffBehaviour> })[],
  probe: string,
  { fromC, follow }: ReturnType<Parts['shared']>,
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
  for (const [i, { plan: each, actuator }] of group.entries()) {
    parts.outputs.push({ plan: each, actuator, probe, control: plan.id })
    parts.contacts.push({ plan: each, drives: actuator, control: stageContact(plan.id, i + 1) })
    for (const need of parts.needs.get(plan.id) ?? []) parts.need(each, need as string, parts.names[need as string]!)
  }
}
