import { answersOf } from '../kinds/answersOf'
import { lagReach } from '../control/lagReach'
import { feedOf } from '../document/chain'
import { relayLifeYears } from '../control/worstCycling'
import { keyedSwingK, type OnOffBehaviour, type PlanOf, type Switching, switchingOf } from './behaviour'
import type { ResolvedChain } from '../document/chain'
import { coolDownK } from '../plant/coolDown'
import { fieldValue } from '../plant/fieldValue'
import { roundToStep } from '../units/displayRound'
import { quantityView, shownText, type Quantity } from '../units/quantity'
import type { LoopSurvey } from '../survey/surveyResult'
import type { CalcCall } from '../kinds/asked'
import type { LoopContext } from '../loop/context'
import type { RungLoad } from './rungLoad'
import { factOf } from './factOf'
import { restingWords, startsOf, startsTitles, type Starts, worstTitle } from './starts'

/** One line of "what it means": a worked-out number that can be opened, a reason why there is none, or a few words. */
export interface Consequence {
  readonly id: string
  /** Of the loop that it tells. */
  readonly fact?: string
  readonly label: string
  readonly value: number | null
  readonly quantity: Quantity
  readonly decimals?: number
  readonly reason?: string
  /** Words in place of a number. */
  readonly text?: string
  /** Estimated without a run: where there is one, what it says stands in its place. */
  readonly estimated?: true
  readonly worked?: CalcCall
}

type Given = Pick<LoopContext, 'loop' | 'chain' | 'survey' | 'data' | 'words'>

/** Outdoor temperature that was written down on the visit, against that of the design day. */
export function outdoorNow({ loop, words }: Pick<LoopContext, 'loop' | 'words'>) {
  const nowC = loop.survey.found?.outdoorC
  const design = answersOf(loop)['designOutdoor']
  if (nowC === undefined || typeof design !== 'number') return undefined
  return { nowC, shiftK: nowC - design, says: `outdoors ${words.say(nowC, 'temperature', 0)}` }
}

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
  const { chain, data } = given
  const { action, convention, setpointC, aboveK, belowK, swingIs } = plan
  const points = switchingOf(plan)
  const { onC, offC } = points
  const input = {
    action,
    convention,
    setpointC,
    ...(convention === 'split' ? { aboveK, belowK } : { swingK: keyedSwingK(plan) }),
    ...(swingIs ? { swingIs } : {}),
  }
  const call = (output: string): CalcCall => ({ calc: 'switching.points', input, output })
  const fact = (what: string) => {
    const found = Object.entries(given.loop.settings.planned).find(
      ([, { output }]) => output.device === plan.output.device && output.port === plan.output.port,
    )
    return found ? { fact: factOf(what, found[0]) } : {}
  }
  const lines: Consequence[] = [
    { id: 'on', ...fact('on'), label: 'Switches on at', value: onC, quantity: 'temperature', worked: call('onC') },
    { id: 'off', ...fact('off'), label: 'Switches off at', value: offC, quantity: 'temperature', worked: call('offC') },
  ]
  const starts = startsOf(given, plan)
  if (!starts) return [...lines, ...displayed({ ...plan, ...points }, given, undefined)]
  const { load, worst } = starts
  const line = (id: string, label: string, { perHour, reason, worked }: ReturnType<Starts['at']>): Consequence => ({
    ...{ id, ...(id === 'now' ? {} : fact(`starts.${id}`)), label, quantity: 'perHour', worked },
    value: reason ? null : perHour,
    ...(reason ? { reason: restingWords[reason] } : {}),
  })
  lines.push(line('design', startsTitles.design, starts.at(load.restC)))
  const now = outdoorNow(given)
  if (now) lines.push(line('now', `${startsTitles.now}, ${now.says}`, starts.at(load.restC + now.shiftK)))
  lines.push(line('worst', worstTitle(worst), worst))
  const { allowed } = starts
  if (allowed)
    lines.push({
      ...{
        id: 'allowed',
        ...fact('starts.allowed'),
        label: startsTitles.allowed,
        quantity: 'perHour',
        value: allowed.perHour,
        decimals: 0,
      },
    })
  const contact = chain.devices.find(({ id }) => id === plan.output.device)?.facts.ports[plan.output.port]
  const hoursPerYear = fieldValue(data, 'relay.life.hours').typical
  if (contact?.kind === 'contact' && worst.perHour > 0) {
    const wear = {
      calc: 'cycling.relayLife',
      input: { cyclesPerHour: worst.perHour, hoursPerYear, ratedOperations: contact.ratedOperations },
    }
    lines.push({
      id: 'life',
      label: 'Relay life at that',
      quantity: 'years',
      decimals: 0,
      value: relayLifeYears(worst.perHour, hoursPerYear, contact.ratedOperations),
      worked: { ...wear, output: 'years' },
    })
  }
  const risesKPerHour = (3600 * load.powerW) / load.capacityJPerK / 2
  return [
    ...lines,
    // A burner that follows its load is reckoned here at its least fire, which is not what it holds the water with.
    ...(given.survey?.boiler ? [] : [settles({ ...plan, ...points }, given, load, starts.given.lagS)]),
    ...displayed({ ...plan, ...points }, given, risesKPerHour),
  ]
}

/** Where the place goes on the design day: between the points and as far past them as the probe is late, or to the most the plant can do. */
function settles(plan: OnOffBehaviour & Switching, { words }: Given, load: RungLoad, lagS: number): Consequence {
  const { restC, powerW, lossWPerK, stages } = load
  const heats = plan.action === 'heating'
  const reachesC = restC + ((heats ? 1 : -1) * powerW) / lossWPerK
  const { lowC, highC } = lagReach({ ...load, onC: plan.onC, offC: plan.offC, lagS })
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
        : `about ${words.say(lowC, 'temperature')} to ${words.say(highC, 'temperature')}`,
    ...(idle || short ? {} : { estimated: true as const }),
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
