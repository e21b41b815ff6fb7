import { swingForRate, worstCyclingRested } from '../../control/worstCycling'
import { switchingPlans, type OnOffBehaviour, type PlanOf } from '../../document/behaviour'
import { rungsOf } from '../../document/stageGroup'
import { fieldValue } from '../../plant/fieldValue'
import { bindsAny } from '../../device/bound'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { controlOutputs, reachOf } from '../../wiring/reach'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import { rungLoad } from '../rungLoad'
import { cutOuts, iceLine } from '../settings/cutOuts'
import { fightsOf, outOfOrder } from '../settings/switchingScale'
import { eachSwitching, lookAgain, note, type Rule, stop } from './rule'
import { mostStarts } from '../mostStarts'

/** Scales of a loop: rungs of one controller by one probe. */
function scales({ loop }: LoopContext): readonly (readonly PlanOf<OnOffBehaviour>[])[] {
  const seen = new Set<string>()
  return switchingPlans(loop.settings.planned).flatMap((plan) => {
    if (seen.has(plan.id)) return []
    const rungs = rungsOf(loop.settings.planned, plan.id)
    for (const { id } of rungs) seen.add(id)
    return [rungs]
  })
}

const stagesInOrder: Rule = (context) =>
  scales(context).flatMap((rungs) =>
    outOfOrder(rungs).map((rung) => {
      const before = rungs.filter(({ action }) => action === rung.action)
      const at = before.findIndex(({ id }) => id === rung.id)
      return lookAgain(
        'C090_STAGE_OUT_OF_ORDER',
        {
          about: rung.id,
          head: `Stage ${at + 1} comes before stage ${at}.`,
          reason: `It cuts in at ${context.words.say(rung.onC, 'temperature')}, stage ${at} at ${context.words.say(before[at - 1]!.onC, 'temperature')}: 1, 1-2, 1-2-3 is broken.`,
          remedy: 'Space the stages evenly, or let them change places.',
        },
        'set',
      )
    }),
  )

const heatAgainstCold: Rule = (context) =>
  scales(context).flatMap((rungs): Finding[] => {
    const heats = rungs.filter(({ action }) => action === 'heating')
    const cools = rungs.filter(({ action }) => action === 'cooling')
    const [first] = cools
    if (heats.length === 0 || !first) return []
    const { words, data } = context
    const [fight] = fightsOf(rungs)
    if (fight)
      return [
        lookAgain(
          'C091_HEAT_AGAINST_COLD',
          {
            about: first.id,
            head: 'Heating and cooling fight.',
            reason: `From ${words.say(fight.fromC, 'temperature')} to ${words.say(fight.toC, 'temperature')} both can run.`,
            remedy: `Let heating cut out under ${words.say(fight.fromC, 'temperature')}.`,
          },
          'set',
        ),
      ]
    const deadband = fieldValue(data, 'deadband.heatcool')
    const spacingK = Math.min(...cools.map(({ onC }) => onC)) - Math.max(...heats.map(({ offC }) => offC))
    if (spacingK >= deadband.low) return []
    return [
      note(
        'C092_DEADBAND_NARROW',
        {
          about: first.id,
          head: 'Heating and cooling are close.',
          reason: `${words.say(spacingK, 'difference')} between the last heating and the first cooling; usual are ${words.say(deadband.typical, 'difference', 0)}.`,
          remedy: 'Move them apart, or let a delay stand between them.',
        },
        'set',
      ),
    ]
  })

