import type { LoopContext } from '../../loop/context'
import type { ResolvedDevice } from '../../document/chain'
import type { DefrostPlan } from '../../settings/defrost/fields'
import { fieldValue } from '../../plant/fieldValue'
import { readsColdWhenOpen } from '../../probes/readsColdWhenOpen'
import { boundTo } from '../../device/bound'
import type { NumberAsk, Judged, StepSpec, TestSpec } from '../proofTest'
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
    judge: (found, wrong): Judged | undefined => {
      const starts = found.picked('starts')
      if (starts === 'nothing')
        return look(
          'defrost.defrost-not-started',
          {},
          cause('defrost.defrost-not-started', { endC: plan.endC }, toKeying),
        )
      if (starts === 'no-heat')
        return look(
          'defrost.defrost-heater',
          {},
          cause('defrost.defrost-heater', { heater: heater && nameOf(heater) }, toWires),
        )
      if (found.picked('followers') === 'no')
        return look('defrost.group-not-following', {}, cause('defrost.group-not-following', {}, toWires))
      const [end, took] = [found.value('end'), found.value('took')]
      if (typeof took === 'number' && took < AT_ONCE_MIN)
        return look(
          'defrost.end-probe',
          { took },
          cause('defrost.end-probe', { cold, defrostEndParameter: name('defrost.end') }, toProbe),
          cause('defrost.no-frost', {}),
        )
      if (end === null || (typeof took === 'number' && took >= plan.longestMin - 0.1))
        return look(
          'defrost.probe-off-coil',
          { endC: plan.endC },
          cause('defrost.probe-off-coil', { cold }, toProbe),
          cause('defrost.defrost-weak', {}, toWires),
        )
      if (wrong.includes('end') && typeof end === 'number')
        return look(
          'defrost.defrost-end-keyed',
          { end, endC: plan.endC },
          cause('defrost.defrost-end-keyed', { defrostEndParameter: name('defrost.end') }, toKeying),
        )
      const drip = found.value('drip')
      if (wrong.includes('drip') && typeof drip === 'number')
        return look(
          'defrost.drip-keyed',
          { drip, dripMin: plan.dripMin },
          cause('defrost.drip-keyed', { defrostDripParameter: name('defrost.drip') }, toKeying),
        )
      if (wrong.includes('fan'))
        return look(
          'defrost.fan-early',
          {},
          cause('defrost.fan-early', { defrostFanBackParameter: name('defrost.fanBack') }, toKeying),
        )
      if (found.picked('clear') === 'no')
        return look('defrost.probe-place', {}, cause('defrost.probe-place', {}, toProbe))
      return undefined
    },
  })
}
