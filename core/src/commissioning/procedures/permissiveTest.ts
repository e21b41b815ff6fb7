import type { LoopContext } from '../../loop/context'
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