/** More starts than the load bears, or than is usual for its kind. */
const startsBearable = eachSwitching((plan, context) => {
  const { words } = context
  const load = rungLoad(context, plan)
  if (!load) return []
  const most = mostStarts(context, plan)
  if (!most) return []
  const { perHour: mostAnHour, device: named } = most
  const { cyclesPerHour, minimumOffRules: minimumOffRules } = worstCyclingRested(
    load.powerW,
    load.capacityJPerK,
    plan.swingK,
    load.minimumOffS,
  )
  if (cyclesPerHour <= mostAnHour + 1e-9) return []
  const widerK = swingForRate(load.powerW, load.capacityJPerK, mostAnHour)
  return [
    lookAgain(
      'C093_STARTS_TOO_MANY',
      {
        about: plan.id,
        head: `Starts up to ${words.say(cyclesPerHour, 'perHour', 1)}.`,
        reason: `${named ? `${named.tag} bears` : 'Usual are at most'} ${words.say(mostAnHour, 'perHour', 0)}${minimumOffRules ? `; a minimum off time of ${words.say(load.minimumOffS, 'seconds')} is kept` : ''}.`,
        remedy: `A swing of ${words.say(widerK, 'difference')}, or a longer minimum off time, or more store.`,
        worked: [
          {
            calc: 'cycling.rested',
            input: {
              powerW: load.powerW,
              capacityJPerK: load.capacityJPerK,
              swingK: plan.swingK,
              minimumOffS: load.minimumOffS,
            },
            output: 'cyclesPerHour',
          },
        ],
      },
      'set',
    ),
  ]
})

const stageWait: Rule = (context) =>
  context.chain.devices.flatMap((device): Finding[] => {
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
          head: stages.waitS === 0 ? 'No delay between stages.' : 'Delay between stages is short.',
          reason: `After a power loss ${mine.length} start ${stages.waitS === 0 ? 'at once' : `within ${words.say(stages.waitS * (mine.length - 1), 'seconds')}`}; usual are ${words.say(leastS, 'seconds')} or more.`,
          remedy: `Key ${words.say(leastS, 'seconds')}.`,
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
  const { words, loop } = context
  const iceC = iceLine(context)
  const lowest = switchingPlans(loop.settings.planned)
    .filter(({ action }) => action === 'cooling')
    .reduce((least, { offC }) => Math.min(least, offC), Infinity)
  return cutOuts(context)
    .filter(({ opens }) => opens === 'fall')
    .flatMap(({ device, atC }): Finding[] => {
      if (iceC !== undefined && atC <= iceC)
        return [
          stop(
            'C098_FREEZE_CUT_OUT',
            {
              about: device.id,
              head: `Freeze cut-out ${device.tag} is under the ice line.`,
              reason: `It opens at ${words.say(atC, 'temperature')}; ice comes at ${words.say(iceC, 'temperature')}, before it trips.`,
              remedy: `Set it over ${words.say(iceC, 'temperature')}, by the maker\u2019s leaflet.`,
            },
            'set',
          ),
        ]
      if (!Number.isFinite(lowest) || atC < lowest) return []
      return [
        lookAgain(
          'C096_CUT_OUT_IN_BAND',
          {
            about: device.id,
            head: `${device.tag} opens while it works.`,
            reason: `It opens at ${words.say(atC, 'temperature')}; the last stage stops at ${words.say(lowest, 'temperature')}.`,
            remedy:
              iceC === undefined
                ? `Set it under ${words.say(lowest, 'temperature')}.`
                : `Set it between ${words.say(iceC, 'temperature')} (ice) and ${words.say(lowest, 'temperature')}.`,
          },
          'set',
        ),
      ]
    })
}

/** An output that drives nothing, and is still planned as a stage. */
const stageDrivesNothing: Rule = (context) =>
  context.chain.devices.flatMap((device): Finding[] => {
    if (!device.facts.controller?.controls?.staged) return []
    const mine = switchingPlans(context.loop.settings.planned).filter(({ output }) => output.device === device.id)
    const idle = mine.filter(({ output }) => reachOf(context.chain, output).length === 0)
    if (idle.length === 0 || idle.length === mine.length || controlOutputs(device).length < 2) return []
    return idle.map((plan) =>
      lookAgain(
        'C099_STAGE_DRIVES_NOTHING',
        {
          about: plan.id,
          head: `Stage ${mine.indexOf(plan) + 1} drives nothing.`,
          reason: `Nothing hangs on ${device.tag} ${device.facts.ports[plan.output.port]?.title ?? plan.output.port}; the sequence has a hole there.`,
          remedy: 'Take the stage out in Set, or join its load in Match.',
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
