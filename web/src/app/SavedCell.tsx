import { useState } from 'react'
import { useStore } from 'react-redux'
import { useMatch } from 'react-router'
import { shownClock } from '@nachtigal/core/time/shownMoment'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import type { Command } from '@nachtigal/core/document/command'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { selectJob } from '../state/documentsSlice'
import { useAppSelector, type RootState } from '../state/store'
import { useOutbox } from '../loop/outboxContext'
import { Button } from '../design/Button'
import { Dialog } from '../design/Dialog'
import { Shape } from '../design/Shape'
import { newId } from '../lib/newId'

/** What a server that answers and keeps nothing lacks, in two words. */
const troubleTitles: Readonly<Record<string, string>> = {
  DISK_FULL: 'Server disk full',
  DATABASE_AWAY: 'Database away',
  TOO_MANY_REQUESTS: 'Server busy',
}

/** What is on the server and what still waits on this device; a clash is opened from here. */
export function SavedCell() {
  const { pending, parked, online, trouble, savedAt } = useAppSelector((state) => state.documents)
  const [open, setOpen] = useState(false)
  // By the clock of the job that is open; without one by this device's.
  const jobId = useMatch('/jobs/:jobId/*')?.params.jobId
  const zone =
    useAppSelector((state) => (jobId === undefined ? undefined : selectJob(state, jobId)?.job.zone)) ??
    Intl.DateTimeFormat().resolvedOptions().timeZone
  const stuck = pending.filter(({ id }) => parked[id])
  const waiting = pending.length - stuck.length
  const says =
    stuck.length > 0
      ? `${stuck.length} to settle`
      : waiting > 0
        ? online
          ? 'saving'
          : waiting === 1
            ? '1 waits here'
            : `${waiting} wait here`
        : 'saved'
  const where = online ? 'On the server' : trouble ? (troubleTitles[trouble.code] ?? 'Server waits') : 'No server'
  return (
    <>
      <button
        type="button"
        className="title-cell min-w-24 max-md:min-w-0 max-md:!px-2"
        aria-label={`${where}: ${says}`}
        onClick={() => setOpen(true)}
        disabled={stuck.length === 0 && online}
      >
        <span className="k max-md:hidden">{where}</span>
        <span role="status" data-saved={pending.length === 0} className={stuck.length > 0 ? 'text-look font-bold' : ''}>
          {stuck.length > 0 ? (
            <span className="inline-block mr-1">
              <Shape kind="look" size={12} />
            </span>
          ) : null}
          {says}
          {says === 'saved' && savedAt ? <span className="not-phone"> {shownClock(savedAt, zone)}</span> : null}
        </span>
      </button>
      <Dialog open={open && stuck.length === 0 && !online} onClose={() => setOpen(false)} title={where}>
        <p>
          {trouble
            ? `${trouble.message.slice(0, 1).toUpperCase()}${trouble.message.slice(1)}.`
            : 'The server does not answer. What you type is kept on this device and sent when it is back.'}
        </p>
        <p>
          {waiting === 1 ? 'One change waits' : `${waiting} changes wait`} here. You can go on; nothing is lost while
          this device keeps its data.
        </p>
      </Dialog>
      <Dialog
        open={open && stuck.length > 0}
        onClose={() => setOpen(false)}
        title={
          stuck.every(({ id }) => parked[id]?.clashes.length) ? 'Changed in two places' : 'Not taken by the server'
        }
      >
        <div className="grid gap-4">
          {stuck.map((command) => (
            <Settle key={command.id} command={command} />
          ))}
        </div>
      </Dialog>
    </>
  )
}

/** One parked command with both sides: leave what stands there, or put one's own over it. */
function Settle({ command }: { command: Command }) {
  const outbox = useOutbox()
  const store = useStore<RootState>()
  const { message = '', clashes = [] } = useAppSelector((state) => state.documents.parked[command.id]) ?? {}
  const preferences = useAppSelector((state) => selectJob(state, command.jobId)?.job) ?? {
    temperatureUnit: 'C' as const,
    system: 'metric' as const,
  }
  const again = () => {
    const shown = selectJob(store.getState(), command.jobId)
    const documents: Record<string, unknown> = shown ? { [command.jobId]: shown.job, ...shown.loops } : {}
    const change = command.change
      .map((each) => {
        const clash = clashes.find(
          ({ document, path }) => document === each.document && path.join('/') === each.path.join('/'),
        )
        return clash ? { ...each, from: clash.is } : each
      })
      .filter((each) => changesBetween('', each.from, each.to).length > 0)
    void outbox.drop(command.id)
    if (change.length > 0 && Object.keys(documents).length > 0)
      void outbox.add({
        ...command,
        id: newId(),
        baseRevision: shown?.revision ?? 0,
        at: new Date().toISOString(),
        change,
      })
  }
  return (
    <section className="grid gap-2 border-b border-line pb-4">
      {clashes.length === 0 ? <p>{message}</p> : null}
      {clashes.map((clash) => {
        const mine = wordChange(clash, preferences)
        const there = wordChange({ ...clash, to: clash.is }, preferences)
        return (
          <dl key={clash.path.join('/')} className="facts">
            <dt className="font-bold">{mine.what}</dt>
            <dd />
            <dt>stands there</dt>
            <dd>{there.after}</dd>
            <dt>yours</dt>
            <dd>{mine.after}</dd>
          </dl>
        )
      })}
      <div className="grid grid-cols-2 gap-2">
        <Button second end="" onClick={() => void outbox.drop(command.id)}>
          Leave what stands
        </Button>
        {clashes.length > 0 ? (
          <Button end="" onClick={again}>
            Put mine
          </Button>
        ) : null}
      </div>
    </section>
  )
}
