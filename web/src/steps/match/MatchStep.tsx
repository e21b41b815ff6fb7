import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { ConnectionVerdict } from '@nachtigal/core/loop/judgeConnection'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import type { Category } from '@nachtigal/core/choices/deviceChoices'
import { Sign } from '../../instruments/Chain'
import { idleSupplies } from '@nachtigal/core/wiring/idleSupplies'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { ConnectionDetail } from '../../loop/LoopChain'
import { useJob } from '../../loop/jobContext'
import { useLoop } from '../../loop/loopContext'
import { verdictShape, verdictWord, worstOf } from '../../loop/verdict'
import { Button } from '../../ui/Button'
import { Opens } from '../../ui/Opens'
import { Shape } from '../../ui/Shape'
import { DeviceCard } from './DeviceCard'
import { ShelfList } from './ShelfList'
import { slots } from './slots'
import { WhichProbe } from './WhichProbe'

/** Step 2: choose each link of the chain from the shelf, join them; every connection is judged. */
export function MatchStep() {
  const { chain, judgedConnections, open, job, loop, survey } = useLoop()
  const { category } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const filled = useDevicesOf()
  const slot =
    slots.find((each) => each.category === category) ??
    slots.find((each) => !each.seldom && filled(each.category).length === 0) ??
    slots[0]!
  const to = (next: Category) => void navigate(`/jobs/${job.id}/loops/${loop.id}/match/${next}`, { flushSync: true })
  return (
    <div className="work">
      <div className="grid md:grid-cols-[200px_minmax(0,1fr)] max-md:grid-rows-[auto_minmax(0,1fr)] min-h-0">
        <ul
          className="md:border-r border-line flex md:block overflow-x-auto border-b md:border-b-0 md:overflow-y-auto"
          aria-label="Links of the chain"
        >
          {slots.map((each) => {
            const devices = filled(each.category)
            const touching = judgedConnections.filter(({ connection }) =>
              chain.connections.some(
                (c) => c.id === connection && devices.some(({ id }) => c.fromDevice.id === id || c.toDevice.id === id),
              ),
            )
            const worst = worstOf(touching)
            return (
              <li key={each.category} className="flex-none">
                <button
                  type="button"
                  aria-current={slot.category === each.category}
                  className={`w-full flex items-center gap-3 px-3 min-h-[52px] text-left border-b border-line ${slot.category === each.category ? 'chosen' : ''}`}
                  onClick={() => to(each.category)}
                >
                  <Sign sign={each.sign} />
                  <span className="flex-1 min-w-0">
                    <span className="block cond font-semibold text-[17px] leading-5">{each.title}</span>
                    <span className="block small text-ink2 truncate font-normal not-phone">
                      {devices.map(({ tag, name }) => `${tag} ${name}`).join(', ') || (each.seldom ?? 'not chosen')}
                    </span>
                  </span>
                  {devices.length > 0 ? (
                    <Shape kind={worst ? verdictShape[worst.verdict] : 'waiting'} labelled />
                  ) : (
                    <Shape kind="waiting" labelled />
                  )}
                </button>
              </li>
            )
          })}
        </ul>
        <div className="p-4 min-h-0 overflow-auto">
          <Link key={slot.category} category={slot.category} title={slot.title} />
        </div>
      </div>
      <aside className="panel" aria-label="What it means">
        {chain.devices.length === 0 && survey ? (
          <p>
            The survey ends with a proposal and its chain.{' '}
            <button
              type="button"
              className="third"
              onClick={() => void navigate(`/jobs/${job.id}/loops/${loop.id}/survey/proposal`)}
            >
              See it
            </button>
          </p>
        ) : null}
        <ConnectionList />
        <Findings findings={open.filter(({ step }) => step === 'match')} none="Nothing to look at." />
        <Cautions step="match" />
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/wire`}>{phone ? 'Wire it' : 'Make the wire list'}</Button>
        </div>
      </aside>
    </div>
  )
}

/** So many connections that fit have a line each; more of them stand side by side, so that the findings stay in sight. */
const LINES = 4

/** Every connection of the chain, those that do not fit first; each opens its sum and its remedies. */
function ConnectionList() {
  const loopInHand = useLoop()
  const { chain, judgedConnections } = loopInHand
  const worstFirst = [...judgedConnections].sort((a, b) => byWorth[a.verdict] - byWorth[b.verdict])
  const fitting = worstFirst.filter(({ verdict }) => verdict === 'fits')
  const short = fitting.length > LINES
  const tags = ({ connection }: ConnectionVerdict) => {
    const joined = chain.connections.find(({ id }) => id === connection)
    return `${joined?.fromDevice.tag ?? ''} to ${joined?.toDevice.tag ?? ''}`
  }
  const row = (connection: ConnectionVerdict, brief: boolean) => (
    <li key={connection.connection} className={brief ? '' : 'border-b border-line'}>
      <Opens
        className={`w-full flex items-center gap-2 max-md:min-h-12 text-left ${brief ? 'min-h-7' : 'min-h-8'}`}
        label={`${tags(connection)}: ${verdictWord[connection.verdict]}`}
        trigger={
          <>
            <Shape kind={verdictShape[connection.verdict]} />
            <span className="cond text-[16px] whitespace-nowrap">{tags(connection)}</span>
            {brief ? null : (
              <>
                <span className="text-ink2 small truncate flex-1">{connection.passes}</span>
                <span className="underline small whitespace-nowrap">{verdictWord[connection.verdict]}</span>
              </>
            )}
          </>
        }
      >
        <ConnectionDetail verdicts={[connection]} loop={loopInHand} />
      </Opens>
    </li>
  )
  return (
    <section aria-labelledby="judgedConnections-title">
      <div className="flex items-baseline gap-3">
        <h2 id="judgedConnections-title" className="h2">
          Connections
        </h2>
        {short ? (
          <span className="small text-ink2">
            {fitting.length} of {judgedConnections.length} fit
          </span>
        ) : null}
      </div>
      {judgedConnections.length === 0 ? <p className="text-ink2">Nothing is joined yet.</p> : null}
      <ul>
        {worstFirst
          .filter((connection) => !short || connection.verdict !== 'fits')
          .map((connection) => row(connection, false))}
      </ul>
      {short ? (
        <ul className="grid grid-cols-3 gap-x-2">{fitting.map((connection) => row(connection, true))}</ul>
      ) : null}
    </section>
  )
}

const byWorth: Readonly<Record<ConnectionVerdict['verdict'], number>> = { 'does-not-fit': 0, 'look-again': 1, fits: 2 }

/** The devices of a category in the loop in hand; among the supplies also those of the job that feed nothing yet. */
function useDevicesOf(): (category: Category) => readonly ResolvedDevice[] {
  const { chain, job } = useLoop()
  const { loops } = useJob()
  const all = useMemo(() => [...chain.devices, ...idleSupplies(job, Object.values(loops))], [chain, job, loops])
  return (category) => all.filter(({ facts }) => facts.category === category)
}

/** One kind of link: the devices of it that are in the chain, one of them in hand, and the shelf to choose from. */
function Link({ category, title }: { category: Category; title: string }) {
  const present = useDevicesOf()(category)
  const [at, setAt] = useState(0)
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
