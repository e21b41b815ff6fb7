import type { ConnectionVerdict } from '@nachtigal/core/loop/judgeConnection'
import { Opens } from '../../design/Opens'
import { Shape } from '../../design/Shape'
import { ConnectionDetail } from '../../loop/LoopChain'
import { useLoop } from '../../loop/loopContext'
import { verdictShape, verdictWord } from '../../loop/verdict'

/** So many connections that fit have a line each; more of them stand side by side, so that the findings stay in sight. */
const LINES = 4

/** Every connection of the chain, those that do not fit first; each opens its sum and its remedies. */
export function ConnectionList() {
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
                <span className="text-ink2 small flex-1">{connection.passes}</span>
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
