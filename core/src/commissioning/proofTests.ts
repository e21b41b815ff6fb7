import { factsOfKind } from '../kinds/kinds'
import type { LoopContext } from '../loop/context'
import { type PlanOf, plansOf } from '../settings/behaviour'
import { ordered } from '../schema/ordered'
import { bindsAny, boundTo } from '../device/bound'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import { livesOnAir } from '../survey/atRisk'
import { forcedAir } from '../wiring/forcedAir'
import { ownProtection } from '../wiring/protections'
import { reachOf } from '../wiring/reach'
import { type ProofTest, testKinds, type TestSpec } from './proofTest'
import { judgedTest } from './judgedTest'
import { alarmTest } from './procedures/alarmTest'
import { batteryTest } from './procedures/batteryTest'
import { beforeTest } from './procedures/beforeTest'
import { defrostTest } from './procedures/defrostTest'
import { dialTestOf } from './procedures/dialTestOf'
import { driveTest } from './procedures/driveTest'
import { fanTest, humidityInput } from './procedures/fanTest'
import { backupTest } from './procedures/backupTest'
import { coolerTest } from './procedures/coolerTest'
import { restartTest } from './procedures/restartTest'
import { warmUpTest } from './procedures/warmUpTest'
import { limiterTest, ownProtectionTest } from './procedures/limiterTest'
import { offsetTest } from './procedures/offsetTest'
import { deviceOf, feelsItself, stageGroup } from './procedures/parts'
import { permissiveTest } from './procedures/permissiveTest'
import { probeFaultTest } from './procedures/probeFaultTest'
import { resetTest } from './procedures/resetTest'
import { minimumOffTest } from './procedures/minimumOffTest'
import { riseAndFallTest } from './procedures/riseAndFallTest'
import { stagesTest } from './procedures/stagesTest'
import { substituteTest } from './procedures/substituteTest'
import { sweepTest } from './procedures/sweepTest'
import { clockTest, timerTest } from './procedures/timerTest'
import { remembered } from '../memory/remembered'

type Maybe = TestSpec | undefined

/** A fan that somebody lives on, whatever way it is controlled; what stands in for it is tried with it. */
const movesAirForSomebody = (context: LoopContext, plan: PlanOf) =>
  plan.kind === 'fan' ||
  (livesOnAir(context) !== undefined &&
    forcedAir(context.chain).controllers.some(({ id }) => id === plan.output.device))

/** Tests of one planned output. */
function ofPlan(context: LoopContext, plan: PlanOf): Maybe[] {
  const device = deviceOf(context, plan.output.device)
  if (!device) return []
  const mechanical = feelsItself(device)
  const stages = stageGroup(context, plan)
  const lead = stages.length === 0 || stages[0]!.id === plan.id
  const end = reachOf(context.chain, plan.output)[0]
  const keysMinimumOff = boundTo(device.facts.controller!, 'minimumOff', [plan.output.port]) !== undefined
  const keepsOff =
    plan.kind === 'on-off' &&
    ((keysMinimumOff && plan.minimumOffS > 0) || end?.device.facts.load?.timesOwnMinimumOff === true)
  return [
    beforeTest(context, plan),
    ...(plan.kind === 'on-off' && mechanical ? [dialTestOf(context, plan)] : []),
    ...(plan.kind === 'on-off' && !mechanical && lead ? [riseAndFallTest(context, plan)] : []),
    ...(lead && stages.length > 0 ? [stagesTest(context, stages)] : []),
    ...(plan.kind === 'on-off' ? [] : [sweepTest(context, plan)]),
    ...(plan.kind === 'fan' ? [fanTest(context, plan)] : []),
    ...(movesAirForSomebody(context, plan) ? [backupTest(context, plan)] : []),
    ...(keepsOff && plan.kind === 'on-off' && lead ? [minimumOffTest(context, plan)] : []),
    ...(mechanical || !lead
      ? []
      : [
          probeFaultTest(context, plan),
          offsetTest(context, plan),
          substituteTest(context, plan, plan.input),
          alarmTest(context, plan),
        ]),
    ...(plan.kind === 'fan' && humidityInput(context, plan)
      ? [substituteTest(context, plan, humidityInput(context, plan)!)]
      : []),
    ...(factsOfKind(context.loop.kind).cooler && plan.action === 'cooling' ? [coolerTest(context, plan)] : []),
    ...(lead && plan.kind !== 'fan' ? [warmUpTest(context, plan)] : []),
  ]
}

