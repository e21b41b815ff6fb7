import { bandEnds } from '../../../settings/band/law/proportional'
import type { BandBehaviour, PlanOf } from '../../../settings/behaviour'
import { fieldValue } from '../../../plant/fieldValue'
import type { ControlAt, Parts } from './parts'

/** A share of a cycle shorter than this is no different from a share of power. */
const SHORT_CYCLE_S = 15

/** A band: its share of a cycle where it has one, a valve driven open and closed, else a signal, with an integral or without. */
export function addBand(parts: Parts, plan: PlanOf<BandBehaviour>, at: ControlAt): void {
  const { id, probe, drives, action, fromC, follow, sampleS } = at
  const ends = bandEnds(plan)
  const common = {
    ...{ id, probe, drives, action, zeroC: ends.zeroC - fromC, fullC: ends.fullC - fromC },
    leastShare: plan.minimumPercent / 100,
    mostShare: plan.maximumPercent / 100,
    ...parts.fault(plan),
    ...follow,
  }
  const integral = plan.integralS > 0 ? { setC: plan.setpointC - fromC, integralS: plan.integralS } : {}
  if (plan.cycleS && plan.cycleS > SHORT_CYCLE_S)
    parts.controls.push({ ...common, ...integral, kind: 'time-proportioned', cycleS: plan.cycleS })
  else if (plan.travelS)
    parts.controls.push({
      ...common,
      ...integral,
      kind: 'three-point',
      sampleS,
      neutralShare: fieldValue(parts.given.data, 'threepoint.neutral').typical / 100,
    })
  else if (plan.integralS > 0)
    parts.controls.push({ ...common, kind: 'pi', sampleS, setC: plan.setpointC - fromC, integralS: plan.integralS })
  else parts.controls.push({ ...common, kind: 'proportional', sampleS })
}
