import { expose, transfer } from 'comlink'
import { type SweepFigures, type SweepGiven, sweepRow } from '@nachtigal/core/simulate/loop/sweep'
import type { Scenario, SimulationEvent, SimulationResult } from '@nachtigal/core/simulate/scenario'
import { RunTakesLong, simulate } from '@nachtigal/core/simulate/simulate'
import { type MomentValues, runCsv, stripView, type StripView, valuesAt } from '@nachtigal/core/simulate/stripView'

/** A run as the page has it: everything but the whole traces, which stay here. */
export interface RunReport {
  readonly result: SimulationResult
  readonly view: StripView
  readonly ms: number
}

/** Nothing was run: it would take so long, more than it may unless one wants it to. */
interface TakesLong {
  readonly takesMs: number
}

/** Runs what may not take long. */
function quickly<T>(run: () => T): T | TakesLong {
  try {
    return run()
  } catch (error) {
    if (error instanceof RunTakesLong) return { takesMs: error.ms }
    throw error
  }
}

const within = (ms: number) => ({ ms, now: () => performance.now() })

/** Events that the page is told: more than anybody reads. */
const MOST_EVENTS = 20_000
/** Points of the traces that sentences and figures are made from: all of a season's at five minutes, so that no excursion is missed. */
const SENTENCE_POINTS = 70_000

/** So often a run that takes long shows what it has so far. */
const PART_EVERY_MS = 150

const kept = new Map<string, SimulationResult>()

/** Every n-th sample: what the page's sentences are made from. */
function every(values: Float64Array | Float32Array | Uint8Array, n: number): Float64Array {
  const made = new Float64Array(Math.ceil(values.length / n))
  for (let i = 0; i < made.length; i++) made[i] = values[i * n]!
  return made
}

function reportOf(result: SimulationResult, view: StripView, ms: number): RunReport {
  const { trace, events } = result
  const n = Math.max(1, Math.ceil(trace.timeS.length / SENTENCE_POINTS))
  const thin = (map: Readonly<Record<string, Float64Array | Float32Array | Uint8Array>>) =>
    Object.fromEntries(Object.entries(map).map(([id, values]) => [id, every(values, n)]))
  const told: readonly SimulationEvent[] = events.length > MOST_EVENTS ? events.slice(0, MOST_EVENTS) : events
  return {
    result: {
      ...result,
      events: told,
      trace: {
        timeS: every(trace.timeS, n),
        nodes: thin(trace.nodes) as Record<string, Float64Array>,
        probes: thin(trace.probes) as Record<string, Float64Array>,
        lines: thin(trace.lines) as Record<string, Float64Array>,
        drives: thin(trace.drives) as unknown as Record<string, Float32Array>,
        demands: thin(trace.demands) as unknown as Record<string, Float32Array>,
        contacts: thin(trace.contacts) as unknown as Record<string, Uint8Array>,
      },
    },
    view,
    ms,
  }
}

const worker = {
  /**
   * Runs a scenario off the page's thread. The traces stay here under the slot's name; the page gets what it draws.
   * @param mayTakeMs what would take longer is not run
   */
  run(
    slot: string,
    scenario: Scenario,
    window: readonly [number, number] | null,
    points: number,
    mayTakeMs: number,
    onProgress: (share: number, view: StripView) => void,
  ): RunReport | TakesLong {
    const begun = performance.now()
    kept.delete(slot)
    let told = begun
    const result = quickly(() =>
      simulate(scenario, {
        within: within(mayTakeMs),
        onProgress: (share, soFar) => {
          // A bar moves a few times a second: more would only keep the page busy.
          if (share === 1 || performance.now() - told < PART_EVERY_MS) return
          void onProgress(share, stripView(soFar(), 0, scenario.durationS, points))
          told = performance.now()
        },
      }),
    )
    if ('takesMs' in result) return result
    kept.set(slot, result)
    const [from, to] = window ?? [0, scenario.durationS]
    const view = stripView(result, from, to, points)
    const report = reportOf(result, view, performance.now() - begun)
    const { timeS, nodes, probes, lines, drives } = report.result.trace
    const thin = [nodes, probes, lines, drives].flatMap((map) => Object.values(map))
    return transfer(report, [
      ...view.lines.flatMap(({ x, y }) => [x.buffer as ArrayBuffer, y.buffer as ArrayBuffer]),
      ...[timeS, ...thin].map(({ buffer }) => buffer as ArrayBuffer),
    ])
  },
  /** Another window of what was run; nothing where the slot is empty. */
  window(slot: string, fromS: number, toS: number, points: number): StripView | null {
    const result = kept.get(slot)
    return result ? stripView(result, fromS, toS, points) : null
  },
  at(slot: string, atS: number): MomentValues | null {
    const result = kept.get(slot)
    return result ? valuesAt(result, atS) : null
  },
  csv(slot: string, names: Readonly<Record<string, string>>): string | null {
    const result = kept.get(slot)
    return result ? runCsv(result, names) : null
  },
  /** One row of a map; what one of its runs would take, where that is more than it may. */
  sweepRow(asked: SweepGiven, row: number, mayTakeMs: number): SweepFigures | TakesLong {
    return quickly(() => sweepRow(asked, row, { within: within(mayTakeMs) }))
  },
}

/** Makes the engine quick before it is asked for: a small run or two, thrown away. */
function warmUp() {
  const small: Scenario = {
    durationS: 2 * 86400,
    traceS: 60,
    network: {
      nodes: [
        { id: 'slab', capacityJPerK: 4e6, startC: 25 },
        { id: 'room', capacityJPerK: 1e6, startC: 20 },
      ],
      links: [
        { from: 'slab', to: 'room', wPerK: 200 },
        { from: 'room', to: 'outdoor', wPerK: 80 },
      ],
      boundaries: { outdoor: { hourlyC: [-5, 0, -2] } },
    },
    probes: [{ id: 'p', node: 'slab', lagS: 300 }],
    actuators: [{ id: 'heat', node: 'slab', powerW: 4000 }],
    controls: [
      {
        ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'heat', action: 'heating', onC: 24, offC: 25 },
        probeFault: 'off',
      },
    ],
  }
  for (let i = 0; i < 3; i++) stripView(simulate(small), 0, small.durationS, 400)
}

warmUp()

export type SimulateWorker = typeof worker

expose(worker)
