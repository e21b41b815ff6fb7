import { lazy, Suspense } from 'react'
import { Link } from 'react-router'
import { useIntersectionObserver } from 'usehooks-ts'
import type { JobOverview, JobSummary } from '@nachtigal/contract/api'
import { jobNeeds, stepCounts, whereToGoOn } from '@nachtigal/core/progress/jobOverview'
import { quantityView } from '@nachtigal/core/units/quantity'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { StepStairs } from '../../drawing/StepStairs'
import { agoWords } from '../../lib/momentWords'
import { stepNumber, stepTitles } from '../../lib/stepTitles'
import { useOverviewQuery } from '../../state/api'
import { jobAt, loopAt } from '../../lib/addresses'

// It comes after the overview that it draws: the first screen does not wait for its scales.
const ReadingsRule = lazy(async () => ({ default: (await import('../../drawing/ReadingsRule')).ReadingsRule }))

/** Needs that a card tells: of the first job more than of the others. */
const MOST_NEEDS = 3

/** A job on the first screen: how far it is, what needs a hand, the last change and by whom, and the way on. */
export function JobCard({ job, first }: { job: JobSummary; first: boolean }) {
  // Only what comes into sight is asked for: a firm may have hundreds.
  const { ref, isIntersecting: seen } = useIntersectionObserver({ freezeOnceVisible: true, rootMargin: '200px' })
  const { data: overview } = useOverviewQuery(job.id, { skip: !seen, refetchOnMountOrArgChange: true })
  const go = overview ? whereToGoOn(overview.loops) : undefined
  const goStep = go ? stepNumber(go.next.step) : 0
  const goWords = go ? `Go on: ${go.name}, ${goStep} ${stepTitles[go.next.step]}` : 'Open the board'
  const goTo = go ? loopAt(job.id, go.id, go.next.step) : jobAt(job.id)
  return (
    <article
      ref={ref}
      aria-label={job.name}
      className={`bg-paper border border-ink min-w-0 ${first ? 'border-[1.5px] shadow-[inset_5px_0_0_var(--mark),inset_6px_0_0_var(--ink)] pl-1.5' : ''}`}
    >
      <div className="px-4 pt-3 flex gap-4 flex-wrap md:flex-nowrap">
        <div className="flex-1 min-w-0 max-md:basis-full">
          <div className="flex flex-wrap items-baseline gap-x-3">
            <h2 className={first ? 'h1' : 'h2'}>
              <Link to={jobAt(job.id)} className="no-underline hover:underline wrap-anywhere">
                {job.name}
              </Link>
            </h2>
            <span className="text-ink2">
              {job.loops} loop{job.loops === 1 ? '' : 's'}
              {overview ? `, °${overview.temperatureUnit}` : ''}
            </span>
          </div>
          <Needs job={job} overview={overview} most={first ? MOST_NEEDS : 1} />
        </div>
        {overview && overview.loops.length > 0 ? <StepStairs steps={stepCounts(overview.loops)} wide={first} /> : null}
      </div>
      {first && overview ? (
        <div className="px-3 pb-2">
          <Suspense fallback={null}>
            <ReadingsRule {...ruleOf(overview)} />
          </Suspense>
        </div>
      ) : null}
      <div className="border-t border-line mt-2 flex flex-wrap items-stretch min-h-[38px]">
        {job.place ? (
          <span className="title-cell border-r border-line max-w-full">
            <span className="k">Place</span>
            <span className="!whitespace-normal wrap-anywhere">{job.place}</span>
          </span>
        ) : null}
        <span className="title-cell flex-1 pb-1">
          <span className="k">Last change</span>
          <span className="!whitespace-normal wrap-anywhere">{lastWords(job, overview)}</span>
        </span>
        {first ? (
          <span className="w-full md:w-auto md:min-w-72 flex">
            <Button to={goTo}>{goWords}</Button>
          </span>
        ) : (
          <Link to={goTo} className="self-center px-4 py-2 cond font-semibold text-[16px] max-md:w-full max-md:py-3">
            {goWords}
          </Link>
        )}
      </div>
    </article>
  )
}

function lastWords(job: JobSummary, overview: JobOverview | undefined): string {
  const ago = agoWords(job.changedAt)
  const last = overview?.last
  if (!last) return ago
  return `${ago}, ${last.by}: ${last.loop ? `${last.loop}, ` : ''}${last.did.toLowerCase()}`
}

function Needs({ job, overview, most }: { job: JobSummary; overview: JobOverview | undefined; most: number }) {
  if (!overview) return <p className="text-ink2 min-h-6">{job.loops > 0 ? 'Looking at its loops' : ''}</p>
  const { loops } = overview
  if (loops.length === 0)
    return (
      <p className="min-h-6">
        No loop yet. <Link to={jobAt(job.id)}>Add the first one</Link>
      </p>
    )
  const needs = jobNeeds(loops)
  if (needs.length === 0) {
    const done = loops.every(({ states }) => states.every((state) => state === 'done'))
    return (
      <p className="flex gap-2 items-center min-h-6">
        <Shape kind={done ? 'fits' : 'waiting'} /> {done ? 'Every step of every loop is done.' : 'Nothing to look at.'}
      </p>
    )
  }
  const name = (id: string) => loops.find((loop) => loop.id === id)?.name ?? ''
  return (
    <ul className="grid gap-1 mt-1">
      {needs.slice(0, most).map(({ severity, says, loops: of }) => {
        const [one] = loops.filter(({ id }) => id === of[0])
        const kind = severity === 'stop' ? 'stop' : 'look'
        return (
          <li key={`${says} ${of[0]}`} className="flex gap-2 items-baseline">
            <span className="translate-y-0.5">
              <Shape kind={kind} labelled />
            </span>
            <span>
              <b className={kind === 'stop' ? 'text-stop' : 'text-look'}>
                {of.length > 3 ? `${of.length} loops` : of.map(name).join(', ')}.
              </b>{' '}
              <Link to={loopAt(job.id, of[0], one?.next.step ?? 'survey')}>{says}</Link>
            </span>
          </li>
        )
      })}
      {needs.length > most ? (
        <li className="pl-[22px]">
          <Link to={jobAt(job.id)}>{needs.length - most} more on its board</Link>
        </li>
      ) : null}
    </ul>
  )
}

/** The loops of a job on one rule, in the job's own unit. */
function ruleOf({ loops, temperatureUnit }: JobOverview) {
  const view = quantityView('temperature', { temperatureUnit, system: temperatureUnit === 'F' ? 'us' : 'metric' })
  return {
    unit: view.label,
    loops: loops.map(({ id, name, set, reading, needs }) => ({
      ...{ id, name, shown: reading?.shown ?? 'no reading', heats: set?.heats ?? true },
      ...(set ? { set: view.toShown(set.valueC) } : {}),
      ...(reading ? { reading: view.toShown(reading.valueC) } : {}),
      needs: needs[0] ? (needs[0].severity === 'stop' ? ('stop' as const) : ('look' as const)) : undefined,
    })),
  }
}
