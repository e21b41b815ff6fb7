import { useState } from 'react'
import { Link } from 'react-router'
import { loopContext } from '@nachtigal/core/loop/context'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { nextThing, stepStatus } from '@nachtigal/core/progress/stepStatus'
import { lastReading } from '@nachtigal/core/document/proofReadings'
import { givesBetween, type PlanOf, plansOf } from '@nachtigal/core/settings/behaviour'
import { ordered } from '@nachtigal/core/schema/ordered'
import { rungsOf } from '@nachtigal/core/settings/stages/stageGroup'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import { formatValue, quantityView } from '@nachtigal/core/units/quantity'
import { MiniScale } from '../../drawing/MiniScale'
import { StepTrack } from '../../drawing/StepTrack'
import { attempt } from '../../lib/attempt'
import { useAppSelector } from '../../state/store'
import { useJob } from '../../loop/jobContext'
import { Dialog } from '../../design/Dialog'
import { Shape } from '../../design/Shape'
import { AddLoopForm } from './AddLoopForm'
import { JobDetailsForm } from './JobDetailsForm'
import { jobAt, loopAt } from '../../lib/addresses'

const severityOf = (codes: readonly string[]) => (codes.includes('stop') ? 0 : codes.includes('look-again') ? 1 : 2)

/** Both ends of an output that gives more or less, in the unit that is shown. */
function wedgeOf(plan: PlanOf, shown: (c: number) => number) {
  if (plan.kind === 'on-off') return undefined
  const { zeroC, fullC } = givesBetween(plan)
  return { zero: shown(zeroC), full: shown(fullC), action: plan.action }
}

