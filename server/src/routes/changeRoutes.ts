import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import type { ChangeFeed } from '../store/changeFeed'
import type { JobStore } from '../store/jobStore'
import { checkIds } from './checkIds'

/** So often something is said on a line where nothing happens, so that what lies between does not take it for dead. */
const HEARTBEAT_MS = 20_000

/** Tells a page, for as long as it is open, that its job was changed: by which row, nothing more. */
export function changeRoutes({ store, feed }: { readonly store: JobStore; readonly feed: ChangeFeed }): Router {
  const router = Router()
  checkIds(router)
  return router.get(routes.changes, async (request, response) => {
    const { jobId } = request.params
    const { revision } = await store.since(jobId, Number.MAX_SAFE_INTEGER)
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' })
    response.flushHeaders()
    // Said once at the start: whoever comes back catches up from here.
    const say = (sequence: number) => response.write(`data: ${JSON.stringify({ sequence })}\n\n`)
    say(revision)
    const stop = feed.listen((notice) => {
      if (notice === 'look')
        store.since(jobId, Number.MAX_SAFE_INTEGER).then(
          (now) => say(now.revision),
          () => response.end(),
        )
      else if (notice.job === jobId) say(notice.sequence)
    })
    const beat = setInterval(() => response.write(':\n\n'), HEARTBEAT_MS)
    response.on('close', () => {
      clearInterval(beat)
      stop()
    })
  })
}
