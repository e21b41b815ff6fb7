import { useEffect } from 'react'
import { useStore } from 'react-redux'
import { type Command, fill, type RowsSince, routes } from '@nachtigal/contract/api'
import { api } from './api'
import { jobRead, rowsRead } from './documentsSlice'
import type { AppStore, RootState } from './store'

/** What is said on the line: up to which row the job stands, and the commands that led there from a row on. */
interface Told {
  readonly sequence: number
  readonly after?: number
  readonly commands?: readonly Command[]
}

/** After so long a line that the server closed is tried again. */
const AGAIN_MS = 3000

/**
 * Hears from the server when others change a job, for as long as its page is looked at, and reads what it lacks. What this device has
 * on its way comes first: its own answers tell of it.
 */
export function useChanges(jobId: string) {
  const store = useStore<RootState>() as AppStore
  useEffect(() => {
    if (typeof EventSource === 'undefined') return undefined
    let line: EventSource | undefined
    let timer: ReturnType<typeof setTimeout> | undefined
    let ended = false
    /** Row that was told of last. */
    let newest = 0
    const waits = () => store.getState().documents.pending.some((command) => command.jobId === jobId)
    const hear = ({ sequence, after, commands }: Told) => {
      newest = Math.max(newest, sequence)
      const held = store.getState().documents.jobs[jobId]
      if (!held || held.revision >= sequence || waits()) return
      if (commands && after === held.revision) {
        store.dispatch(rowsRead({ jobId, after, revision: sequence, commands }))
        if (store.getState().documents.jobs[jobId]?.revision === sequence) {
          store.dispatch(api.util.invalidateTags(['log', 'jobs']))
          return
        }
      }
      void catchUp(store, jobId, sequence)
    }
    // What was told while something of its own was on the way is read when that has come in.
    let waited = waits()
    const rest = store.subscribe(() => {
      const now = waits()
      if (waited && !now) void catchUp(store, jobId, newest)
      waited = now
    })
    const open = () => {
      clearTimeout(timer)
      line?.close()
      line = undefined
      if (ended || document.hidden) return
      const opened = new EventSource(fill(routes.changes, { jobId }))
      line = opened
      opened.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as Told)
      opened.onerror = () => {
        // The browser comes back by itself, but not to a server that answered with an error.
        if (opened.readyState === EventSource.CLOSED && line === opened) timer = setTimeout(open, AGAIN_MS)
      }
    }
    open()
    document.addEventListener('visibilitychange', open)
    return () => {
      ended = true
      rest()
      document.removeEventListener('visibilitychange', open)
      open()
    }
  }, [store, jobId])
}

async function catchUp(store: AppStore, jobId: string, sequence: number) {
  const { documents } = store.getState()
  const held = documents.jobs[jobId]
  if (!held || held.revision >= sequence || documents.pending.some((command) => command.jobId === jobId)) return
  const after = held.revision
  const answer = await fetch(fill(routes.since, { jobId, sequence: String(after) })).catch(() => undefined)
  if (!answer?.ok) return
  const { revision, commands } = (await answer.json()) as RowsSince
  if (commands) store.dispatch(rowsRead({ jobId, after, revision, commands }))
  if ((store.getState().documents.jobs[jobId]?.revision ?? 0) < revision) {
    const whole = await store.dispatch(api.endpoints.job.initiate(jobId, { forceRefetch: true, subscribe: false }))
    if (whole.data) store.dispatch(jobRead(whole.data))
  }
  store.dispatch(api.util.invalidateTags(['log', 'jobs']))
}
