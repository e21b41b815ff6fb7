import type { LoopContext } from '../../loop/context'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { reachOf } from '../../wiring/reach'
import type { NumberAsk, TestSpec } from '../proofTest'
import { cause, loadName, outputName, parameterName, sourceOfRow, spec, toKeying } from './parts'

/** A time with its tolerance: a share of it, and a second at least (field data tol.timer). */
export function timeAsk(context: LoopContext, label: string, seconds: number, row = 'tol.timer'): NumberAsk {
  const tolerance = Math.max(1, (fieldValue(context.data, row).typical / 100) * seconds)
  return {
    kind: 'number',
    label,
    quantity: 'seconds',
    decimals: seconds < 20 ? 1 : 0,
    expected: seconds,
    low: seconds - tolerance,
    high: seconds + tolerance,
    source: sourceOfRow(context, row),
    nothing: 'never',
  }
}

/** Minimum off time (and on, where the load asks for one), by the stopwatch. Two that time it: from the stop the longer one rules. */
export function minimumOffTest(context: LoopContext, plan: PlanOf<OnOffBehaviour>): TestSpec {
  const end = reachOf(context.chain, plan.output)[0]
  const facts = end?.device.facts.load
  const own = facts?.timesOwnMinimumOff ? (facts.minimumOffS ?? 0) : 0
  const minimumOffS = Math.max(plan.minimumOffS, own)
  const onS = facts?.minimumOnS
  const name = loadName(context, plan)
  return spec(context, {
    id: `minimum-off/${plan.id}`,
    kind: 'minimum-off',
    title: 'Minimum off time',
    about: outputName(context, plan),
    purpose: `After a stop ${name} stays off ${context.words.say(minimumOffS, 'seconds')} before it may start again.`,
    have: ['stopwatch'],
    how: 'Stop it by the setpoint, start the watch when the load stops; ask for it again at once. Stop the watch when it starts.',
    rule: 'Within 2 %, a second at least. Longer means that something else times it too.',
    steps: [
      {
        id: 'off',
        title: 'Stop to start',
        does: `Turn the setpoint so that it stops, then back at once. How long until ${name} starts?`,
        main: timeAsk(context, 'Seconds off', minimumOffS),
        clock: true,
      },
      ...(onS === undefined
        ? []
        : [
            {
              id: 'on',
              title: 'Start to stop',
              does: `As soon as ${name} runs, turn the setpoint back. How long does it run on?`,
              main: { ...timeAsk(context, 'Seconds on', onS), high: Infinity },
              clock: true as const,
              spare: true as const,
            },
          ]),
    ],
    judge: (found, wrong) => {
      const off = found.value('off')
      if (!wrong.includes('off') || off === undefined) return undefined
      const key = parameterName(context, plan, 'minimumOff') ?? 'the minimum off time'
      const near = (seconds: number) => off !== null && Math.abs(off - seconds) <= Math.max(2, 0.05 * seconds)
      const minutes = near(minimumOffS * 60) || near(minimumOffS / 60)
      const causes =
        off === null
          ? [cause('minimumOff.never-starts', {})]
          : minutes
            ? [cause('minimumOff.unit-mixed', { key }, toKeying)]
            : off > minimumOffS
              ? [
                  cause('minimumOff.both-time-it', { name }, toKeying),
                  cause('minimumOff.minimum-off-not-keyed', { key, minimumOffS: plan.minimumOffS }, toKeying),
                ]
              : [cause('minimumOff.minimum-off-shorter', { off, key, minimumOffS: plan.minimumOffS }, toKeying)]
      return {
        verdict: 'look',
        code: 'minimumOff.never-starts',
        figures: { off, minimumOffS },
        causes,
      }
    },
  })
}
