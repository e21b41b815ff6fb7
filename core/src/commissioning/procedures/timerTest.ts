import type { LoopContext } from '../../check/context'
import type { PlanOf } from '../../document/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import type { TimerPlan } from '../../document/controllerPlan'
import { boundTo } from '../../device/bound'
import { spell } from '../../control/timerSequence'
import { fieldValue } from '../../plant/fieldValue'
import type { Outcome, StepSpec, TestSpec } from '../proofTest'
import { around, cause, loadName, look, nameOf, sourceOfRow, spec, toKeying, toSet, toWires } from './parts'
import { timeAsk } from './minimumOffTest'

/** A timer that takes longer is tried with a short time keyed for the test, s. */
const TRIED_S = 300

/** The timer by the stopwatch: how long, from when, what the output does when it is over. Expected: the plan; tol.timer. */
export function timerTest(context: LoopContext, device: ResolvedDevice, timer: TimerPlan, plan: PlanOf): TestSpec {
  const { say } = context.words
  const name = (binds: Parameters<typeof boundTo>[1]) => {
    const found = boundTo(device.facts.controller!, binds)
    return found ? `${found.name} (${found.code})` : 'it'
  }
  const long = timer.aS > TRIED_S
  const aS = long ? TRIED_S : timer.aS
  const load = loadName(context, plan)
  const steps: StepSpec[] = [
    ...(timer.from === 'heat'
      ? [
          {
            id: 'waits',
            title: 'Waits for the heat',
            does: `Start it cold. The time must not run before ${say(plan.setpointC, 'temperature')} is reached.`,
            main: {
              kind: 'choice',
              label: 'The time',
              choices: { waits: 'Waits', runs: 'Runs at once' },
              wants: 'waits',
            } as const,
          },
        ]
      : []),
    {
      id: 'a',
      title: 'Timer A',
      does: `${long ? `Key ${spell(aS)} for the test (and back to ${spell(timer.aS)} after it). ` : ''}Watch from where the time starts until it is over.`,
      main: timeAsk(context, 'Seconds', aS),
      clock: true,
    },
    {
      id: 'over',
      title: 'When it is over',
      does:
        timer.mode === 'once'
          ? `${load} must go off and stay off.`
          : `${load} must go off for ${spell(timer.bS)} and come again.`,
      main: {
        kind: 'choice',
        label: load,
        choices: { off: 'Off, and stays off', again: 'Off, and comes again', on: 'Runs on' },
        wants: timer.mode === 'once' ? 'off' : 'again',
      },
    },
    ...(timer.mode === 'repeat' && timer.bS > 0
      ? [
          {
            id: 'b',
            title: 'Timer B',
            does: 'Watch the pause.',
            main: timeAsk(context, 'Seconds', Math.min(timer.bS, TRIED_S)),
            clock: true as const,
          },
        ]
      : []),
    {
      id: 'reached',
      title: 'At-temperature alarm',
      does: 'Does it tell when the heat is reached, or when the time is over? Write down which.',
      main: {
        kind: 'choice',
        label: 'It tells',
        choices: { reached: 'When reached', over: 'When over', both: 'Both', neither: 'Neither' },
      },
      spare: true,
    },
  ]
  return spec(context, {
    id: `timer/${device.id}`,
    kind: 'timer',
    title: 'Timer',
    about: nameOf(device),
    purpose:
      timer.mode === 'once'
        ? `Runs ${spell(timer.aS)}, then off.`
        : `On ${spell(timer.aS)}, off ${spell(timer.bS)}, again and again.`,
    have: ['stopwatch'],
    how: 'Start watch and timer together; stop at the click, not at the lamp.',
    rule: `Within ${say(fieldValue(context.data, 'tol.timer').typical, 'percent')}, a second at least (${sourceOfRow(context, 'tol.timer')}).`,
    steps,
    judge: (found, wrong): Partial<Outcome> | undefined => {
      if (found.picked('over') === 'on')
        return {
          ...look(
            'Stop: it runs on when the time is over',
            `${load} heats with nobody there.`,
            cause(
              'timer-parallel',
              'The timer\u2019s contact lies in parallel with the control instead of in series, or the contact is welded.',
              'Isolate. Table of contacts in Wire, then ohms over each.',
              toWires,
            ),
          ),
          verdict: 'stop',
        }
      if (wrong.includes('over'))
        return look(
          'Another way of ending',
          `Planned is ${timer.mode === 'once' ? 'off for good' : 'off and on again'}.`,
          cause('timer-mode', 'The timer is keyed to the other mode.', `Read ${name('timer.mode')}.`, toKeying),
        )
      if (found.picked('waits') === 'runs')
        return look(
          'The time runs at once',
          'It counts while it is still warming.',
          cause('timer-from', 'It is keyed to count from the key.', `Read ${name('timer.from')}.`, toKeying),
        )
      for (const [id, seconds, other] of [
        ['a', aS, timer.bS],
        ['b', Math.min(timer.bS, TRIED_S), timer.aS],
      ] as const) {
        const took = found.value(id)
        if (!wrong.includes(id) || took === undefined) continue
        const near = (s: number) => s > 0 && took !== null && Math.abs(took - s) <= Math.max(2, 0.05 * s)
        return look(
          `Timer ${id.toUpperCase()} is not as planned`,
          took === null ? 'It never ended.' : `${spell(took)}; ${spell(seconds)} is right.`,
          near(seconds * 60) || near(seconds / 60)
            ? cause(
                'unit-mixed',
                'Minutes were keyed for seconds, or hours for minutes.',
                `Read ${name(id === 'a' ? 'timer.a' : 'timer.b')} and its unit.`,
                toKeying,
              )
            : near(other)
              ? cause('times-swapped', 'A and B are swapped.', 'Read both and change them over.', toKeying)
              : cause(
                  'time-keyed',
                  'Another time is keyed.',
                  `Read ${name(id === 'a' ? 'timer.a' : 'timer.b')}.`,
                  toKeying,
                ),
        )
      }
      return undefined
    },
  })
}

