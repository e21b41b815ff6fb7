import type { LoopContext } from '../../loop/context'
import type { ResolvedDevice } from '../../document/chain'
import type { BatteryPlan } from '../../settings/battery/fields'
import { fieldValue } from '../../plant/fieldValue'
import { boundTo } from '../../device/bound'
import type { Judged, TestSpec } from '../proofTest'
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
    judge: (found, wrong): Judged | undefined => {
      const [off, hold, back] = [found.value('off'), found.value('hold'), found.value('back')]
      if (found.picked('after') === 'cut-short')
        return {
          ...look('battery.supply-cut', {}, cause('battery.supply-cut', {}, toWires)),
          verdict: 'stop',
        }
      if (off === null)
        return look(
          'battery.cut-off-not-keyed',
          {},
          cause('battery.cut-off-not-keyed', { batteryCutOffParameter: name('battery.cutOff') }, toKeying),
        )
      if (wrong.includes('off') && off !== undefined) {
        const ratio = off / plan.cutOffV
        const doubled = Math.abs(ratio - 2) < 0.1 || Math.abs(ratio - 0.5) < 0.05
        return look(
          'battery.system-volts',
          { off, cutOffV: plan.cutOffV },
          doubled
            ? cause('battery.system-volts', { batteryCutOffParameter: name('battery.cutOff') }, toKeying)
            : cause('battery.cut-off-keyed', { batteryCutOffParameter: name('battery.cutOff') }, toKeying),
        )
      }
      if (wrong.includes('hold') && hold !== undefined)
        return look(
          'battery.hold-keyed',
          { hold, holdS: plan.holdS },
          cause('battery.hold-keyed', { batteryHoldParameter: name('battery.hold') }, toKeying),
        )
      if (wrong.includes('back') && back !== undefined)
        return look(
          'battery.restart-keyed',
          { back, restartV: plan.restartV },
          cause('battery.restart-keyed', { batteryRestartParameter: name('battery.restart') }, toKeying),
        )
      const [post, terminal] = [found.value('battery'), found.value('battery/terminals')]
      if (typeof post === 'number' && typeof terminal === 'number' && post - terminal > 0.3)
        return look('battery.lead-drop', { difference: post - terminal }, cause('battery.lead-drop', {}, toWires))
      return undefined
    },
  })
}