/** Tests of one controller as a whole. */
function ofControllers(context: LoopContext, plans: readonly PlanOf[]): Maybe[] {
  return context.chain.devices.flatMap((device): Maybe[] => {
    const { controller } = device.facts
    const mine = plans.filter(({ output }) => output.device === device.id)
    if (!controller) return []
    const whole = controllerPlanOf(context, device)
    const has = (start: string) => bindsAny(controller, start)
    const drives = plans.find(({ output }) =>
      reachOf(context.chain, output).some(({ via }) => via.some(({ id }) => id === device.id)),
    )
    return [
      ...(device.facts.category === 'drive' && drives ? [driveTest(context, device, drives)] : []),
      ...(mine.length > 0 && has('reset.') && whole.reset ? [resetTest(context, device, whole.reset, mine[0])] : []),
      ...(mine.length > 0 &&
      has('defrost.') &&
      whole.defrost &&
      (whole.defrost.by !== 'time' || whole.defrost.everyH > 0)
        ? [defrostTest(context, device, whole.defrost)]
        : []),
      ...(mine.length > 0 && has('battery.') && whole.battery ? [batteryTest(context, device, whole.battery)] : []),
      ...(mine.length > 0 && has('timer.') && whole.timer && whole.timer.aS > 0
        ? [timerTest(context, device, whole.timer, mine[0]!)]
        : []),
      ...(mine.length > 0 && has('period1.') && ordered(whole.week?.periods ?? {}).length > 0
        ? [clockTest(context, device)]
        : []),
      ...(mine.length > 0 && controller.menu ? [restartTest(context, device, mine)] : []),
    ]
  })
}

/** Tests of what guards: limiters, the maker's own chain, permissives. */
function ofProtections(context: LoopContext): Maybe[] {
  return context.chain.devices.map((device): Maybe => {
    if (device.facts.limiter) return limiterTest(context, device)
    if (device.facts.permissive) return permissiveTest(context, device)
    if (
      device.facts.category === 'load' &&
      ownProtection(device.facts) &&
      context.chain.connections.some(({ to }) => to.device === device.id)
    )
      return ownProtectionTest(context, device)
    return undefined
  })
}

/** Every test that a loop's plan asks for, without what was read. In the order in which they are best made. */
function testSpecs(context: LoopContext): readonly TestSpec[] {
  const plans = plansOf(context.loop.settings.planned)
  const found = [
    ...plans.flatMap((plan) => ofPlan(context, plan).map((spec) => spec && { ...spec, plan: plan.id })),
    ...ofControllers(context, plans),
    ...(plans.length > 0 ? ofProtections(context) : []),
  ]
  const specs = [...new Map(found.flatMap((each) => (each ? [[each.id, each] as const] : []))).values()]
  return specs
    .map((each, i) => ({ each, i }))
    .sort((a, b) => testKinds.indexOf(a.each.kind) - testKinds.indexOf(b.each.kind) || a.i - b.i)
    .map(({ each }) => each)
}

/** Every test of a loop with its readings and what they mean; made once for a context. */
export const proofTests = remembered((context: LoopContext): readonly ProofTest[] =>
  testSpecs(context).map((spec) => judgedTest(context, spec)),
)

/**
 * Whether a test may still be left out with a reason: none that proves a safety, and none whose last take was not good. Beginning
 * anew does not take back what was found; without a record of it nothing is known, so it counts as not good.
 */
export const mayLeaveOut = ({ result, protects, attempt, past }: ProofTest): boolean =>
  !protects && result.verdict === 'waiting' && (attempt === 1 || past.at(-1)?.verdict === 'good')

/** Whether nothing is left to do about a test: it is good, or it may be left out and nobody has to make it. */
export const settled = (test: ProofTest): boolean =>
  test.result.verdict === 'good' || (mayLeaveOut(test) && (test.spare === true || test.skipped !== undefined))

/** Whether a test failed: it cannot be reasoned away, only taken again. */
export const failed = ({ result }: ProofTest): boolean => result.verdict === 'look' || result.verdict === 'stop'
