import { ArrowLeft, ArrowRight, Maximize2, Printer, ZoomIn, ZoomOut } from 'lucide-react'
import { addHours, format, parseISO } from 'date-fns'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { givesBetween, type PlanOf } from '@nachtigal/core/settings/behaviour'
import { HUMIDITY } from '@nachtigal/core/simulate/loop/parts/addFan'
import type { LoopRun } from '@nachtigal/core/simulate/loop/loopScenario'
import type { Scenario, SimulationEvent } from '@nachtigal/core/simulate/scenario'
import type { MomentValues, StripView } from '@nachtigal/core/simulate/stripView'
import { aboutTime } from '@nachtigal/core/units/aboutTime'
import { formatQuantity, quantityView } from '@nachtigal/core/units/quantity'
import { Strip } from '../../drawing/Strip'
import type { StripRelay, StripTrace } from '../../drawing/stripParts'
import { panned, zoomed } from '../../drawing/stripWindow'
import { simulators, type Slot } from '../../workers/simulator'
import { useAppSelector } from '../../state/store'
import { useLoop } from '../../loop/loopContext'
import { bothRuns } from './bothRuns'
import { POINTS, useTrial } from './trial'
import type { RunState } from './useRun'

const HOUR_S = 3600
const LOOKS: readonly StripTrace['look'][] = ['main', 'other', 'second', 'thin']

/** The other run, laid over the loop's own. */
interface Overlay {
  readonly state: RunState
  readonly title: string
}

const bandOf = (plan: PlanOf | undefined): readonly [number, number] | undefined => {
  if (!plan) return undefined
  if (plan.kind === 'on-off') return [plan.onC, plan.offC]
  const { zeroC, fullC } = givesBetween(plan)
  return [zeroC, fullC]
}

/** What an event is called. */
const eventWords: Readonly<Record<string, string>> = {
  trip: 'opened',
  reset: 'closed again',
  alarm: 'alarm',
  'alarm-over': 'alarm over',
  fault: 'fault',
  'fault-over': 'mended',
  melts: 'melts',
  drips: 'drips',
  'cools-again': 'cools again',
  'cut-off': 'battery cut off',
  restart: 'battery back',
  'time-over': 'timer over',
  freed: 'let go again',
}

/** An event in a few words; what held a load off is named as it is called on site. */
function sayEvent(
  { what, of, why }: SimulationEvent,
  { conditions }: Pick<LoopRun, 'conditions'>,
  tagOf: (id: string) => string,
): string {
  if (what === 'held') {
    const by = (why ?? '').split(', ').map((name) => conditions[name] ?? name)
    return `${tagOf(of)} held off by ${by.join(' and ')}`
  }
  return `${eventWords[what] ?? what}${why === undefined ? '' : ` (${why})`}: ${tagOf(of)}`
}

/** What a row of the strip does to the place. */
function actionOf(id: string, scenario: Scenario | undefined, run: LoopRun): StripRelay['action'] {
  const output = run.outputs.find(({ actuator }) => actuator === id)
  if (output) return output.plan.action
  const actuator = scenario?.actuators.find((each) => each.id === id)
  return scenario?.controls.some((control) => control.kind === 'defrost' && control.heater === id) && actuator
    ? 'heating'
    : 'neither'
}

/** The humidity that a probe reads, as a row: it has no place on a scale of temperatures. */
const dampOf = (view: StripView | undefined): StripView['rows'] =>
  (view?.lines ?? []).flatMap(({ id, of, x, y }) =>
    of === 'probe' && id === HUMIDITY ? [{ id, share: { x, y: y.map((percent) => percent / 100) } }] : [],
  )

/** Which names of a run's probes are worth a line: what the control reads, not what only limits. */
const tellsOf = (run: LoopRun, id: string) => run.outputs[0]?.probe === id

