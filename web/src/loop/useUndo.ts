import { useCallback } from 'react'
import type { Command } from '@nachtigal/core/document/command'
import { inverseChanges } from '@nachtigal/core/document/inverse'
import { useAppSelector } from '../state/store'
import { useSend } from './useSend'
import { newId } from '../lib/newId'

/** Takes a command back by its inverse. Where something newer stands there, nothing happens and the answer says so. */
export function useUndo(jobId: string): (command: Command) => string | undefined {
  const send = useSend(jobId)
  const by = useAppSelector((state) => state.view.by)
  return useCallback(
    (command) =>
      send(
        inverseChanges(command, () => ({ id: newId(), at: new Date().toISOString(), by: by || 'unnamed' })),
        { loopId: command.loopId, undoes: command.id },
      ),
    [send, by],
  )
}
