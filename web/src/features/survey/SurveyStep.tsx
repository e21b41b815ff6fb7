import { useAct } from '../../loop/useAct'
import { renameLoop } from '@nachtigal/core/actions/renameLoop'
import { useNavigate, useParams } from 'react-router'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import { openQuestions } from '@nachtigal/core/survey/surveyResult'
import { loopRecord } from '@nachtigal/core/document/fields/loopFields'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { useSend } from '../../loop/useSend'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { TextField } from '../../design/TextField'
import { AssumedList } from './AssumedList'
import { ChangeKind } from './ChangeKind'
import { FoundPart } from './FoundPart'
import { HurtPart } from './HurtPart'
import { ProposalPart } from './ProposalPart'
import { QuestionsPart } from './QuestionsPart'
import { SurveyMeaning } from './SurveyMeaning'
import { surveyParts } from './surveyParts'
import { jobAt, loopAt } from '../../lib/addresses'

/** Step 1: what is it, what must it hold, what could hurt; one part at a time, in the order in which one walks through the place. */
export function SurveyStep() {
  const { loop, open, job } = useLoop()
  const act = useAct()
  const { part: wanted } = useParams()
  const send = useSend(job.id)
  const navigate = useNavigate()
  const parts = surveyParts(loop, openQuestions(loop).length)
  const at = Math.max(
    0,
    parts.findIndex(({ id }) => id === wanted),
  )
  const part = parts[at]!
  const next = parts[at + 1]
  const base = loopAt(job.id, loop.id)
  const takeOut = () => {
    send([{ document: loop.id, path: [], from: loop, to: null }], {
      loopId: loop.id,
      tell: `${loop.name} removed from the job.`,
    })
    void navigate(jobAt(job.id))
  }
  return (
    <div className="work">
      <div className="grid md:grid-cols-[200px_minmax(0,1fr)] max-md:grid-rows-[auto_minmax(0,1fr)] min-h-0">
        <nav
          aria-label="Parts of the survey"
          data-parts
          className="md:border-r border-line flex md:block overflow-x-auto border-b md:border-b-0 md:overflow-y-auto"
        >
          {parts.map(({ id, title, says, open: left }, i) => (
            <button
              key={id}
              type="button"
              aria-current={i === at ? 'step' : undefined}
              aria-label={`${title}, ${says}`}
              className={`flex-none md:w-full flex items-center gap-3 px-4 min-h-14 text-left border-b border-line max-md:border-b-0 max-md:whitespace-nowrap ${i === at ? 'chosen' : ''}`}
              onClick={() => void navigate(`${base}/survey/${id}`, { flushSync: true })}
            >
              <span className="flex-1 min-w-0">
                <span className="block cond font-semibold text-[17px] leading-5">{title}</span>
                <span className="block small text-ink2 font-normal">{says}</span>
              </span>
              <Shape kind={left === 0 ? 'fits' : 'waiting'} size={14} />
            </button>
          ))}
        </nav>
        <section className="p-4 min-h-0 overflow-auto" aria-labelledby="part-title">
          <h2 id="part-title" className="h2 mb-3">
            {part.title}
          </h2>
          {part.group !== undefined ? (
            <QuestionsPart key={part.id} group={part.group} />
          ) : part.id === 'found' ? (
            <FoundPart />
          ) : part.id === 'hurt' ? (
            <HurtPart />
          ) : (
            <ProposalPart />
          )}
        </section>
      </div>
      <aside className="panel" aria-label="What it means">
        <h2 className="h2">What it means</h2>
        <SurveyMeaning />
        <AssumedList />
        <Findings findings={open.filter(({ step }) => step === 'survey')} none="" />
        <Cautions step="survey" />
        {at === 0 ? (
          <>
            <TextField
              label="Name of the loop"
              draftKey={`${loop.id}/name`}
              value={loop.name}
              field={loopRecord.fields.name}
              required
              onCommit={(name) => act(renameLoop, { name })}
            />
            <p className="small text-ink2">
              {factsOfKind(loop.kind).title}: {factsOfKind(loop.kind).about}. <ChangeKind />{' '}
              <button type="button" className="third min-h-8" onClick={takeOut}>
                Remove this loop from the job
              </button>
            </p>
          </>
        ) : null}
        <div className="mt-auto action-bar">
          {next ? (
            <Button to={`${base}/survey/${next.id}`}>Next: {next.title.toLowerCase()}</Button>
          ) : (
            <Button to={`${base}/match`}>Match the chain</Button>
          )}
        </div>
      </aside>
    </div>
  )
}
