import { onOffCycle } from '../control/onOffCycle'
import { relayLifeYears, worstCycling } from '../control/worstCycling'
import { keyedSwingK, type OnOffBehaviour } from '../job/behaviour'
import type { ResolvedChain } from '../job/chain'
import { coolDownK } from '../plant/coolDown'
import { fieldValue } from '../plant/fieldValue'
import type { CalcCall, LoopSurvey } from '../survey/surveyResult'
import type { Quantity } from '../units/quantity'
import type { LoopContext } from './context'

/** One line of "what it means": a worked-out number that can be opened, or a reason why there is none. */
export interface Consequence {
  readonly id: 'on' | 'off' | 'design' | 'worst' | 'life'
  readonly label: string
  readonly value: number | null
  readonly quantity: Quantity
  readonly decimals?: number
  readonly reason?: string
  readonly worked: CalcCall
}

/**
 * What a plan will do, live: where it switches, how often at design and at the worst half load, how long the relay lasts.
 * Without a survey only the switching points are known.
 */
export function consequences(
  plan: OnOffBehaviour,
  { chain, survey, data }: Pick<LoopContext, 'chain' | 'survey' | 'data'>,
): Consequence[] {
  const { action, convention, setpointC, swingK, aboveK, belowK, swingIs, onC, offC } = plan
  const points = {
    action,
    convention,
    setpointC,
    ...(convention === 'split' ? { aboveK, belowK } : { swingK: keyedSwingK({ ...plan, swingK }) }),
    ...(swingIs ? { swingIs } : {}),
  }
  const call = (output: string): CalcCall => ({ calc: 'switching.points', input: points, output })
  const lines: Consequence[] = [
    { id: 'on', label: 'Switches on at', value: onC, quantity: 'temperature', worked: call('onC') },
    { id: 'off', label: 'Switches off at', value: offC, quantity: 'temperature', worked: call('offC') },
  ]
  if (!survey || !(survey.seen.powerW > 0) || survey.seen.action !== action) return lines
  const { seen } = survey
  const cycleInput = {
    powerW: seen.powerW,
    lossWPerK: seen.lossWPerK,
    capacityJPerK: seen.capacityJPerK,
    outdoorC: seen.restC,
    lowC: Math.min(onC, offC),
    highC: Math.max(onC, offC),
    action,
  }
  const design = onOffCycle(cycleInput)
  const worstInput = { powerW: seen.powerW, capacityJPerK: seen.capacityJPerK, swingK }
  const worst = worstCycling(seen.powerW, seen.capacityJPerK, swingK)
  lines.push(
    {
      id: 'design',
      label: 'Cycles at design',
      quantity: 'perHour',
      value: design.reason ? null : design.cyclesPerHour,
      ...(design.reason ? { reason: design.reason === 'stays-on' ? 'stays on' : 'stays off' } : {}),
      worked: { calc: 'cycling.onOff', input: cycleInput, output: 'cyclesPerHour' },
    },
    {
      id: 'worst',
      label: 'At the worst half load',
      quantity: 'perHour',
      value: worst,
      worked: { calc: 'cycling.worst', input: worstInput, output: 'cyclesPerHour' },
    },
  )
  const contact = chain.devices.find(({ id }) => id === plan.output.device)?.facts.ports[plan.output.port]
  const hoursPerYear = fieldValue(data, 'relay.life.hours').typical
  if (contact?.kind === 'contact')
    lines.push({
      id: 'life',
      label: 'Relay life, at worst',
      quantity: 'years',
      decimals: 0,
      value: relayLifeYears(worst, hoursPerYear, contact.ratedOperations),
      worked: {
        calc: 'cycling.relayLife',
        input: { cyclesPerHour: worst, hoursPerYear, ratedOperations: contact.ratedOperations },
        output: 'years',
      },
    })
  return lines
}

export interface ProbeFailure {
  readonly which: 'open' | 'short'
  /** What the display says. */
  readonly display: string
  readonly output: OnOffBehaviour['probeFault']
  /** How far the controlled place falls in the first hour at design with the output off. */
  readonly fallsK?: number
}

/** What a broken and a shorted probe do with this plan. */
export function probeFailures(
  plan: OnOffBehaviour,
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
