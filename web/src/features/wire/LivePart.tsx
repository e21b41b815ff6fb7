import { useMemo } from 'react'
import { useNavigate, useParams } from 'react-router'
import { TESTS_OPEN } from '@nachtigal/core/check/finding'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { useLoop } from '../../loop/loopContext'
import { Findings } from '../../loop/Findings'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { NoWires } from './NoWires'
import { SafetySheet } from './SafetySheet'
import { SafetySteps } from './SafetySteps'
import { WireFrame } from './WireFrame'
import { loopAt } from '../../lib/addresses'

/** First live and switching on; shut until everything before it that must pass has passed. */
export function LivePart() {
  const context = useLoop()
  const { job, loop, open } = context
  const waits = open.filter(({ code }) => code === TESTS_OPEN)
  const { step: wanted } = useParams()
  const navigate = useNavigate()
  const blocks = useMemo(() => safetyBlocks(context), [context])
  const steps = blocks.steps.live
  const chosen = steps.find(({ id }) => id === wanted) ?? steps.find(({ verdict }) => verdict === 'waiting') ?? steps[0]
  if (!chosen) return <NoWires part="First live" />
  const go = (id: string | undefined) => {
    if (id !== undefined)
      void navigate(loopAt(job.id, loop.id, 'wire', 'live', id), {
        replace: true,
        flushSync: true,
      })
  }
  const at = steps.indexOf(chosen)
  const shut = blocks.shutBy.length > 0
  const onlyAnswers = blocks.unanswered.length > 0 && blocks.shutBy.length === 1
  return (
    <WireFrame part="First live">
      <div className="flex-1 min-h-0 grid lg:grid-cols-[400px_minmax(0,1fr)] max-lg:grid-rows-[auto_minmax(0,1fr)]">
        <SafetySteps steps={steps} chosen={chosen.id} onChoose={go} />
        {shut ? (
          <section className="p-4 min-h-0 overflow-auto grid gap-3 content-start" aria-labelledby="shut-title">
            <h2 id="shut-title" className="h2 flex items-center gap-3">
              <Shape kind="stop" size={22} /> Not proved, do not energise
            </h2>
            <p>
              First live opens when isolating and the dead tests have passed, nothing stands on the temporary list and
              every safety question is answered. What is left:
            </p>
            <ul className="grid">
              {blocks.shutBy.slice(0, SHOWN).map((line) => (
                <li key={line} className="flex items-center gap-3 min-h-8 border-b border-line">
                  <Shape kind={line.endsWith('waits.') ? 'waiting' : 'stop'} />
                  {line}
                </li>
              ))}
              {blocks.shutBy.length > SHOWN ? (
                <li className="min-h-8">and {blocks.shutBy.length - SHOWN} more</li>
              ) : null}
            </ul>
            <div className="max-w-xs">
              {onlyAnswers ? (
                <Button to={loopAt(job.id, loop.id, 'survey')}>To the survey</Button>
              ) : (
                <Button to={loopAt(job.id, loop.id, 'wire', 'dead')}>To the dead tests</Button>
              )}
            </div>
            {waits.length > 0 ? (
              <>
                <h3 className="h3 mt-2">Recorded on another form?</h3>
                <p>
                  Say on which, with your name: it is printed, and hand-over then goes on. First live stays shut here.
                </p>
                <Findings findings={waits} none="" />
              </>
            ) : null}
            <h3 className="h3 mt-2">What comes then</h3>
            <p>
              <b>{chosen.title}.</b> {chosen.doing} {chosen.should}
            </p>
          </section>
        ) : (
          <SafetySheet
            key={chosen.id}
            step={chosen}
            at={at}
            of={steps.length}
            onNext={() => go((steps.slice(at + 1).find(({ verdict }) => verdict === 'waiting') ?? steps[at + 1])?.id)}
          />
        )}
      </div>
    </WireFrame>
  )
}
const SHOWN = 10
