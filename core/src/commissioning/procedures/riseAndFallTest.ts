import { conventionWords } from '../../settings/switching/law/conventionWords'
import { conventions, switchingPoints } from '../../settings/switching/law/switchingPoints'
import { spell } from '../../time/spell'
import type { LoopContext } from '../../loop/context'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { bindsAny, boundTo } from '../../device/bound'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { roundToStep } from '../../units/displayRound'
import { quantityView } from '../../units/quantity'
import type { Found, NumberAsk, Judged, StepSpec, TestSpec } from '../proofTest'
import {
  around,
  cause,
  deviceOf,
  feeling,
  loadName,
  lookAmong,
  noted,
  outputName,
  parameterName,
  rampKPerS,
  settleS,
  sourceOfRow,
  spec,
  toKeying,
  toProbe,
  toSet,
  toWires,
} from './parts'

type Plan = PlanOf<OnOffBehaviour>

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

/** The offset that is in the controller now: as-left where it was keyed, else as planned. */
function presentOffsetK(context: LoopContext, plan: Plan): number {
  const controller = deviceOf(context, plan.output.device)?.facts.controller
  const code = controller && boundTo(controller, 'offset', [plan.input.port, plan.output.port])?.code
  return (
    (code === undefined ? undefined : context.loop.settings.asLeft[plan.output.device]?.[code]?.value) ?? plan.offsetK
  )
}

/** An offset as this controller takes it: on its display step, in the unit it is set to show. */
export function keyableK(offsetK: number, context: LoopContext, device: string): number {
  const display = deviceOf(context, device)?.facts.controller?.display
  if (!display) return offsetK
  const { toShown, toSi } = quantityView('difference', context.job)
  return toSi(roundToStep(toShown(offsetK), context.job.temperatureUnit === 'F' ? display.stepF : display.stepC))
}

/** Where the setpoint follows a reset line: what to dial outdoors for the line to ask for the setpoint, so that the points are the plan's. */
function outdoorFor(context: LoopContext, plan: Plan): string {
  const device = deviceOf(context, plan.output.device)
  const reset = device && controllerPlanOf(context, device).reset
  if (!device || !reset || !bindsAny(device.facts.controller!, 'reset.')) return ''
  const { designOutdoorC, designSupplyC, warmOutdoorC, warmSupplyC, shiftK } = reset
  const share = (plan.setpointC - shiftK - designSupplyC) / (warmSupplyC - designSupplyC)
  if (!(share >= 0 && share <= 1))
    return ' Key a fixed supply of the setpoint for this test: the line never asks for it.'
  const outdoorC = designOutdoorC + share * (warmOutdoorC - designOutdoorC)
  return ` A box at ${context.words.say(outdoorC, 'temperature')} on the outdoor input: there the line asks for ${context.words.say(plan.setpointC, 'temperature')}.`
}

/** Points that lie within this share of the swing of another convention's are taken for it. */
const CONVENTION_SHARE = 0.15

/** Another convention whose switching points, with the same set and swing, are the ones that were found. */
function otherConvention(plan: Plan, onC: number, offC: number, toleranceK: number) {
  return conventions.find((convention) => {
    if (convention === plan.convention || convention === 'split') return false
    const points = switchingPoints({
      action: plan.action,
      convention,
      setpointC: plan.setpointC,
      swingK: convention === 'signed' ? (plan.action === 'heating' ? -plan.swingK : plan.swingK) : plan.swingK,
    })
    const same = (a: number, b: number) => Math.abs(a - b) <= toleranceK + 1e-9
    return (
      same(points.onC, onC) && same(points.offC, offC) && !(same(points.onC, plan.onC) && same(points.offC, plan.offC))
    )
  })
}

/**
 * Rise and fall: warm the probe, note where it switches; let it cool, note again; repeat. A reference thermometer lies on the probe; what
 * the display shows beside it tells a wrong reading from a wrong setting. Expected: the plan's switching points, tolerance tol.switch.el;
 * swing within tol.swing, the same step repeated within twice the tolerance, offset within tol.offset.limit.
 */
