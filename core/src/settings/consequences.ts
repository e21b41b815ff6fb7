import { feedOf } from '../document/chain'
import { onOffCycle } from '../control/onOffCycle'
import { relayLifeYears, worstCyclingRested } from '../control/worstCycling'
import { keyedSwingK, type OnOffBehaviour, type PlanOf, type Switching, switchingOf } from './behaviour'
import type { ResolvedChain } from '../document/chain'
import { coolDownK } from '../plant/coolDown'
import { fieldValue } from '../plant/fieldValue'
import { roundToStep } from '../units/displayRound'
import { quantityView, shownText, type Quantity } from '../units/quantity'
import type { LoopSurvey } from '../survey/surveyResult'
import type { CalcCall } from '../kinds/asked'
import type { LoopContext } from '../loop/context'
import { rungLoad, type RungLoad } from './rungLoad'

/** One line of "what it means": a worked-out number that can be opened, a reason why there is none, or a few words. */
export interface Consequence {
  readonly id: string
  readonly label: string
  readonly value: number | null
  readonly quantity: Quantity
  readonly decimals?: number
  readonly reason?: string
  /** Words in place of a number. */
  readonly text?: string
  readonly worked?: CalcCall
}

type Given = Pick<LoopContext, 'loop' | 'chain' | 'survey' | 'data' | 'words'>

/** Outdoor temperature that was written down on the visit, against that of the design day. */
export function outdoorNow({ loop, words }: Pick<LoopContext, 'loop' | 'words'>) {
  const nowC = loop.survey.found?.outdoorC
  const design = loop.survey.answers['designOutdoor']
  if (nowC === undefined || typeof design !== 'number') return undefined
  return { nowC, shiftK: nowC - design, says: `outdoors ${words.say(nowC, 'temperature', 0)}` }
}

const resting = { 'stays-on': 'stays on', 'stays-off': 'stays off' } as const

/** What a display with this controller's step shows at both switching points, and how far a lagging probe is behind. */
function displayed(
  plan: OnOffBehaviour & Switching,
  { chain, words }: Given,
  kPerHour: number | undefined,
): Consequence[] {
  const display = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller?.display
  if (!display) return []
  const { preferences } = words
  const view = quantityView('temperature', preferences)
  const step = preferences.temperatureUnit === 'F' ? display.stepF : display.stepC
  const shown = (c: number) => shownText(roundToStep(view.toShown(c), step), step < 1 ? 1 : 0)
  const probe = feedOf(chain, plan.input)?.fromDevice
  const lagS = probe?.facts.probe?.lagS
  const lateK = lagS !== undefined && kPerHour !== undefined ? (kPerHour * lagS) / 3600 : undefined
  return [
    {
      id: 'display',
      label: 'Display shows',
      value: null,
      quantity: 'temperature',
      text: `${shown(plan.onC)} on, ${shown(plan.offC)} off${lateK !== undefined && lateK >= 0.05 ? `; the probe is ${words.say(lateK, 'difference')} late` : ''}`,
    },
  ]
}

/**
 * What a plan that switches will do, live: where it switches, how often at design, at the worst load and now, what its relay makes in a
 * year and how long it lasts, what the display shows. Without a survey only the switching points are known.
 */
