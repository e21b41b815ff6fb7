import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import type { ChangeFeed } from '../store/changeFeed'
import type { JobStore } from '../store/jobStore'
import { checkIds } from './checkIds'
import { LiveJobs } from './liveJobs'

/** So often something is said on a line where nothing happens, so that what lies between does not take it for dead. */
const HEARTBEAT_MS = 20_000

/** Bytes on their way to one who looks. */
const MOST_UNREAD = 1024 * 1024

/** Tells a page, for as long as it is open, what is changed in its job. */
export function changeRoutes({ store, feed }: { readonly store: JobStore; readonly feed: ChangeFeed }): Router {
  const router = Router()
  const live = new LiveJobs(store, feed)
  checkIds(router)
  return router.get(routes.changes, async (request, response) => {
    const stop = await live.open(request.params.jobId, (said) => {
      if (!response.headersSent) {
        response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' })
        response.flushHeaders()
      }
      // One who does not read what is sent, is sent no more: he comes back and catches up.
      if (response.writableLength > MOST_UNREAD) response.destroy()
      else response.write(said)
    })
    if (response.closed) {
      stop()
      return
    }
    const heartbeat = setInterval(() => response.write(':\n\n'), HEARTBEAT_MS)
    response.on('close', () => {
      clearInterval(heartbeat)
      stop()
    })
  })
}
