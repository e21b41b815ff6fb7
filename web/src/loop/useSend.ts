import { useCallback } from 'react'
import { refusal } from '@nachtigal/contract/check'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import { applyCommand, type Clash } from '@nachtigal/core/document/applyChange'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { lockedOut } from '@nachtigal/core/document/handover'
import type { Change } from '@nachtigal/core/document/command'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { selectJob } from '../state/documentsSlice'
import { noticeGiven } from '../state/noticeSlice'
import type { RootState } from '../state/store'
import { useAppSelector } from '../state/store'
import { useStore } from 'react-redux'
import { useOutbox } from './outboxContext'
import { newId } from '../lib/newId'

const metric: UnitPreferences = { temperatureUnit: 'C', system: 'metric' }

/** Where something newer stands: what is there, and what this change starts from. */
const bothSides = (clashes: readonly Clash[], preferences: UnitPreferences) =>
  `Something newer stands there. ${clashes
    .map((clash) => {
      const { what, before, after } = wordChange({ path: clash.path, from: clash.from, to: clash.is }, preferences)
      return `${what}: now ${after}, this starts from ${before}.`
    })
    .join(' ')}`

export interface SendOptions {
  readonly loopId?: string | undefined
  readonly why?: string
  /** Which action makes it. */
  readonly action?: string
  readonly undoes?: string
  /** Told for a while with the way back: for what takes something away. */
  readonly tell?: string
}

/**
 * Sends changes of a job as one command. They are held against the same schema as on the server first: what has the wrong shape
 * is answered here and goes nowhere.
 * @returns what is wrong, or nothing
 */
export function useSend(jobId: string): (change: readonly Change[], options?: SendOptions) => string | undefined {
  const outbox = useOutbox()
  const store = useStore<RootState>()
  const by = useAppSelector((state) => state.view.by)
  return useCallback(
    (change, { loopId, why, action, undoes, tell } = {}) => {
      if (change.length === 0) return undefined
      const shown = selectJob(store.getState(), jobId)
      const applied = applyCommand(shown ? { [jobId]: shown.job, ...shown.loops } : {}, { change })
      if (!applied.ok) return bothSides(applied.clashes, shown?.job ?? metric)
      const locked = lockedOut(shown ? { [jobId]: shown.job, ...shown.loops } : {}, change)
      if (locked) {
        // Whoever asked may have no place to say so: told where everybody looks.
        store.dispatch(noticeGiven({ text: locked }))
        return locked
      }
      for (const id of new Set(change.map(({ document }) => document))) {
        const document = applied.documents[id]
        const before = id === jobId ? shown?.job : shown?.loops[id]
        const wrong = document === undefined ? undefined : refusal(documentSchema(id, jobId), document, before)
        if (wrong) return wrong.message
      }
      const command = {
        id: newId(),
        jobId,
        baseRevision: shown?.revision ?? 0,
        at: new Date().toISOString(),
        by: by || 'unnamed',
        change,
        ...(loopId ? { loopId } : {}),
        ...(why ? { why } : {}),
        ...(action ? { action } : {}),
        ...(undoes ? { undoes } : {}),
      }
      void outbox.add(command)
      if (tell) store.dispatch(noticeGiven({ text: tell, command }))
      return undefined
    },
    [outbox, store, by, jobId],
  )
}
