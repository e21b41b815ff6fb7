import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import type { TimerPlan } from '../../settings/timer/fields'
import { boundTo } from '../../device/bound'
import { spell } from '../../time/spell'
import { fieldValue } from '../../plant/fieldValue'
import type { Judged, StepSpec, TestSpec } from '../proofTest'
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
    judge: (found, wrong): Judged | undefined => {
      if (found.picked('over') === 'on')
        return {
          ...look('timer.timer-parallel', { load }, cause('timer.timer-parallel', {}, toWires)),
          verdict: 'stop',
        }
      if (wrong.includes('over'))
        return look(
          'timer.timer-mode',
          { mode: timer.mode },
          cause('timer.timer-mode', { timerModeParameter: name('timer.mode') }, toKeying),
        )
      if (found.picked('waits') === 'runs')
        return look(
          'timer.timer-from',
          {},
          cause('timer.timer-from', { timerFromParameter: name('timer.from') }, toKeying),
        )
      for (const [id, seconds, other] of [
        ['a', aS, timer.bS],
        ['b', Math.min(timer.bS, TRIED_S), timer.aS],
      ] as const) {
        const took = found.value(id)
        if (!wrong.includes(id) || took === undefined) continue
        const near = (s: number) => s > 0 && took !== null && Math.abs(took - s) <= Math.max(2, 0.05 * s)
        return look(
          'timer.unit-mixed',
          { timer: id, tookS: took, plannedS: seconds },
          near(seconds * 60) || near(seconds / 60)
            ? cause('timer.unit-mixed', { name: name(id === 'a' ? 'timer.a' : 'timer.b') }, toKeying)
            : near(other)
              ? cause('timer.times-swapped', {}, toKeying)
              : cause('timer.time-keyed', { name: name(id === 'a' ? 'timer.a' : 'timer.b') }, toKeying),
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
    judge: (found, wrong): Judged | undefined => {
      const ahead = found.value('clock')
      if (typeof ahead === 'number' && wrong.includes('clock')) {
        const hour = Math.abs(Math.abs(ahead) - 3600) <= 120
        return look(
          'timer.summer-time',
          { aheadS: ahead },
          hour ? cause('timer.summer-time', {}) : cause('timer.clock-set', {}),
        )
      }
      if (found.picked('day') === 'wrong') return look('timer.day-set', {}, cause('timer.day-set', {}))
      if (found.picked('period') === 'not')
        return look('timer.week-keyed', {}, cause('timer.week-keyed', {}, toSet(undefined, 'week', 'Open the week')))
      if (found.picked('kept') === 'lost') return look('timer.clock-battery', {}, cause('timer.clock-battery', {}))
      return undefined
    },
  })
}
