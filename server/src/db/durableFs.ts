import { fsyncSync } from 'node:fs'
import type { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'

interface Stream {
  readonly nfd: number
}
interface NodeModule {
  readonly NODEFS: { readonly stream_ops: { fsync?: (stream: Stream) => number } }
}
type Init = Parameters<NodeFS['init']>[1]

/** File system of the embedded database whose fsync really reaches the disk; as it comes, it has none at all. */
export class DurableFs extends NodeFS {
  /** Counted, so that a test can see that a commit is synced. */
  syncs = 0

  override async init(pg: PGlite, options: Init) {
    const made = await super.init(pg, options)
    const preRun = [...((made.emscriptenOpts.preRun ?? []) as unknown as ((module: unknown) => void)[])]
    preRun.push((module) => {
      const { stream_ops: operations } = (module as NodeModule).NODEFS
      operations.fsync = (stream) => {
        fsyncSync(stream.nfd)
        this.syncs += 1
        return 0
      }
    })
    return { emscriptenOpts: { ...made.emscriptenOpts, preRun: preRun as unknown as NonNullable<Init['preRun']> } }
  }
}
