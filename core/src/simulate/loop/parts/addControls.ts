import type { OnOffBehaviour, PlanOf } from '../../../settings/behaviour'
import { actuatorOf, type Driven } from '../loopActuators'
import { stageIds } from '../../../settings/stages/stageIds'
import type { Parts } from './parts'
import { addStaged } from './addStaged'
import { demands } from './addFan'
import { addOnOff } from './addOnOff'
import { addBand } from './addBand'

/** How often a continuous control looks: a fifth of its probe's lag, a second to a minute. */
function sampleOf(lagS: number): number {
  return [60, 30, 20, 10, 5, 2].find((each) => each <= lagS / 5) ?? 1
}

/** Every planned output with its control; stages of one control together. */
export function addControls(parts: Parts): void {
  const done = new Set<string>()
  for (const [i, item] of parts.driven.entries()) {
    const { plan } = item
    if (done.has(plan.id)) continue
    const shared = parts.shared(plan)
    const stages = stageIds(parts.given.loop.settings.planned, plan.id)
    const group = parts.driven.filter(({ plan: other }) => stages.includes(other.id))
    if (plan.kind === 'on-off' && group.length > 1) {
      for (const { plan: other } of group) done.add(other.id)
      addStaged(parts, group as (Driven & { plan: PlanOf<OnOffBehaviour> })[], `probe ${i + 1}`, shared)
    } else {
      done.add(plan.id)
      const id = plan.id
      addOne(parts, item, `probe ${i + 1}`, shared)
      parts.outputs.push({ plan, actuator: item.actuator, probe: `probe ${i + 1}`, control: id })
    }
  }
}

/** One output by itself: what its behaviour is decides how it is told to the engine. */
function addOne(parts: Parts, item: Driven, probe: string, { fromC, follow }: ReturnType<Parts['shared']>): void {
  const { plan, ends } = item
  const sampleS = sampleOf(parts.lags.get(plan.id) ?? 60)
  // A plan may move several loads at once: one control for each, all alike.
  for (const [n, end] of ends.entries()) {
    const id = n === 0 ? plan.id : `${plan.id} ${n + 1}`
    const drives = actuatorOf(end)
    const base = { id, probe, drives, action: plan.action }
    parts.contacts.push({ plan, drives, control: id })
    if (plan.kind === 'on-off') addOnOff(parts, item, plan, { ...base, fromC, follow, sampleS })
    else if (plan.kind === 'fan')
      parts.controls.push({
        id,
        kind: 'fan',
        drives,
        demands: demands(parts, plan, probe),
        leastShare: plan.minimumPercent === 'off' ? 0 : plan.minimumPercent / 100,
        stops: plan.minimumPercent === 'off',
        scaled: plan.minimumMode === 'scaled',
        sampleS,
        probeFault: plan.probeFault === 'on' ? 'on' : 'off',
      })
    else addBand(parts, plan, { ...base, fromC, follow, sampleS })
  }
}
