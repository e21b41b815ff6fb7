import { useState } from 'react'
import { useSearchParams } from 'react-router'
import type { Category } from '@nachtigal/core/choices/deviceChoices'
import { DeviceCard } from './DeviceCard'
import { ShelfList } from './ShelfList'
import { useDevicesOf } from './useDevicesOf'
import { WhichProbe } from './WhichProbe'

interface Props {
  readonly category: Category
  readonly title: string
  /** Whether a rule asks for one. */
  readonly lacking: boolean
}

/** One kind of link: the devices of it that are in the chain, one of them in hand, and the shelf to choose from. */
export function LinkPart({ category, title, lacking }: Props) {
  const present = useDevicesOf()(category)
  const [search] = useSearchParams()
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      present.findIndex(({ id }) => id === search.get('device')),
    ),
  )
  const [asking, setAsking] = useState(false)
  /** The device in hand; none while another one is being chosen. */
  const first = present[at]
  return (
    <section aria-labelledby="shelf-title" className="grid gap-3 content-start">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="shelf-title" className="h2">
          {first ? `${title}: ${first.tag} ${first.name}` : `Choose a ${title.toLowerCase()}`}
        </h2>
        {present.length > 0 ? (
          <div className="flex flex-wrap gap-x-4" role="group" aria-label={`Which ${title.toLowerCase()}`}>
            {present.length > 1 || !first
              ? present.map(({ id, tag }, i) => (
                  <button
                    key={id}
                    type="button"
                    aria-pressed={at === i}
                    className={`third min-h-8 max-md:min-h-12 ${at === i ? 'font-bold' : ''}`}
                    onClick={() => setAt(i)}
                  >
                    {tag}
                  </button>
                ))
              : null}
            {first ? (
              <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => setAt(present.length)}>
                Another {title.toLowerCase()}
              </button>
            ) : null}
          </div>
        ) : null}
        {category === 'probe' ? (
          <button type="button" className="third min-h-8 max-md:min-h-12 ml-auto" onClick={() => setAsking(true)}>
            Which probe is this?
          </button>
        ) : null}
      </div>
      {first ? <DeviceCard key={first.id} device={first} onRemoved={() => setAt(0)} /> : null}
      {present.length === 0 && !lacking ? (
        <p className="text-ink2">
          Nothing in this loop asks for a {title.toLowerCase()}. Choose one only if the plant has it.
        </p>
      ) : null}
      {category === 'relay' && !first ? (
        <p className="text-ink2">
          A relay goes in where a connection asks for one: tap that connection and put it between. Chosen here it stands
          loose until it is joined.
        </p>
      ) : null}
      <ShelfList category={category} title={title} first={first} />
      {asking ? <WhichProbe onClose={() => setAsking(false)} /> : null}
    </section>
  )
}
