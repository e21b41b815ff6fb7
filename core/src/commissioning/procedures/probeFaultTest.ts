import { spell } from '../../control/timerSequence'
import type { LoopContext } from '../../check/context'
import type { PlanOf } from '../../document/behaviour'
import type { ChoiceAsk, Outcome, TestSpec } from '../proofTest'
import {
  cause,
  deviceOf,
  feeling,
  loadName,
  outputName,
  parameterName,
  settleS,
  spec,
  toKeying,
  toProbe,
  toWires,
} from './parts'

const does = {
  off: 'Off',
  on: 'On',
  last: 'Stays as it was',
  duty: 'On and off by a fixed share',
} as const

/** Whether an alarm can be heard or seen of a controller: a contact for it, or an alarm limit that it shows. */
const alarms = (context: LoopContext, device: string) =>
  Object.values(deviceOf(context, device)?.facts.ports ?? {}).some(
    (port) => port.kind === 'contact' && port.role === 'alarm',
  )

/** Probe pulled, then shorted with the power off: display, safe state, alarm, return. Expected: the leaflet's codes and the plan. */
export function probeFaultTest(context: LoopContext, plan: PlanOf): TestSpec {
  const device = deviceOf(context, plan.output.device)!
  const { open, short } = device.facts.controller!.faultDisplay
  const { probe } = feeling(context, plan.input)
  const what = probe ? `${probe.tag} ${probe.name}` : 'the probe'
  const port = device.facts.ports[plan.input.port]
  const couple = port?.kind === 'probe-in' && port.accepts.kind === 'thermocouple'
  const shows = (code: string): ChoiceAsk => ({
    kind: 'choice',
    label: 'Display shows',
    choices: { code: code === '' ? 'a fault' : code, other: 'another code', number: 'a temperature' },
    wants: 'code',
  })
  const state: ChoiceAsk = { kind: 'choice', label: loadName(context, plan), choices: does, wants: plan.probeFault }
  const alarm = alarms(context, device.id)
  const dead = device.facts.controller!.probeSafe !== true
  const pull = dead
    ? `Off, locked, proved dead: lift one lead of ${what}. Cover closed, power on.`
    : `Lift one lead of ${what}.`
  const caution = dead
    ? { caution: `The probe input of ${device.tag} is not separated from mains: its leads can be live. Dead only.` }
    : {}
  return spec(context, {
    id: `probe-fault/${plan.id}`,
    kind: 'probe-fault',
    title: 'Probe pulled and shorted',
    about: outputName(context, plan),
    purpose: `Without its probe the output goes: ${does[plan.probeFault].toLowerCase()}.`,
    have: ['short piece of wire'],
    how: `${pull} ${couple ? 'A thermocouple that is shorted shows its terminals: only pulled is tested.' : 'The short is made with the power off.'} Wait half a minute each time.`,
    rule: 'Display as the leaflet says, output as planned, alarm where there is one, everything back by itself.',
    safety: [
      'The short is made dead: isolate, proved dead, then the wire across; power back with the cover on.',
      ...(dead ? [`Nothing is lifted live at ${device.tag}: its probe input is not separated from mains.`] : []),
    ],
    steps: [
      {
        id: 'open',
        title: 'Pulled: display',
        does: `${pull} What does the display show?`,
        main: shows(open),
        ...caution,
        at: { input: plan.input, probe: 'lifted' },
      },
      {
        id: 'open-output',
        title: 'Pulled: output',
        does: `What does ${loadName(context, plan)} do now?`,
        main: state,
        at: { input: plan.input, probe: 'lifted' },
      },
      ...(alarm
        ? [
            {
              id: 'open-alarm',
              title: 'Pulled: alarm',
              does: 'Does the alarm come?',
              main: {
                kind: 'choice',
                label: 'Alarm',
                choices: { comes: 'Comes', silent: 'Stays silent' },
                wants: 'comes',
              } as const,
              at: { input: plan.input, probe: 'lifted' as const },
            },
          ]
        : []),
      ...(couple
        ? []
        : [
            {
              id: 'short',
              title: 'Shorted: display',
              does: `Power off, proved dead: a wire across the probe\u2019s terminals. Power on, cover on. What does the display show?`,
              main: shows(short),
              caution: 'Dead first.',
              at: { input: plan.input, probe: 'shorted' as const },
            },
            {
              id: 'short-output',
              title: 'Shorted: output',
              does: `What does ${loadName(context, plan)} do?`,
              main: state,
              at: { input: plan.input, probe: 'shorted' as const },
            },
          ]),
      {
        id: 'back',
        title: 'Joined again',
        does: `Power off, wire off, probe landed, power on. Within ${spell(settleS(context, plan.input))} it shows the place and controls again.`,
        main: {
          kind: 'choice',
          label: 'Display and output',
          choices: { back: 'Back by itself', stuck: 'Stays in fault' },
          wants: 'back',
        },
        at: { input: plan.input, probe: 'joined' },
      },
    ],
    judge: (found, wrong): Partial<Outcome> | undefined => {
      const heats = plan.action === 'heating'
      const state = ['open-output', 'short-output'].find((id) => wrong.includes(id))
      if (found.picked('open') === 'number')
        return {
          verdict: 'stop',
          head: 'It does not notice that its probe is gone',
          reason: 'The display shows a temperature with the probe lifted.',
          next: 'Find what it reads: another probe in parallel, its built-in one, or another input.',
          causes: [
            cause(
              'other-probe-read',
              'Another input or the built-in sensor is selected, or a second probe lies in parallel.',
              `Warm ${what} by hand: no change means it is not read. ${parameterName(context, plan, 'input') ?? 'Its choice of input'}.`,
              toKeying,
            ),
          ],
        }
      if (state) {
        const seen = found.picked(state)
        const runs = seen === 'on' || seen === 'last'
        return {
          verdict: heats && seen === 'on' ? 'stop' : 'look',
          head: `Without its probe it goes: ${(does[seen as keyof typeof does] ?? '').toLowerCase()}`,
          reason: `${does[plan.probeFault]} is planned.`,
          next: `Read ${parameterName(context, plan, 'probeFault') ?? 'what it does without its probe'} and key it.`,
          causes: [
            cause(
              'fault-action',
              `The safe state in the controller is another one.`,
              `Read ${parameterName(context, plan, 'probeFault') ?? 'it'}, key ${does[plan.probeFault].toLowerCase()}.`,
              toKeying,
            ),
            ...(runs
              ? [
                  cause(
                    'output-welded',
                    'The contact is welded or in hand: it runs whatever is keyed.',
                    'Does its lamp go out while the load runs?',
                    toWires,
                  ),
                ]
              : []),
          ],
        }
      }
      if (found.picked('short') === 'number')
        return {
          verdict: 'look',
          head: 'A short is taken for a temperature',
          reason: 'The display shows a number with the terminals shorted.',
          next: 'Another kind of probe is keyed: its range takes a short for very hot or very cold.',
          causes: [
            cause(
              'input-kind',
              'The input is set to another kind of probe.',
              'Key the kind of probe that is fitted.',
              toProbe,
            ),
          ],
        }
      if (['open', 'short'].some((id) => found.picked(id) === 'other'))
        return {
          verdict: 'look',
          head: 'Another code than the leaflet says',
          reason: 'A fault is seen, by another name.',
          next: 'Write down what it shows; look whether the input is set to the probe that is fitted.',
          causes: [
            cause(
              'code-differs',
              'Another kind of probe is keyed (open and short change places), or another edition of the controller.',
              'Read the kind of the input; correct the code on the shelf.',
              toKeying,
            ),
          ],
        }
      if (found.picked('open-alarm') === 'silent')
        return {
          verdict: 'look',
          head: 'The alarm stays silent',
          reason: 'Nobody would know that the probe is gone.',
          next: 'Alarm contact and its supply; then whether a lost probe is an alarm at all as keyed.',
          causes: [
            cause(
              'alarm-silent',
              'The alarm contact is wired to the other terminal, has no supply, or is still in its delay.',
              'Volts at the alarm while the display shows the fault.',
              toWires,
            ),
          ],
        }
      if (found.picked('back') === 'stuck')
        return {
          verdict: 'look',
          head: 'It stays in fault',
          reason: 'The probe is back and the fault is not gone.',
          next: 'Switch it off and on once. Still so: the probe\u2019s ohms, the terminals.',
          causes: [
            cause(
              'no-return',
              'A loose lead, or a fault that has to be acknowledged.',
              'Tug each lead; acknowledge by its keys.',
              toWires,
            ),
          ],
        }
      return undefined
    },
  })
}
