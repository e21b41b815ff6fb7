import { spell } from '../time/spell'
import type { ResolvedDevice } from '../document/chain'
import { type PlanOf, plansOf } from './behaviour'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import type { LoopContext } from '../loop/context'
import { faultTitle, faultView } from './fault/faultView'
import { type CutOut, cutOuts } from './cutOuts'
import { momentSays, nextClockChange } from './week/weekView'

/** One thing that can happen to a loop, and what it then does. */
interface Happening {
  readonly id: 'probe' | 'supply' | 'clock' | 'cut-out'
  readonly when: string
  /** In two or three words. */
  readonly short: string
  readonly then: string
}

/**
 * What the loop does when its probe fails, when the supply comes back, when the clock changes, and what opens by itself.
 * @param now ISO instant with offset, for the next change of the clock
 */
export function conditions(
  context: LoopContext,
  device: ResolvedDevice,
  plan: PlanOf | undefined,
  now: string | undefined,
): Happening[] {
  const { words, job, loop } = context
  const { controller } = device.facts
  if (!controller) return []
  const whole = controllerPlanOf(context, device)
  const found: Happening[] = []
  if (plan && Object.values(device.facts.ports).some(({ kind }) => kind === 'probe-in')) {
    const view = faultView(context, plan)
    const chosen = view.choices.find(({ fault }) => fault === plan.probeFault)
    found.push({
      id: 'probe',
      when: 'Probe fails',
      short: faultTitle(plan.probeFault).toLowerCase(),
      then: `Open: display ${view.display.open}. Short: display ${view.display.short}. ${faultTitle(plan.probeFault)}: ${chosen?.says ?? ''}`,
    })
  }
  const mine = plansOf(loop.settings.planned).filter(({ output }) => output.device === device.id)
  const waitS = whole.stages?.waitS
  found.push({
    id: 'supply',
    when: 'Supply comes back',
    short: controller.restarts === false ? 'waits for a key' : 'starts by itself',
    then:
      controller.restarts === false
        ? 'It waits for a key: nothing runs until somebody comes.'
        : controller.menu === undefined
          ? 'A mechanical contact: it is where the temperature puts it, at once.'
          : `It starts by itself with the values it had${
              waitS !== undefined && mine.length > 1
                ? waitS > 0
                  ? `, one stage after another, ${spell(waitS)} apart`
                  : `, all ${mine.length} stages at once`
                : ''
            }. Rotating parts may start without warning.`,
  })
  const clocked = whole.week !== undefined && Object.keys(whole.week.periods).length > 0
  const change = now === undefined ? undefined : nextClockChange(job.zone, now)
  found.push({
    id: 'clock',
    when: 'Clock changes',
    short: !clocked ? 'nothing follows it' : change ? 'set it by hand' : 'never here',
    then: !clocked
      ? 'Nothing here follows a clock.'
      : change
        ? `${momentSays(change.at)} by ${job.zone}: it does not follow by itself, set it that day; till then all is an hour ${change.forward ? 'late' : 'early'}.`
        : `${job.zone} does not change its clocks.`,
  })
  // Several that open alike, one before each load, are told once.
  const alike = new Map<string, CutOut[]>()
  for (const each of cutOuts(context)) {
    const key = `${each.opens} ${each.atC} ${each.device.facts.id}`
    alike.set(key, [...(alike.get(key) ?? []), each])
  }
  for (const [first, ...rest] of alike.values()) {
    const { device: each, atC, opens } = first!
    const tags = [first!, ...rest].map(({ device: { tag } }) => tag).join(', ')
    const at = `${opens === 'rise' ? 'over' : 'under'} ${words.say(atC, 'temperature', opens === 'rise' ? 0 : 1)}`
    found.push({
      id: 'cut-out',
      when: `${tags} ${rest.length > 0 ? 'open by themselves' : 'opens by itself'}`,
      short: at,
      then: `${each.name}: ${at}${each.facts.limiter ? ` on ${each.facts.limiter.feels}; reset by ${each.facts.limiter.reset === 'manual' ? 'hand' : 'itself'}` : ''}.`,
    })
  }
  return found
}