export function riseAndFallTest(context: LoopContext, plan: Plan): TestSpec {
  const { data, words } = context
  const { say } = words
  const toleranceK = fieldValue(data, 'tol.switch.el').typical
  const source = sourceOfRow(context, 'tol.switch.el')
  const heats = plan.action === 'heating'
  const step = (id: string, rising: boolean, again: boolean): StepSpec => {
    const switches = rising === heats ? 'off' : 'on'
    const expectedC = switches === 'off' ? plan.offC : plan.onC
    const main: NumberAsk = around(`Reads when it goes ${switches}`, 'temperature', expectedC, toleranceK, source, {
      nothing: 'does not switch',
    })
    return {
      id,
      title: `${rising ? 'Rise' : 'Fall'}${again ? ' again' : ''}`,
      does: rising
        ? `Warm the probe slowly, by hand or a bag of warm water. When the output goes ${switches}, read the reference thermometer.`
        : `Let the probe cool slowly. When the output goes ${switches}, read the reference thermometer.`,
      main,
      asides: {
        went: {
          kind: 'choice',
          label: 'It went',
          choices: { [switches]: switches, [switches === 'on' ? 'off' : 'on']: switches === 'on' ? 'off' : 'on' },
          wants: switches,
        },
        display: noted('Display shows', 'temperature'),
      },
      at: { input: plan.input, way: rising ? 'rising' : 'falling' },
    }
  }
  return spec(context, {
    id: `rise-and-fall/${plan.id}`,
    kind: 'rise-and-fall',
    title: 'Rise and fall',
    about: outputName(context, plan),
    purpose: `Where it really switches: off at ${say(plan.offC, 'temperature')}, on at ${say(plan.onC, 'temperature')}, may stray ${say(toleranceK, 'difference')}.`,
    have: ['reference thermometer', 'bag of warm water or a warm hand', 'ice pack for what must cool'],
    how: `The thermometer lies on the probe. Not faster than ${say(rampKPerS(context, plan.input, toleranceK) * 60, 'difference', 2)} a minute: the probe lags ${spell(feeling(context, plan.input).lagS)}. Wait ${spell(settleS(context, plan.input))} between moves.${outdoorFor(context, plan)}`,
    rule: `Every point within ${say(toleranceK, 'difference')}; swing within ${say(fieldValue(data, 'tol.swing').typical, 'percent')} of the plan; repeats within ${say(2 * toleranceK, 'difference')}.`,
    steps: [
      step('rise-1', true, false),
      step('fall-1', false, false),
      step('rise-2', true, true),
      step('fall-2', false, true),
    ],
    judge: (found, wrong) => judge(context, plan, toleranceK, found, wrong),
  })
}

const ids = ['rise-1', 'fall-1', 'rise-2', 'fall-2'] as const

