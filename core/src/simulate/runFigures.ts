import type { SimulationResult } from './scenario'

/** What a run comes down to for one output: what two settings, or four hundred, are held against one another by. */
export interface RunFigures {
  readonly starts: number
  /** Most starts within any sixty minutes. */
  readonly worstHour: number
  readonly energyKwh: number
  readonly onShare: number
  /** Of the controlled place after the run has settled in. */
  readonly lowestC: number
  readonly highestC: number
  readonly settlesC: number
}

/** Share of a run that is left to it to settle in, and at most this. */
const SETTLE_SHARE = 0.1
const SETTLE_MOST_S = 6 * 3600

/** Most events of a kind within an hour, by walking two fingers along the run. */
function worstHour(times: readonly number[]): number {
  let most = 0
  let from = 0
  times.forEach((at, i) => {
    while (times[from]! <= at - 3600) from++
    most = Math.max(most, i - from + 1)
  })
  return most
}

/**
 * Figures of a run for the outputs that these actuators stand for.
 * @param within stretch in which the place is held against its target; left out, all but the time that it takes to settle
 */
export function runFigures(
  result: SimulationResult,
  controlled: string,
  actuators: readonly string[],
  durationS: number,
  within?: { readonly fromS: number; readonly untilS: number },
): RunFigures {
  const { summary, trace, events } = result
  const sum = (map: Readonly<Record<string, number>>) => actuators.reduce((all, id) => all + (map[id] ?? 0), 0)
  const values = trace.nodes[controlled]
  const fromS = within?.fromS ?? Math.min(SETTLE_MOST_S, durationS * SETTLE_SHARE)
  const untilS = within?.untilS ?? Infinity
  let [lowestC, highestC] = [Infinity, -Infinity]
  if (values)
    for (let i = 0; i < values.length; i++) {
      if (trace.timeS[i]! < fromS || trace.timeS[i]! > untilS) continue
      lowestC = Math.min(lowestC, values[i]!)
      highestC = Math.max(highestC, values[i]!)
    }
  if (!Number.isFinite(lowestC)) [lowestC, highestC] = [summary.minimumC[controlled]!, summary.maximumC[controlled]!]
  return {
    starts: sum(summary.starts),
    worstHour: Math.max(
      0,
      ...actuators.map((id) =>
        worstHour(events.flatMap(({ atS, what, of }) => (what === 'on' && of === id ? [atS] : []))),
      ),
    ),
    energyKwh: sum(summary.energyKwh),
    onShare: actuators.length === 0 ? 0 : sum(summary.onS) / (actuators.length * durationS),
    lowestC,
    highestC,
    settlesC: summary.settlesC[controlled]!,
  }
}
