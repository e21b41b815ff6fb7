import { type Remote, wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { startWorker } from '../threads/startWorker'
import type { EmbeddedEngine } from './embeddedEngine'

/** The engine's thread ended: nothing that waits for it will be answered. */
class EngineGone extends Error {
  readonly code = 'ENGINE_GONE'
}

/** The embedded engine, running in its own thread. */
export interface EmbeddedThread {
  /** As the engine itself, where every wait ends when the thread does. */
  readonly ask: <T>(question: (engine: Remote<EmbeddedEngine>) => Promise<T>) => Promise<T>
  /** Resolves with the reason when the thread ends, whoever ended it. */
  readonly gone: Promise<Error>
  readonly end: () => Promise<void>
}

/** A thread whose engine is open on a folder. @throws whatever keeps it from being opened; the thread is ended then */
export async function openedThread(home: string): Promise<EmbeddedThread> {
  const started = startThread()
  try {
    await started.ask((engine) => engine.open(home))
    return started
  } catch (error) {
    await started.end()
    throw error
  }
}

/** Starts the thread; the engine in it is not open yet. */
export function startThread(): EmbeddedThread {
  const worker = startWorker(import.meta.url, 'embeddedWorker', undefined)
  const engine = wrap<EmbeddedEngine>(nodeEndpoint(worker))
  const gone = new Promise<Error>((resolve) => {
    worker.once('error', (error) => resolve(new EngineGone(`the engine broke: ${String(error)}`)))
    worker.once('exit', (code) => resolve(new EngineGone(`the engine ended with ${code}`)))
  })
  return {
    gone,
    ask: (question) =>
      Promise.race([
        question(engine),
        gone.then((error) => {
          throw error
        }),
      ]),
    end: async () => {
      await worker.terminate()
    },
  }
}
