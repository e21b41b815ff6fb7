import { createSelector, createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { JobState } from '@nachtigal/contract/api'
import { applyCommand, type Clash, type Documents } from '@nachtigal/core/document/applyChange'
import type { Change, Command } from '@nachtigal/core/document/command'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'

/** Why a command rests: what it started from is no longer there, or the server found its shape wrong. */
interface Parked {
  readonly message: string
  readonly clashes: readonly Clash[]
}

/** Why a server that answers keeps nothing for now. */
export interface Trouble {
  readonly code: string
  readonly message: string
}

interface HeldJob {
  readonly documents: Documents
  readonly revision: number
}

interface DocumentsState {
  /** As the server acknowledged them. */
  readonly jobs: Readonly<Record<string, HeldJob>>
  /** Commands on their way, oldest first; what is shown is the jobs with these applied. */
  readonly pending: readonly Command[]
  readonly parked: Readonly<Record<string, Parked>>
  /** Commands made in this visit and not taken back, newest last: what the undo key takes back. */
  readonly recent: readonly Command[]
  readonly online: boolean
  /** What the server said when it could not keep anything; nothing where it did not answer at all. */
  readonly trouble: Trouble | null
  readonly savedAt: string | null
}

const initialState: DocumentsState = {
  jobs: {},
  pending: [],
  parked: {},
  recent: [],
  online: true,
  trouble: null,
  savedAt: null,
}

/** Whether two changes touch the same place: one path is the beginning of the other. */
const overlaps = (a: Change, b: Change) =>
  a.document === b.document && a.path.slice(0, b.path.length).join('\n') === b.path.slice(0, a.path.length).join('\n')

/** The oldest command that may be sent: not parked, and on no path of a parked one before it. */
export function nextToSend({ pending, parked }: DocumentsState): Command | undefined {
  const blocked: Change[] = []
  for (const command of pending) {
    const waits =
      parked[command.id] !== undefined ||
      command.change.some((change) => blocked.some((other) => overlaps(change, other)))
    if (!waits) return command
    blocked.push(...command.change)
  }
  return undefined
}

const slice = createSlice({
  name: 'documents',
  initialState,
  reducers: {
    jobRead(state, { payload }: PayloadAction<JobState>) {
      const { job, loops, revision } = payload
      // An answer that was overtaken on its way says nothing new.
      if (revision < (state.jobs[job.id]?.revision ?? 0)) return state
      return { ...state, jobs: { ...state.jobs, [job.id]: { documents: { [job.id]: job, ...loops }, revision } } }
    },
    commandMade: (state, { payload }: PayloadAction<Command>) => ({
      ...state,
      pending: [...state.pending, payload],
      recent: payload.undoes
        ? state.recent.filter(({ id }) => id !== payload.undoes)
        : [...state.recent, payload].slice(-50),
    }),
    commandsRestored: (state, { payload }: PayloadAction<Command[]>) => {
      const known = new Set(state.pending.map(({ id }) => id))
      return { ...state, pending: [...payload.filter(({ id }) => !known.has(id)), ...state.pending] }
    },
    commandSaved(state, { payload }: PayloadAction<{ command: Command; revision: number; at: string }>) {
      const { command, revision, at } = payload
      const held = state.jobs[command.jobId]
      // Told of by the server before its answer came: it is in there already.
      const known = held !== undefined && held.revision >= revision
      const applied = known ? undefined : applyCommand(held?.documents ?? {}, command)
      return {
        ...state,
        online: true,
        trouble: null,
        savedAt: at,
        pending: state.pending.filter(({ id }) => id !== command.id),
        jobs: applied?.ok
          ? {
              ...state.jobs,
              [command.jobId]: {
                documents: applied.documents,
                // Others wrote in between: what they did is still to be read.
                revision: revision === (held?.revision ?? 0) + 1 ? revision : (held?.revision ?? 0),
              },
            }
          : state.jobs,
      }
    },
    /** The server's database is another one now: what was read of it counts no more. */
    jobsForgotten: (state) => ({ ...state, jobs: {} }),
    rowsRead(
      state,
      { payload }: PayloadAction<{ jobId: string; after: number; revision: number; commands: readonly Command[] }>,
    ) {
      const { jobId, after, revision, commands } = payload
      const held = state.jobs[jobId]
      if (held?.revision !== after) return state
      let documents: Documents = held.documents
      for (const command of commands) {
        const applied = applyCommand(documents, command)
        if (!applied.ok) return state
        documents = applied.documents
      }
      return { ...state, jobs: { ...state.jobs, [jobId]: { documents, revision } } }
    },
    commandParked: (state, { payload }: PayloadAction<{ id: string } & Parked>) => ({
      ...state,
      online: true,
      trouble: null,
      parked: { ...state.parked, [payload.id]: { message: payload.message, clashes: payload.clashes } },
    }),
    commandDropped(state, { payload }: PayloadAction<string>) {
      const { [payload]: _gone, ...parked } = state.parked
      return { ...state, parked, pending: state.pending.filter(({ id }) => id !== payload) }
    },
    wentOffline: (state, { payload }: PayloadAction<Trouble | null>) => ({ ...state, online: false, trouble: payload }),
  },
})

export const documentsReducer = slice.reducer
export const {
  jobRead,
  jobsForgotten,
  rowsRead,
  commandMade,
  commandsRestored,
  commandSaved,
  commandParked,
  commandDropped,
  wentOffline,
} = slice.actions

export interface ShownJob {
  readonly job: JobDocument
  readonly loops: Readonly<Record<string, LoopDocument>>
  readonly revision: number
}

type Root = { readonly documents: DocumentsState }

/** A job as it is shown: what the server has, with the commands on their way applied over it; parked ones are left out. */
export const selectJob = createSelector(
  [
    (state: Root) => state.documents.jobs,
    (state: Root) => state.documents.pending,
    (state: Root) => state.documents.parked,
    (_: Root, jobId: string) => jobId,
  ],
  (jobs, pending, parked, jobId): ShownJob | undefined => {
    const held = jobs[jobId]
    let documents = held?.documents ?? {}
    for (const command of pending) {
      if (command.jobId !== jobId || parked[command.id]) continue
      const next = applyCommand(documents, command)
      if (next.ok) documents = next.documents
    }
    const { [jobId]: job, ...loops } = documents
    return job
      ? { job: job as JobDocument, loops: loops as Record<string, LoopDocument>, revision: held?.revision ?? 0 }
      : undefined
  },
)
