import { ArrowRight, FileInput, Plus } from 'lucide-react'
import { type ReactNode, useRef } from 'react'
import { Link, useNavigate } from 'react-router'
import { useOpenDemoMutation } from '../../state/api'
import type { Opening } from './useImport'
import { jobAt } from '../../lib/addresses'

interface Props {
  /** No job is here yet: then the first one is begun beside this. */
  readonly empty: boolean
  readonly onNew: () => void
  readonly opening: Opening
}

/** How one begins: a new job, one from a file, the demo, a calculation; and what is not of a job. */
export function StartPanel({ empty, onNew, opening }: Props) {
  const navigate = useNavigate()
  const [openDemo, demo] = useOpenDemoMutation()
  return (
    <section className="bg-paper md:border-l border-line max-md:border-t p-4 md:px-5 flex flex-col" aria-label="Start">
      <h2 className="h2 mb-1">{empty ? 'Rather look first?' : 'Start'}</h2>
      {empty ? null : (
        <Row
          picture={<path d="M8 6h56v46H8ZM8 44h56M36 44v8M36 14v22M25 25h22" />}
          title="Start an empty job"
          about="Name, place, units, then the first loop."
          sign={<Plus size={20} strokeWidth={1.5} />}
          onClick={onNew}
        />
      )}
      <OpenFile opening={opening} />
      <Row
        picture={
          <path d="M30 6h14v48H30ZM30 16h5M30 26h8M30 36h5M12 24h18M12 40h18M15 24v16M22 24v16M44 18h14v14H44" />
        }
        title={demo.isLoading ? 'Opening the demo' : 'Learn on the demo'}
        about={
          demo.isError
            ? 'It could not be opened: the server did not answer. Tap to try again.'
            : 'Ten loops, once sound and once with mistakes to find. Yours to break.'
        }
        sign={<ArrowRight size={20} strokeWidth={1.5} />}
        disabled={demo.isLoading}
        onClick={() =>
          void openDemo()
            .unwrap()
            .then(
              ({ jobId }) => navigate(jobAt(jobId)),
              () => undefined,
            )
        }
      />
      <Row
        picture={<path d="M10 6v46h52M14 12c4 26 14 34 44 36M10 34h16v18" />}
        title="A quick calculation"
        about="Without a job: ohms to degrees, cycles, lines, drops."
        sign={<ArrowRight size={20} strokeWidth={1.5} />}
        to="/calculators"
      />
      <dl className="mt-auto pt-6 grid grid-cols-[1fr_auto] gap-y-2 items-baseline">
        <dt className="text-ink2">Controllers, probes, loads, limiters</dt>
        <dd>
          <Link to="/shelf">The shelf</Link>
        </dd>
        <dt className="text-ink2">Made each night</dt>
        <dd>
          <Link to="/backups">Backups</Link>
        </dd>
      </dl>
      {empty ? (
        <p className="border-t border-line mt-3 pt-3">
          <b className="block">Without a network</b>
          <span className="text-ink2">
            Everything works in the plant room too. What you enter is sent when there is a network again.
          </span>
        </p>
      ) : null}
    </section>
  )
}

interface RowProps {
  readonly picture: ReactNode
  readonly title: string
  readonly about: ReactNode
  readonly sign: ReactNode
  readonly onClick?: () => void
  readonly to?: string
  readonly disabled?: boolean
}

function Row({ picture, title, about, sign, onClick, to, disabled = false }: RowProps) {
  const inside = (
    <>
      <svg width="72" height="60" viewBox="0 0 72 60" fill="none" stroke="var(--ink)" strokeWidth="1.5" aria-hidden>
        {picture}
      </svg>
      <span className="min-w-0">
        <span className="block cond font-semibold text-[19px] leading-[22px]">{title}</span>
        <span className="block text-ink2">{about}</span>
      </span>
      <span aria-hidden>{sign}</span>
    </>
  )
  const look =
    'w-full text-left grid grid-cols-[72px_minmax(0,1fr)_24px] gap-x-4 items-center min-h-20 py-2 border-b border-line no-underline hover:bg-mark'
  return to === undefined ? (
    <button type="button" className={look} disabled={disabled} onClick={onClick}>
      {inside}
    </button>
  ) : (
    <Link to={to} className={look}>
      {inside}
    </Link>
  )
}

function OpenFile({ opening }: { opening: Opening }) {
  const input = useRef<HTMLInputElement>(null)
  const { sent, problem } = opening
  const busy = sent !== undefined
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        className="sr-only"
        aria-label="Job file"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) void opening.open(file)
          event.target.value = ''
        }}
      />
      <Row
        picture={<path d="M14 4h30l14 14v38H14ZM44 4v14h14M36 24v20M28 37l8 8 8-8" strokeDasharray="4 3" />}
        title={busy ? (sent < 1 ? `Sent ${Math.round(sent * 100)} %` : 'Taking it in') : 'Open a job file'}
        about="From another bench. Or drop it anywhere on this page."
        sign={<FileInput size={20} strokeWidth={1.5} />}
        disabled={busy}
        onClick={() => input.current?.click()}
      />
      {busy ? (
        <span className="flex items-center gap-3 py-2">
          <progress className="flex-1" value={sent} max={1} aria-label="How much of the file was sent" />
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={opening.stop}>
            Stop
          </button>
        </span>
      ) : null}
      {problem ? (
        <p role="alert" className="error py-2">
          {problem}
        </p>
      ) : null}
    </>
  )
}
