import { spell } from '../../time/spell'
import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { ChoiceAsk, Judged, TestSpec } from '../proofTest'
import {
  cause,
  nameOf,
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
    judge: (found, wrong): Judged | undefined => {
      const heats = plan.action === 'heating'
      const state = ['open-output', 'short-output'].find((id) => wrong.includes(id))
      if (found.picked('open') === 'number')
        return {
          verdict: 'stop',
          code: 'probeFault.other-probe-read',
          figures: {},
          causes: [
            cause(
              'probeFault.other-probe-read',
              {
                probe: probe && nameOf(probe),
                inputParameter: parameterName(context, plan, 'input'),
              },
              toKeying,
            ),
          ],
        }
      if (state) {
        const seen = found.picked(state)
        const runs = seen === 'on' || seen === 'last'
        return {
          verdict: heats && seen === 'on' ? 'stop' : 'look',
          code: 'probeFault.fault-action',
          figures: {
            does: does[seen as keyof typeof does],
            does2: does[plan.probeFault],
            probeFaultParameter: parameterName(context, plan, 'probeFault'),
          },
          causes: [
            cause(
              'probeFault.fault-action',
              { probeFaultParameter: parameterName(context, plan, 'probeFault'), does: does[plan.probeFault] },
              toKeying,
            ),
            ...(runs ? [cause('probeFault.output-welded', {}, toWires)] : []),
          ],
        }
      }
      if (found.picked('short') === 'number')
        return {
          verdict: 'look',
          code: 'probeFault.input-kind',
          figures: {},
          causes: [cause('probeFault.input-kind', {}, toProbe)],
        }
      if (['open', 'short'].some((id) => found.picked(id) === 'other'))
        return {
          verdict: 'look',
          code: 'probeFault.code-differs',
          figures: {},
          causes: [cause('probeFault.code-differs', {}, toKeying)],
        }
      if (found.picked('open-alarm') === 'silent')
        return {
          verdict: 'look',
          code: 'probeFault.alarm-silent',
          figures: {},
          causes: [cause('probeFault.alarm-silent', {}, toWires)],
        }
      if (found.picked('back') === 'stuck')
        return {
          verdict: 'look',
          code: 'probeFault.no-return',
          figures: {},
          causes: [cause('probeFault.no-return', {}, toWires)],
        }
      return undefined
    },
  })
}
