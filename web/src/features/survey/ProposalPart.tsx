import { startChain } from '@nachtigal/core/actions/startChain'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { propose } from '@nachtigal/core/survey/proposal'
import { proposeChain } from '../../workers/proposeChain'
import { useLoop } from '../../loop/loopContext'
import { LookingThrough } from '../../loop/LookingThrough'
import { Worked } from '../../loop/Worked'
import { Button } from '../../design/Button'
import { loopAt } from '../../lib/addresses'

/** What the survey ends with: how to control it, why in two lines with numbers, what would change its mind, and the chain to start with. */
export function ProposalPart() {
  const inHand = useLoop()
  const { loop, job, survey, missing, data, words, profiles, change, chain } = inHand
  const navigate = useNavigate()
  const proposal = useMemo(() => (survey ? propose(inHand, survey) : undefined), [inHand, survey])
  const [looking, setLooking] = useState(false)
  const [problem, setProblem] = useState<string>()
  const cancel = useRef<() => void>(undefined)
  useEffect(() => () => cancel.current?.(), [])
  if (!proposal)
    return (
      <p className="text-ink2 max-w-[60ch]">
        Still to find out: {missing.map((title) => title.toLowerCase()).join(', ')}. Then the proposal stands here.
      </p>
    )
  const own = Object.keys(loop.chain.devices).length
  const start = () => {
    setProblem(undefined)
    setLooking(true)
    const running = proposeChain({ job, loop }, profiles, data)
    cancel.current = running.cancel
    running.result.then(
      (made) => {
        setLooking(false)
        if ('lacks' in made) {
          setProblem(`The ${made.lacks}.`)
          return
        }
        change(
          { job: made.job, loop: made.loop },
          {
            action: startChain.id,
            why: `chain of the proposal: ${proposal.title.toLowerCase()}`,
            ...(own > 0 ? { tell: 'The chain was replaced.' } : {}),
          },
        )
        void navigate(loopAt(job.id, loop.id, 'match'))
      },
      (error: unknown) => {
        setLooking(false)
        setProblem(`The shelf could not be looked through: ${error instanceof Error ? error.message : String(error)}`)
      },
    )
  }
  return (
    <div className="grid gap-4 max-w-[760px]">
      <p className="h1">{words.local(proposal.title)}</p>
      {proposal.reason.map((line) => (
        <p key={line} className="text-[15px] leading-[22px]">
          {words.local(line)}
        </p>
      ))}
      <dl className="facts max-w-md">
        {proposal.figures.map(({ fact, label: kept, value, quantity, decimals, worked }) => (
          <div key={kept} className="contents">
            <dt>{words.local(kept)}</dt>
            <dd data-fact={fact}>
              {worked ? (
                <Worked label={words.local(kept)} text={words.say(value, quantity, decimals)} call={worked} />
              ) : (
                words.say(value, quantity, decimals)
              )}
            </dd>
          </div>
        ))}
      </dl>
      <section>
        <h3 className="h3">What would change it</h3>
        <ul className="list-disc pl-5">
          {proposal.would.map((line) => (
            <li key={line}>{words.tell(line)}</li>
          ))}
        </ul>
      </section>
      {proposal.wants.length > 0 ? (
        <p className="text-ink2">It wants: {proposal.wants.map(({ as }) => words.local(as)).join(', ')}.</p>
      ) : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      <div className="max-w-sm grid gap-2">
        {looking ? (
          <LookingThrough
            onStop={() => {
              cancel.current?.()
              setLooking(false)
            }}
          />
        ) : (
          <Button second={own > 0} onClick={start}>
            {own > 0 ? 'Start over with this chain' : 'Start with this chain'}
          </Button>
        )}
        {own > 0 ? (
          <p className="small text-ink2">
            The {chain.devices.length} devices chosen so far make room; one undo brings them back.
          </p>
        ) : null}
      </div>
    </div>
  )
}
