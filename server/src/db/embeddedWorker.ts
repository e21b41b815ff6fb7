import { parentPort } from 'node:worker_threads'
import { expose, transfer } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { EmbeddedEngine } from './embeddedEngine'

/** The embedded engine in a thread of its own: whoever answers requests never waits for it. */
class ThreadedEngine extends EmbeddedEngine {
  override async exchange(message: Uint8Array): Promise<Uint8Array> {
    const answer = Uint8Array.from(await super.exchange(message))
    return transfer(answer, [answer.buffer])
  }
}

expose(new ThreadedEngine(), nodeEndpoint(parentPort as never))
