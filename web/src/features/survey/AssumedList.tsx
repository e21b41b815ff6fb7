import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { assumedList } from '@nachtigal/core/loop/assumedList'
import { useLoop } from '../../loop/loopContext'
import { loopAt } from '../../lib/addresses'
import { slug } from './surveyParts'

/** As many as fit beside the questions; the others hardly count. */
const FIRST = 4

/** What nobody answered and what is taken for it, worst effect first, each with the way to its question. */
export function AssumedList() {
  const context = useLoop()
  const { job, loop } = context
  const lines = useMemo(() => assumedList(context), [context])
  const [all, setAll] = useState(false)
  if (lines.length === 0) return null
  const shown = all ? lines : lines.slice(0, FIRST)
  return (
    <section aria-label="Assumed">
      <h3 className="h3">Assumed: {lines.length}, worst effect first</h3>
      <ul>
        {shown.map(({ question, title, group, says, effect }) => (
          <li key={question} className="border-b border-line py-1">
            <Link to={loopAt(job.id, loop.id, 'survey', slug(group))}>{title}</Link> {says}
            <span className="block small text-ink2">{effect}</span>
          </li>
        ))}
      </ul>
      {lines.length > FIRST ? (
        <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${lines.length}`}
        </button>
      ) : null}
    </section>
  )
}
