import { conventionWords } from '../control/conventionWords'
import type { OnOffBehaviour } from '../job/behaviour'
import type { ResolvedChain } from '../job/chain'
import { currentReadings, type HeldReading } from '../job/proofReadings'
import type { LoopDocument } from '../job/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { roundToStep } from '../units/displayRound'
import { quantityView, type UnitPreferences } from '../units/quantity'
import { counted, type Words } from '../units/words'

export interface RiseFallStep {
  readonly id: string
  readonly title: string
  readonly instruction: string
  /** Temperature at the reference thermometer at which it should switch. */
  readonly expectedC: number
  readonly toleranceK: number
  readonly switches: 'on' | 'off'
  readonly reading: HeldReading | undefined
  readonly verdict: 'waiting' | 'fits' | 'look'
  readonly errorK?: number
}

export interface RiseFallResult {
  readonly verdict: 'waiting' | 'good' | 'adjust' | 'rekey' | 'look-again' | 'replace'
  readonly head: string
  readonly reason: string
  readonly next: string
  readonly swingK?: number
  /** The new offset to key in, when that is the remedy. */
  readonly offsetK?: number
}

export interface RiseFallTest {
  readonly id: string
  readonly title: string
  readonly purpose: string
  readonly steps: readonly RiseFallStep[]
  readonly result: RiseFallResult
}

interface Given {
  readonly loop: LoopDocument
  readonly chain: ResolvedChain
  readonly data: FieldData
  readonly words: Words
  /** Units that the controllers of this job are set to show. */
  readonly job: UnitPreferences
}

/** The offset that is in the controller now: as-left where it was keyed, else as planned. */
function presentOffsetK({ loop, chain }: Given, plan: OnOffBehaviour): number {
  const controller = chain.devices.find(({ id }) => id === plan.output.device)
  const found = Object.entries(controller?.facts.controller?.parameters ?? {}).find(
    ([, { binds, port }]) =>
      binds === 'offset' && (port === undefined || port === plan.input.port || port === plan.output.port),
  )
  return (found && loop.settings.asLeft[plan.output.device]?.[found[0]]?.value) ?? plan.offsetK
}

/** An offset as this controller takes it: on its display step, in the unit it is set to show. */
function keyableK(offsetK: number, { chain, job }: Given, plan: OnOffBehaviour): number {
  const display = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller?.display
  if (!display) return offsetK
  const { toShown, toSi } = quantityView('difference', job)
  return toSi(roundToStep(toShown(offsetK), job.temperatureUnit === 'F' ? display.stepF : display.stepC))
}

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

/**
 * The rise-and-fall test: warm the probe, note where it switches; let it cool, note again; repeat.
 * A reference thermometer lies on the probe. Expected values are the plan's switching points, tolerance from field data tol.switch.el;
 * swing must be within tol.swing, the same step repeated within the tolerance, the offset within tol.offset.limit.
 */
export function riseAndFall(given: Given, plan: OnOffBehaviour & { readonly id: string }): RiseFallTest {
  const { loop, data, words } = given
  const id = `rise-and-fall/${plan.id}`
  const readings = currentReadings(loop, id)
  const toleranceK = fieldValue(data, 'tol.switch.el').typical
  const heats = plan.action === 'heating'
  const { say } = words
  const step = (key: string, rising: boolean, again: boolean): RiseFallStep => {
    const switches = rising === heats ? 'off' : 'on'
    const expectedC = switches === 'off' ? plan.offC : plan.onC
    const reading = readings.get(key)
    const errorK = reading?.state === 'value' && reading.value !== undefined ? reading.value - expectedC : undefined
    return {
      id: key,
      title: `${rising ? 'Rise' : 'Fall'}${again ? ' again' : ''}`,
      switches,
      expectedC,
      toleranceK,
      instruction: rising
        ? `Warm the probe slowly, by hand or a bag of warm water. When the output goes ${switches}, read the reference thermometer.`
        : `Let the probe cool slowly. When the output goes ${switches}, read the reference thermometer.`,
      reading: reading?.state === 'none' ? undefined : reading,
      verdict:
        errorK === undefined
          ? reading?.state === 'over-range'
            ? 'look'
            : 'waiting'
          : Math.abs(errorK) <= toleranceK + 1e-9
            ? 'fits'
            : 'look',
      ...(errorK === undefined ? {} : { errorK }),
    }
  }
  const steps = [
    step('rise-1', true, false),
    step('fall-1', false, false),
    step('rise-2', true, true),
    step('fall-2', false, true),
  ]
  return {
    id,
    title: 'Rise and fall',
    steps,
    purpose: `Where it really switches: off at ${say(plan.offC, 'temperature')}, on at ${say(plan.onC, 'temperature')}, may stray ${say(toleranceK, 'difference')}.`,
    result: judge(steps, plan, given, toleranceK),
  }
}

