import type { LoopContext } from '../../check/context'
import type { PlanOf } from '../../document/behaviour'
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
      { id: 'kept', title: 'Values', does: 'Does the display show set and mode as before?', main: yesNo('As before') },
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
        return look(
          'It forgot',
          'Values are not as before.',
          cause(
            'values-lost',
            'It was not left by its keys after keying, so nothing was stored; or its memory is worn.',
            'Key again, leave the menu by its key, power off and on.',
            toKeying,
          ),
        )
      if (wrong.includes('comes'))
        return look(
          restarts ? 'It stays off' : 'It comes back by itself',
          'Not what its leaflet says.',
          cause(
            'restart-differs',
            'A key is needed after a power cut, or a load of its own locks out.',
            'Look what the load shows; tell the owner.',
            toKeying,
          ),
        )
      if (wrong.includes('apart'))
        return look(
          'All together',
          'The start of all at once trips breakers and dips volts.',
          cause(
            'no-stagger',
            'No wait between stages is keyed, or the integral was not reset.',
            `Key ${say(waitS, 'seconds')} between stages.`,
            toKeying,
          ),
        )
      return undefined
    },
  })
}
