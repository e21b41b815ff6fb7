import { inTellingOrder } from '@nachtigal/core/document/inTellingOrder'
import { didOf } from '@nachtigal/core/actions/didOf'
import './log.css'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { fill, type LogRow, routes } from '@nachtigal/contract/api'
import { keptInput } from '@nachtigal/core/calc/keptInput'
import { loopContext } from '@nachtigal/core/loop/context'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { Change, Command } from '@nachtigal/core/document/command'
import { readNow } from '@nachtigal/core/document/renamedInThree'
import type { LoopNote } from '@nachtigal/core/document/documents'
import { type LogKind, logKinds } from '@nachtigal/core/document/logKind'
import type { Reader } from '@nachtigal/core/words/words'
import { shownMoment } from '@nachtigal/core/time/shownMoment'
import { useLogQuery } from '../../state/api'
import { attempt } from '../../lib/attempt'
import { photoUrl } from '../../lib/photoUrl'
import { useAppSelector } from '../../state/store'
import { useJob } from '../../loop/jobContext'
import { NameField } from '../../loop/NameField'
import { useOpenCalculation } from '../../loop/useOpenCalculation'
import { useUndo } from '../../loop/useUndo'
import { Shape } from '../../design/Shape'
import { bareWords } from './bareWords'
import { ThenAndNow } from './ThenAndNow'
import { useChain } from './useChain'
import { Field } from '../../design/Field'
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { Select } from '../../design/Select'

const MOST_CHANGES = 4
const NONE: readonly never[] = []

type Row = LogRow