function judge(steps: readonly RiseFallStep[], plan: OnOffBehaviour, given: Given, toleranceK: number): RiseFallResult {
  const { data } = given
  const { say } = given.words
  const waiting = steps.find(({ verdict }) => verdict === 'waiting')
  if (waiting) {
    const left = steps.filter(({ verdict }) => verdict === 'waiting').length
    return {
      verdict: 'waiting',
      head: counted(left, 'reading waits', 'readings wait'),
      reason: `Next: ${waiting.title.toLowerCase()}.`,
      next: waiting.instruction,
    }
  }
  if (steps.some(({ errorK }) => errorK === undefined))
    return {
      verdict: 'look-again',
      head: 'It does not switch',
      reason: 'One step has no switching.',
      next: 'Command or plant? Look whether the output lamp follows.',
    }
  const points = (switches: 'on' | 'off') => steps.filter((s) => s.switches === switches).map((s) => s.errorK!)
  const [ons, offs] = [points('on'), points('off')]
  const slopK = Math.max(...[ons, offs].map((errors) => Math.max(...errors) - Math.min(...errors)))
  const errorK = mean([...ons, ...offs])
  const heats = plan.action === 'heating'
  const swingK = plan.swingK + (heats ? mean(offs) - mean(ons) : mean(ons) - mean(offs))
  const swingLimitK = Math.max(0.2, (fieldValue(data, 'tol.swing').typical / 100) * plan.swingK)
  const found = `Swing ${say(swingK, 'difference', 2)} found, ${say(plan.swingK, 'difference', 2)} planned`
  if (slopK > 2 * toleranceK + 1e-9)
    return {
      verdict: 'replace',
      swingK,
      head: 'Replace: it does not repeat',
      reason: `The same step came ${say(slopK, 'difference', 2)} apart; ${say(2 * toleranceK, 'difference', 2)} is allowed.`,
      next: 'Was the probe warmed slowly? Once more, slower. If it stays so, replace probe or controller.',
    }
  if (Math.abs(swingK - plan.swingK) > swingLimitK + 1e-9)
    return {
      verdict: 'rekey',
      swingK,
      head: 'Swing is not as planned',
      reason: `${found}; may stray ${say(swingLimitK, 'difference', 2)}. Twice or half of the plan means total against each side.`,
      next: `Read the swing again, and that the set ${conventionWords[plan.convention]}; key both, repeat the test.`,
    }
  if (Math.abs(errorK) <= toleranceK + 1e-9 && steps.every(({ verdict }) => verdict === 'fits'))
    return {
      verdict: 'good',
      swingK,
      head: 'Good',
      reason: `${found}; it switches ${say(Math.abs(errorK), 'difference', 2)} ${errorK < 0 ? 'low' : 'high'} on average.`,
      next: 'Nothing to do.',
    }
  const offsetK = keyableK(presentOffsetK(given, plan) + errorK, given, plan)
  const limitK = fieldValue(data, 'tol.offset.limit').typical
  if (Math.abs(offsetK) > limitK)
    return {
      verdict: 'look-again',
      swingK,
      head: 'Too far off for an offset',
      reason: `It reads ${say(Math.abs(errorK), 'difference', 2)} ${errorK > 0 ? 'low' : 'high'}; over ${say(limitK, 'difference')} is a cause, not an offset.`,
      next: 'Check the kind of probe, its lead and its place; measure its ohms with both leads lifted, power off.',
    }
  return {
    verdict: 'adjust',
    swingK,
    offsetK,
    head: `Adjust the offset by ${say(errorK, 'difference')}`,
    reason: `All points lie ${say(Math.abs(errorK), 'difference', 2)} ${errorK > 0 ? 'high' : 'low'}: it reads that much ${errorK > 0 ? 'low' : 'high'}. ${found}.`,
    next: `Key offset ${say(offsetK, 'difference')} and repeat one rise and one fall.`,
  }
}
