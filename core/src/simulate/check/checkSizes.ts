import { type Scenario } from '../scenario'

/** Most numbers that a trace may hold: 64 MB. */
const MOST_CELLS = 8_000_000

export const HOUR_S = 3600

const LONGEST_S = 400 * 86400

/** A node that nothing joins to anything keeps its temperature for ever: always a slip. */
export function checkJoined(scenario: Scenario) {
  const { nodes, links, flows = [], gains = [] } = scenario.network
  const moisture = new Set(scenario.probes.flatMap(({ moisture: node }) => (node === undefined ? [] : [node])))
  const stores = new Set(scenario.actuators.flatMap(({ draws }) => (draws ? [draws.node] : [])))
  const used = new Set([
    ...links.flatMap(({ from, to }) => [from, to]),
    ...flows.flatMap((flow) =>
      flow.kind === 'emitter'
        ? [flow.from, flow.to]
        : flow.kind === 'evaporation'
          ? [flow.water]
          : [flow.coil, flow.air],
    ),
    ...scenario.actuators.flatMap(({ node }) => (node === undefined ? [] : [node])),
    ...gains.map(({ node }) => node),
    ...moisture,
    ...stores,
  ])
  for (const { id } of nodes)
    if (!used.has(id))
      throw new RangeError(`node ${id} hangs on nothing: join it by a link or heat it by an actuator, or take it out`)
}

/** Holds a run to times that can be worked out: its length, its trace, its strides. */
export function checkTimes(scenario: Scenario) {
  const { durationS, traceS } = scenario
  if (!(traceS >= 0 && traceS <= HOUR_S))
    throw new RangeError(`traceS ${traceS} must lie between 0 (none) and ${HOUR_S} s`)
  if (traceS > 0 && Math.abs(HOUR_S / traceS - Math.round(HOUR_S / traceS)) > 1e-9)
    throw new RangeError(`traceS ${traceS} must go into an hour without remainder`)
  if (!(durationS > 0 && durationS >= traceS && durationS <= LONGEST_S))
    throw new RangeError(
      `durationS ${durationS} must lie between traceS and 400 days (${LONGEST_S} s): run a longer time in parts`,
    )
  if (traceS === 0) return
  const columns = 1 + scenario.network.nodes.length + scenario.probes.length + scenario.actuators.length / 2
  const cells = (durationS / traceS) * columns
  if (cells > MOST_CELLS) {
    const least = (durationS * columns) / MOST_CELLS
    const fits = [1, 2, 5, 10, 15, 20, 30, 60, 120, 300, 600, 900, 1800, 3600].find((each) => each >= least) ?? 3600
    throw new RangeError(
      `traceS ${traceS} would write ${Math.round(cells / 1e6)} million numbers over ${Math.round(durationS / 86400)} days: choose ${fits} or more, or 0 for none`,
    )
  }
}
