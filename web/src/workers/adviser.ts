import { type Remote, wrap } from 'comlink'
import type { AdviceWorker } from './adviceWorker'

/** A worker that tries advice on a copy. */
interface Adviser {
  readonly remote: Remote<AdviceWorker>
  /** What is asked, or the worker's own end: a program that could not be fetched answers nothing. */
  readonly asked: <T>(answer: Promise<T>) => Promise<T>
  /** Ends the worker; what was asked never settles then. */
  readonly end: () => void
}

/**
 * Starts a worker of its own.
 * @param onBroken told of a program that could not be fetched
 */
export function startAdviser(onBroken: () => void = () => undefined): Adviser {
  const worker = new Worker(new URL('./adviceWorker.ts', import.meta.url), { type: 'module' })
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => {
      onBroken()
      worker.terminate()
      reject(new Error('its program could not be fetched; is the server running?'))
    }
  })
  // Whoever asks hears of it; nobody may be asking.
  broken.catch(() => undefined)
  return {
    remote: wrap<AdviceWorker>(worker),
    asked: (answer) => Promise.race([answer, broken]),
    end: () => worker.terminate(),
  }
}