/** The controller's clock against a right one, and that a period of the week does what it says. Expected: tol.clock. */
export function clockTest(context: LoopContext, device: ResolvedDevice): TestSpec {
  const allowedS = fieldValue(context.data, 'tol.clock').typical
  const source = sourceOfRow(context, 'tol.clock')
  return spec(context, {
    id: `clock/${device.id}`,
    kind: 'clock',
    title: 'Clock and week',
    about: nameOf(device),
    purpose: 'The clock is right, and the week does now what it should.',
    have: ['a clock that is right'],
    how: 'Read both at the same moment. Day of the week too.',
    rule: `Within ${context.words.say(allowedS, 'seconds')} (${source}).`,
    steps: [
      {
        id: 'clock',
        title: 'Clock',
        does: 'How many seconds is the controller\u2019s clock ahead? Behind counts as minus.',
        main: around('Seconds ahead', 'seconds', 0, allowedS, source),
      },
      {
        id: 'day',
        title: 'Day',
        does: 'Does it show today\u2019s day of the week?',
        main: { kind: 'choice', label: 'Day', choices: { right: 'Right', wrong: 'Another day' }, wants: 'right' },
      },
      {
        id: 'period',
        title: 'A period',
        does: 'Set the clock to a minute before a period begins: does it switch on the minute? Then set it right again.',
        main: { kind: 'choice', label: 'It', choices: { switches: 'Switches', not: 'Does not' }, wants: 'switches' },
        spare: true,
      },
      {
        id: 'kept',
        title: 'Kept without power',
        does: 'Power off for a minute: does the clock go on?',
        main: { kind: 'choice', label: 'Clock', choices: { goes: 'Goes on', lost: 'Lost' }, wants: 'goes' },
        spare: true,
      },
    ],
    judge: (found, wrong): Partial<Outcome> | undefined => {
      const ahead = found.value('clock')
      if (typeof ahead === 'number' && wrong.includes('clock')) {
        const hour = Math.abs(Math.abs(ahead) - 3600) <= 120
        return look(
          'The clock is off',
          `${spell(Math.abs(ahead))} ${ahead > 0 ? 'ahead' : 'behind'}.`,
          hour
            ? cause(
                'summer-time',
                'Summer time: it was not changed, or does not change by itself.',
                'Set it; write into the record who changes it twice a year.',
              )
            : cause(
                'clock-set',
                'It was never set, or lost its time without power.',
                'Set it; then power off for a minute and look again.',
              ),
        )
      }
      if (found.picked('day') === 'wrong')
        return look(
          'Another day',
          'Week periods come on the wrong days.',
          cause('day-set', 'The day of the week is set wrong.', 'Set day or date.'),
        )
      if (found.picked('period') === 'not')
        return look(
          'The period does not switch',
          'The week is not as planned.',
          cause(
            'week-keyed',
            'The period is keyed to other days or times, or the week is off.',
            'Read the periods against the plan.',
            toSet(undefined, 'week', 'Open the week'),
          ),
        )
      if (found.picked('kept') === 'lost')
        return look(
          'The clock is lost without power',
          'After each power cut the week is wrong.',
          cause(
            'clock-battery',
            'Its reserve is empty or there is none.',
            'A day on power, then again; else its battery. Tell the owner.',
          ),
        )
      return undefined
    },
  })
}