/** The strip of a run with its tools, its cursor's values beneath, and another run over it if there is one. */
export function RunStrip({
  slot = 'a',
  state,
  run,
  overlay,
  title,
}: {
  slot?: Slot
  state: RunState
  run: LoopRun
  overlay?: Overlay | undefined
  title: string
}) {
  const { preferences, chain, words } = useLoop()
  const { weather } = useTrial()
  const theme = useAppSelector((store) => store.view.theme)
  const { report, part } = state
  const told = bothRuns(state, overlay?.state)
  // One that takes long is drawn as it comes; what is drawn is what it is a run of.
  const ran = part ? part.of : state.of
  const hours = (ran?.durationS ?? run.scenario.durationS) / HOUR_S
  const [shown, setWindow] = useState<readonly [number, number]>([0, hours])
  const [cursor, setCursor] = useState<number>()
  useEffect(() => setWindow([0, hours]), [hours])
  const window = shown[1] > hours ? ([0, hours] as const) : shown
  const view = useView(slot, state, window, hours)
  const other = useView('b', overlay?.state, window, hours)
  const temperature = quantityView('temperature', preferences)
  const { nodes, controlled } = run
  const plan = run.outputs[0]?.plan
  const traces = useMemo((): StripTrace[] => {
    if (!view) return []
    const points = ({ x, y }: StripView['lines'][number]) =>
      Array.from(x, (s, i) => ({ x: s / HOUR_S, y: temperature.toShown(y[i]!) }))
    const made = view.lines.flatMap((line): StripTrace[] => {
      if (line.of === 'node') {
        const name = nodes[line.id]
        return name === undefined || line.id === 'element'
          ? []
          : [{ id: line.id, name, points: points(line), look: line.id === controlled ? 'main' : 'second' }]
      }
      if (line.of === 'line') return [{ id: line.id, name: 'its line', points: points(line), look: 'other' }]
      return tellsOf(run, line.id)
        ? [{ id: line.id, name: 'as the control reads it', points: points(line), look: 'thin' }]
        : []
    })
    const over = other?.lines.find(({ id, of }) => of === 'node' && id === controlled)
    if (over && overlay) made.push({ id: 'other', name: overlay.title, points: points(over), look: 'other' })
    // What is compared stands first in the legend: on a phone the rest of it has to be pushed into sight.
    return made.sort((a, b) => LOOKS.indexOf(a.look) - LOOKS.indexOf(b.look))
  }, [view, other, overlay, nodes, controlled, run, temperature])
  const tagOf = useCallback((id: string) => chain.devices.find((device) => device.id === id)?.tag ?? id, [chain])
  const relays = useMemo(() => {
    const rowsOf = (from: StripView | undefined, suffix: string) =>
      [...(from?.rows ?? []), ...dampOf(from)].map(({ id, spans, share, of }) => ({
        id: `${id}${suffix}`,
        name: `${of === 'demand' ? `by ${run.demands[id] ?? id}` : tagOf(id)}${suffix}`,
        action: actionOf(id, ran, run),
        ...(spans
          ? {
              spans: Array.from(
                { length: spans.length / 2 },
                (_, i) => [spans[2 * i]! / HOUR_S, spans[2 * i + 1]! / HOUR_S] as const,
              ),
            }
          : {}),
        ...(share ? { share: Array.from(share.x, (s, i) => ({ x: s / HOUR_S, y: share.y[i]! })) } : {}),
      }))
    return [...rowsOf(view, ''), ...(overlay ? rowsOf(other, ' 2') : [])].slice(0, 8)
  }, [view, other, overlay, ran, run, tagOf])
  const flags = useMemo(
    () => (view?.flags ?? []).map((event) => ({ at: event.atS / HOUR_S, text: sayEvent(event, run, tagOf) })),
    [view, run, tagOf],
  )
  const start = weather?.start
  const timeText = useCallback(
    (hour: number, stepH: number) => {
      const at = addHours(parseISO(start ?? '2029-01-01T00:00:00'), 0)
      const moment = new Date(at.getTime() + Math.round(hour * 60) * 60_000)
      if (stepH >= 24) return format(moment, 'd MMM')
      return format(
        moment,
        stepH === 0 && hours > 24 ? 'EEE d MMM HH:mm' : hours > 24 && hour % 24 === 0 ? 'EEE' : 'HH:mm',
      )
    },
    [start, hours],
  )
  const follows = run.scenario.controls.some(({ kind }) => kind === 'reset')
  const shape = plan && !follows ? bandOf(plan) : undefined
  // Two numbers, not the pair that holds them.
  const [bandLow, bandHigh] = shape ?? []
  const band = useMemo(
    () =>
      bandLow === undefined || bandHigh === undefined
        ? undefined
        : ([temperature.toShown(bandLow), temperature.toShown(bandHigh)] as const),
    [bandLow, bandHigh, temperature],
  )
  const middle = cursor ?? (window[0] + window[1]) / 2
  const width = window[1] - window[0]
  const whole = width >= hours - 1e-9
  return (
    <section
      className="strip-area"
      aria-labelledby="strip-title"
      data-run={told.status}
      data-part={part ? 'yes' : undefined}
      data-turn={state.turn}
      data-window={`${window[0].toFixed(2)} ${window[1].toFixed(2)}`}
    >
      <div className="strip-tools">
        <h2 id="strip-title" className="h2">
          {title}
        </h2>
        <span className="grow" />
        {(
          [
            ['Earlier', ArrowLeft, () => setWindow(panned(window, -width * 0.5, hours)), whole],
            ['Later', ArrowRight, () => setWindow(panned(window, width * 0.5, hours)), whole],
            ['Closer', ZoomIn, () => setWindow(zoomed(window, middle, 1 / 2, hours)), width <= 0.25],
            ['Further', ZoomOut, () => setWindow(zoomed(window, middle, 2, hours)), whole],
            ['All of it', Maximize2, () => setWindow([0, hours]), whole],
            ['Print', Printer, () => globalThis.print(), false],
          ] as const
        ).map(([name, Icon, act, off]) => (
          <button key={name} type="button" className="tool" aria-label={name} title={name} disabled={off} onClick={act}>
            <Icon size={18} strokeWidth={1.5} aria-hidden />
          </button>
        ))}
      </div>
      <div className="strip-holder">
        {view ? (
          <Strip
            traces={traces}
            relays={relays}
            flags={flags}
            band={band}
            bandAction={plan?.action ?? 'heating'}
            hours={hours}
            window={window}
            onWindow={setWindow}
            cursor={cursor}
            onCursor={setCursor}
            timeText={timeText}
            unit={temperature.label}
            theme={theme}
            label={`${title}: ${traces.map(({ name }) => name).join(', ')}, ${part ? 'still running' : `${report?.result.summary.starts[run.outputs[0]?.actuator ?? ''] ?? 0} starts`}`}
          />
        ) : null}
        {told.status === 'running' && told.slow ? (
          <div className={part ? 'strip-over beside' : 'strip-over'} role="status">
            <p>Simulating, {Math.round(told.share * 100)} %</p>
            <progress max={1} value={told.share} className="w-full" aria-label="Simulating" />
            <button className="third min-h-8" type="button" onClick={told.stop}>
              Stop it
            </button>
          </div>
        ) : null}
        {told.status === 'long' ? (
          <div className="strip-over" role="status">
            <p>This run would take {aboutTime(told.takesMs ?? 0)} here. What is drawn is the run before.</p>
            <div className="flex flex-wrap gap-4">
              <button className="third min-h-8" type="button" onClick={told.goAhead}>
                Run it
              </button>
              <button className="third min-h-8" type="button" onClick={told.stop}>
                Leave it
              </button>
            </div>
          </div>
        ) : null}
        {told.status === 'stopped' || told.status === 'failed' ? (
          <div
            className={part ? 'strip-over beside' : 'strip-over'}
            role={told.status === 'failed' ? 'alert' : 'status'}
          >
            <p>
              {told.status === 'failed'
                ? `The run stopped: ${told.message ?? ''}`
                : part
                  ? `Stopped at ${Math.round(told.share * 100)} %. What is drawn is as far as it came.`
                  : 'Stopped. What is drawn is the run before.'}
            </p>
            <button className="third min-h-8" type="button" onClick={told.again}>
              Run it again
            </button>
          </div>
        ) : null}
      </div>
      <CursorValues
        slot={slot}
        cursor={cursor}
        turn={state.turn}
        nodes={nodes}
        demands={run.demands}
        tagOf={tagOf}
        timeText={timeText}
        probe={run.outputs[0]?.probe}
        say={(c) => formatQuantity(c, 'temperature', preferences)}
        flags={flags.filter(({ at }) => cursor !== undefined && Math.abs(at - cursor) <= width / 60)}
        words={words}
      />
    </section>
  )
}

