import { replan } from '../../job/replan'
import type { Behaviour } from '../../job/behaviour'
import type { LoopDocument } from '../../job/documents'
import { stageIds } from './stageIds'
import { runFigures } from '../runFigures'
import type { RunOptions } from '../run'
import { simulate } from '../simulate'
import { loopScenario, type RunChoice } from './loopScenario'

/** Settings of an output that a sweep can move. */
export const sweepSettings = ['swingK', 'minimumOffS', 'setpointC', 'bandK', 'integralS', 'minimumPercent'] as const
export type SweepSetting = (typeof sweepSettings)[number]

export interface SweepAxis {
  readonly setting: SweepSetting
  readonly values: readonly number[]
}

/** What came out at every pair, row by row of `y`. */
export interface SweepMap {
  readonly x: SweepAxis
  readonly y: SweepAxis
  readonly cyclesPerHour: Float64Array
  /** Most starts within any sixty minutes. */
  readonly worstHour: Float64Array
  /** Furthest from the target after settling in, K; of water that follows the weather, from its line. */
  readonly excursionK: Float64Array
  readonly energyKwh: Float64Array
}

/** Settings that an output has, in the order in which they are asked about. */
export const settingsOf = ({ kind }: Behaviour): readonly SweepSetting[] =>
  kind === 'on-off'
    ? ['swingK', 'minimumOffS', 'setpointC']
    : kind === 'band'
      ? ['bandK', 'integralS', 'setpointC', 'minimumPercent']
      : ['bandK', 'setpointC']

/** What a setting of an output stands at. */
export const settingOf = (plan: Behaviour, setting: SweepSetting): number =>
  Number((plan as unknown as Record<string, unknown>)[setting] ?? 0)

/** An output with one setting moved. */
export function withSetting(plan: Behaviour, setting: SweepSetting, value: number): Behaviour {
  if (plan.kind === 'on-off') {
    if (setting === 'minimumOffS') return { ...plan, minimumOffS: value }
    if (setting === 'swingK') return replan(plan, { swingK: value })
    return setting === 'setpointC' ? replan(plan, { setpointC: value }) : plan
  }
  return settingsOf(plan).includes(setting) ? ({ ...plan, [setting]: value } as Behaviour) : plan
}

/** A loop with one setting of an output moved; stages of one controller go together, a set by the same step. */
export function withLoopSetting(
  loop: LoopDocument,
  output: string,
  setting: SweepSetting,
  value: number,
): LoopDocument {
  const { planned } = loop.settings
  const plan = planned[output]
  if (!plan) return loop
  const byK = setting === 'setpointC' ? value - plan.setpointC : 0
  const moved = Object.fromEntries(
    stageIds(planned, output).map((id) => [
      id,
      withSetting(planned[id]!, setting, setting === 'setpointC' ? planned[id]!.setpointC + byK : value),
    ]),
  )
  return { ...loop, settings: { ...loop.settings, planned: { ...planned, ...moved } } }
}

/** Furthest of a place from a line that moves, once it has settled in; nothing counts where the line is shut down. */
function fromLine(values: ArrayLike<number>, line: ArrayLike<number>): number {
  let most = 0
  for (let i = Math.floor(values.length / 10); i < values.length; i++)
    if (!Number.isNaN(line[i]!)) most = Math.max(most, Math.abs(values[i]! - line[i]!))
  return most
}

/**
 * Runs a loop at every pair of two settings.
 * @throws SimulationCancelled when asked to stop
 */
export function sweep(
  given: Parameters<typeof loopScenario>[0],
  survey: Parameters<typeof loopScenario>[1],
  run: RunChoice,
  output: string,
  x: SweepAxis,
  y: SweepAxis,
  { signal, onProgress }: RunOptions = {},
): SweepMap {
  const count = x.values.length * y.values.length
  const cyclesPerHour = new Float64Array(count)
  const worstHour = new Float64Array(count)
  const excursionK = new Float64Array(count)
  const energyKwh = new Float64Array(count)
  const targetC = survey.seen.targetC
  let at = 0
  for (const yValue of y.values)
    for (const xValue of x.values) {
      const loop = withLoopSetting(withLoopSetting(given.loop, output, y.setting, yValue), output, x.setting, xValue)
      const made = loopScenario({ ...given, loop }, survey, { ...run, traceS: 300 })
      const result = simulate(made.scenario, signal ? { signal } : {})
      const figures = runFigures(
        result,
        made.controlled,
        made.outputs.map(({ actuator }) => actuator),
        made.scenario.durationS,
      )
      cyclesPerHour[at] = (figures.starts * 3600) / made.scenario.durationS
      worstHour[at] = figures.worstHour
      const [line] = Object.values(result.trace.lines)
      excursionK[at] = line
        ? fromLine(result.trace.nodes[made.controlled]!, line)
        : Math.max(0, targetC - figures.lowestC, figures.highestC - targetC)
      energyKwh[at] = figures.energyKwh
      at++
      onProgress?.(at / count)
    }
  return { x, y, cyclesPerHour, worstHour, excursionK, energyKwh }
}
