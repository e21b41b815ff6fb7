import { dialTest } from '../../control/dialTest'
import type { LoopContext } from '../../loop/context'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import type { Judged, StepSpec, TestSpec } from '../proofTest'
import {
  cause,
  deviceOf,
  lookAmong,
  nameOf,
  noted,
  parameterName,
  sourceOfRow,
  stop,
  toProbe,
  toSet,
  toWires,
} from './parts'

/** Ohms over a closed contact from which on it is worn. Source: practice, see the row tests of the dead block. */
const CLOSED_OHM = 1

/**
 * A mechanical thermostat turned over its dial with an ohmmeter on each of its contacts, dead, at a steady temperature.
 * Judged by `dialTest`: swing, error of the dial; good within tol.switch.mech, adjust up to its loose value, over that replace.
 */
export function dialTestOf(context: LoopContext, plan: PlanOf<OnOffBehaviour>): TestSpec {
  const { data, words } = context
  const device = deviceOf(context, plan.output.device)!
  const port = device.facts.ports[plan.output.port]
  const changeover = port?.kind === 'contact' && port.breaks !== undefined
  const terminal = (id: string | undefined) => (id === undefined ? '' : (device.facts.terminals[id]?.label ?? id))
  const [common, make, breaks] =
    port?.kind === 'contact' ? [terminal(port.common), terminal(port.make), terminal(port.breaks)] : ['', '', '']
  const row = fieldValue(data, 'tol.switch.mech')
  const heats = plan.action === 'heating'
  // Where a dial that is right stands as the contact moves: about what is around it, by what its print marks.
  const [upper, lower] =
    plan.convention === 'cut-in' || plan.convention === 'cut-out'
      ? (plan.convention === 'cut-in') === heats
        ? [0, -plan.swingK]
        : [plan.swingK, 0]
      : [plan.swingK / 2, -plan.swingK / 2]
  const turn = (id: string, title: string, does: string, label: string): StepSpec => ({
    id,
    title,
    does,
    main: noted(label, 'temperature', {
      expected: plan.setpointC + (id === 'closes' || id === 'other-opens' ? upper : lower),
      nothing: 'does not switch',
    }),
  })
  // Made dead: what is said of tests with the power on would contradict it.
  return {
    id: `dial/${plan.id}`,
    kind: 'dial',
    title: 'Dial test',
    about: nameOf(device),
    purpose: 'Swing and error of a mechanical thermostat, by its dial and an ohmmeter.',
    have: ['ohmmeter', 'reference thermometer'],
    safety: ['Isolated, locked off, proved dead; the load wires lifted from the contact.'],
    how: `Leave it an hour at a steady temperature, cover on. Turn slowly, half a minute a degree. Ohmmeter on ${common} and ${make}${changeover ? `, then on ${common} and ${breaks}` : ''}.`,
    rule: `Good within ${words.say(row.typical, 'difference')}, adjust the dial up to ${words.say(row.high, 'difference')}, over that replace (${sourceOfRow(context, 'tol.switch.mech')}).`,
    steps: [
      {
        id: 'ambient',
        title: 'Around it',
        does: 'Read the reference thermometer beside the thermostat, out of your breath.',
        main: noted('Thermometer reads', 'temperature', { expected: plan.setpointC }),
      },
      turn(
        'closes',
        `${common} to ${make} closes`,
        `From the low end, turn up slowly until ${common} to ${make} ${heats ? 'closes' : 'opens'}. Read the dial.`,
        `Dial when it ${heats ? 'closes' : 'opens'}`,
      ),
      turn(
        'opens',
        `${common} to ${make} opens`,
        `Turn down slowly until it ${heats ? 'opens' : 'closes'} again. Read the dial.`,
        `Dial when it ${heats ? 'opens' : 'closes'}`,
      ),
      ...(changeover
        ? [
            turn(
              'other-opens',
              `${common} to ${breaks} opens`,
              `Ohmmeter on ${common} and ${breaks}. Turn up slowly until it ${heats ? 'opens' : 'closes'}. Read the dial.`,
              `Dial when it ${heats ? 'opens' : 'closes'}`,
            ),
            turn(
              'other-closes',
              `${common} to ${breaks} closes`,
              `Turn down until it ${heats ? 'closes' : 'opens'}. Read the dial.`,
              `Dial when it ${heats ? 'closes' : 'opens'}`,
            ),
          ]
        : []),
      {
        id: 'ohm',
        title: 'Closed contact',
        does: 'Dial so that the contact is closed. Read the ohms over it, leads of the meter taken off.',
        main: {
          kind: 'number',
          label: 'Ohms over it',
          quantity: 'resistance',
          decimals: 2,
          expected: 0,
          low: -Infinity,
          high: CLOSED_OHM,
          source: 'a sound power contact is under 1 ohm',
          nothing: 'open',
        },
      },
    ],
    judge: (found): Judged | undefined => {
      const stuck = ['closes', 'opens', 'other-opens', 'other-closes'].find((id) => found.value(id) === null)
      if (stuck)
        return stop(
          'dial.contact-never-closes',
          {},
          stuck.endsWith('closes')
            ? cause('dial.contact-never-closes', {}, toProbe)
            : cause('dial.contact-welded', {}, toProbe),
        )
      const ohm = found.value('ohm')
      if (ohm === null || (ohm !== undefined && ohm > CLOSED_OHM))
        return lookAmong('dial.contact-worn', { ohm }, [cause('dial.contact-worn', {}, toProbe)])
      if (!found.complete) return undefined
      const at = (id: string) => found.value(id)!
      const test = dialTest({
        ambientC: at('ambient'),
        contact: heats ? 'opens-on-rise' : 'closes-on-rise',
        closedAtDialC: heats ? at('closes') : at('opens'),
        openedAtDialC: heats ? at('opens') : at('closes'),
        dialMarks: plan.convention === 'cut-in' ? 'cut-in' : plan.convention === 'cut-out' ? 'cut-out' : 'centre',
        toleranceK: row.typical,
        adjustLimitK: row.high,
      })
      if (test.verdict === null)
        return lookAmong('dial.wrong-terminals', {}, [cause('dial.wrong-terminals', { breaks, make, common }, toWires)])
      const slip = changeover
        ? Math.max(Math.abs(at('other-opens') - at('closes')), Math.abs(at('other-closes') - at('opens')))
        : 0
      if (slip > row.typical)
        return lookAmong('dial.contacts-apart', { slip }, [cause('dial.contacts-apart', {}, toProbe)])
      // A plan is made with the differential that is there: how often it starts hangs on it.
      if (test.verdict !== 'replace' && Math.abs(test.swingK! - plan.swingK) > row.typical + 1e-9)
        return lookAmong('dial.other-differential', { swingK: test.swingK!, plannedK: plan.swingK }, [
          cause(
            'dial.other-differential',
            { swingK: test.swingK!, plannedK: plan.swingK, turned: parameterName(context, plan, 'swing') },
            toSet(plan, undefined, 'Open what is planned'),
          ),
        ])
      if (test.verdict === 'good')
        return {
          verdict: 'good',
          code: 'dial.good',
          figures: { swingK: test.swingK!, dialErrorK: test.dialErrorK!, typical: row.typical },
        }
      if (test.verdict === 'replace')
        return lookAmong('dial.dial-far-off', { swingK: test.swingK!, dialErrorK: test.dialErrorK!, high: row.high }, [
          cause('dial.dial-far-off', {}, toProbe),
        ])
      return lookAmong(
        'dial.dial-slipped',
        { swingK: test.swingK!, dialErrorK: test.dialErrorK!, typical: row.typical },
        [cause('dial.dial-slipped', { at: at('ambient') })],
      )
    },
  }
}
