import type { OnOffBehaviour, PlanOf } from '../../../settings/behaviour'
import { fieldValue } from '../../../plant/fieldValue'
import { type Driven } from '../loopActuators'
import type { ControlAt, Parts } from './parts'

/** An output that switches: a burner with its ignition and its least fire, or a plain contact. */
export function addOnOff(parts: Parts, item: Driven, plan: PlanOf<OnOffBehaviour>, at: ControlAt): void {
  const { id, probe, drives, action, fromC, follow, sampleS } = at
  const [onC, offC] = [plan.onC - fromC, plan.offC - fromC]
  const { boiler } = parts.survey
  if (boiler?.burns) {
    const { data } = parts.given
    parts.controls.push({
      ...{ id, kind: 'ramped', probe, drives, action, onC, offC, fullC: onC, leastShare: boiler.leastShare, sampleS },
      igniteS: fieldValue(data, 'purge.pre').typical + fieldValue(data, 'ignite.safety').typical,
      rampS: 60,
      minimumOffS: parts.minimumOffS(item),
      probeFault: plan.probeFault === 'on' || plan.probeFault === 'duty' ? 'on' : 'off',
      ...follow,
    })
  } else
    parts.controls.push({
      ...{ id, kind: 'on-off', probe, drives, action, onC, offC, minimumOffS: parts.minimumOffS(item) },
      ...parts.fault(plan),
      ...follow,
    })
}
