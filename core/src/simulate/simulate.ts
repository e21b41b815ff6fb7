import { checkScenario } from './checkScenario'
import { Machine } from './machine'
import { isContinuous, type Program, programOf } from './program'
import type { Grid } from './grid'
import { run, type RunOptions } from './run'
import type { Scenario, SimulationResult } from './scenario'
import { SAMPLE_S } from './controls/samples'

export { RunTakesLong, SimulationCancelled } from './run'

/** Longest stride. */
const LONGEST_S = 300
/** A switching is found to a hundredth of a second and better. */
const TICK_S = 1 / 128
/** Steps to choose from, s: each divides a minute. */
const steps = [60, 30, 20, 15, 12, 10, 6, 5, 4, 3, 2, 1]

interface SimulateOptions extends RunOptions {
  /** Takes an engine whatever the scenario asks for; only for tests and benchmarks, and steps only where it is not needed. */
  readonly engine?: 'events' | 'steps'
}

/** Whether a scenario has anything that is not straight between two switchings. */
export const needsSteps = ({ controls, network }: Scenario) =>
  controls.some(isContinuous) || (network.flows ?? []).length > 0 || network.links.some(({ by }) => by !== undefined)

/** A held stride grows to at most this many times the step where nothing moves: 2^6. */
const CALM = 6

/** @param calm how far strides may grow beyond the given one, as a power of two */
const gridOf = (strideS: number, scenario: Scenario, sampleS: number, calm: number): Grid => {
  const base = Math.ceil(Math.log2(strideS / TICK_S))
  const tickS = strideS / 2 ** base
  const { durationS, traceS } = scenario
  return {
    tickS,
    base,
    levels: base + calm,
    endTick: Math.floor(durationS / strideS + 1e-9) * 2 ** base,
    traceTicks: Math.round(traceS / tickS),
    sampleTicks: Math.round(sampleS / tickS),
  }
}

/** A step is at most this share of the fastest store, and of the fastest probe: probes are carried exactly, only what acts on them is held. */
const NODE_SHARE = 1 / 10
const PROBE_SHARE = 1 / 5
/** More than this share of either is refused. */
const MOST_SHARE = 1 / 2

/** Step of continuous control and plants. @throws RangeError when the one that is asked for would not follow the plant */
function stepOf(scenario: Scenario, { node, probe }: Program['fastest']): number {
  const samples = samplesOf(scenario)
  const divides = (stepS: number) =>
    [...samples, ...(scenario.traceS > 0 ? [scenario.traceS] : [])].every(
      (whole) => Math.abs(whole / stepS - Math.round(whole / stepS)) < 1e-9,
    )
  const fitting = steps.filter(divides)
  const wanted = Math.min(node.s * NODE_SHARE, probe.s * PROBE_SHARE)
  const stepS = scenario.stepS ?? fitting.find((each) => each <= wanted) ?? fitting[fitting.length - 1] ?? 1
  const fastest = node.s < probe.s ? node : probe
  const most = fitting.find((each) => each <= fastest.s * MOST_SHARE)
  if (stepS > fastest.s * MOST_SHARE)
    throw new RangeError(
      `stepS ${stepS} is more than half of the fastest time constant, ${fastest.s.toPrecision(2)} s of ${fastest.of}: ` +
        (most === undefined ? 'give it more capacity or lag, or join it to its neighbour' : `choose ${most} or less`),
    )
  if (!divides(stepS))
    throw new RangeError(
      `stepS ${stepS} must go into traceS ${scenario.traceS} and into each sampleS (${samples.join(', ') || 'none'}) without remainder`,
    )
  return stepS
}

/** Longest stride of the event engine: the trace's own, or what goes into it evenly; a touch of a threshold would hide in a longer one. */
const strideOf = (traceS: number) => (traceS > 0 ? traceS / Math.ceil(traceS / LONGEST_S) : LONGEST_S)

/** How often each continuous control acts, s. */
const samplesOf = ({ controls }: Scenario) =>
  controls.flatMap((control) =>
    isContinuous(control) ? [('sampleS' in control ? control.sampleS : undefined) ?? SAMPLE_S] : [],
  )

/**
 * Runs a scenario. Two engines, chosen by what it holds: `events` takes exact strides between switchings; `steps` holds continuous control and
 * flows that are not straight over a fixed step, exact for all the rest.
 * @throws RangeError when the scenario is wrong, SimulationCancelled when asked to stop, RunTakesLong when it
 * would take longer than it may
 */
export function simulate(scenario: Scenario, options: SimulateOptions = {}): SimulationResult {
  checkScenario(scenario)
  const stepping = needsSteps(scenario) || options.engine === 'steps'
  const samples = samplesOf(scenario)
  const sampleS = samples.length > 0 ? Math.min(...samples) : 0
  // Whoever asks for a step gets that one.
  const grows = stepping && scenario.stepS === undefined && needsSteps(scenario)
  const { traceS } = scenario
  const plain = stepping ? stepOf(scenario, programOf(scenario, 1, 0).fastest) : strideOf(traceS)
  // Halved from the trace, so that grown strides end on its points.
  const halvings = grows && sampleS === 0 && traceS > 0 ? Math.ceil(Math.log2(traceS / plain)) : 0
  const stepS = halvings > 0 ? traceS / 2 ** halvings : plain
  const calm = grows ? Math.max(CALM, halvings) : 0
  const grid = gridOf(Math.min(stepS, scenario.durationS), scenario, sampleS, calm)
  const program = programOf(scenario, grid.tickS, grid.levels)
  const machine = new Machine(program, grid.tickS, grid.endTick, grid.sampleTicks)
  const made = run(program, machine, grid, options)
  return { ...made, summary: { engine: stepping ? 'steps' : 'events', stepS, ...made.summary } }
}
