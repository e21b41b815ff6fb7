import { answersOf } from '../../kinds/answersOf'
import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import { quantityView } from '../../units/quantity'
import type { StepSpec, TestSpec } from '../proofTest'
import { readingsOf } from '../judgedTest'
import { around, cause, look, noted, outputName, spec, toProbe, toWires } from './parts'

/** Readings of a warm-up, as shares of the time it should take to go most of the way. */
const TIMES = [0, 0.25, 0.5, 0.75, 1] as const
/** A warm-up that is watched goes this share of the way to its end. */
const WAY = 0.8
/** A reading that strays by less is as simulated, share of the rise. */
const STRAYS = 0.15

/** Temperature of a first-order plant after a time at full power, °C. Formula: end + (start − end) e^(−t H/C). */
const warmsTo = (startC: number, endC: number, seconds: number, tauS: number) =>
  endC + (startC - endC) * Math.exp(-seconds / tauS)

/**
 * Warm-up (or pull-down) watched: readings at fixed times against the survey's plant at full power. Slow from the start is power,
 * slow only later is loss. Said as soon as it can be.
 */
export function warmUpTest(context: LoopContext, plan: PlanOf): TestSpec | undefined {
  const { survey, words } = context
  const { say } = words
  if (!survey) return undefined
  const { lossWPerK, capacityJPerK, restC, targetC } = survey.seen
  const powerW = survey.seen.fullPowerW ?? survey.seen.powerW
  const sign = plan.action === 'heating' ? 1 : -1
  if (!(powerW > 0) || !(lossWPerK > 0) || !(capacityJPerK > 0)) return undefined
  // What is around it and where it starts are read first; until then the design day stands for them.
  const id = `warm-up/${plan.id}`
  const readings = readingsOf(context, id)
  const design = answersOf(context.loop)['designOutdoor']
  const designC = typeof design === 'number' ? design : restC
  const aroundC = (readings.get('around')?.value ?? designC) + restC - designC
  const endC = aroundC + (sign * powerW) / lossWPerK
  const tauS = capacityJPerK / lossWPerK
  const startC =
    readings.get('t-1')?.value ??
    (plan.action === 'heating' ? Math.min(aroundC, targetC - 1) : Math.max(aroundC, targetC + 1))
  const reachC = startC + WAY * (targetC - startC)
  const share = (reachC - endC) / (startC - endC)
  // Where it never gets there, it is watched for one time constant.
  const totalS = share > 0 && share < 1 ? -tauS * Math.log(share) : tauS
  const stepsAt = TIMES.map((t) => Math.round((t * totalS) / 60) * 60)
  const risesK = Math.abs(warmsTo(startC, endC, totalS, tauS) - startC)
  const tolerance = Math.max(0.5, STRAYS * risesK)
  return spec(context, {
    id,
    kind: 'warm-up',
    title: plan.action === 'heating' ? 'Warm-up watch' : 'Pull-down watch',
    about: outputName(context, plan),
    purpose: `From ${say(startC, 'temperature')} to ${say(warmsTo(startC, endC, totalS, tauS), 'temperature')} in ${say(totalS / 3600, 'hours')}, by the survey\u2019s plant at full power.`,
    have: ['thermometer at the place of the probe', 'watch, or a logger'],
    how: `Start it cold at full output. Readings at the times given. ${say(powerW, 'power')} against ${say(lossWPerK, 'loss')} and ${say(capacityJPerK, 'capacity')}.`,
    rule: `Within ${say(tolerance, 'difference')} of the simulated line. Slow from the start is power, slow later is loss.`,
    spare: true,
    steps: [
      {
        id: 'around',
        title: 'Around it',
        does: 'Read the temperature around it: what it loses its heat to, or takes it from.',
        main: noted('Around it', 'temperature', { expected: designC }),
      },
      ...TIMES.map((_, i): StepSpec => {
        const atC = warmsTo(startC, endC, stepsAt[i]!, tauS)
        return {
          id: `t-${i + 1}`,
          at: { input: plan.input, afterS: stepsAt[i]! },
          title: i === 0 ? 'Start' : `After ${say(stepsAt[i]! / 60, 'minutes')}`,
          does: i === 0 ? 'Read it before it starts.' : `Read it ${say(stepsAt[i]! / 60, 'minutes')} after the start.`,
          main:
            i === 0
              ? noted('Starts at', 'temperature', { expected: startC })
              : around('Reads', 'temperature', atC, tolerance, 'the survey\u2019s plant, simulated'),
        }
      }),
    ],
    chart: (found) => {
      const { toShown, label } = quantityView('temperature', context.words.preferences)
      const start = found.value('t-1')
      return {
        xTitle: 'minutes',
        yTitle: label,
        points: TIMES.map((_, i) => {
          const atC = warmsTo(typeof start === 'number' ? start : startC, endC, stepsAt[i]!, tauS)
          const value = found.value(`t-${i + 1}`)
          return {
            x: stepsAt[i]! / 60,
            should: toShown(atC),
            low: toShown(atC - tolerance),
            high: toShown(atC + tolerance),
            ...(typeof value === 'number' ? { read: toShown(value) } : {}),
          }
        }),
      }
    },
    judge: (found) => {
      const start = found.value('t-1')
      if (typeof start !== 'number') return undefined
      const read = TIMES.flatMap((_, i) => {
        const value = found.value(`t-${i + 1}`)
        return i > 0 && typeof value === 'number'
          ? [
              {
                s: stepsAt[i]!,
                rose: sign * (value - start),
                should: sign * (warmsTo(start, endC, stepsAt[i]!, tauS) - start),
              },
            ]
          : []
      })
      if (read.length === 0) return undefined
      const first = read[0]!
      const early = first.rose / Math.max(1e-6, first.should)
      if (early < 0.1)
        return look(
          'warmUp.no-power',
          { rose: first.rose, s: first.s / 60, should: first.should },
          cause('warmUp.no-power', {}, toProbe),
        )
      const last = read.at(-1)!
      const late = last.rose / Math.max(1e-6, last.should)
      if (early < 1 - 1.5 * STRAYS)
        return look(
          'warmUp.power-low',
          { rose: first.rose, s: first.s / 60, should: first.should, early: early * powerW, powerW },
          cause('warmUp.power-low', {}, toWires),
        )
      if (early > 1 + 1.5 * STRAYS)
        return look(
          'warmUp.capacity-less',
          { rose: first.rose, s: first.s / 60, should: first.should },
          cause('warmUp.capacity-less', {}, { step: 'survey', says: 'Open the survey' }),
        )
      if (read.length > 1 && late < 1 - STRAYS)
        return look(
          'warmUp.loss-high',
          { rose: last.rose, s: last.s / 60, should: last.should },
          cause('warmUp.loss-high', {}, { step: 'survey', says: 'Open the survey' }),
        )
      return undefined
    },
  })
}
