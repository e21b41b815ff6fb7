import { TriangleAlert } from 'lucide-react'
import { useMemo, useState } from 'react'
import { mountingSteps } from '@nachtigal/core/commissioning/mountingSteps'
import { placements } from '@nachtigal/core/commissioning/placement'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../design/Shape'
import { Tick } from '../../design/Tick'
import { NoWires } from './NoWires'
import { useDone } from './useDone'
import { WireFrame } from './WireFrame'

/** Where each probe and guard goes and where not, what a mistake costs in this loop, and the mechanical work as a checklist. */
export function PlacesPart() {
  const context = useLoop()
  const { words } = context
  const all = useMemo(() => placements(context), [context])
  const steps = mountingSteps(context)
  const tick = useDone()
  const [at, setAt] = useState(0)
  const chosen = all[Math.min(at, all.length - 1)]
  if (!chosen) return <NoWires part="Places" />
  const tell = (text: string) => words.tell(text)
  return (
    <WireFrame part="Places">
      <div className="flex-1 min-h-0 lg:grid lg:grid-cols-[216px_minmax(0,1fr)_360px] max-lg:overflow-auto">
        <nav
          aria-label="Devices"
          className="lg:border-r border-line lg:overflow-y-auto max-lg:flex max-lg:overflow-x-auto max-lg:border-b"
        >
          {all.map((each, i) => (
            <button
              key={each.device.id}
              type="button"
              aria-current={each === chosen}
              className={`flex-none lg:w-full text-left px-4 min-h-14 border-b border-line ${each === chosen ? 'chosen' : ''}`}
              onClick={() => setAt(i)}
            >
              <span className="block cond font-semibold text-[17px] leading-5">
                {each.device.tag} {each.device.name}
              </span>
              <span className="block small font-normal">{each.place.toLowerCase()}</span>
            </button>
          ))}
        </nav>
        <section className="p-4 min-h-0 lg:overflow-auto grid gap-4 content-start" aria-labelledby="place-title">
          <h2 id="place-title" className="h2">
            {chosen.device.tag}: {chosen.place.toLowerCase()}
          </h2>
          {chosen.device.place === undefined ? null : <p>Here: {chosen.device.place}.</p>}
          <ul className="grid">
            {chosen.rules.map(({ text, why }) => (
              <li key={text} className="flex gap-3 py-2 border-b border-line">
                <Shape kind="fits" size={16} />
                <span>
                  <b>{tell(text)}</b> <span className="text-ink2">{tell(why)}</span>
                </span>
              </li>
            ))}
          </ul>
          <h3 className="h3">Where not, and what it costs here</h3>
          <ul className="grid">
            {chosen.mistakes.map(({ text, why, effect, errorK }) => (
              <li key={text} className="flex gap-3 py-2 border-b border-line">
                <Shape kind="look" size={16} />
                <span>
                  <b>{text}:</b> {why}. {effect}
                  {errorK ? <span className="small text-ink2"> Source: {errorK.source}.</span> : null}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <aside className="panel !gap-2" aria-label="Mechanical steps">
          <h2 className="h2">Mechanical steps</h2>
          <p className="small text-ink2">
            {steps.filter(({ done }) => done).length} of {steps.length} done. The maker’s leaflet and local code come
            first.
          </p>
          <ul className="grid">
            {steps.map(({ id, title, doing, caution, done }) => (
              <li key={id} className="border-b border-line py-1.5">
                <Tick checked={done !== undefined} label={tell(title)} onChange={(on) => tick(id, on)}>
                  <b>{tell(title)}</b>
                </Tick>
                <p className="small">{tell(doing)}</p>
                {caution === undefined ? null : (
                  <p className="caution small">
                    <TriangleAlert size={16} strokeWidth={1.5} aria-hidden />
                    <span>{tell(caution)}</span>
                  </p>
                )}
              </li>
            ))}
          </ul>
        </aside>
      </div>
    </WireFrame>
  )
}