function judge(
  context: LoopContext,
  plan: Plan,
  toleranceK: number,
  found: Found,
  wrong: readonly string[],
): Judged | undefined {
  const { data, words } = context
  const { say } = words
  const heats = plan.action === 'heating'
  if (ids.some((id) => wrong.includes(`${id}/went`)))
    return lookAmong('riseAndFall.action-reversed', {}, [
      cause(
        'riseAndFall.action-reversed',
        { heats, actionParameter: parameterName(context, plan, 'action') },
        toKeying,
      ),
    ])
  if (ids.some((id) => found.value(id) === null)) {
    if (!found.complete && !ids.every((id) => found.value(id) !== undefined)) {
      const first = ids.filter((id) => found.value(id) !== undefined)
      if (first.length < 2) return undefined
    }
    return lookAmong('riseAndFall.no-switching', { loadName: loadName(context, plan) }, [
      cause('riseAndFall.no-switching', {}, toWires),
    ])
  }
  if (!found.complete) return undefined
  const at = (id: string) => found.value(id)!
  const [offs, ons] = (
    heats
      ? [
          ['rise-1', 'rise-2'],
          ['fall-1', 'fall-2'],
        ]
      : [
          ['fall-1', 'fall-2'],
          ['rise-1', 'rise-2'],
        ]
  ).map((each) => each.map(at)) as [number[], number[]]
  const slopK = Math.max(...[ons, offs].map((each) => Math.max(...each) - Math.min(...each)))
  const [onC, offC] = [mean(ons), mean(offs)]
  const swingK = heats ? offC - onC : onC - offC
  const errorK = mean([onC - plan.onC, offC - plan.offC])
  const swingLimitK = Math.max(0.2, (fieldValue(data, 'tol.swing').typical / 100) * plan.swingK)
  if (slopK > 2 * toleranceK + 1e-9)
    return {
      verdict: 'stop',
      code: 'riseAndFall.does-not-repeat',
      figures: { slopK, value: 2 * toleranceK },
      causes: [cause('riseAndFall.does-not-repeat', {}, toProbe)],
    }
  const lay = mean(
    ids.flatMap((id) => {
      const shown = found.value(`${id}/display`)
      return shown === undefined || shown === null ? [] : [shown - at(id)]
    }),
  )
  const swingParameter = parameterName(context, plan, 'swing') ?? 'the swing'
  const other = otherConvention(plan, onC, offC, Math.min(toleranceK, CONVENTION_SHARE * plan.swingK))
  const swingOff = Math.abs(swingK - plan.swingK) > swingLimitK + 1e-9
  const near = (factor: number) => Math.abs(swingK - factor * plan.swingK) <= Math.max(0.2, 0.15 * factor * plan.swingK)
  if (swingOff) {
    const doubled = near(2)
    const causes = [
      ...(doubled || near(0.5)
        ? [
            doubled
              ? cause('riseAndFall.swing-doubled', { swingParameter }, toKeying)
              : cause('riseAndFall.swing-halved', { swingParameter }, toKeying),
          ]
        : []),
      cause(
        'riseAndFall.swing-not-as-planned',
        { swingParameter, conventionWords: conventionWords[plan.convention] },
        toKeying,
      ),
    ]
    return lookAmong(
      'riseAndFall.swing-not-as-planned',
      { swingK, planSwingK: plan.swingK, slopK, swingLimitK },
      causes,
    )
  }
  if (wrong.length === 0)
    return {
      verdict: 'good',
      code: 'riseAndFall.good',
      figures: { swingK, planSwingK: plan.swingK, slopK, errorK },
    }
  const settingRight = Number.isFinite(lay) && Math.abs(lay) <= toleranceK + 1e-9
  const convention = other
    ? [
        cause(
          'riseAndFall.other-convention',
          {
            conventionWords: conventionWords[other],
            conventionWords2: conventionWords[plan.convention],
            conventionParameter: parameterName(context, plan, 'convention'),
          },
          toKeying,
        ),
      ]
    : []
  const offsetCauses = [
    cause('riseAndFall.reads-off', { errorK }, toSet(plan, 'offset', 'Open the offset')),
    // Without the display's word for it the two look alike.
    ...(Number.isFinite(lay) ? [] : convention),
  ]
  if (settingRight && other)
    return lookAmong(
      'riseAndFall.other-convention',
      { swingK, planSwingK: plan.swingK, slopK, conventionWords: conventionWords[other] },
      convention,
    )
  if (settingRight)
    return lookAmong('riseAndFall.set-not-as-planned', { errorK }, [
      cause(
        'riseAndFall.set-not-as-planned',
        { setpointC: plan.setpointC, setpointParameter: parameterName(context, plan, 'setpoint') },
        toKeying,
      ),
    ])
  if (onC - plan.onC > 0 !== offC - plan.offC > 0 && Math.abs(errorK) <= toleranceK)
    return lookAmong('riseAndFall.warmed-too-fast', { swingK, planSwingK: plan.swingK, slopK }, [
      cause('riseAndFall.warmed-too-fast', {}),
    ])
  const offsetK = keyableK(presentOffsetK(context, plan) + errorK, context, plan.output.device)
  const limitK = fieldValue(data, 'tol.offset.limit').typical
  if (Math.abs(offsetK) > limitK)
    return lookAmong('riseAndFall.probe-or-lead', { errorK, limitK }, [cause('riseAndFall.probe-or-lead', {}, toProbe)])
  return {
    verdict: 'look',
    code: 'riseAndFall.reads-off',
    figures: { errorK, swingK, planSwingK: plan.swingK, slopK, offsetK },
    causes: offsetCauses,
    ...(offsetK === plan.offsetK
      ? {}
      : { fix: { plan: plan.id, change: { offsetK }, says: `Put ${say(offsetK, 'difference')} into the plan` } }),
  }
}
