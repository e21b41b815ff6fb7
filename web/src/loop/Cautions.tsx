import { TriangleAlert } from 'lucide-react'
import { cautionsAt, type WorkflowStep } from '@nachtigal/core/kinds/hazards'
import { Opens } from '../design/Opens'
import { useLoop } from './loopContext'

interface Props {
  readonly step: WorkflowStep
  readonly className?: string
  /** One line with the heads alone, where a thumb's screen has no room; a tap opens the rest. */
  readonly brief?: boolean
}

/** Cautions of the ticked hazards that bite in this step, one line each with a way to read more. */
export function Cautions({ step, className = '', brief = false }: Props) {
  const { loop, words } = useLoop()
  const cautions = cautionsAt(loop.survey.hazards, step).map(({ id, title, caution, more }) => {
    const [head = '', ...rest] = words.tell(caution).split('. ')
    return { id, title: words.local(title), head, line: rest.join('. '), more: words.tell(more) }
  })
  if (cautions.length === 0) return null
  if (brief)
    return (
      <div className={className} role="note" aria-label="Cautions">
        <Opens
          className="w-full text-left min-h-12 flex items-center gap-2"
          label={`Cautions: ${cautions.map(({ head }) => head).join(', ')}`}
          trigger={
            <>
              <TriangleAlert size={20} strokeWidth={1.5} aria-hidden className="flex-none" />
              <span className="min-w-0 flex-1">
                <b>{cautions.map(({ head }) => head).join('. ')}.</b>
              </span>
              <span className="underline underline-offset-2 ml-auto flex-none">More</span>
            </>
          }
        >
          <div className="grid gap-3">
            {cautions.map(({ id, head, line, more }) => (
              <p key={id}>
                <b>{head}.</b> {line} {more}
              </p>
            ))}
          </div>
        </Opens>
      </div>
    )
  return (
    <div className={`grid gap-2 ${className}`} role="note" aria-label="Cautions">
      {cautions.map(({ id, head, line, more, title }) => (
        <p key={id} className="caution">
          <TriangleAlert size={20} strokeWidth={1.5} aria-hidden />
          <span>
            <b>{head}.</b> {line}{' '}
            <Opens className="third" label={`More about ${title.toLowerCase()}`} trigger="More">
              <h3 className="h3 mb-1">{title}</h3>
              <p>{more}</p>
            </Opens>
          </span>
        </p>
      ))}
    </div>
  )
}
