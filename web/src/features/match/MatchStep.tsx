import { useNavigate, useParams } from 'react-router'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Button } from '../../design/Button'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { ChosenDevices } from './ChosenDevices'
import { ConnectionList } from './ConnectionList'
import { LinkList } from './LinkList'
import { LinkPart } from './LinkPart'
import { useSlots } from './useSlots'
import { loopAt } from '../../lib/addresses'

/** Step 2: choose each link of the chain from the shelf, join them; every connection is judged. */
export function MatchStep() {
  const { chain, open, job, loop, survey } = useLoop()
  const { category } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const { slots, first } = useSlots()
  const slot = slots.find((each) => each.category === category) ?? (category === 'all' ? undefined : first)
  return (
    <div className="work">
      <div className="grid md:grid-cols-[200px_minmax(0,1fr)] max-md:grid-rows-[auto_minmax(0,1fr)] min-h-0">
        <LinkList slots={slots} slot={slot} />
        <div className="p-4 min-h-0 overflow-auto">
          {slot ? (
            <LinkPart key={slot.category} category={slot.category} title={slot.title} lacking={slot.lacking} />
          ) : (
            <ChosenDevices lacking={slots.filter((each) => each.lacking).map(({ title }) => title)} />
          )}
        </div>
      </div>
      <aside className="panel" aria-label="What it means">
        {chain.devices.length === 0 && survey ? (
          <p>
            The survey ends with a proposal and its chain.{' '}
            <button
              type="button"
              className="third"
              onClick={() => void navigate(loopAt(job.id, loop.id, 'survey', 'proposal'))}
            >
              See it
            </button>
          </p>
        ) : null}
        <ConnectionList />
        <Findings findings={open.filter(({ step }) => step === 'match')} none="Nothing to look at." />
        <Cautions step="match" />
        <div className="mt-auto action-bar">
          <Button to={loopAt(job.id, loop.id, 'wire')}>{phone ? 'Wire it' : 'Make the wire list'}</Button>
        </div>
      </aside>
    </div>
  )
}
