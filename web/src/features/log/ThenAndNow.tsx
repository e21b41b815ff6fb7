import { useState } from 'react'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import type { Change } from '@nachtigal/core/document/command'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { Reader } from '@nachtigal/core/words/words'
import { useJobAtQuery } from '../../state/api'
import { attempt } from '../../lib/attempt'
import { useSend } from '../../loop/useSend'
import { Button } from '../../design/Button'
import { bareWords } from './bareWords'

interface Props {
  readonly jobId: string
  readonly loop: LoopDocument
  readonly sequence: number
  readonly preferences: Reader
  readonly wireName: (id: string) => string | undefined
  readonly onClose: () => void
}

/** Readings and what was signed are never brought back: they were as they were. */
const stays = ({ path }: Change) => path[0] === 'proof' || path[0] === 'handover' || path[0] === 'version'

/** A loop as it was at a moment beside what it is now; any line of it, or all, brought back as a new change. */
export function ThenAndNow({ jobId, loop, sequence, preferences, wireName, onClose }: Props) {
  const { data, isError, isFetching } = useJobAtQuery({ jobId, sequence })
  const send = useSend(jobId)
  const [problem, setProblem] = useState<string>()
  const then = data?.loops[loop.id]
  const changes = then ? changesBetween(loop.id, loop, then) : []
  const restore = (some: readonly Change[]) =>
    setProblem(send(some, { loopId: loop.id, why: `As it was at change ${sequence}` }))
  const movable = changes.filter((change) => !stays(change))
  return (
    <main className="sheet overflow-auto p-4 grid gap-3 content-start">
      <div className="flex items-end flex-wrap gap-4">
        <h1 className="h1">
          {loop.name}, as it was at change {sequence}
        </h1>
        <button type="button" className="third min-h-8 max-md:min-h-12" onClick={onClose}>
          Back to the log
        </button>
      </div>
      {isError ? <p role="alert">The log is on the server, and it does not answer.</p> : null}
      {isFetching ? <p>Reading the log</p> : null}
      {data && !then ? <p>The loop was not there yet.</p> : null}
      {then && changes.length === 0 ? <p>Nothing is another now than it was then.</p> : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      {changes.length > 0 ? (
        <>
          <table className="grid-table">
            <thead>
              <tr>
                <th>what</th>
                <th>then</th>
                <th>now</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {changes.map((change) => {
                const { what, before, after } =
                  attempt(() => wordChange(change, preferences, wireName)) ?? bareWords(change)
                return (
                  <tr key={change.path.join('/')}>
                    <td className="align-top">
                      <b>{what}</b>
                    </td>
                    <td className="align-top">{after}</td>
                    <td className="align-top text-ink2">{before}</td>
                    <td className="align-top whitespace-nowrap">
                      {stays(change) ? (
                        <span className="small text-ink2">stays in the record</span>
                      ) : (
                        <button
                          type="button"
                          className="third min-h-8 max-md:min-h-12"
                          aria-label={`Restore: ${what}`}
                          onClick={() => restore([change])}
                        >
                          Restore
                        </button>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
          {movable.length > 1 ? (
            <div className="max-w-sm">
              <Button onClick={() => restore(movable)}>Restore all {movable.length}</Button>
            </div>
          ) : null}
        </>
      ) : null}
    </main>
  )
}
