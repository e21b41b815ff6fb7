import type { LoopContext } from '../../check/context'
import type { ResolvedDevice } from '../../document/chain'
import type { PermissiveFacts } from '../../device/deviceProfile'
import { type LoadLogic, loadLogics } from '../../wiring/loadLogic'
import type { StepSpec, TestSpec } from '../proofTest'
import { coldBath, openByCause } from '../openByCause'
import { cause, nameOf, spec, toWires, yesNo } from './parts'
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
      const worst = protects ? ('stop' as const) : ('look' as const)
      const told = (
        verdict: 'stop' | 'look',
        head: string,
        reason: string,
        id: string,
        says: string,
        check: string,
      ) => ({
        verdict,
        head,
        reason,
        next: check,
        causes: [cause(id, says, check, toWires)],
      })
      if (found.picked('dry') === 'comes')
        return told(
          'stop',
          `Stop: ${device.tag} is closed without flow`,
          `The ${what} of ${loads} comes with the pump off.`,
          'closed-dry',
          'Its paddle sticks, it sits the wrong way round, or its contact is bridged.',
          `Off, dead. Ohms over ${device.tag} with the pump off: closed is the switch or a bridge. ${loads} stays lifted.`,
        )
      if (found.picked('runs') === 'no')
        return told(
          'look',
          'It does not run to begin with',
          'Nothing can be proved of a load that stands.',
          'not-running',
          'Another contact in its line is open, or the control does not call.',
          'The two questions first: commanded? answered?',
        )
      if (found.picked('opened') === 'runs')
        return told(
          worst,
          `${protects ? 'Stop: ' : ''}${device.tag} does not take it off`,
          `${loads} runs on with ${device.tag} open.`,
          'permissive-bypassed',
          'Its contact is bridged, lies in parallel, or is wired into another line; or the switch does not open.',
          `Isolate. Ohms over ${device.tag} opened: open is wiring, closed is the switch or a bridge.`,
        )
      const override = wrong.find((id) => id.startsWith('override-'))
      if (override)
        return told(
          worst,
          'Stop: a switch by-passes what protects',
          `${loads} ran with ${device.tag} open.`,
          'override-bypasses',
          'The hand switch lies across the permissive too.',
          'Isolate. Put the switch across the control\u2019s contact only, behind the permissive.',
        )
      if (wrong.includes('within'))
        return told(
          'look',
          'It drops late',
          'Longer than 10 s.',
          'drops-late',
          'A delay is set too long, or the paddle sticks.',
          'Delay 5 to 10 s; trim or free the paddle.',
        )
      if (found.picked('closed') === 'no')
        return told(
          'look',
          'It does not come back',
          `${device.tag} is closed again and nothing starts.`,
          'does-not-return',
          'Its contact does not close cleanly, a minimum off time runs, or its protection locked out.',
          `Wait out the minimum off time; then ohms over ${device.tag} closed, with a low-current meter.`,
        )
      return undefined
    },
  })
}
