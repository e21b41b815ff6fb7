import { answersOf } from '../../kinds/answersOf'
import { type DefrostCycle, defrostCycle, meltMinutes } from './law/defrostCycle'
import type { ResolvedDevice } from '../../document/chain'
import type { DefrostPlan } from './fields'
import { fieldValue } from '../../plant/fieldValue'
import { coolDownK } from '../../plant/coolDown'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { type NoDefrost, noDefrostWords } from '../../words/findings/controllerFindings'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'

interface DefrostView {
  readonly plan: DefrostPlan
  readonly cycle?: DefrostCycle
  /** Why there is no cycle to draw, and what is said of it. */
  readonly none?: NoDefrost
  readonly noneSays?: string
  readonly electric: boolean
  readonly lines: readonly Consequence[]
}

/** Frost that gathers while a coil cools, by the usual rule for a small cold room: grams an hour for each kilowatt of cold. */
const FROST_KG_PER_KWH = 0.06
/** Metal of a small coil, by its cold: J/K a watt. */
const COIL_J_PER_K_PER_W = 6

/** Why no defrost can be drawn: none by the clock, no longest time, or one that takes longer than the time between two. */
function noCycle(plan: DefrostPlan, meltsMin: number, fanWaitsMin: number): NoDefrost | undefined {
  if (plan.everyH === 0) return 'never'
  if (plan.longestMin <= 0) return 'no-longest'
  const wholeMin = Math.min(meltsMin, plan.longestMin) + plan.dripMin + fanWaitsMin
  return wholeMin > plan.everyH * 60 ? 'too-long' : undefined
}

/** What a defrost takes and does to the room, on a cycle from start to start. */
export function defrostView(context: LoopContext, device: ResolvedDevice): DefrostView | undefined {
  const plan = controllerPlanOf(context, device).defrost
  if (!plan) return undefined
  const { survey, chain, loop, data, words } = context
  const coldW = survey?.seen.powerW ?? 0
  const heater = chain.devices.flatMap(({ facts }) =>
    Object.values(facts.ports).flatMap((port) =>
      port.kind === 'load' && port.does === 'defrost' ? [port.load.powerW] : [],
    ),
  )[0]
  const electric = answersOf(loop)['defrostMeans'] !== 'fan'
  // The running fan melts with the room's own warmth: about what the room's air gives the coil.
  const { target } = answersOf(loop)
  const roomC = typeof target === 'number' ? target : 2
  const meltW = electric ? (heater ?? 800) : Math.max(20, coldW * 0.15 * Math.max(0, roomC))
  const runShare = survey && coldW > 0 ? Math.min(1, survey.seen.loadW / coldW) : 0.6
  const frostKg = ((coldW || 1000) / 1000) * FROST_KG_PER_KWH * (plan.everyH || 6) * runShare
  const startC = plan.coilC ?? roomC - 8
  const meltShare = fieldValue(data, 'df.melt')
  const coilJPerK = (coldW || 1000) * COIL_J_PER_K_PER_W
  const meltsMin = meltMinutes(meltW, frostKg, coilJPerK, startC, plan.endC, meltShare.typical / 100)
  const usualC = fieldValue(data, 'df.fan.coil')
  const fanWaitsMin = 2 + Math.max(0, (plan.endC - plan.fanBackC) / 6)
  let cycle: DefrostCycle | undefined
  const none = noCycle(plan, meltsMin, fanWaitsMin)
  if (!none)
    cycle = defrostCycle({
      everyH: plan.everyH,
      meltsMin,
      longestMin: plan.longestMin,
      dripMin: plan.dripMin,
      fanWaitsMin,
    })
  const melt = Math.min(meltsMin, plan.longestMin || meltsMin)
  const warms =
    survey && cycle
      ? -coolDownK(
          roomC,
          survey.seen.restC,
          survey.seen.lossWPerK,
          survey.seen.capacityJPerK,
          (melt + plan.dripMin) * 60,
        )
      : undefined
  const line = (id: string, label: string, text: string): Consequence => ({
    id,
    label,
    value: null,
    quantity: 'minutes',
    text,
  })
  return {
    plan,
    ...(cycle ? { cycle } : {}),
    ...(none ? { none, noneSays: noDefrostWords[none] } : {}),
    electric,
    lines: [
      line(
        'starts',
        plan.by === 'coil' ? 'Melts when the coil is at' : 'Melts every',
        plan.by === 'coil' && plan.coilC !== undefined
          ? words.say(plan.coilC, 'temperature')
          : words.say(plan.everyH, 'hours'),
      ),
      { id: 'melts', label: 'Melting takes about', value: melt, quantity: 'minutes' },
      line(
        'ends',
        'Ends by',
        meltsMin > plan.longestMin && plan.longestMin > 0
          ? `the longest time, ${words.say(plan.longestMin, 'minutes')}: ice stays`
          : `the coil at ${words.say(plan.endC, 'temperature')}`,
      ),
      ...(cycle
        ? [
            { id: 'uncooled', label: 'Not cooled a day', value: cycle.uncooledMinPerDay, quantity: 'minutes' as const },
            { id: 'perDay', label: 'Defrosts a day', value: cycle.perDay, quantity: 'count' as const, decimals: 1 },
          ]
        : []),
      ...(warms !== undefined
        ? [{ id: 'warms', label: 'The room warms by', value: Math.abs(warms), quantity: 'difference' as const }]
        : []),
      line(
        'fan',
        'Fan comes back',
        `coil at ${words.say(plan.fanBackC, 'temperature')}, usually ${words.say(usualC.low, 'temperature', 0)} to ${words.say(usualC.high, 'temperature', 0)}`,
      ),
      ...(plan.leads === undefined
        ? []
        : [
            line(
              'group',
              'In the group',
              plan.leads
                ? `this one starts the defrost of all${plan.waits ? ', and cooling waits for the last' : ', each cools again by itself'}`
                : 'waits for the leader; its own interval does not count',
            ),
          ]),
    ],
  }
}