interface CursorProps {
  readonly slot: Slot
  readonly cursor: number | undefined
  readonly turn: number
  readonly nodes: LoopRun['nodes']
  readonly tagOf: (id: string) => string
  /** What each demand of a fan is called. */
  readonly demands: Readonly<Record<string, string>>
  readonly timeText: (hour: number, stepH: number) => string
  readonly probe: string | undefined
  readonly say: (celsius: number) => string
  readonly flags: readonly { readonly at: number; readonly text: string }[]
  readonly words: { readonly say: (si: number, quantity: 'percent', decimals?: number) => string }
}

/** Every value at the cursor, exact, from the whole run. */
function CursorValues({ slot, cursor, turn, nodes, demands, tagOf, timeText, probe, say, flags, words }: CursorProps) {
  const [values, setValues] = useState<MomentValues | null>(null)
  const asked = useRef(0)
  useEffect(() => {
    const mine = ++asked.current
    if (cursor === undefined) {
      setValues(null)
      return
    }
    void simulators[slot]
      .ask((remote, name) => remote.at(name, cursor * HOUR_S))
      .then((made) => {
        if (mine === asked.current && made) setValues(made)
      })
  }, [slot, cursor, turn])
  if (cursor === undefined || !values)
    return (
      <p className="strip-values text-ink2">
        Point at the strip, or focus it and press the arrows: every value at that moment stands here.
      </p>
    )
  return (
    <dl className="strip-values" aria-live="polite" data-cursor={cursor.toFixed(3)}>
      <div>
        <dt>At</dt>
        <dd>{timeText(cursor, 0)}</dd>
      </div>
      {Object.entries(nodes).map(([id, name]) => (
        <div key={id}>
          <dt>{name}</dt>
          <dd>{say(values.nodes[id]!)}</dd>
        </div>
      ))}
      {probe !== undefined && values.probes[probe] !== undefined ? (
        <div>
          <dt>reads</dt>
          <dd>{Number.isNaN(values.probes[probe]) ? 'nothing' : say(values.probes[probe])}</dd>
        </div>
      ) : null}
      {values.probes[HUMIDITY] === undefined ? null : (
        <div>
          <dt>humidity</dt>
          <dd>{Number.isNaN(values.probes[HUMIDITY]) ? 'nothing' : words.say(values.probes[HUMIDITY], 'percent')}</dd>
        </div>
      )}
      {Object.entries(values.demands).map(([id, share]) => (
        <div key={id}>
          <dt>by {demands[id] ?? id}</dt>
          <dd>
            {words.say(share * 100, 'percent')}
            {share > 0 && share >= Math.max(...Object.values(values.demands)) ? ', commands' : ''}
          </dd>
        </div>
      ))}
      {flags.slice(0, 3).map(({ at, text }) => (
        <div key={`${at} ${text}`}>
          <dt>⚑</dt>
          <dd>{text}</dd>
        </div>
      ))}
      {Object.entries(values.drives).map(([id, share]) => (
        <div key={id}>
          <dt>{tagOf(id)}</dt>
          <dd>{share === 0 ? 'off' : share === 1 ? 'on' : words.say(share * 100, 'percent')}</dd>
        </div>
      ))}
    </dl>
  )
}

/** What is drawn of a run in a window: the whole at once, a closer look as soon as the worker has it. */
function useView(
  slot: Slot,
  state: RunState | undefined,
  [from, to]: readonly [number, number],
  hours: number,
): StripView | undefined {
  const report = state?.report
  const part = state?.part
  const [closer, setCloser] = useState<{ readonly turn: number; readonly view: StripView }>()
  const whole = to - from >= hours - 1e-9
  const turn = state?.turn ?? 0
  useEffect(() => {
    if (whole || !report || part) return
    let live = true
    void simulators[slot]
      .ask((remote, name) => remote.window(name, from * HOUR_S, to * HOUR_S, POINTS))
      .then((view) => {
        if (live && view) setCloser({ turn, view })
      })
    return () => {
      live = false
    }
  }, [slot, report, turn, from, to, whole, part])
  if (part) return part.view
  if (!report) return undefined
  return whole || !closer || closer.turn !== turn ? report.view : closer.view
}
