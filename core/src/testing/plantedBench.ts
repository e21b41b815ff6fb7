import type { Control, Fault, Scenario } from '../simulate/scenario'
import { simulate } from '../simulate/simulate'

/** A vessel whose temperature is led along a line, hour by hour, with a probe in it and controls on that probe. */
interface Bench {
  /** Temperature at each full hour, straight in between. */
  readonly hourlyC: readonly number[]
  readonly controls: readonly Control[]
  readonly drives: readonly string[]
  readonly faults?: readonly Fault[]
  readonly offsetK?: number
  readonly more?: Partial<Scenario>
}

interface BenchRun {
  /** Each switching of a drive: which way, and the bath's temperature then. */
  readonly switchings: (
    drive: string,
  ) => readonly { readonly atS: number; readonly what: 'on' | 'off'; readonly bathC: number }[]
  /** Share that a drive stood at. */
  readonly share: (drive: string, atH: number) => number
  /** What the control was shown. */
  readonly shownC: (atH: number) => number
  readonly lineC: (line: string, atH: number) => number
}

const TRACE_S = 60

/** Runs a bench in the simulator: what the tests are handed is read from it, never made up. */
export function runBench({ hourlyC, controls, drives, faults = [], offsetK = 0, more = {} }: Bench): BenchRun {
  const scenario: Scenario = {
    durationS: (hourlyC.length - 1) * 3600,
    traceS: TRACE_S,
    network: {
      nodes: [{ id: 'idle', capacityJPerK: 1e6, startC: hourlyC[0]! }],
      links: [{ from: 'idle', to: 'bath', wPerK: 1 }],
      boundaries: { bath: { hourlyC } },
    },
    probes: [{ id: 'probe', node: 'bath', lagS: 30, offsetK }],
    actuators: drives.map((id) => ({ id })),
    controls,
    faults,
    ...more,
  }
  const { trace, events } = simulate(scenario)
  const at = (atH: number) => Math.min(trace.timeS.length - 1, Math.round((atH * 3600) / TRACE_S))
  const bathC = (atS: number) => {
    const hour = Math.min(hourlyC.length - 2, Math.floor(atS / 3600))
    return hourlyC[hour]! + (hourlyC[hour + 1]! - hourlyC[hour]!) * (atS / 3600 - hour)
  }
  return {
    switchings: (drive) =>
      events.flatMap(({ atS, what, of }) =>
        of === drive && (what === 'on' || what === 'off') ? [{ atS, what, bathC: bathC(atS) }] : [],
      ),
    share: (drive, atH) => trace.drives[drive]![at(atH)]!,
    shownC: (atH) => trace.probes['probe']![at(atH)]!,
    lineC: (line, atH) => trace.lines[line]![at(atH)]!,
  }
}

/** A line of hours through these temperatures, each held for `holdH` and reached in `moveH`. */
export function throughC(
  temperatures: readonly number[],
  holdH = 3,
  moveH = 3,
): { readonly hourlyC: readonly number[]; readonly atH: readonly number[] } {
  const hourlyC: number[] = []
  const atH: number[] = []
  for (const [i, temperature] of temperatures.entries()) {
    if (i > 0)
      for (let m = 1; m < moveH; m++)
        hourlyC.push(temperatures[i - 1]! + ((temperature - temperatures[i - 1]!) * m) / moveH)
    for (let h = 0; h <= holdH; h++) hourlyC.push(temperature)
    atH.push(hourlyC.length - 1.5)
  }
  return { hourlyC, atH }
}
