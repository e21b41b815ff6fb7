import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { TestSpec } from '../proofTest'
import { cause, look, nameOf, sourceOfRow, spec, stageGroup, toKeying, yesNo } from './parts'

/** After a power cut: the values are kept, the output comes back by itself (or stays off where it must), stages one after another. */
export function restartTest(context: LoopContext, device: ResolvedDevice, plans: readonly PlanOf[]): TestSpec {
  const { say } = context.words
  const stages = plans[0] ? stageGroup(context, plans[0]) : []
  const waitS = controllerPlanOf(context, device).stages?.waitS ?? 0
  const restarts = device.facts.controller?.restarts
  return spec(context, {
    id: `restart/${device.id}`,
    kind: 'restart',
    title: 'After a power cut',
    about: nameOf(device),
    purpose: 'Power off and back: nothing forgotten, nothing all at once.',
    have: ['stopwatch'],
    how: 'Switch off the circuit for a minute while it runs, then on.',
    rule:
      stages.length > 0 && waitS > 0
        ? `Stages at least ${say(waitS, 'seconds')} apart.`
        : 'Same values, same output, by itself.',
    safety: ['Hot surfaces, rotating parts: everything may start by itself when power comes back.'],
    steps: [
      {
        id: 'kept',
        title: 'Values',
        does: 'Does the display show setpoint and mode as before?',
        main: yesNo('As before'),
      },
      {
        id: 'comes',
        title: 'Output',
        does: 'Does the output come back without a hand?',
        main: {
          kind: 'choice',
          label: 'Output',
          choices: { back: 'Comes back', stays: 'Stays off' },
          ...(restarts === undefined ? {} : { wants: restarts ? 'back' : 'stays' }),
        },
      },
      ...(stages.length > 0 && waitS > 0
        ? [
            {
              id: 'apart',
              title: 'Stage delay',
              does: 'All stages asked for: seconds between the first and the second start.',
              main: {
                kind: 'number',
                label: 'Seconds',
                quantity: 'seconds',
                expected: waitS,
                low: waitS * (1 - fieldValue(context.data, 'tol.timer').high / 100) - 1,
                high: Infinity,
                source: sourceOfRow(context, 'tol.timer'),
                nothing: 'together',
              } as const,
              clock: true as const,
            },
          ]
        : []),
    ],
    judge: (found, wrong) => {
      if (found.picked('kept') === 'no')
        return look('restart.values-lost', {}, cause('restart.values-lost', {}, toKeying))
      if (wrong.includes('comes'))
        return look('restart.restart-differs', { restarts }, cause('restart.restart-differs', {}, toKeying))
      if (wrong.includes('apart'))
        return look('restart.no-stagger', {}, cause('restart.no-stagger', { waitS }, toKeying))
      return undefined
    },
  })
}
