import { bindsAny } from '../../device/bound'
import { keeps } from '../../settings/keptPlan'
import type { ParameterQuantity } from '../../settings/parameterQuantities'
import type { ResolvedChain } from '../../document/chain'
import { replan } from '../../settings/switching/replan'
import { type Behaviour, switchingOf } from '../../settings/behaviour'
import { planVariant } from '../../settings/planFields'
import type { Field, NumberField } from '../../schema/field'
import type { LoopDocument } from '../../document/documents'
import { stageIds } from '../../settings/stages/stageIds'
import { runFigures } from '../runFigures'
import type { RunOptions } from '../run'
import { simulate } from '../simulate'
import { loopScenario, type RunChoice } from './loopScenario'

/** Settings of an output that a sweep can move. */
export type SweepSetting = 'swingK' | 'minimumOffS' | 'setpointC' | 'bandK' | 'integralS' | 'minimumPercent'

export interface SweepAxis {
  readonly setting: SweepSetting
  readonly values: readonly number[]
}

/** What came out along `x`. */
export interface SweepFigures {
  readonly cyclesPerHour: Float64Array
  /** Most starts within any sixty minutes. */
  readonly worstHour: Float64Array
  /** Furthest from the target after settling in, K; of water that follows the weather, from its line. */
  readonly excursionK: Float64Array
  readonly energyKwh: Float64Array
}

/** What came out at every pair, row by row of `y`; NaN where nothing was run yet. */
export interface SweepMap extends SweepFigures {
  readonly x: SweepAxis
  readonly y: SweepAxis
}

const figuresOf = (make: (figure: keyof SweepFigures) => Float64Array): SweepFigures => ({
  cyclesPerHour: make('cyclesPerHour'),
  worstHour: make('worstHour'),
  excursionK: make('excursionK'),
  energyKwh: make('energyKwh'),
})

/** A map of which nothing is known yet. */
export const emptySweep = (x: SweepAxis, y: SweepAxis): SweepMap => ({
  x,
  y,
  ...figuresOf(() => new Float64Array(x.values.length * y.values.length).fill(NaN)),
})

/** A map with one of its rows filled in. */
export const withRow = (map: SweepMap, row: number, figures: SweepFigures): SweepMap => ({
  ...map,
  ...figuresOf((figure) => {
    const filled = map[figure].slice()
    filled.set(figures[figure], row * map.x.values.length)
    return filled
  }),
})

/** Settings that a plan of this kind has, in the order in which they are asked about. */
const settingsOf = ({ kind }: Behaviour): readonly SweepSetting[] =>
  kind === 'on-off'
    ? ['swingK', 'minimumOffS', 'setpointC']
    : kind === 'band'
      ? ['bandK', 'integralS', 'setpointC', 'minimumPercent']
      : ['bandK', 'setpointC']

/** What a controller must be keyed to for its width to be moved: a dial's own differential is as it was made. */
const keyedBy: Partial<Record<SweepSetting, ParameterQuantity>> = { swingK: 'swing', bandK: 'band' }

/** Settings of an output that its controller can keep, and can be keyed to. */
export const settingsKept = (chain: ResolvedChain, plan: Behaviour): readonly SweepSetting[] => {
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  return settingsOf(plan).filter((setting) => {
    const binds = keyedBy[setting]
    return keeps(controller, setting) && (!controller || !binds || bindsAny(controller, binds))
  })
}

/** What a setting of an output stands at. */
export const settingOf = (plan: Behaviour, setting: SweepSetting): number =>
  plan.kind === 'on-off' && setting === 'swingK'
    ? switchingOf(plan).swingK
    : Number((plan as unknown as Record<string, unknown>)[setting] ?? 0)

/** What a setting of an output may be. */
export const fieldOfSetting = ({ kind }: Pick<Behaviour, 'kind'>, setting: SweepSetting): NumberField => {
  const fields: Readonly<Record<string, Field>> = planVariant.of[kind].fields
  const field = fields[setting]
  if (field?.type === 'either') return field.number
  if (field?.type !== 'number') throw new RangeError(`${setting} is no setting of a ${kind} plan`)
  return field
}

/** An output with one setting moved. */
function withSetting(plan: Behaviour, setting: SweepSetting, value: number): Behaviour {
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

/** What a sweep is made of, but for its rows. */
export interface SweepGiven {
  readonly given: Parameters<typeof loopScenario>[0]
  readonly survey: Parameters<typeof loopScenario>[1]
  readonly run: RunChoice
  readonly output: string
  readonly x: SweepAxis
  readonly y: SweepAxis
}

/**
 * Runs a loop at every value of `x`, at one of `y`: rows know nothing of one another, so that several cores can share a map.
 * @throws SimulationCancelled when asked to stop, RunTakesLong when one of its runs would take longer than it may
 */
export function sweepRow(
  { given, survey, run, output, x, y }: SweepGiven,
  row: number,
  {
    onProgress,
    ...options
  }: Pick<RunOptions, 'signal' | 'within'> & { readonly onProgress?: (share: number) => void } = {},
): SweepFigures {
  const made = figuresOf(() => new Float64Array(x.values.length))
  const targetC = survey.seen.targetC
  const ofRow = withLoopSetting(given.loop, output, y.setting, y.values[row]!)
  x.values.forEach((value, at) => {
    const loop = withLoopSetting(ofRow, output, x.setting, value)
    const one = loopScenario({ ...given, loop }, survey, { ...run, traceS: 300 })
    const result = simulate(one.scenario, options)
    const figures = runFigures(
      result,
      one.controlled,
      one.outputs.map(({ actuator }) => actuator),
      one.scenario.durationS,
    )
    made.cyclesPerHour[at] = (figures.starts * 3600) / one.scenario.durationS
    made.worstHour[at] = figures.worstHour
    const [line] = Object.values(result.trace.lines)
    made.excursionK[at] = line
      ? fromLine(result.trace.nodes[one.controlled]!, line)
      : Math.max(0, targetC - figures.lowestC, figures.highestC - targetC)
    made.energyKwh[at] = figures.energyKwh
    onProgress?.((at + 1) / x.values.length)
  })
  return made
}
