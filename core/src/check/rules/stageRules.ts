import { remembered } from '../../memory/remembered'
import { switchingPlans, type OnOffBehaviour, type PlanOf } from '../../settings/behaviour'
import { rungsOf } from '../../settings/stages/stageGroup'
import { fieldValue } from '../../plant/fieldValue'
import { bindsAny, boundTo } from '../../device/bound'
import { displayStepK } from '../../settings/displayStep'
import type { Fix } from '../../shapes/fix'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { controlOutputs, reachOf } from '../../wiring/reach'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { startsOf } from '../../settings/starts'
import { cutOuts, iceLine } from '../../settings/cutOuts'
import { fightsOf, outOfOrder } from '../../settings/switching/switchingScale'
import { answered, eachSwitching, lookAgain, note, type Rule, stop } from './rule'

/** Scales of a loop: rungs of one controller by one probe. */
const scalesOf = remembered((planned: LoopContext['loop']['settings']['planned']) => {
  const seen = new Set<string>()
  return switchingPlans(planned).flatMap((plan): readonly PlanOf<OnOffBehaviour>[][] => {
    if (seen.has(plan.id)) return []
    const rungs = rungsOf(planned, plan.id)
    for (const { id } of rungs) seen.add(id)
    return [rungs]
  })
})
const scales = ({ loop }: LoopContext) => scalesOf(loop.settings.planned)

const stagesInOrder: Rule = (context) =>
  scales(context).flatMap((rungs) =>
    outOfOrder(rungs, answered(context, 'stageSchool') === 'delays').map((rung) => {
      const before = rungs.filter(({ action }) => action === rung.action)
      const at = before.findIndex(({ id }) => id === rung.id)
      return lookAgain(
        'C090_STAGE_OUT_OF_ORDER',
        { about: rung.id, figures: { at, at2: at, onC: rung.onC, beforeC: before[at - 1]!.onC } },
        'set',
      )
    }),
  )

const heatAgainstCold: Rule = (context) =>
  scales(context).flatMap((rungs): Found[] => {
    const heats = rungs.filter(({ action }) => action === 'heating')
    const cools = rungs.filter(({ action }) => action === 'cooling')
    const [first] = cools
    if (heats.length === 0 || !first) return []
    const { data } = context
    const [fight] = fightsOf(rungs)
    if (fight)
      return [
        lookAgain(
          'C091_HEAT_AGAINST_COLD',
          { about: first.id, figures: { fromC: fight.fromC, toC: fight.toC } },
          'set',
        ),
      ]
    const deadband = fieldValue(data, 'deadband.heatcool')
    const spacingK = Math.min(...cools.map(({ onC }) => onC)) - Math.max(...heats.map(({ offC }) => offC))
    if (spacingK >= deadband.low) return []
    return [note('C092_DEADBAND_NARROW', { about: first.id, figures: { spacingK, usualK: deadband.typical } }, 'set')]
  })

/** The swing under which it starts no oftener than it may, where its controller can be keyed to one. */
function wider(
  plan: PlanOf<OnOffBehaviour>,
  { chain, job, words }: LoopContext,
  leastK: number,
): { readonly fix?: Fix } {
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const bound = controller && boundTo(controller, 'swing')
  if (!controller || !bound) return {}
  const stepK = displayStepK(controller, job)
  const value = Number((Math.ceil(leastK / stepK - 1e-6) * stepK).toPrecision(9))
  if (bound.high !== undefined && value > bound.high) return {}
  const say = `Plan a ${words.term('differential')} of ${words.say(value, 'difference')}`
  return { fix: { do: 'setting', plan: plan.id, setting: 'swingK', value, say } }
}

/** More starts than the load bears, or than is usual for its kind. */
const startsBearable = eachSwitching((plan, context) => {
  const starts = startsOf(context, plan)
  if (!starts?.allowed || starts.allowedSwingK === undefined) return []
  const { load, worst, allowed, allowedSwingK } = starts
  if (worst.perHour <= allowed.perHour + 1e-9) return []
  return [
    lookAgain(
      'C093_STARTS_TOO_MANY',
      {
        about: plan.id,
        figures: {
          cyclesPerHour: worst.perHour,
          tag: allowed.device?.tag,
          mostAnHour: allowed.perHour,
          minimumOffS: worst.minimumOffRules ? load.minimumOffS : undefined,
        },
        ...wider(plan, context, allowedSwingK),
        worked: [worst.worked],
      },
      'set',
    ),
  ]
})

const stageWait: Rule = (context) =>
  context.chain.devices.flatMap((device): Found[] => {
    const { controller } = device.facts
    const { stages } = controllerPlanOf(context, device)
    const mine = switchingPlans(context.loop.settings.planned).filter(({ output }) => output.device === device.id)
    if (!controller || !stages || mine.length < 2 || !bindsAny(controller, 'stageWait')) return []
    const cools = mine[0]!.action === 'cooling'
    const usual = fieldValue(context.data, cools ? 'delay.stage.compressor' : 'delay.stage.boiler')
    const leastS = usual.low * 60
    if (stages.waitS >= leastS) return []
    const { words } = context
    return [
      lookAgain(
        'C094_STAGE_WAIT_SHORT',
        {
          about: device.id,
          figures: { waitS: stages.waitS, stages: mine.length, leastS },
          fix: {
            do: 'controller',
            device: device.id,
            change: { stages: { ...stages, waitS: leastS } },
            say: `Plan ${words.say(leastS, 'seconds')} between stages`,
          },
        },
        'set',
      ),
    ]
  })

/** A freeze thermostat has its place between the ice and the work. */
const freezeCutOut: Rule = (context) => {
  const { loop } = context
  const iceC = iceLine(context)
  const lowest = switchingPlans(loop.settings.planned)
    .filter(({ action }) => action === 'cooling')
    .reduce((least, { offC }) => Math.min(least, offC), Infinity)
  return cutOuts(context)
    .filter(({ opens }) => opens === 'fall')
    .flatMap(({ device, atC }): Found[] => {
      if (iceC !== undefined && atC <= iceC)
        return [stop('C098_FREEZE_CUT_OUT', { about: device.id, figures: { tag: device.tag, atC, iceC } }, 'set')]
      if (!Number.isFinite(lowest) || atC < lowest) return []
      return [
        lookAgain('C096_CUT_OUT_IN_BAND', { about: device.id, figures: { tag: device.tag, atC, lowest, iceC } }, 'set'),
      ]
    })
}

/** An output that drives nothing, and is still planned as a stage. */
const stageDrivesNothing: Rule = (context) =>
  context.chain.devices.flatMap((device): Found[] => {
    if (!device.facts.controller?.controls?.staged) return []
    const mine = switchingPlans(context.loop.settings.planned).filter(({ output }) => output.device === device.id)
    const idle = mine.filter(({ output }) => reachOf(context.chain, output).length === 0)
    if (idle.length === 0 || idle.length === mine.length || controlOutputs(device).length < 2) return []
    return idle.map((plan) =>
      lookAgain(
        'C099_STAGE_DRIVES_NOTHING',
        {
          about: plan.id,
          figures: {
            stage: mine.indexOf(plan) + 1,
            tag: device.tag,
            output: device.facts.ports[plan.output.port]?.title ?? plan.output.port,
          },
        },
        'set',
      ),
    )
  })

/** Rules about stages, their order, their starts and what stops them. */
export const stageRules: readonly Rule[] = [
  freezeCutOut,
  stagesInOrder,
  heatAgainstCold,
  startsBearable,
  stageWait,
  stageDrivesNothing,
]
