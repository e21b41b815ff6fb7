import { proxy, type Remote, wrap } from 'comlink'
import { emptySweep, type SweepGiven, type SweepMap, withRow } from '@nachtigal/core/simulate/loop/sweep'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import type { StripView } from '@nachtigal/core/simulate/stripView'
import type { RunReport, SimulateWorker } from './simulateWorker'

interface Waiting {
  readonly scenario: Scenario
  readonly window: readonly [number, number] | null
  readonly points: number
  /** What would take longer is not run, but told. */
  readonly mayTakeMs: number
  /** Told of a run that takes long: the share done, and its strip so far. */
  readonly onProgress: (share: number, view: StripView) => void
  readonly settle: (report: RunReport) => void
  readonly takesLong: (ms: number) => void
  readonly fail: (error: Error) => void
}

/** A run that is older than this when the next one is asked for is ended instead of waited for. */
const PATIENCE_MS = 150

/** A worker that neither answers nor tells how far it is for so long may be lost: another one is asked, once. After that it is a slow machine. */
const SILENT_MS = 10_000

const start = () => new Worker(new URL('./simulateWorker.ts', import.meta.url), { type: 'module' })

/**
 * One worker that runs one scenario at a time; of those that are asked for meanwhile only the newest is run. A long run that is out of date is
 * ended with its worker.
 */
export class Simulator {
  private worker: Worker | undefined
  private remote: Remote<SimulateWorker> | undefined
  private running: (Waiting & { readonly since: number }) | undefined
  private waiting: Waiting | undefined
  private timer: ReturnType<typeof setTimeout> | undefined
  private silence: ReturnType<typeof setTimeout> | undefined

  constructor(private readonly slot: string) {}

  /** Has a worker ready, and its program made quick by a small run, before it is asked for. */
  warm(): void {
    if (this.worker) return
    this.begin()
  }

  private begin(): Remote<SimulateWorker> {
    if (this.remote) return this.remote
    const worker = start()
    // One that could not be fetched answers nothing: it only tells of an error.
    worker.onerror = () => {
      const { running } = this
      this.end()
      running?.fail(new Error('its program could not be fetched; is the server running?'))
    }
    this.worker = worker
    this.remote = wrap<SimulateWorker>(worker)
    return this.remote
  }

  private end(): void {
    clearTimeout(this.timer)
    clearTimeout(this.silence)
    this.worker?.terminate()
    this.worker = undefined
    this.remote = undefined
    this.running = undefined
  }

  /** Asks for a run; a newer one takes its place. */
  run(waiting: Waiting): void {
    this.waiting = waiting
    const { running } = this
    if (!running) {
      this.next()
      return
    }
    clearTimeout(this.timer)
    this.timer = setTimeout(
      () => {
        if (this.running !== running) return
        this.end()
        this.next()
      },
      Math.max(0, PATIENCE_MS - (performance.now() - running.since)),
    )
  }

  private next(begunAgain = false): void {
    const ask = this.waiting
    if (!ask) return
    this.waiting = undefined
    const running = { ...ask, since: performance.now() }
    this.running = running
    const remote = this.begin()
    const over = () => {
      clearTimeout(this.timer)
      clearTimeout(this.silence)
      if (this.running === running) this.running = undefined
    }
    const listen = () => {
      clearTimeout(this.silence)
      if (begunAgain) return
      this.silence = setTimeout(() => {
        if (this.running !== running) return
        this.end()
        this.waiting ??= ask
        this.next(true)
      }, SILENT_MS)
    }
    const onProgress: Waiting['onProgress'] = (share, view) => {
      if (this.running === running) listen()
      ask.onProgress(share, view)
    }
    listen()
    remote.run(this.slot, ask.scenario, ask.window, ask.points, ask.mayTakeMs, proxy(onProgress)).then(
      (report) => {
        if (this.running !== running) return
        over()
        if ('takesMs' in report) ask.takesLong(report.takesMs)
        else {
          performance.measure('run round trip', { start: running.since })
          performance.measure('run in worker', { start: running.since, duration: report.ms })
          // While one drags each answer is shown, so that the strip follows and does not stand until the hand does.
          ask.settle(report)
        }
        this.next()
      },
      (error: unknown) => {
        if (this.running !== running) return
        over()
        ask.fail(error instanceof Error ? error : new Error(String(error)))
        this.next()
      },
    )
  }

  /** Ends what runs; what was run before is gone with it. */
  stop(): void {
    this.waiting = undefined
    if (this.running) this.end()
  }

  /** Asks about what was run, where there is anything. */
  ask<T>(what: (remote: Remote<SimulateWorker>, slot: string) => Promise<T>): Promise<T | null> {
    return this.remote && !this.running ? what(this.remote, this.slot) : Promise.resolve(null)
  }
}

/** The loop's own run, and the two sides of a comparison. */
export const simulators = { a: new Simulator('a'), b: new Simulator('b'), c: new Simulator('c') } as const
export type Slot = keyof typeof simulators

/** Starts the worker that a drag will want. */
export const warmWorker = () => simulators.a.warm()

/** Cores that a sweep takes at most: one is left for the page where there are more than two. */
const coresOfSweep = (rows: number) => {
  const cores = navigator.hardwareConcurrency || 2
  return Math.min(rows, Math.max(2, cores - 1))
}

/** A sweep was not run: it would take so long. */
export class SweepTakesLong extends Error {
  constructor(readonly ms: number) {
    super('the sweep would take long')
  }
}

/**
 * A sweep in workers of its own, as many as there are cores, which end with it. Each takes the next row that nobody has.
 * @param mayTakeMs what would take longer is not run; its result fails with `SweepTakesLong`
 * @param onRow told the map as far as it is filled, and the share done
 */
export function runSweep(
  asked: SweepGiven,
  mayTakeMs: number,
  onRow: (map: SweepMap, share: number) => void,
): { readonly result: Promise<SweepMap>; readonly cancel: () => void } {
  const rows = asked.y.values.length
  const cores = coresOfSweep(rows)
  // What is known of all its runs is how long one takes.
  const share = cores / (rows * asked.x.values.length)
  const workers: Worker[] = []
  const end = () => workers.forEach((worker) => worker.terminate())
  let [map, next, done] = [emptySweep(asked.x, asked.y), 0, 0]
  const work = async () => {
    const worker = start()
    workers.push(worker)
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = () => reject(new Error('its program could not be fetched; is the server running?'))
    })
    const remote = wrap<SimulateWorker>(worker)
    while (next < rows) {
      const row = next++
      const figures = await Promise.race([remote.sweepRow(asked, row, mayTakeMs * share), broken])
      if ('takesMs' in figures) throw new SweepTakesLong(figures.takesMs / share)
      // Only now: the others have filled in rows meanwhile.
      map = withRow(map, row, figures)
      onRow(map, ++done / rows)
    }
  }
  const result = Promise.all(Array.from({ length: cores }, work))
    .then(() => map)
    .finally(end)
  return { result, cancel: end }
}
