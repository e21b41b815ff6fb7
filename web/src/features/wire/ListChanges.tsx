import { useAct } from '../../loop/useAct'
import { forgetChanges } from '@nachtigal/core/actions/forgetChanges'
import { ordered } from '@nachtigal/core/schema/ordered'
import { useLoop } from '../../loop/loopContext'
import { Shape } from '../../design/Shape'

const words = { came: 'New', went: 'Gone', moved: 'Moved' } as const

/** What a change of the chain did to the list, until it is seen; wires to be taken off, until they are; what is not wired, and why. */
export function ListChanges() {
  const { loop, wires } = useLoop()
  const act = useAct()
  const all = ordered(loop.wiring.changed ?? {})
  const off = all.filter(({ what, landed }) => what === 'went' && landed)
  const news = all.filter((each) => !off.includes(each))
  const forget = (rows: readonly string[], tell: string) => act(forgetChanges, { rows }, { tell })
  if (all.length === 0 && wires.withheld.length === 0) return null
  return (
    <div className="border-b border-line px-4 py-2 grid gap-2" role="status">
      {wires.withheld.map(({ connection, from, reason }) => (
        <p key={`${connection}${from.terminal}`} className="caution">
          <Shape kind="stop" size={16} />
          <span>
            <b>Not wired.</b> {reason}
          </span>
        </p>
      ))}
      {off.map(({ id, says }) => (
        <p key={id} className="caution">
          <Shape kind="look" size={16} />
          <span>
            <b>Take off</b> wire {says}. It is landed and the plan no longer has it.{' '}
            <button type="button" className="third min-h-8" onClick={() => forget([id], 'Wire taken off.')}>
              Taken off
            </button>
          </span>
        </p>
      ))}
      {news.length > 0 ? (
        <details>
          <summary className="min-h-8 cursor-pointer">
            Changed with the chain:{' '}
            {(['came', 'moved', 'went'] as const)
              .map((what) => [what, news.filter((each) => each.what === what).length] as const)
              .filter(([, n]) => n > 0)
              .map(([what, n]) => `${n} ${words[what].toLowerCase()}`)
              .join(', ')}
            <button
              type="button"
              className="third min-h-8 ml-3"
              onClick={() =>
                forget(
                  news.map(({ id }) => id),
                  'Changes of the list seen.',
                )
              }
            >
              Seen
            </button>
          </summary>
          <ul className="small">
            {news.map(({ id, what, says, landed }) => (
              <li key={id}>
                {words[what]}: {says}
                {what === 'moved' && landed ? '. It is landed: move its end.' : ''}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </div>
  )
}
