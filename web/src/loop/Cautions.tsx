import { TriangleAlert } from 'lucide-react'
import { cautionsAt, type Stage } from '@nachtigal/core/survey/hazards'
import { Opens } from '../ui/Opens'
import { useLoop } from './loopContext'

/** Cautions of the ticked hazards that bite in this stage, one line each with a way to read more. */
export function Cautions({ stage, className = '' }: { stage: Stage; className?: string }) {
  const { loop, words } = useLoop()
  const cautions = cautionsAt(loop.survey.hazards, stage)
  if (cautions.length === 0) return null
  return (
    <div className={`grid gap-2 ${className}`} role="note" aria-label="Cautions">
      {cautions.map(({ id, caution, more, title }) => {
        const [head = '', ...rest] = words.tell(caution).split('. ')
        return (
          <p key={id} className="caution">
            <TriangleAlert size={20} strokeWidth={1.5} aria-hidden />
            <span>
              <b>{head}.</b> {rest.join('. ')}{' '}
              <Opens className="third" label={`More about ${title.toLowerCase()}`} trigger="More">
                <h3 className="h3 mb-1">{title}</h3>
                <p>{words.tell(more)}</p>
              </Opens>
            </span>
          </p>
        )
      })}
    </div>
  )
}
