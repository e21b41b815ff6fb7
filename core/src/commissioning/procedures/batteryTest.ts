import type { LoopContext } from '../../check/context'
import type { ResolvedDevice } from '../../document/chain'
import type { BatteryPlan } from '../../document/controllerPlan'
import { fieldValue } from '../../plant/fieldValue'
import { boundTo } from '../../device/bound'
import type { Outcome, TestSpec } from '../proofTest'
import { around, cause, look, nameOf, noted, sourceOfRow, spec, toKeying, toWires } from './parts'
import { timeAsk } from './minimumOffTest'

/** Battery cut-off by an adjustable supply at the controller's terminals: volts, hold time, restart. Expected: the plan; tol.cutoff.v, tol.timer. */
export function batteryTest(context: LoopContext, device: ResolvedDevice, plan: BatteryPlan): TestSpec {
  const { say } = context.words
  const toleranceV = fieldValue(context.data, 'tol.cutoff.v').typical
  const source = sourceOfRow(context, 'tol.cutoff.v')
  const name = (binds: Parameters<typeof boundTo>[1]) => {
    const found = boundTo(device.facts.controller!, binds)
    return found ? `${found.name} (${found.code})` : 'it'
  }
  const volts = (label: string, at: number) =>
    around(label, 'voltage', at, toleranceV, source, { decimals: 2, nothing: 'never' })
  return spec(context, {
    id: `battery/${device.id}`,
    kind: 'battery',
    title: 'Battery cut-off',
    about: nameOf(device),
    purpose: `Off under ${say(plan.cutOffV, 'voltage')} held ${say(plan.holdS, 'seconds')}, back at ${say(plan.restartV, 'voltage')}.`,
    have: ['adjustable supply, fused', 'meter at the terminals', 'stopwatch'],
    how: 'The adjustable supply in place of the battery, meter at the controller\u2019s own terminals. Lower by a tenth of a volt, wait out the hold each time.',
    rule: `Within ${say(toleranceV, 'voltage')} (${source}); the after-run of a fuel heater finishes.`,
    safety: [
      'A fuel heater\u2019s supply is never cut: it is stopped by its run input and runs after. Fuse at the battery. Never start it in a closed space.',
    ],
    steps: [
      {
        id: 'off',
        title: 'Cuts off at',
        does: `Lower slowly. At what voltage, held ${say(plan.holdS, 'seconds')}, does it stop?`,
        main: volts('Stops at', plan.cutOffV),
        at: { volts: plan.cutOffV, way: 'falling' },
      },
      {
        id: 'hold',
        title: 'Held for',
        does: 'From well over to just under the cut-off at once: seconds until it stops.',
        main: timeAsk(context, 'Seconds', plan.holdS),
        clock: true,
        at: { volts: plan.cutOffV - 0.5 },
      },
      {
        id: 'back',
        title: 'Comes back at',
        does: 'Raise slowly. At what voltage may it run again?',
        main: volts('Runs again at', plan.restartV),
        at: { volts: plan.restartV, way: 'rising' },
      },
      {
        id: 'after',
        title: 'After-run',
        does: 'When it cut off: does the heater run after, fan and flame-out, to its end?',
        main: {
          kind: 'choice',
          label: 'After-run',
          choices: { finishes: 'Finishes', 'cut-short': 'Is cut short' },
          wants: 'finishes',
        },
      },
      {
        id: 'battery',
        title: 'At the battery',
        does: 'Battery joined again, heater running: volts at the battery\u2019s posts, and at the controller.',
        main: noted('At the battery', 'voltage', { decimals: 2 }),
        asides: { terminals: noted('At the controller', 'voltage', { decimals: 2 }) },
        spare: true,
      },
    ],
    judge: (found, wrong): Partial<Outcome> | undefined => {
      const [off, hold, back] = [found.value('off'), found.value('hold'), found.value('back')]
      if (found.picked('after') === 'cut-short')
        return {
          ...look(
            'Stop: the after-run is cut short',
            'The burner stands hot without its fan.',
            cause(
              'supply-cut',
              'The cut-off switches the heater\u2019s supply instead of its run input.',
              'Isolate. Supply straight from the fused battery; the cut-off into the run input.',
              toWires,
            ),
          ),
          verdict: 'stop',
        }
      if (off === null)
        return look(
          'It never cuts off',
          'Lowered past its limit, it ran on.',
          cause(
            'cut-off-not-keyed',
            'The cut-off is off, or its contact is not in the run input.',
            `Read ${name('battery.cutOff')}; then the wire of the run input.`,
            toKeying,
          ),
        )
      if (wrong.includes('off') && off !== undefined) {
        const ratio = off / plan.cutOffV
        const doubled = Math.abs(ratio - 2) < 0.1 || Math.abs(ratio - 0.5) < 0.05
        return look(
          'Cuts off at other volts',
          `${say(off, 'voltage', 2)}; ${say(plan.cutOffV, 'voltage', 2)} is planned.`,
          doubled
            ? cause(
                'system-volts',
                'It is keyed for a battery of twice or half the volts.',
                `Read ${name('battery.cutOff')}.`,
                toKeying,
              )
            : cause(
                'cut-off-keyed',
                'Another voltage is keyed, or the meter was at the battery and not at the terminals.',
                `Read ${name('battery.cutOff')}; meter at the controller\u2019s terminals.`,
                toKeying,
              ),
        )
      }
      if (wrong.includes('hold') && hold !== undefined)
        return look(
          hold !== null && hold < plan.holdS ? 'Cut off too soon' : 'Held too long',
          hold === null ? 'It never stopped.' : `${say(hold, 'seconds')}; ${say(plan.holdS, 'seconds')} is planned.`,
          cause(
            'hold-keyed',
            'The hold time is keyed otherwise: without one a glow pin\u2019s start trips it.',
            `Read ${name('battery.hold')}.`,
            toKeying,
          ),
        )
      if (wrong.includes('back') && back !== undefined)
        return look(
          'Comes back elsewhere',
          back === null
            ? 'It did not come back.'
            : `${say(back, 'voltage', 2)}; ${say(plan.restartV, 'voltage', 2)} is planned.`,
          cause(
            'restart-keyed',
            'The restart voltage is keyed otherwise.',
            `Read ${name('battery.restart')}.`,
            toKeying,
          ),
        )
      const [post, terminal] = [found.value('battery'), found.value('battery/terminals')]
      if (typeof post === 'number' && typeof terminal === 'number' && post - terminal > 0.3)
        return look(
          'Volts are lost on the way',
          `${say(post - terminal, 'voltage', 2)} between battery and controller while it runs.`,
          cause(
            'lead-drop',
            'A thin or long lead, a brown fuse holder, a loose lug.',
            'Millivolts over each connection at full current; over 100 mV renew it.',
            toWires,
          ),
        )
      return undefined
    },
  })
}
