import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import { boundTo } from '../../device/bound'
import { fieldValue } from '../../plant/fieldValue'
import type { Judged, StepSpec, TestSpec } from '../proofTest'
import {
  around,
  cause,
  deviceOf,
  look,
  noted,
  outputName,
  parameterName,
  sourceOfRow,
  spec,
  standIn,
  substitute,
  toKeying,
  toWires,
  yesNo,
} from './parts'

/** High and low alarm by a box in place of the probe: where it comes, after how long, that it can be muted, and what the output does. */
export function alarmTest(context: LoopContext, plan: PlanOf): TestSpec | undefined {
  const { say } = context.words
  const device = deviceOf(context, plan.output.device)!
  const toleranceK = fieldValue(context.data, 'tol.switch.el').typical
  const source = sourceOfRow(context, 'tol.switch.el')
  // What has no alarm of its own tells none, whatever is planned.
  const contact = Object.values(device.facts.ports).some((port) => port.kind === 'contact' && port.role === 'alarm')
  const sides = (
    [
      ['high', plan.alarmHighC, 'Raise'],
      ['low', plan.alarmLowC, 'Lower'],
    ] as const
  ).filter(
    ([id, atC]) =>
      atC !== undefined &&
      (contact || boundTo(device.facts.controller!, id === 'high' ? 'alarmHigh' : 'alarmLow') !== undefined),
  )
  if (sides.length === 0) return undefined
  const box = standIn(context, plan.input)
  const steps: StepSpec[] = [
    ...sides.map(([id, atC, way]): StepSpec => {
      const dial = substitute(context, plan.input, atC!)
      return {
        id,
        title: `${id === 'high' ? 'High' : 'Low'} alarm`,
        does: `${way} the ${box} slowly past ${say(atC!, 'temperature')}${dial ? ` (${dial})` : ''}. What does the display show when the alarm comes?`,
        main: around('Alarm comes at', 'temperature', atC!, toleranceK, source, { nothing: 'no alarm' }),
        ...(dial ? { dial } : {}),
        at: { input: plan.input, temperatureC: atC!, way: id === 'high' ? 'rising' : 'falling' },
      }
    }),
    {
      id: 'delay',
      title: 'Delay',
      does: 'Past the limit at once: seconds until the alarm comes. Write it down; the owner must know it.',
      main: noted('Seconds', 'seconds', { nothing: 'no alarm' }),
      clock: true,
      spare: true,
    },
    {
      id: 'heard',
      title: 'Where it must be heard',
      does: contact
        ? 'Does the alarm device sound, where somebody is at night?'
        : 'Does the display show it so that it is seen from the door?',
      main: yesNo(contact ? 'It sounds there' : 'It is seen'),
    },
    {
      id: 'mute',
      title: 'Mute',
      does: 'Mute it by its keys. It goes silent and stays shown; the next alarm sounds again.',
      main: yesNo('Mutes and comes again'),
      spare: true,
    },
    {
      id: 'output',
      title: 'What the output does',
      does: 'Does the alarm stop the output, or does it go on?',
      main: { kind: 'choice', label: 'Output', choices: { 'goes-on': 'Goes on', stops: 'Is stopped' } },
    },
    {
      id: 'over',
      title: 'Over',
      does: 'Back inside the limits: the alarm goes, and its history keeps it.',
      main: { kind: 'choice', label: 'Alarm', choices: { goes: 'Goes', stays: 'Stays' }, wants: 'goes' },
    },
  ]
  return spec(context, {
    id: `alarm/${plan.id}`,
    kind: 'alarm',
    title: 'Alarm',
    about: outputName(context, plan),
    purpose: `${sides.map(([id, atC]) => `${id} at ${say(atC!, 'temperature')}`).join(', ')}; heard where it must be.`,
    have: [box, 'stopwatch'],
    how: `${box[0]!.toUpperCase()}${box.slice(1)} in place of the probe.`,
    rule: `Within ${say(toleranceK, 'difference')} (${source}); heard, muted, over again.`,
    steps,
    judge: (found, wrong): Judged | undefined => {
      for (const [id, atC] of sides) {
        const at = found.value(id)
        const name = parameterName(context, plan, id === 'high' ? 'alarmHigh' : 'alarmLow') ?? 'the alarm limit'
        if (at === null)
          return look('alarm.alarm-not-keyed', { atC: atC! }, cause('alarm.alarm-not-keyed', { name }, toKeying))
        if (wrong.includes(id) && at !== undefined) {
          const relative =
            Math.abs(at - plan.setpointC - atC!) <= toleranceK ||
            Math.abs(at - (2 * plan.setpointC - atC!)) <= toleranceK
          return look(
            'alarm.alarm-relative',
            { at, atC: atC! },
            relative
              ? cause('alarm.alarm-relative', { name, difference: atC! - plan.setpointC }, toKeying)
              : cause('alarm.alarm-otherwise', { name, atC: atC! }, toKeying),
          )
        }
      }
      if (found.picked('heard') === 'no') return look('alarm.alarm-wire', {}, cause('alarm.alarm-wire', {}, toWires))
      if (found.picked('over') === 'stays') return look('alarm.alarm-latched', {}, cause('alarm.alarm-latched', {}))
      return undefined
    },
  })
}
