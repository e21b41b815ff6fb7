import { Link } from 'react-router'
import { Shape } from '../../design/Shape'
import { Sign } from '../../drawing/Sign'
import { useLoop } from '../../loop/loopContext'
import { verdictShape, verdictWord } from '../../loop/verdict'
import { useWorstAt } from './LinkList'
import { slots } from './slots'
import { loopAt } from '../../lib/addresses'

/** All that is chosen, in the order of a chain: what each is called, what it is, and whether its connections fit. */
export function ChosenDevices({ lacking }: { readonly lacking: readonly string[] }) {
  const { chain, job, loop, words } = useLoop()
  const worstAt = useWorstAt()
  const rows = slots.flatMap(({ category, sign }) =>
    chain.devices.filter(({ facts }) => facts.category === category).map((device) => ({ device, sign })),
  )
  return (
    <section aria-labelledby="chosen-title">
      <h2 id="chosen-title" className="h2">
        {lacking.length > 0
          ? `Still to be chosen: ${lacking.join(', ').toLowerCase()}`
          : `Nothing is lacking: ${rows.length} ${rows.length === 1 ? 'device' : 'devices'} chosen`}
      </h2>
      <p className="text-ink2 mt-1">Tap one to see its options, to exchange it or to add another of its kind.</p>
      <ul className="mt-3 border-t border-line">
        {rows.map(({ device, sign }) => {
          const worst = worstAt([device])
          return (
            <li key={device.id} className="border-b border-line">
              <Link
                to={`${loopAt(job.id, loop.id, 'match', device.facts.category)}?device=${encodeURIComponent(device.id)}`}
                className="grid grid-cols-[20px_36px_minmax(0,1fr)_auto] items-center gap-x-3 min-h-12 py-1 no-underline hover:bg-mark"
              >
                <Sign sign={sign} />
                <span className="mono text-[14px]">{device.tag}</span>
                <span className="break-words min-w-0">
                  <span className="cond font-semibold text-[17px]">{device.name}</span>{' '}
                  <span className="text-ink2">{words.tell(device.facts.summary)}</span>
                </span>
                <span className="flex items-center gap-2 cond text-[15px] pr-2">
                  {worst ? (
                    <>
                      <Shape kind={verdictShape[worst.verdict]} /> {verdictWord[worst.verdict]}
                    </>
                  ) : (
                    'joined to nothing'
                  )}
                </span>
              </Link>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
