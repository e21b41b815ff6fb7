import type { LoopContext } from '../../check/context'
import type { ResolvedDevice } from '../../document/chain'
import type { DefrostPlan } from '../../document/controllerPlan'
import { fieldValue } from '../../plant/fieldValue'
import { readsColdWhenOpen } from '../../probes/readsColdWhenOpen'
import { boundTo } from '../../device/bound'
import type { NumberAsk, Outcome, StepSpec, TestSpec } from '../proofTest'
import { around, cause, look, nameOf, sourceOfRow, spec, toKeying, toProbe, toWires, yesNo } from './parts'

/** A melt that ends sooner than this did not melt anything, min. */
const AT_ONCE_MIN = 1

/** A defrost forced by hand (at the leader, for a group): melting, its end, drip, the fan's return. Expected: the plan. */
export function defrostTest(context: LoopContext, device: ResolvedDevice, plan: DefrostPlan): TestSpec {
  const { say } = context.words
  const toleranceK = fieldValue(context.data, 'tol.defrost.end').typical
  const heater = context.chain.devices.find(({ facts }) =>
    Object.values(facts.ports).some((port) => 'does' in port && port.does === 'defrost'),
  )
  const group = Object.values(device.facts.ports).some(({ kind }) => kind === 'pair') && plan.leads !== undefined
  const coil = Object.values(device.facts.ports).find((port) => port.kind === 'probe-in' && port.feels === 'coil')
  const cold = coil?.kind === 'probe-in' ? readsColdWhenOpen(coil.accepts) !== false : true
  const minutes = (
    label: string,
    low: number,
    high: number,
    expected: number,
    source: string,
    nothing?: string,
  ): NumberAsk => ({
    kind: 'number',
    label,
    quantity: 'minutes',
    decimals: 1,
    expected,
    low,
    high,
    source,
    ...(nothing ? { nothing } : {}),
  })
  const name = (binds: Parameters<typeof boundTo>[1]) => {
    const found = boundTo(device.facts.controller!, binds)
    return found ? `${found.name} (${found.code})` : 'it'
  }
  const steps: StepSpec[] = [
    {
      id: 'starts',
      title: group ? 'Forced at the leader' : 'Forced by hand',
      does: `Start a defrost ${group ? 'at the leader' : 'by its key'}. Compressor stops, ${heater ? `${nameOf(heater)} draws current` : 'the fan runs on over the coil'}.`,
      main: {
        kind: 'choice',
        label: 'It',
        choices: { melts: 'Melts', 'no-heat': 'Stops cooling, no heat', nothing: 'Goes on cooling' },
        wants: 'melts',
      },
    },
    ...(group
      ? [
          {
            id: 'followers',
            title: 'The others',
            does: plan.waits
              ? 'Every follower melts with it, and cooling waits for the last.'
              : 'Every follower melts with it.',
            main: yesNo('All follow'),
          },
        ]
      : []),
    {
      id: 'end',
      title: 'Ends at',
      does: 'What does the coil probe show when melting ends?',
      main: around('Coil shows', 'temperature', plan.endC, toleranceK, sourceOfRow(context, 'tol.defrost.end'), {
        nothing: 'ran its whole time',
      }),
    },
    {
      id: 'took',
      title: 'Took',
      does: `Minutes of melting. At most ${say(plan.longestMin, 'minutes')}.`,
      main: minutes(
        'Minutes',
        AT_ONCE_MIN,
        plan.longestMin,
        plan.longestMin,
        'over in a minute it melted nothing; the longest time only ends it late',
      ),
      clock: true,
    },
    {
      id: 'drip',
      title: 'Drip',
      does: 'Minutes from heat off until cooling starts again.',
      main: minutes('Minutes', plan.dripMin - 0.5, plan.dripMin + 0.5, plan.dripMin, 'the plan, within half a minute'),
      clock: true,
    },
    {
      id: 'fan',
      title: 'Fan back at',
      does: 'What does the coil probe show when the fan starts again?',
      main: {
        kind: 'number',
        label: 'Coil shows',
        quantity: 'temperature',
        expected: plan.fanBackC,
        low: -Infinity,
        high: plan.fanBackC + toleranceK,
        source: sourceOfRow(context, 'tol.defrost.end'),
        nothing: 'at once',
      },
    },
    {
      id: 'clear',
      title: 'The coil',
      does: 'Look at the coil and the tray: clear of ice, water runs off.',
      main: yesNo('Clear and drained'),
    },
  ]
  return spec(context, {
    id: `defrost/${device.id}`,
    kind: 'defrost',
    title: group ? 'Defrost, forced at the leader' : 'Defrost',
    about: nameOf(device),
    purpose: `Melts, ends at ${say(plan.endC, 'temperature')} on the coil, drips ${say(plan.dripMin, 'minutes')}, fan back at ${say(plan.fanBackC, 'temperature')}.`,
    have: ['stopwatch', 'clamp meter', 'torch'],
    how: 'With frost on the coil, or it ends at once and proves little.',
    rule: `End within ${say(toleranceK, 'difference')} (${sourceOfRow(context, 'tol.defrost.end')}), in less than its longest time.`,
    safety: [
      'Cold room: trapped-person alarm and inside release are tried first; somebody outside knows.',
      'Fans start by themselves.',
    ],
    steps,
    judge: (found, wrong): Partial<Outcome> | undefined => {
      const starts = found.picked('starts')
      if (starts === 'nothing')
        return look(
          'It does not melt',
          'Forced, it goes on cooling.',
          cause(
            'defrost-not-started',
            'The coil is warmer than its end, or a blind time runs.',
            `What does the coil probe show? Under ${say(plan.endC, 'temperature')} it must start.`,
            toKeying,
          ),
        )
      if (starts === 'no-heat')
        return look(
          'No heat on the coil',
          'Cooling stopped and nothing melts.',
          cause(
            'defrost-heater',
            `${heater ? nameOf(heater) : 'The heater'} gets no current: its wire, its own limit, or the element.`,
            'Amperes of the heater; isolate, ohms of the element.',
            toWires,
          ),
        )
      if (found.picked('followers') === 'no')
        return look(
          'The others do not follow',
          'The leader melts alone.',
          cause(
            'group-not-following',
            'A follower has another group, no address, or its pair is open or crossed.',
            'Read leader, group and address of each; then the three wires.',
            toWires,
          ),
        )
      const [end, took] = [found.value('end'), found.value('took')]
      if (typeof took === 'number' && took < AT_ONCE_MIN)
        return look(
          'It ends at once',
          `${say(took, 'minutes', 1)}.`,
          cause(
            'end-probe',
            `The end probe reads hot (${cold ? 'an NTC that is shorted' : 'open, or a connection that has gone'}), is of another kind, or its end is keyed under the coil.`,
            `Ohms of the coil probe with both leads lifted; ${name('defrost.end')}: 8 °C is usual.`,
            toProbe,
          ),
          cause('no-frost', 'There was no frost on the coil.', 'Let it frost, force it again.'),
        )
      if (end === null || (typeof took === 'number' && took >= plan.longestMin - 0.1))
        return look(
          'It runs its whole time',
          `The end of ${say(plan.endC, 'temperature')} never came.`,
          cause(
            'probe-off-coil',
            `The coil probe reads cold for ever (${cold ? 'an NTC that is open' : 'shorted'}), or is not on the coil.`,
            'Does its reading climb while it melts? Not at all: lift it dead, ohms. A little: clip it where frost goes last.',
            toProbe,
          ),
          cause('defrost-weak', 'Part of the heater is dead.', 'Amperes of each element.', toWires),
        )
      if (wrong.includes('end') && typeof end === 'number')
        return look(
          'Another end',
          `It ended at ${say(end, 'temperature')}; ${say(plan.endC, 'temperature')} is planned.`,
          cause('defrost-end-keyed', 'The end is keyed otherwise.', `Read ${name('defrost.end')}.`, toKeying),
        )
      const drip = found.value('drip')
      if (wrong.includes('drip') && typeof drip === 'number')
        return look(
          drip < plan.dripMin ? 'No time to drip' : 'It drips too long',
          `${say(drip, 'minutes', 1)}; ${say(plan.dripMin, 'minutes')} is planned.`,
          cause('drip-keyed', 'The drip time is keyed otherwise.', `Read ${name('defrost.drip')}.`, toKeying),
        )
      if (wrong.includes('fan'))
        return look(
          'The fan comes too soon',
          'It blows warm wet air into the room.',
          cause(
            'fan-early',
            'The temperature at which the fan comes back is keyed too high, or the fan is not on its own output.',
            `Read ${name('defrost.fanBack')}; look which output the fan is on.`,
            toKeying,
          ),
        )
      if (found.picked('clear') === 'no')
        return look(
          'Ice is left',
          'It ended before the coil was clear.',
          cause(
            'probe-place',
            'The coil probe sits where it warms first.',
            'Move it to where frost goes last; check the drain heater.',
            toProbe,
          ),
        )
      return undefined
    },
  })
}
