import type { LoopContext } from '../../check/context'
import type { OnOffBehaviour, PlanOf } from '../../document/behaviour'
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
      const { say } = context.words
      const near = (seconds: number) => off !== null && Math.abs(off - seconds) <= Math.max(2, 0.05 * seconds)
      const minutes = near(minimumOffS * 60) || near(minimumOffS / 60)
      const causes =
        off === null
          ? [
              cause(
                'never-starts',
                'It does not start again: its own protection locked out, or the setpoint was not turned far enough.',
                'Read what the load itself shows.',
              ),
            ]
          : minutes
            ? [
                cause(
                  'unit-mixed',
                  'Minutes were keyed for seconds, or seconds for minutes.',
                  `Read ${key} and its unit.`,
                  toKeying,
                ),
              ]
            : off > minimumOffS
              ? [
                  cause(
                    'both-time-it',
                    `${name} keeps a minimum off time of its own, or a delay on the call adds to it.`,
                    'Set the controller\u2019s minimum off time to nothing for a trial: what stays is the load\u2019s own.',
                    toKeying,
                  ),
                  cause(
                    'minimum-off-not-keyed',
                    'Another minimum off time is keyed.',
                    `Read ${key}, key ${say(plan.minimumOffS, 'seconds')}.`,
                    toKeying,
                  ),
                ]
              : [
                  cause(
                    'minimum-off-not-keyed',
                    off < 2 ? 'No minimum off time is keyed.' : 'Another minimum off time is keyed.',
                    `Read ${key}, key ${say(plan.minimumOffS, 'seconds')}.`,
                    toKeying,
                  ),
                ]
      return {
        verdict: 'look',
        head:
          off === null ? 'It does not start again' : off > minimumOffS ? 'It stays off too long' : 'It starts too soon',
        reason: off === null ? 'Nothing came.' : `${say(off, 'seconds')}; ${say(minimumOffS, 'seconds')} is planned.`,
        next: causes[0]!.check,
        causes,
      }
    },
  })
}
