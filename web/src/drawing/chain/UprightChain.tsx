import { Fragment } from 'react'
import { Opens } from '../../design/Opens'
import { Shape } from '../../design/Shape'
import { SignCell } from './ChainBlock'
import { calledLink, type ChainConnection, type ChainLink, type ChainProps, colours, strokes } from './chainLink'

/** The same chain upright, for a phone: one link under the other, the connection between them in words. */
export function UprightChain({ links, connections, supply, rail, onLink }: Omit<ChainProps, 'below'>) {
  return (
    <div className="grid">
      {links.map((link, i) => (
        <Fragment key={link.key}>
          <Row link={link} onLink={onLink} />
          {i < links.length - 1 ? (
            <Between connection={connections[i]} between={`${calledLink(link)} to ${calledLink(links[i + 1]!)}`} />
          ) : null}
        </Fragment>
      ))}
      <h3 className="h3 mt-5 mb-1">{links[1] ? calledLink(links[1]) : 'All'} and the line are fed from</h3>
      <Row link={supply} onLink={onLink} />
      <Between connection={rail} between="Supply" line={false} />
    </div>
  )
}

const Row = ({ link, onLink }: { link: ChainLink; onLink: (id: string) => void }) => (
  <button
    type="button"
    aria-label={`${calledLink(link)}, ${link.sub}`}
    className={`min-h-14 w-full flex items-stretch text-left bg-blank border-[1.5px] ${link.missing ? 'border-dashed border-edge' : 'border-ink'} hover:bg-mark`}
    onClick={() => onLink(link.id)}
  >
    <SignCell link={link} />
    <span className="min-w-0 px-2 py-1 self-center block break-words">
      <span className="block cond font-semibold text-[17px] leading-5">{link.name}</span>
      <span className="block cond text-[15px] leading-[18px] text-ink2">{link.sub}</span>
    </span>
  </button>
)

interface BetweenProps {
  readonly connection: ChainConnection | undefined
  readonly between: string
  /** Whether the line goes on to the next device. */
  readonly line?: boolean
}

function Between({ connection, between, line = true }: BetweenProps) {
  return (
    <div className="flex items-stretch min-h-12 pl-[13px]">
      <span className={`w-[1.5px] ${!line ? '' : connection ? strokes[connection.kind] : 'bg-edge'}`} />
      {connection ? (
        <Opens
          className="flex items-center gap-3 flex-1 pl-4 text-left"
          label={`${between}: ${connection.word}`}
          trigger={
            <>
              <Shape kind={connection.kind} size={18} />
              <span className="cond text-[16px]">{connection.passes}</span>
              <span className={`cond text-[16px] ml-auto ${colours[connection.kind]}`}>{connection.word}</span>
            </>
          }
        >
          {connection.detail}
        </Opens>
      ) : (
        <span className="self-center pl-4 text-ink2">not joined</span>
      )}
    </div>
  )
}
