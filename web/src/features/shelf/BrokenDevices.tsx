import { useState } from 'react'
import { useTakeOffDeviceMutation } from '../../state/api'
import { refusalWords } from '../../state/refusalWords'
import { Shape } from '../../design/Shape'
import type { ShelfInHand } from './shelfContext'

/** Devices of one's own that cannot be read: each with what is wrong and the way to be rid of it. */
export function BrokenDevices({ broken }: Pick<ShelfInHand, 'broken'>) {
  const [takeOff] = useTakeOffDeviceMutation()
  const [problem, setProblem] = useState<string>()
  const remove = async (id: string) => {
    const answer = await takeOff(id)
    setProblem('error' in answer ? refusalWords(answer.error) : undefined)
  }
  return (
    <section aria-label="Cannot be read" className="px-3 pb-2 border-b border-line">
      <h2 className="lab pt-2 pb-1">Cannot be read</h2>
      <ul>
        {broken.map(({ id, says }) => (
          <li key={id} className="py-1">
            <span className="flex items-center gap-2">
              <Shape kind="stop" labelled />
              <span className="flex-1 min-w-0 break-all">{id}</span>
              <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => void remove(id)}>
                Remove it
              </button>
            </span>
            <span className="block small text-ink2 break-words">{says}</span>
          </li>
        ))}
      </ul>
      <p className="small text-ink2">Jobs that use one keep their copy. Import it again from its file to mend it.</p>
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
    </section>
  )
}
