import type { LoopContext } from '../../loop/context'
import { choiceOf } from '../../device/asSet'
import type { ResolvedDevice } from '../../document/chain'
import type { PermissiveFacts } from '../../device/deviceProfile'
import { type LoadLogic, loadLogics } from '../../wiring/loadLogic'
import type { StepSpec, TestSpec } from '../proofTest'
import { coldBath, openByCause } from '../openByCause'
import { cause, look, nameOf, spec, stop, toWires, yesNo } from './parts'
import { timeAsk } from './minimumOffTest'

/** Longest that a load may run on after its permissive opened, s: an arm's reach of a contactor and a delay. */
const DROPS_S = 10

const guarding = (senses: PermissiveFacts['senses']) => senses !== 'hand' && senses !== 'time'

/** The loads that a device's contact lies in the line of. */
function logicsOf(context: LoopContext, device: ResolvedDevice): readonly LoadLogic[] {
  return loadLogics(context.chain).filter(({ contacts }) => contacts.some((contact) => contact.device.id === device.id))
}

/** A wireless switch from where it will be used, and what its receiver does when it hears nothing more. */
function radioSteps({ words }: LoopContext, device: ResolvedDevice): readonly StepSpec[] {
  const { radio } = device.facts.permissive!
  if (!radio) return []
  const option = device.facts.options?.[radio.lost]
  const chosen = option && choiceOf(option, device.set?.[radio.lost])
  return [
    {
      id: 'far',
      title: 'From the farthest place',
      does: `Doors shut: switch from the farthest place where it will be used. It reaches about ${words.say(radio.rangeM, 'length', 0)} indoors. Does ${device.tag} follow, three times of three?`,
      main: yesNo('It follows'),
    },
    {
      id: 'lost',
      title: 'Radio lost',
      does: `Closed by its switch: take the battery out of the switch and wait three minutes. What does ${device.tag} do? Battery back, its day written inside.`,
      main: {
        kind: 'choice',
        label: device.tag,
        choices: { opens: 'Opens', stays: 'Stays closed' },
        wants: chosen === 'stays' ? 'stays' : 'opens',
      },
      caution: 'What it switches may start by itself when it hears its switch again: hands off.',
    },
  ]
}

