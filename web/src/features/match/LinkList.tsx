import { useNavigate } from 'react-router'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { Shape } from '../../design/Shape'
import { Sign } from '../../drawing/Sign'
import { useLoop } from '../../loop/loopContext'
import { verdictShape, worstOf } from '../../loop/verdict'
import type { FilledSlot } from './useSlots'
import { loopAt } from '../../lib/addresses'

/** More devices of a kind than this are told by their tags alone. */
const NAMED = 2

/** The kinds of link a chain is made of, with what is chosen and whether it fits; one of them is in hand, or the chain as a whole. */
export function LinkList({ slots, slot }: { slots: readonly FilledSlot[]; slot: FilledSlot | undefined }) {
  const { chain, job, loop } = useLoop()
  const navigate = useNavigate()
  const worstAt = useWorstAt()
  const to = (next: string) => void navigate(loopAt(job.id, loop.id, 'match', next), { flushSync: true })
  const row = (chosen: boolean) =>
    `w-full flex items-center gap-3 px-3 min-h-[52px] py-1.5 text-left border-b border-line ${chosen ? 'chosen' : ''}`
  return (
    <ul
      className="md:border-r border-line flex md:block overflow-x-auto border-b md:border-b-0 md:overflow-y-auto"
      aria-label="Links of the chain"
    >
      {chain.devices.length > 0 ? (
        <li className="flex-none">
          <button type="button" aria-current={!slot} className={row(!slot)} onClick={() => to('all')}>
            <span className="cond font-semibold text-[17px] leading-5">All devices</span>
            <span className="small text-ink2 font-normal ml-auto not-phone">{chain.devices.length}</span>
          </button>
        </li>
      ) : null}
      {slots.map((each) => {
        const worst = worstAt(each.devices)
        const here = slot?.category === each.category
        return (
          <li key={each.category} className="flex-none">
            <button type="button" aria-current={here} className={row(here)} onClick={() => to(each.category)}>
              <Sign sign={each.sign} />
              <span className="flex-1 min-w-0">
                <span className="block cond font-semibold text-[17px] leading-5">{each.title}</span>
                <span className="block cond text-[15px] leading-[18px] text-ink2 break-words font-normal not-phone">
                  {each.devices
                    .map(({ tag, name }) => (each.devices.length > NAMED ? tag : `${tag} ${name}`))
                    .join(', ') || (each.lacking ? 'still to be chosen' : each.seldom)}
                </span>
              </span>
              {each.devices.length > 0 ? (
                <Shape kind={worst ? verdictShape[worst.verdict] : 'waiting'} labelled />
              ) : each.lacking ? (
                <Shape kind="look" labelled />
              ) : null}
            </button>
          </li>
        )
      })}
    </ul>
  )
}

/** The worst verdict of the connections that touch some devices. */
export function useWorstAt() {
  const { chain, judgedConnections } = useLoop()
  return (devices: readonly ResolvedDevice[]) =>
    worstOf(
      judgedConnections.filter(({ connection }) =>
        chain.connections.some(
          (c) => c.id === connection && devices.some(({ id }) => c.fromDevice.id === id || c.toDevice.id === id),
        ),
      ),
    )
}
