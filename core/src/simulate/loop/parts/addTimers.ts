import type { Parts } from './parts'

/** A timer that counts from reaching the setpoint takes it as reached this near. */
const REACHED_K = 1

/** The timer of a controller: its outputs close only while it runs. */
export function addTimers(parts: Parts): void {
  for (const { plan } of parts.driven) {
    const { timer } = parts.whole(plan)
    if (!timer || timer.aS <= 0) continue
    const id = `timer ${plan.output.device}`
    if (!parts.controls.some((each) => each.id === id))
      parts.controls.push({
        ...{ id, kind: 'timer', mode: timer.mode, aS: timer.aS, bS: timer.bS },
        ...(timer.from === 'heat'
          ? {
              from: {
                probe: parts.outputs.find((each) => each.plan.id === plan.id)!.probe,
                action: plan.action,
                atC: plan.setpointC + (plan.action === 'heating' ? -REACHED_K : REACHED_K),
              },
            }
          : {}),
      })
    parts.need(plan, id, `the timer of ${parts.controller(plan)?.tag ?? 'its controller'}`)
  }
}