/** Each permissive opened in turn: the load must drop, and come back only when it closes. Overrides are tried; safeties never by-passed. */
export function permissiveTest(context: LoopContext, device: ResolvedDevice): TestSpec | undefined {
  const { senses } = device.facts.permissive!
  const logics = logicsOf(context, device)
  if (logics.length === 0) return undefined
  const loads = [...new Set(logics.map(({ load }) => nameOf(load)))].join(', ')
  const hands = [
    ...new Map(
      logics
        .flatMap(({ contacts }) => contacts.filter((c) => c.duty === 'hand' && c.device.id !== device.id))
        .map((c) => [c.device.id, c.device]),
    ).values(),
  ]
  const after = logics.some(
    ({ load, port }) =>
      load.facts.load?.afterRun !== undefined || (port.kind === 'contact-in' && load.facts.load?.fuel !== undefined),
  )
  const protects = guarding(senses)
  const flow = senses === 'flow'
  const call = logics.every(({ port }) => port.kind === 'contact-in')
  const what = call ? 'call' : 'line'
  const dial = senses === 'frost' ? (device.dialC ?? device.facts.permissive!.opensAtC) : undefined
  const steps: StepSpec[] = [
    ...(flow
      ? [
          {
            id: 'dry',
            title: 'Without flow first',
            does: `Off, locked, proved dead: lift the ${what} of ${loads}, capped, on the temporary list; this test ends the entry. Cover closed, power on, pump off, the control calls. Does the ${what} come?`,
            main: {
              kind: 'choice' as const,
              label: `The ${what}`,
              choices: { none: 'Does not come', comes: 'Comes' },
              wants: 'none',
            },
            caution: `Without flow ${loads} would run dry: its ${what} stays lifted.`,
            at: { contact: { device: device.id, is: 'open' as const } },
          },
        ]
      : []),
    {
      id: 'runs',
      title: 'It runs',
      does: `${flow ? `Off, dead: the ${what} landed again, cover closed, power on, flow on. ` : ''}The control calls and ${device.tag} is closed. Does ${loads} run?`,
      main: yesNo('It runs'),
    },
    {
      id: 'opened',
      title: `${device.tag} opened`,
      does: `${openByCause(device, context.words)}. ${call ? `The call of ${loads} must open` : `${loads} must stop`} while the control still calls.${after ? ' It goes through its after-run: that is right, its supply stays on.' : ''}`,
      main: { kind: 'choice', label: loads, choices: { stops: 'Stops', runs: 'Runs on' }, wants: 'stops' },
      at: { contact: { device: device.id, is: 'open' } },
    },
    ...(protects
      ? [
          {
            id: 'within',
            title: 'How soon',
            does: `Seconds from opening until ${call ? 'its call opened' : 'it stopped'}.`,
            main: {
              ...timeAsk(context, 'Seconds', DROPS_S),
              expected: DROPS_S,
              low: -Infinity,
              high: DROPS_S,
              source: 'flow and air proofs act within 10 s',
              nothing: 'never',
            },
            clock: true as const,
            spare: true as const,
          },
        ]
      : []),
    ...hands.map((hand): StepSpec => ({
      id: `override-${hand.id}`,
      title: `${hand.tag} tried`,
      does: `${device.tag} still open: switch ${nameOf(hand)} over. ${protects ? `${loads} must stay off: no switch by-passes what protects.` : 'What does it do?'}`,
      main: protects
        ? { kind: 'choice', label: loads, choices: { stays: 'Stays off', runs: 'Runs' }, wants: 'stays' }
        : { kind: 'choice', label: loads, choices: { stays: 'Stays off', runs: 'Runs' } },
      at: { contact: { device: hand.id, is: 'closed' } },
    })),
    ...radioSteps(context, device),
    {
      id: 'closed',
      title: `${device.tag} closed again`,
      does: `Let it close again, every switch back${dial === undefined ? '' : `, its dial at ${context.words.say(dial, 'temperature', 0)} and its capillary in its place`}. Does ${loads} come back?`,
      main: yesNo('It comes back'),
      at: { contact: { device: device.id, is: 'closed' } },
    },
  ]
  return spec(context, {
    id: `permissive/${device.id}`,
    kind: 'permissive',
    title: `Permissive: ${device.facts.name.toLowerCase()}`,
    about: nameOf(device),
    purpose: `${loads} runs only while ${device.tag} is closed.`,
    have: [
      senses === 'frost' ? coldBath(dial, context.words) : protects ? 'what opens it by its own cause' : 'nothing',
    ],
    how: 'Open it by what it senses, not by lifting its wire: only so the switch itself is proved.',
    rule: `${loads} stops${protects ? ` within ${context.words.say(DROPS_S, 'seconds')}` : ''}; no switch brings it back.`,
    ...(protects ? { protects: true as const } : {}),
    safety: [
      'No bridge over it while you test. What was switched to hand goes on the temporary list and back.',
      ...(flow ? ['Nothing is lifted or landed with the supply on.'] : []),
      ...(senses === 'frost' ? ['Only the capillary goes into the bath: head and terminals stay dry.'] : []),
    ],
    steps,
    judge: (found, wrong) => {
      const worst = protects ? stop : look

      if (found.picked('dry') === 'comes')
        return stop(
          'permissive.closed-dry',
          { tag: device.tag, what, loads },
          cause('permissive.closed-dry', { tag: device.tag, loads }, toWires),
        )
      if (found.picked('runs') === 'no')
        return look('permissive.not-running', {}, cause('permissive.not-running', {}, toWires))
      if (found.picked('opened') === 'runs')
        return worst(
          'permissive.permissive-bypassed',
          { protects, tag: device.tag, loads },
          cause('permissive.permissive-bypassed', { tag: device.tag }, toWires),
        )
      if (found.picked('far') === 'no')
        return look('permissive.out-of-reach', { tag: device.tag }, cause('permissive.out-of-reach', {}))
      if (wrong.includes('lost'))
        return look(
          'permissive.radio-lost',
          { tag: device.tag, stays: found.picked('lost') === 'stays' },
          cause('permissive.radio-lost', { tag: device.tag }, toWires),
        )
      const override = wrong.find((id) => id.startsWith('override-'))
      if (override)
        return worst(
          'permissive.override-bypasses',
          { loads, tag: device.tag },
          cause('permissive.override-bypasses', {}, toWires),
        )
      if (wrong.includes('within'))
        return look('permissive.drops-late', {}, cause('permissive.drops-late', {}, toWires))
      if (found.picked('closed') === 'no')
        return look(
          'permissive.does-not-return',
          { tag: device.tag },
          cause('permissive.does-not-return', { tag: device.tag }, toWires),
        )
      return undefined
    },
  })
}
