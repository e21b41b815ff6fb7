import { meanWindow, type Thinned, thinWindow } from '../series/thinWindow'
import type { RunSoFar } from './run'
import type { SimulationEvent, SimulationResult } from './scenario'

/** One actuator over a window: spans in which it is on, or its share where it gives one or switches quicker than can be drawn. */
interface StripRow {
  readonly id: string
  /** From and to in turn, s. */
  readonly spans?: Float64Array
  readonly share?: Thinned
  /** Left out for what runs: what a demand of a fan asks for. */
  readonly of?: 'demand'
}

/** What a strip draws of a run: never more than was asked for. */
export interface StripView {
  readonly fromS: number
  readonly toS: number
  readonly lines: readonly (Thinned & { readonly id: string; readonly of: 'node' | 'probe' | 'line' })[]
  readonly rows: readonly StripRow[]
  readonly flags: readonly SimulationEvent[]
}

/** Most flags that a strip shows. */
const MOST_FLAGS = 60
/** A span takes two edges: more of them than this share of the points are drawn as a share. */
const SPAN_SHARE = 1 / 8

function spansOf(result: RunSoFar, id: string, fromS: number, toS: number, endS: number): number[] {
  const spans: number[] = []
  let since: number | undefined
  const put = (a: number, b: number) => {
    if (b >= fromS && a <= toS) spans.push(Math.max(a, fromS), Math.min(b, toS))
  }
  for (const { atS, what, of } of result.events) {
    if (of !== id) continue
    if (what === 'on') since = atS
    else if (what === 'off' && since !== undefined) {
      put(since, atS)
      since = undefined
    }
  }
  if (since !== undefined) put(since, endS)
  return spans
}

/**
 * A window of a run, thinned to what can be drawn; every minimum and maximum stays.
 * @param atMost points a line
 */
export function stripView(result: RunSoFar, fromS: number, toS: number, atMost: number): StripView {
  const { trace, events } = result
  const { timeS } = trace
  const endS = timeS[timeS.length - 1] ?? 0
  const lines = [
    ...Object.entries(trace.nodes).map(([id, value]) => ({
      id,
      of: 'node' as const,
      ...thinWindow({ timeS, value }, fromS, toS, atMost),
    })),
    ...Object.entries(trace.probes).map(([id, value]) => ({
      id,
      of: 'probe' as const,
      ...thinWindow({ timeS, value }, fromS, toS, atMost),
    })),
    ...Object.entries(trace.lines).map(([id, value]) => ({
      id,
      of: 'line' as const,
      ...thinWindow({ timeS, value }, fromS, toS, atMost),
    })),
  ]
  const slices = Math.max(8, Math.floor(atMost / 4))
  // Of a run that is under way there is nothing after its end.
  const untilS = endS > fromS ? Math.min(toS, endS) : toS
  const shareOf = (value: ArrayLike<number>) => meanWindow({ timeS, value }, fromS, untilS, slices)
  const rows = Object.entries(trace.drives).map(([id, value]): StripRow => {
    let whole = true
    for (let i = 0; i < value.length && whole; i++) whole = value[i] === 0 || value[i] === 1
    if (whole && result.eventsLeftOut === undefined) {
      const spans = spansOf(result, id, fromS, toS, endS)
      if (spans.length / 2 <= Math.max(40, atMost * SPAN_SHARE)) return { id, spans: Float64Array.from(spans) }
    }
    return { id, share: shareOf(value) }
  })
  for (const [id, value] of Object.entries(trace.demands)) rows.push({ id, share: shareOf(value), of: 'demand' })
  const flags: SimulationEvent[] = []
  for (const event of events)
    if (
      event.what !== 'on' &&
      event.what !== 'off' &&
      event.atS >= fromS &&
      event.atS <= toS &&
      flags.length < MOST_FLAGS
    )
      flags.push(event)
  return { fromS, toS, lines, rows, flags }
}

/** Every value of a run at one moment: nodes and probes straight between the samples, drives as they are. */
export interface MomentValues {
  readonly atS: number
  readonly nodes: Readonly<Record<string, number>>
  readonly probes: Readonly<Record<string, number>>
  readonly drives: Readonly<Record<string, number>>
  readonly demands: Readonly<Record<string, number>>
}

/** What every row of a run is worth at a moment, s from its start. */
export function valuesAt({ trace }: SimulationResult, atS: number): MomentValues {
  const { timeS } = trace
  const last = timeS.length - 1
  const step = last > 0 ? timeS[1]! - timeS[0]! : 1
  const at = Math.min(last, Math.max(0, atS / step))
  const i = Math.min(Math.floor(at), Math.max(0, last - 1))
  const share = at - i
  const pick = (map: Readonly<Record<string, ArrayLike<number>>>, between: boolean) =>
    Object.fromEntries(
      Object.entries(map).map(([id, values]) => {
        const [a, b] = [values[i]!, values[Math.min(last, i + 1)]!]
        return [id, between ? a + (b - a) * share : share >= 1 ? b : a]
      }),
    )
  return {
    atS: at * step,
    nodes: pick(trace.nodes, true),
    probes: pick(trace.probes, true),
    drives: pick(trace.drives, false),
    demands: pick(trace.demands, true),
  }
}

/** Most rows of an export: more are thinned by leaving out. */
const MOST_ROWS = 200_000

/**
 * A run as a table, its columns named by what they are on site. Names are data: what a spreadsheet would take for a formula is made text.
 * @param names of nodes, probes and drives by id; what has none keeps its id
 */
export function runCsv(result: SimulationResult, names: Readonly<Record<string, string>>): string {
  const { timeS, nodes, probes, lines, drives } = result.trace
  const columns = [
    ...Object.entries(nodes),
    ...Object.entries(probes),
    ...Object.entries(lines),
    ...Object.entries(drives),
  ]
  const quoted = (text: string) => `"${(/^[=+\-@\t\r]/.test(text) ? `'${text}` : text).replaceAll('"', '""')}"`
  const head = ['hours', ...columns.map(([id]) => names[id] ?? id)].map(quoted).join(',')
  const each = Math.max(1, Math.ceil(timeS.length / MOST_ROWS))
  const rows: string[] = [head]
  for (let i = 0; i < timeS.length; i += each)
    rows.push(
      [
        (timeS[i]! / 3600).toFixed(4),
        ...columns.map(([, values]) => (Number.isNaN(values[i]!) ? '' : values[i]!.toFixed(3))),
      ].join(','),
    )
  return `${rows.join('\r\n')}\r\n`
}