/** The board: a row for each loop, what needs a hand first. */
export function BoardPlace() {
  const { job, loops, broken, data } = useJob()
  const unit = useAppSelector((state) => state.view.unit)
  const [adding, setAdding] = useState(false)
  const [details, setDetails] = useState(false)
  const preferences = { temperatureUnit: unit ?? job.temperatureUnit, system: job.system }
  const looked = ordered(loops).map(
    (loop) =>
      [
        loop,
        attempt(() => {
          const context = loopContext(job, loop, data, preferences, Object.values(loops))
          const { open } = checkLoop(context)
          return {
            loop,
            context,
            open,
            status: stepStatus(context),
            next: nextThing(context),
            rank: severityOf(open.map(({ severity }) => severity)),
          }
        }),
      ] as const,
  )
  const rows = looked.flatMap(([, row]) => row ?? []).sort((a, b) => a.rank - b.rank)
  const spoilt = [
    ...Object.entries(broken).map(([id, { loop, wrong }]) => ({ id, name: loop.name, says: wrong.message })),
    ...looked.flatMap(([{ id, name }, row]) =>
      row ? [] : [{ id, name, says: 'It cannot be calculated with. Tell the person who looks after this program.' }],
    ),
  ]
  const count = rows.length + spoilt.length
  const view = quantityView('temperature', preferences)
  const looks = rows.filter(({ rank }) => rank < 2).length + spoilt.length
  return (
    <main className="sheet overflow-auto">
      <div className="flex items-baseline flex-wrap gap-x-4 gap-y-2 p-4 board-head">
        <h1 className="h1">{count === 0 ? 'No loop yet' : `${count} loop${count === 1 ? '' : 's'}`}</h1>
        <span className="text-ink2">
          {count === 0
            ? 'A loop is one thing that is held warm, cold or dry. Choose the first one.'
            : looks === 0
              ? 'nothing to look at'
              : `${looks} to look at`}
        </span>
        <Link className="ml-auto" to={jobAt(job.id, 'log')}>
          Log
        </Link>
        <Link to={jobAt(job.id, 'calculators')}>Calculators</Link>
        <Link to={jobAt(job.id, 'shelf')}>Shelf</Link>
        <button type="button" className="third" onClick={() => setDetails(true)}>
          Job details
        </button>
        <a href={`/api/jobs/${job.id}/file`} download>
          Job file
        </a>
        {count > 0 ? (
          <button type="button" className="third" onClick={() => setAdding(true)}>
            Add a loop
          </button>
        ) : null}
      </div>
      {count === 0 ? (
        <div className="px-4 pb-4 max-w-4xl">
          <AddLoopForm first />
        </div>
      ) : null}
      <ul className="border-t border-ink">
        {spoilt.map(({ id, name, says }) => (
          <li key={id} className="border-b border-line">
            <Link
              to={loopAt(job.id, id)}
              className="no-underline hover:bg-mark flex items-center gap-4 px-4 py-2 min-h-16"
            >
              <Shape kind="stop" size={18} labelled />
              <span className="min-w-0">
                <span className="block cond font-semibold text-[18px]">{String(name)}: cannot be read</span>
                <span className="block small text-ink2 break-words">{says}</span>
              </span>
            </Link>
          </li>
        ))}
        {rows.map(({ loop, context, open, status, next, rank }) => {
          const [plan] = plansOf(loop.settings.planned)
          const reading = lastReading(loop)
          const here = workflowSteps.indexOf(next.step)
          const shown = (c: number) => view.toShown(c)
          return (
            <li key={loop.id} className="border-b border-line">
              <Link
                to={loopAt(job.id, loop.id, next.step)}
                className="no-underline hover:bg-mark grid items-center gap-x-4 gap-y-1 px-4 py-2 min-h-16 grid-cols-[20px_1fr_auto] lg:grid-cols-[20px_170px_130px_110px_170px_1fr_120px]"
              >
                <span>
                  {rank === 0 ? (
                    <Shape kind="stop" size={18} labelled />
                  ) : rank === 1 ? (
                    <Shape kind="look" size={18} labelled />
                  ) : status.every(({ state, step }) => state === 'done' || step === 'try') ? (
                    <Shape kind="fits" size={18} labelled />
                  ) : null}
                </span>
                <span>
                  <span className="block cond font-semibold text-[18px]">{loop.name}</span>
                  <span className="block small text-ink2">{factsOfKind(loop.kind).title.toLowerCase()}</span>
                </span>
                <span className="flex items-center gap-2">
                  <StepTrack states={status.map(({ state }) => state)} here={here} wide />
                </span>
                <span className="lg:text-right col-start-2 lg:col-start-auto max-lg:order-2">
                  {reading ? (
                    <>
                      <span className="text-[24px]">{formatValue(reading.value!, 'temperature', preferences)}</span>{' '}
                      <span className="small text-ink2">{view.label}</span>
                    </>
                  ) : (
                    <span className="small text-ink2">no reading</span>
                  )}
                </span>
                <span className="max-lg:hidden">
                  {plan ? (
                    <MiniScale
                      rungs={rungsOf(loop.settings.planned, plan.id).map(({ onC, offC, action }) => ({
                        on: shown(onC),
                        off: shown(offC),
                        action,
                      }))}
                      wedge={wedgeOf(plan, shown)}
                      set={shown(plan.setpointC)}
                      reading={reading ? shown(reading.value!) : undefined}
                      lowest={plan.lowestC === undefined ? undefined : shown(plan.lowestC)}
                      highest={plan.highestC === undefined ? undefined : shown(plan.highestC)}
                      label={
                        plan.kind === 'on-off'
                          ? `Setpoint ${context.words.say(plan.setpointC, 'temperature')}, on ${context.words.say(plan.onC, 'temperature')}, off ${context.words.say(plan.offC, 'temperature')}`
                          : `Setpoint ${context.words.say(plan.setpointC, 'temperature')}, band ${context.words.say(plan.bandK, 'difference')}`
                      }
                    />
                  ) : null}
                </span>
                <span className="max-lg:col-start-2 max-lg:col-span-2 max-lg:order-4">
                  <span className="block">{next.what}</span>
                  {next.why ? <span className="block small text-ink2">{next.why}</span> : null}
                </span>
                <span
                  className={`cond text-[15px] max-lg:text-right max-lg:order-3 ${rank === 0 ? 'text-stop' : rank === 1 ? 'text-look' : 'text-ink2'}`}
                >
                  {open.length === 0 ? 'clear' : `${open.length} finding${open.length === 1 ? '' : 's'}`}
                </span>
              </Link>
            </li>
          )
        })}
      </ul>
      <Dialog
        open={adding}
        onClose={() => setAdding(false)}
        title="Add a loop"
        about="One thing that is held warm, cold or dry."
      >
        <AddLoopForm onMade={() => setAdding(false)} />
      </Dialog>
      <JobDetailsForm open={details} onClose={() => setDetails(false)} />
    </main>
  )
}
