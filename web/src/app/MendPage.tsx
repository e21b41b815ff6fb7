import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import type { Refusal } from '@nachtigal/contract/check'
import { mended } from '@nachtigal/contract/mended'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { valueAt } from '@nachtigal/core/document/applyChange'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { attempt } from '../lib/attempt'
import { useSend } from '../loop/useSend'
import { Button } from '../design/Button'
import { Shape } from '../design/Shape'
import { jobAt } from '../lib/addresses'

interface Props {
  readonly jobId: string
  /** The job's own, or that of one of its loops. */
  readonly id: string
  readonly document: JobDocument | LoopDocument
  readonly wrong: Refusal
}

const nameOf = ({ name }: JobDocument | LoopDocument) =>
  typeof name === 'string' && name !== '' ? name.slice(0, 80) : 'No name'

const metric = { temperatureUnit: 'C', system: 'metric' } as const

/** What stands at a place, in the words of the log. */
const placeWords = (document: unknown, path: readonly string[]) =>
  attempt(() => wordChange({ path, from: valueAt(document, path), to: null }, metric).what) ?? path.join(' ')

/** In the place of a job or loop that something is wrong in: what it is, and the way to mend or remove it. */
export function MendPage({ jobId, id, document, wrong }: Props) {
  const inLoop = id !== jobId
  const send = useSend(jobId)
  const navigate = useNavigate()
  const [problem, setProblem] = useState<string>()
  const mend = useMemo(() => mended(documentSchema(id, jobId), document), [document, id, jobId])
  const loopId = inLoop ? id : undefined
  const takeOut = () =>
    setProblem(
      send(changesBetween(id, document, mend!.document), {
        loopId,
        why: 'What could not be read was removed',
        tell: 'What could not be read was removed.',
      }),
    )
  const remove = () => {
    const said = send([{ document: id, path: [], from: document, to: null }], {
      loopId,
      why: 'It could not be read',
      tell: `${nameOf(document)} was removed.`,
    })
    setProblem(said)
    if (!said) void navigate(jobAt(jobId))
  }
  const shown = mend?.taken ?? [{ ...wrong, out: [] }]
  return (
    <main className="sheet p-4 overflow-auto grid gap-4 content-start">
      <h1 className="h1 flex items-center gap-2">
        <Shape kind="stop" size={18} labelled />
        {nameOf(document)}: something in it cannot be read
      </h1>
      <p className="max-w-prose">
        {inLoop
          ? 'The other loops of this job are not touched by it. '
          : 'Its loops cannot be shown before this is mended. '}
        {mend
          ? 'Remove what is wrong, then answer it anew where it is asked; the log keeps what stood there.'
          : inLoop
            ? 'It cannot be mended by removing something. Take the job file to the person who looks after this program, or remove the loop; it can be restored from the log.'
            : 'It cannot be mended by removing something. Take the job file to the person who looks after this program.'}
      </p>
      <ul className="border-t border-ink max-w-3xl">
        {shown.map(({ field, message, out }) => (
          <li key={`${field} ${message}`} className="border-b border-line py-2">
            {out.length > 0 ? <b className="block break-words">{placeWords(document, out)}</b> : null}
            <span className="block break-words">{message.slice(0, 400)}</span>
            {out.length > 0 && out.join('.') !== field ? (
              <span className="block small text-ink2 break-words">All of {out.join(', ').slice(0, 200)} goes.</span>
            ) : null}
          </li>
        ))}
      </ul>
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      <div className="flex flex-wrap gap-4 items-center">
        {mend ? (
          <div className="w-full max-w-xs">
            <Button onClick={takeOut} end={String(mend.taken.length)}>
              Remove what is wrong
            </Button>
          </div>
        ) : null}
        {inLoop ? (
          <button type="button" className="third min-h-12" onClick={remove}>
            Remove the loop
          </button>
        ) : null}
        <a href={`/api/jobs/${jobId}/file`} download>
          Job file
        </a>
        <Link to={inLoop ? jobAt(jobId) : '/'}>{inLoop ? 'Board' : 'All jobs'}</Link>
      </div>
    </main>
  )
}
