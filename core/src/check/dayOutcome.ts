import type { OnOffBehaviour } from '../job/behaviour'
import { floorLimit } from '../plant/floorOutput'
import type { SimulationResult } from '../simulate/scenario'
import { hours } from '../units/hours'
import type { LoopContext } from './context'

/** What a simulated day says to the fitter: did it hold, and if not, what to change. */
export interface DayOutcome {
  readonly verdict: 'fits' | 'look'
  readonly head: string
  readonly reason: string
  readonly next?: string
  /** Furthest under and over the target, K, never under 0; left out without a target. */
  readonly underK?: number
  readonly overK?: number
}

const LEAST_SEEN_K = 0.05

/**
 * Holds a simulated day against the target and what it may stray.
 * Where the whole excursion is narrower than the two tolerances the set is only in the wrong place: it moves by the difference of
 * target and middle, but never past what the floor's surface may reach. Where it is wider the swing gives way by the excess; what
 * is left is the lag of probe and floor.
 */
export function dayOutcome(
  { loop, survey, words }: Pick<LoopContext, 'loop' | 'survey' | 'words'>,
  plan: OnOffBehaviour,
  { summary, events }: SimulationResult,
): DayOutcome {
  const { say } = words
  const trip = events.find(({ what }) => what === 'trip')
  if (trip)
    return {
      verdict: 'look',
      head: `${trip.of} tripped.`,
      reason: `${say(hours(trip.atS), 'hours')} into the day: the supply water is too hot for it.`,
      next: 'Lower the supply water. The limiter stays.',
    }
  const node = survey?.floor?.facts.probePlace === 'room' ? 'room' : 'slab'
  const place = node === 'room' ? 'room' : 'floor'
  const [lowC, highC] = [summary.minimumC[node]!, summary.maximumC[node]!]
  const { target, tolerance } = loop.survey.answers
  const pastK = highC - Math.max(plan.onC, plan.offC)
  const lag =
    pastK > LEAST_SEEN_K ? ` It runs ${say(pastK, 'difference')} past its upper point: the probe follows late.` : ''
  if (typeof target !== 'number' || typeof tolerance !== 'number')
    return {
      verdict: 'fits',
      head: 'Ran the day.',
      reason: `The ${place} went from ${say(lowC, 'temperature')} to ${say(highC, 'temperature')}.${lag}`,
    }
  const underK = Math.max(0, target - lowC)
  const overK = Math.max(0, highC - target)
  const strays = `up to ${say(underK, 'difference')} under and ${say(overK, 'difference')} over ${say(target, 'temperature')}`
  const may = `${say(tolerance, 'difference')} either way is asked for`
  if (underK <= tolerance + LEAST_SEEN_K && overK <= tolerance + LEAST_SEEN_K)
    return { verdict: 'fits', head: 'Holds.', reason: `The ${place} stays ${strays}; ${may}.${lag}`, underK, overK }
  const excessK = highC - lowC - 2 * tolerance
  const shiftK = target - (highC + lowC) / 2
  const limitC =
    node === 'slab' && survey?.floor ? floorLimit(survey.floor.zone, survey.floor.plant.designRoomC) : Infinity
  const shift =
    Math.max(plan.onC, plan.offC) + shiftK > limitC
      ? `Not by a higher set: this floor may not be over ${say(limitC, 'temperature')}. Narrow the swing, or agree a lower target.`
      : `${shiftK > 0 ? 'Raise' : 'Lower'} the set by ${say(Math.abs(shiftK), 'difference')}.`
  return {
    verdict: 'look',
    head: 'Strays too far.',
    reason: `The ${place} goes ${strays}; ${may}.${lag}`,
    next:
      excessK <= LEAST_SEEN_K
        ? shift
        : excessK < plan.swingK - LEAST_SEEN_K
          ? `Narrow the swing to about ${say(plan.swingK - excessK, 'difference')}, then look where the middle lies.`
          : 'The swing is not the cause: look at power, supply water and the place of the probe.',
    underK,
    overK,
  }
}
