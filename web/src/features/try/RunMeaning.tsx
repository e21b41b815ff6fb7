import type { RunOutcome } from '@nachtigal/core/check/runOutcome'
import { factOf } from '@nachtigal/core/settings/factOf'
import { restingWords, startsOf, startsTitles, worstTitle } from '@nachtigal/core/settings/starts'
import { hours } from '@nachtigal/core/units/hours'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { AdvicePart } from './AdvicePart'
import { KeepButton } from './KeepButton'
import { useTrial } from './trial'
import { loopAt } from '../../lib/addresses'

/** What the run says, in sentences and in figures. */
export function RunMeaning() {
  const { loop, job } = useLoop()
  const { outcome: last, state } = useTrial()
  // What was asked for last is under way, or never came through: what the run before it did would contradict it.
  const came = !state.part && (state.status === 'done' || state.status === 'running')
  const outcome = came ? last : undefined
  return (
    <aside className="panel gap-1" aria-label="What it means">
      <h2 className="h2">What it did</h2>
      {outcome ? <Sentences outcome={outcome} /> : null}
      {outcome ? <AdvicePart outcome={outcome} /> : null}
      {outcome ? (
        <RunFacts />
      ) : (
        <p className="text-ink2" role="status">
          {state.status === 'failed'
            ? 'Nothing: the run stopped.'
            : state.status === 'stopped'
              ? 'Nothing yet: the run was stopped before its end.'
              : state.status === 'long'
                ? 'Nothing yet: the run has not begun.'
                : 'Simulating. What it says comes at its end.'}
        </p>
      )}
      <Cautions step="try" brief />
      <div className="mt-auto pt-2 pb-3">
        <KeepButton />
      </div>
      <div className="action-bar">
        <Button to={loopAt(job.id, loop.id, 'prove')}>Prove it</Button>
      </div>
    </aside>
  )
}

function Sentences({ outcome }: { outcome: RunOutcome }) {
  return (
    <div aria-live="polite" className="grid">
      {outcome.sentences.map(({ code, verdict, head, reason, next }) => (
        <div key={`${code} ${head}`} className={`finding ${verdict}`} data-sentence={code} data-verdict={verdict}>
          <Shape kind={verdict} labelled />
          <p>
            <b>{head}</b> {reason} {next ? <span className="underline underline-offset-2">{next}</span> : null}
          </p>
        </div>
      ))}
    </div>
  )
}

/** Figures of the run: the controlled place, then each thing that ran. */
function RunFacts() {
  const context = useLoop()
  const { chain, words } = context
  const { state, run, outcome } = useTrial()
  const { summary } = state.report!.result
  const { nodes, controlled, outputs } = run!
  const plan = outputs[0]?.plan
  const starts = plan?.kind === 'on-off' ? startsOf(context, plan) : undefined
  const span = (id: string) =>
    `${words.say(summary.minimumC[id]!, 'temperature').replace(/\u00a0.*$/, '')} to ${words.say(summary.maximumC[id]!, 'temperature')}`
  const name = (id: string) => chain.devices.find((device) => device.id === id)
  return (
    <>
      <dl className="facts dense">
        {Object.entries(nodes)
          .filter(([id]) => summary.minimumC[id] !== undefined && id !== 'element')
          .map(([id, title]) => (
            <div key={id} className="contents">
              <dt className={id === controlled ? '!text-ink font-bold' : undefined}>
                {title[0]!.toUpperCase() + title.slice(1)}
              </dt>
              <dd>{span(id)}</dd>
            </div>
          ))}
        <dt>Settles at</dt>
        <dd>{words.say(summary.settlesC[controlled]!, 'temperature')}</dd>
        <dt>Starts, most in an hour of this run</dt>
        <dd data-result="worst">{outcome!.figures.worstHour}</dd>
        {starts ? (
          <>
            <dt>{worstTitle(starts.worst)}</dt>
            <dd data-fact={factOf('starts.worst', plan!.id)}>
              {starts.worst.reason ? restingWords[starts.worst.reason] : words.say(starts.worst.perHour, 'perHour')}
            </dd>
          </>
        ) : null}
        {starts?.allowed ? (
          <>
            <dt>{startsTitles.allowed}</dt>
            <dd data-fact={factOf('starts.allowed', plan!.id)}>{words.say(starts.allowed.perHour, 'perHour', 0)}</dd>
          </>
        ) : null}
      </dl>
      <table className="run-table" aria-label="What ran">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">What</span>
            </th>
            <th scope="col">Starts</th>
            <th scope="col">Runs</th>
            <th scope="col">Gives</th>
          </tr>
        </thead>
        <tbody>
          {Object.keys(summary.starts).map((id) => (
            <tr key={id}>
              <th scope="row" title={name(id)?.name}>
                {name(id)?.tag ?? id}
              </th>
              <td data-result="starts">{summary.starts[id]}</td>
              <td>{words.say(hours(summary.onS[id]!), 'hours')}</td>
              <td>{words.say(summary.energyKwh[id]!, 'energy')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
