import { useCallback, useState } from 'react'
import { didOf } from '@nachtigal/core/actions/didOf'
import type { FindKind } from '@nachtigal/core/find/findEntry'
import { useJob } from '../../loop/jobContext'
import { useLogQuery } from '../../state/api'
import { findAddress } from './findAddress'
import { FindSheet } from './FindSheet'
import type { FoundGroup } from './makeFinder'
import { useFindables } from './useFindables'

/** Letters from which the log is asked: it lies on the server. */
const LEAST_FOR_LOG = 3
const LOG_ROWS = 3

/** Finds anything of the job in hand. */
export function FindInJob({ begun, onClose }: { readonly begun: string; readonly onClose: () => void }) {
  const { job } = useJob()
  const [wanted, setWanted] = useState<{ readonly words: string; readonly kind: FindKind | undefined }>()
  const onWanted = useCallback((words: string, kind: FindKind | undefined) => setWanted({ words, kind }), [])
  return (
    <FindSheet
      findables={useFindables()}
      practice={job.practice}
      addressOf={(entry) => findAddress(job.id, entry)}
      hint="A loop, a wire by its number, a terminal, a device by its tag, a parameter’s code, a test, a symptom, a calculator, a sheet, or what is to be done."
      onWanted={onWanted}
      also={useLogGroup(wanted?.words ?? '', wanted?.kind)}
      begun={begun}
      onClose={onClose}
    />
  )
}

/** The newest rows of the log that have these words. */
function useLogGroup(words: string, kind: FindKind | undefined): FoundGroup | undefined {
  const { job, loops } = useJob()
  const text = words.trim()
  const skip = text.length < LEAST_FOR_LOG || (kind !== undefined && kind !== 'log')
  const { currentData } = useLogQuery({ jobId: job.id, words: text }, { skip })
  if (skip || !currentData || currentData.rows.length === 0) return undefined
  return {
    kind: 'log',
    count: currentData.total,
    entries: currentData.rows.slice(0, LOG_ROWS).map(({ sequence, command }) => ({
      id: `log/${sequence}`,
      kind: 'log',
      what: `${didOf(command) ?? 'Changed'}${command.loopId ? `, ${loops[command.loopId]?.name ?? ''}` : ''}`,
      where: `${command.by}, no. ${sequence}`,
      at: [`log?words=${text}`],
    })),
  }
}
