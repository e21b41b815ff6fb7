import { format } from 'date-fns'
import { useMemo, useState } from 'react'
import { keptInput } from '@nachtigal/core/calc/keptSum'
import { loopContext } from '@nachtigal/core/check/context'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { Command } from '@nachtigal/core/job/command'
import type { LoopNote } from '@nachtigal/core/job/documents'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { useLogQuery } from '../../lib/api'
import { useAppSelector } from '../../lib/store'
import { useJob } from '../../loop/jobContext'
import { NameField } from '../../loop/NameField'
import { useOpenSum } from '../../loop/useOpenSum'
import { useUndo } from '../../loop/useUndo'

const MOST_CHANGES = 4

/** The log: every change with who, when, before and after, why; any of them can be taken back. */
export function LogPlace() {
  const { job, loops, data: shelf } = useJob()
  const unit = useAppSelector((state) => state.view.unit)
  const [before, setBefore] = useState<number>()
  const { data, isError, isFetching } = useLogQuery(
    { jobId: job.id, ...(before === undefined ? {} : { before }) },
    { refetchOnMountOrArgChange: true },
  )
  const [problem, setProblem] = useState<{ id: string; text: string }>()
  const undo = useUndo(job.id)
  const preferences = useMemo(
    (): UnitPreferences => ({ temperatureUnit: unit ?? job.temperatureUnit, system: job.system }),
    [unit, job.temperatureUnit, job.system],
  )
  const wires = useMemo(
    () =>
      new Map(
        Object.values(loops).flatMap((loop) =>
          loopContext(job, loop, shelf).rows.map(
            ({ id, number, from, to }) =>
              [id, `${number}, ${from.tag} ${from.label} to ${to.tag} ${to.label},`] as const,
          ),
        ),
      ),
    [job, loops, shelf],
  )
  const openSum = useOpenSum(job.id, preferences)
  const undone = new Set(data?.rows.map(({ command }) => command.undoes))
  const back = (command: Command) => {
    const wrong = undo(command)
    setProblem(wrong ? { id: command.id, text: wrong } : undefined)
  }
  return (
    <main className="sheet overflow-auto p-4">
      <div className="flex items-end flex-wrap gap-4 mb-2">
        <h1 className="h1">Log</h1>
        <span className="text-ink2">
          {data ? `${data.total} changes, each row carries the hash of the one before` : ''}
        </span>
        <div className="only-phone w-full">
          <NameField />
        </div>
      </div>
      {isError ? (
        <p role="alert">The log is on the server, and it does not answer. What you change is kept here meanwhile.</p>
      ) : null}
      <table className="grid-table" aria-busy={isFetching}>
        <thead>
          <tr>
            <th>no.</th>
            <th>when</th>
            <th className="not-phone">who</th>
            <th className="not-phone">loop</th>
            <th>what, before, after</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {data?.rows.map(({ sequence, command }) => (
            <tr key={sequence}>
              <td className="align-top text-ink2">{sequence}</td>
              <td className="align-top whitespace-nowrap">{format(new Date(command.at), 'd MMM HH:mm')}</td>
              <td className="align-top whitespace-nowrap not-phone">{command.by}</td>
              <td className="align-top whitespace-nowrap not-phone">
                {command.loopId ? (loops[command.loopId]?.name ?? 'taken back') : 'job'}
              </td>
              <td className="w-full align-top">
                {command.undoes ? <b>Taken back. </b> : null}
                {command.change.slice(0, MOST_CHANGES).map((change) => {
                  const { what, before: was, after } = wordChange(change, preferences, (id) => wires.get(id))
                  return (
                    <span key={change.path.join('/') + change.document} className="block">
                      <b>{what}</b> <span className="text-ink2">{was} to</span> {after}
                    </span>
                  )
                })}
                {command.change.length > MOST_CHANGES ? (
                  <span className="block text-ink2">and {command.change.length - MOST_CHANGES} more</span>
                ) : null}
                {command.change.map(({ path, to }) => {
                  const { sum } = (path[0] === 'notes' && to !== null ? to : {}) as Partial<LoopNote>
                  const input = sum && keptInput(sum.calc, sum.given)
                  return input ? (
                    <button
                      key={path.join('/')}
                      type="button"
                      className="third block min-h-8 max-md:min-h-12"
                      onClick={() => openSum(sum.calc, input)}
                    >
                      Open the sum
                    </button>
                  ) : null
                })}
                {command.why ? <span className="block text-ink2">Why: {command.why}</span> : null}
                {problem?.id === command.id ? (
                  <p role="alert" className="error">
                    {problem.text}
                  </p>
                ) : null}
              </td>
              <td className="align-top whitespace-nowrap">
                {undone.has(command.id) ? (
                  <span className="small text-ink2">taken back</span>
                ) : (
                  <button
                    type="button"
                    className="third min-h-8 -my-1.5"
                    onClick={() => back(command)}
                    aria-label={`Undo change ${sequence}`}
                  >
                    Undo
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex gap-4 py-3">
        {before === undefined ? null : (
          <button type="button" className="third" onClick={() => setBefore(undefined)}>
            Newest
          </button>
        )}
        {data && data.rows.at(-1) && data.rows.at(-1)!.sequence > 1 ? (
          <button type="button" className="third" onClick={() => setBefore(data.rows.at(-1)!.sequence)}>
            Older
          </button>
        ) : null}
      </div>
    </main>
  )
}