export function consequences(plan: OnOffBehaviour, given: Given): Consequence[] {
  const { chain, data, survey } = given
  const { action, convention, setpointC, aboveK, belowK, swingIs } = plan
  const points = switchingOf(plan)
  const { onC, offC, swingK } = points
  const input = {
    action,
    convention,
    setpointC,
    ...(convention === 'split' ? { aboveK, belowK } : { swingK: keyedSwingK(plan) }),
    ...(swingIs ? { swingIs } : {}),
  }
  const call = (output: string): CalcCall => ({ calc: 'switching.points', input, output })
  const lines: Consequence[] = [
    { id: 'on', label: 'Switches on at', value: onC, quantity: 'temperature', worked: call('onC') },
    { id: 'off', label: 'Switches off at', value: offC, quantity: 'temperature', worked: call('offC') },
  ]
  const load = rungLoad(given, plan)
  if (!load || !survey) return [...lines, ...displayed({ ...plan, ...points }, given, undefined)]
  const cycleAt = (restC: number) => ({
    powerW: load.powerW,
    lossWPerK: load.lossWPerK,
    capacityJPerK: load.capacityJPerK,
    outdoorC: restC,
    lowC: Math.min(onC, offC),
    highC: Math.max(onC, offC),
    action,
  })
  // A rest that outlasts the swing lets the place drift on: the cycle is the one from where it drifts to.
  const kept = (restC: number) => {
    const input = cycleAt(restC)
    const { offS } = onOffCycle(input)
    if (offS === null || offS >= load.minimumOffS) return input
    const driftedC = restC + (offC - restC) * Math.exp((-load.minimumOffS * load.lossWPerK) / load.capacityJPerK)
    return action === 'heating' ? { ...input, lowC: driftedC } : { ...input, highC: driftedC }
  }
  const cycles = (id: string, label: string, restC: number): Consequence => {
    const input = kept(restC)
    const made = onOffCycle(input)
    return {
      id,
      label,
      quantity: 'perHour',
      value: made.reason ? null : made.cyclesPerHour,
      ...(made.reason ? { reason: resting[made.reason] } : {}),
      worked: { calc: 'cycling.onOff', input, output: 'cyclesPerHour' },
    }
  }
  lines.push(cycles('design', 'Cycles at design', load.restC))
  const now = outdoorNow(given)
  if (now) lines.push(cycles('now', `Now, ${now.says}`, load.restC + now.shiftK))
  const worstInput = { powerW: load.powerW, capacityJPerK: load.capacityJPerK, swingK }
  const worst = worstCyclingRested(load.powerW, load.capacityJPerK, swingK, load.minimumOffS)
  lines.push({
    id: 'worst',
    label: worst.minimumOffRules ? 'Worst load, minimum off time kept' : 'Worst half load',
    quantity: 'perHour',
    value: worst.cyclesPerHour,
    worked: worst.minimumOffRules
      ? { calc: 'cycling.rested', input: { ...worstInput, minimumOffS: load.minimumOffS }, output: 'cyclesPerHour' }
      : { calc: 'cycling.worst', input: worstInput, output: 'cyclesPerHour' },
  })
  const contact = chain.devices.find(({ id }) => id === plan.output.device)?.facts.ports[plan.output.port]
  const hoursPerYear = fieldValue(data, 'relay.life.hours').typical
  if (contact?.kind === 'contact') {
    const wear = {
      calc: 'cycling.relayLife',
      input: { cyclesPerHour: worst.cyclesPerHour, hoursPerYear, ratedOperations: contact.ratedOperations },
    }
    lines.push(
      {
        id: 'operations',
        label: 'Relay moves a year',
        quantity: 'count',
        value: worst.cyclesPerHour * hoursPerYear,
        worked: { ...wear, output: 'operationsPerYear' },
      },
      {
        id: 'life',
        label: 'Relay life at that',
        quantity: 'years',
        decimals: 0,
        value: relayLifeYears(worst.cyclesPerHour, hoursPerYear, contact.ratedOperations),
        worked: { ...wear, output: 'years' },
      },
    )
  }
  const risesKPerHour = (3600 * load.powerW) / load.capacityJPerK / 2
  return [
    ...lines,
    settles({ ...plan, ...points }, given, load),
    ...displayed({ ...plan, ...points }, given, risesKPerHour),
  ]
}

/** Where the place comes to rest on the design day: between the points, or at the most the plant can do. */
function settles(plan: OnOffBehaviour & Switching, { words }: Given, load: RungLoad): Consequence {
  const { restC, powerW, lossWPerK, stages } = load
  const heats = plan.action === 'heating'
  const reachesC = restC + ((heats ? 1 : -1) * powerW) / lossWPerK
  const low = Math.min(plan.onC, plan.offC)
  const high = Math.max(plan.onC, plan.offC)
  const short = heats ? reachesC < plan.offC : reachesC > plan.offC
  const idle = heats ? restC > plan.onC : restC < plan.onC
  return {
    id: 'settles',
    label: 'At design it holds',
    value: null,
    quantity: 'temperature',
    text: idle
      ? `${words.say(restC, 'temperature')} without it`
      : short
        ? stages > 1
          ? 'nothing alone: it stays on, the others do what is left'
          : `${words.say(reachesC, 'temperature')}, no more`
        : `${words.say(low, 'temperature')} to ${words.say(high, 'temperature')}`,
  }
}

interface ProbeFailure {
  readonly which: 'open' | 'short'
  /** What the display says. */
  readonly display: string
  readonly output: OnOffBehaviour['probeFault']
  /** How far the controlled place falls in the first hour at design with the output off. */
  readonly fallsK?: number
}

/** What a broken and a shorted probe do with this plan. */
export function probeFailures(
  plan: Pick<PlanOf, 'output' | 'setpointC' | 'probeFault'>,
  chain: ResolvedChain,
  survey: LoopSurvey | undefined,
): ProbeFailure[] {
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  if (!controller) return []
  const falls =
    survey && plan.probeFault === 'off'
      ? {
          fallsK: coolDownK(plan.setpointC, survey.seen.restC, survey.seen.lossWPerK, survey.seen.capacityJPerK, 3600),
        }
      : {}
  return (['open', 'short'] as const).map((which) => ({
    which,
    display: controller.faultDisplay[which],
    output: plan.probeFault,
    ...falls,
  }))
}