/** The log: every change with who, when, before and after, why; sought through, verified, and any of it taken back. */
export function LogPlace() {
  const { job, loops, broken, data: shelf } = useJob()
  const unit = useAppSelector((state) => state.view.unit)
  const [params, setParams] = useSearchParams()
  const [before, setBefore] = useState<number>()
  const [compared, setCompared] = useState<{ readonly sequence: number; readonly loop: string }>()
  const wanted = {
    loop: params.get('loop') ?? '',
    kind: (params.get('kind') ?? '') as LogKind | '',
    words: params.get('words') ?? '',
  }
  const want = (name: keyof typeof wanted, value: string) => {
    setBefore(undefined)
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value === '') next.delete(name)
        else next.set(name, value)
        return next
      },
      { replace: true },
    )
  }
  const { data, isError, isFetching } = useLogQuery(
    {
      jobId: job.id,
      before,
      loop: wanted.loop,
      kind: wanted.kind === '' ? undefined : wanted.kind,
      words: wanted.words,
    },
    { refetchOnMountOrArgChange: true },
  )
  const [problem, setProblem] = useState<{ id: string; text: string }>()
  const undo = useUndo(job.id)
  const preferences = useMemo(
    (): Reader => ({ temperatureUnit: unit ?? job.temperatureUnit, system: job.system, practice: job.practice }),
    [unit, job.temperatureUnit, job.system, job.practice],
  )
  const wires = useMemo(
    () =>
      new Map(
        Object.values(loops).flatMap((loop) =>
          (attempt(() => loopContext(job, loop, shelf).rows) ?? []).map(
            ({ id, number, from, to }) =>
              [id, `${number}, ${from.tag} ${from.label} to ${to.tag} ${to.label},`] as const,
          ),
        ),
      ),
    [job, loops, shelf],
  )
  const openCalculation = useOpenCalculation(job.id, preferences)
  const undone = new Set(data?.rows.map(({ command }) => command.undoes))
  const back = (command: Command) => {
    const wrong = undo(command)
    setProblem(wrong ? { id: command.id, text: wrong } : undefined)
  }
  const wordsOf = (change: Change) =>
    attempt(() => wordChange(change, preferences, (id) => wires.get(id))) ?? bareWords(change)
  const loopName = ({ loopId }: Command) =>
    loopId ? ((loops[loopId] ?? broken[loopId]?.loop)?.name ?? 'taken back') : 'job'
  const columns: TableColumn<Row>[] = [
    { id: 'no', title: 'no.', stays: true, value: ({ sequence }) => sequence, className: 'align-top text-ink2' },
    {
      id: 'when',
      title: 'when',
      value: ({ command }) => command.at,
      text: ({ command }) => shownMoment(command.at, job.zone),
      className: 'align-top md:whitespace-nowrap',
    },
    { id: 'who', title: 'who', value: ({ command }) => command.by, className: 'align-top whitespace-nowrap not-phone' },
    {
      id: 'loop',
      title: 'loop',
      value: ({ command }) => loopName(command),
      className: 'align-top whitespace-nowrap not-phone',
    },
    {
      id: 'what',
      title: 'what, before, after',
      stays: true,
      value: ({ command }) =>
        [
          didOf(command),
          ...inTellingOrder(command.change).map((change) => {
            const { what, before: was, after } = wordsOf(change)
            return `${what}: ${was} to ${after}`
          }),
          command.why && `Why: ${command.why}`,
        ]
          .filter(Boolean)
          .join('; '),
      className: 'w-full align-top',
      cell: ({ command }) => (
        <>
          {command.undoes ? <b>Taken back. </b> : null}
          <Did command={command} />
          {inTellingOrder(command.change)
            .slice(0, MOST_CHANGES)
            .map((change) => {
              const { what, before: was, after } = wordsOf(change)
              return (
                <span key={change.path.join('/') + change.document} className="block">
                  <b>{what}</b> <span className="text-ink2">{was} to</span> {after}
                </span>
              )
            })}
          {command.change.length > MOST_CHANGES ? (
            <span className="block text-ink2">and {command.change.length - MOST_CHANGES} more</span>
          ) : null}
          {command.change.map(readNow).map(({ path, to }) => {
            const { calculation, photo, text } = (path[0] === 'notes' && to !== null ? to : {}) as Partial<LoopNote>
            const input = calculation && keptInput(calculation.calc, calculation.given)
            if (photo)
              return (
                <img
                  key={path.join('/')}
                  className="log-photo"
                  loading="lazy"
                  src={photoUrl(job.id, photo)}
                  alt={text ?? 'photo'}
                />
              )
            return input ? (
              <button
                key={path.join('/')}
                type="button"
                className="third block min-h-8 max-md:min-h-12"
                onClick={() => openCalculation(calculation.calc, input)}
              >
                Open the calculation
              </button>
            ) : null
          })}
          {command.why ? <span className="block text-ink2">Why: {command.why}</span> : null}
          {problem && problem.id === command.id ? (
            <p role="alert" className="error">
              {problem.text}
            </p>
          ) : null}
        </>
      ),
    },
    {
      id: 'do',
      title: 'take back',
      quiet: true,
      className: 'align-top whitespace-nowrap',
      cell: ({ sequence, command }) => (
        <span className="flex gap-4 max-md:flex-col">
          {command.loopId && loops[command.loopId] ? (
            <button
              type="button"
              className="third min-h-8 max-md:min-h-12 -my-1.5"
              onClick={() => setCompared({ sequence, loop: command.loopId! })}
              aria-label={`As it was at change ${sequence}`}
            >
              As it was
            </button>
          ) : null}
          {undone.has(command.id) ? (
            <span className="small text-ink2">taken back</span>
          ) : (
            <button
              type="button"
              className="third min-h-8 max-md:min-h-12 -my-1.5"
              onClick={() => back(command)}
              aria-label={`Undo change ${sequence}`}
            >
              Undo
            </button>
          )}
        </span>
      ),
    },
  ]
  if (compared && loops[compared.loop])
    return (
      <ThenAndNow
        jobId={job.id}
        loop={loops[compared.loop]!}
        sequence={compared.sequence}
        preferences={preferences}
        wireName={(id) => wires.get(id)}
        onClose={() => setCompared(undefined)}
      />
    )
  return (
    <main className="sheet overflow-auto p-4">
      <div className="flex items-end flex-wrap gap-x-4 gap-y-1 mb-2">
        <h1 className="h1">Log</h1>
        <ChainHolds jobId={job.id} total={data?.total} />
        <a className="ml-auto" href={fill(routes.logCsv, { jobId: job.id })} download>
          CSV
        </a>
        <a href={fill(routes.logJson, { jobId: job.id })} download>
          JSON
        </a>
        <div className="only-phone w-full">
          <NameField />
        </div>
      </div>
      <div className="log-filter" role="search" aria-label="Look through the log">
        <Field label="Words" text>
          {(ids) => (
            <input
              {...ids}
              type="search"
              value={wanted.words}
              maxLength={100}
              placeholder="swing, limiter, Ilse"
              onChange={(event) => want('words', event.target.value)}
            />
          )}
        </Field>
        <Field label="Loop">
          {(ids) => (
            <Select {...ids} value={wanted.loop} onChange={(event) => want('loop', event.target.value)}>
              <option value="">all</option>
              {ordered(loops).map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="About">
          {(ids) => (
            <Select {...ids} value={wanted.kind} onChange={(event) => want('kind', event.target.value)}>
              <option value="">everything</option>
              {Object.entries(logKinds).map(([id, title]) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      {isError ? (
        <p role="alert">The log is on the server, and it does not answer. What you change is kept here meanwhile.</p>
      ) : null}
      {data && data.rows.length === 0 ? <p>Nothing in the log answers that. Fewer words, or another loop.</p> : null}
      <DataTable
        label="Log"
        rows={data?.rows ?? NONE}
        columns={columns}
        idOf={({ command }) => command.id}
        busy={isFetching}
      />
      <div className="flex gap-4 py-3">
        {before === undefined ? null : (
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => setBefore(undefined)}>
            Newest
          </button>
        )}
        {data?.more && data.rows.at(-1) ? (
          <button
            type="button"
            className="third min-h-8 max-md:min-h-12"
            onClick={() => setBefore(data.rows.at(-1)!.sequence)}
          >
            Older
          </button>
        ) : null}
      </div>
    </main>
  )
}

/** Whether each row follows from the one before, as far as it was looked at; all of them again on demand. */
function ChainHolds({ jobId, total }: { jobId: string; total: number | undefined }) {
  const { verdict, busy, all, stop } = useChain(jobId, total)
  if (!verdict) return null
  const { rows, checked, brokenAt } = verdict
  if (brokenAt !== undefined)
    return (
      <span role="alert" className="flex items-center gap-2">
        <Shape kind="stop" labelled />
        <b>The record was changed: row {brokenAt} does not follow from the one before.</b>
      </span>
    )
  return (
    <span className="flex items-center gap-2 text-ink2">
      {checked < rows ? null : <Shape kind="fits" labelled />}
      {checked < rows
        ? `${checked} of ${rows} rows looked at`
        : `${rows} rows, each carries the hash of the one before: the chain holds.`}
      <button type="button" className="third min-h-8 max-md:min-h-12 whitespace-nowrap" onClick={busy ? stop : all}>
        {busy ? 'Stop' : 'Check all again'}
      </button>
    </span>
  )
}

/** What was meant by a change, over what it changed. */
function Did({ command }: { command: Command }) {
  const did = didOf(command)
  return did === undefined ? null : <span className="block h3 max-md:text-[17px]">{did}</span>
}
