import { Fragment, useRef } from 'react'
import { useResizeObserver } from 'usehooks-ts'
import { ChainBlock } from './ChainBlock'
import { ConnectionMark } from './ConnectionMark'
import { type ChainLayout, chainLayout, folded } from './chainLayout'
import { calledLink, type ChainConnection, type ChainProps, colours } from './chainLink'
import { SupplyRail, SupplySays } from './SupplyRail'

const CONTROLLER = 1
const MARGIN = 16
/** The strip's width on a usual screen, until it has been measured. */
const USUAL = 1064

/** The links of one output's path with the verdict on each connection; the supply comes in from beneath. */
export function Chain({ below, belowWidth = 0, ...given }: ChainProps & { readonly belowWidth?: number }) {
  const strip = useRef<HTMLElement>(null)
  const { width: outer = USUAL } = useResizeObserver({ ref: strip as React.RefObject<HTMLElement>, box: 'border-box' })
  const width = outer - 2 * MARGIN
  const layout = chainLayout(given.links.length, width)
  const under = layout.rows === 1 && belowWidth < railFrom(layout) - 16
  return (
    <nav aria-label="Chain" ref={strip} className="bg-paper border-b border-line px-4 relative flex-none">
      {layout.rows === 1 ? (
        <OneRow {...given} layout={layout} width={width} />
      ) : (
        <TwoRows {...given} layout={layout} width={width} />
      )}
      {below ? <div className={under ? 'absolute left-4 bottom-0' : '-mt-1'}>{below}</div> : null}
    </nav>
  )
}

type Drawn = Omit<ChainProps, 'below'> & { readonly layout: ChainLayout; readonly width: number }

const railFrom = ({ block, space }: ChainLayout) => CONTROLLER * (block + space) + block / 2

function OneRow({ links, connections, supply, rail, onLink, layout, width }: Drawn) {
  const { block, height, says } = layout
  const at = says === 'shape' ? worstAt(connections) : undefined
  return (
    <div className={says === 'shape' ? 'pt-[26px] pb-[30px]' : 'pt-3 pb-9'}>
      <div className="relative flex" style={{ height }}>
        {at === undefined ? null : (
          <Lifted
            connection={connections[at]!}
            x={at * (block + layout.space) + block + layout.space / 2}
            width={width}
          />
        )}
        {links.map((link, i) => (
          <Fragment key={link.key}>
            <ChainBlock link={link} onLink={onLink} width={block} height={height} />
            {i < links.length - 1 ? (
              <ConnectionMark
                connection={connections[i]}
                between={`${calledLink(link)} to ${calledLink(links[i + 1]!)}`}
                layout={layout}
              />
            ) : null}
          </Fragment>
        ))}
        <span className="ml-auto">
          <ChainBlock link={supply} onLink={onLink} width={layout.supply} height={height} />
        </span>
        <SupplyRail rail={rail} from={railFrom(layout)} to={width - layout.supply / 2} />
      </div>
    </div>
  )
}

const worth: Partial<Record<ChainConnection['kind'], number>> = { stop: 2, look: 1 }

/** Which connection's sentence is lifted over the line: the worst one that does not fit. */
function worstAt(connections: readonly (ChainConnection | undefined)[]): number | undefined {
  const worths = connections.map((each) => (each ? (worth[each.kind] ?? 0) : 0))
  const most = Math.max(0, ...worths)
  return most === 0 ? undefined : worths.indexOf(most)
}

/** What is wrong with a connection, over it where there is no room beside its shape. */
function Lifted({ connection, x, width }: { connection: ChainConnection; x: number; width: number }) {
  return (
    <p
      className={`absolute -top-[22px] cond text-[15px] leading-5 whitespace-nowrap ${colours[connection.kind]}`}
      style={x < width / 2 ? { left: Math.max(0, x - 90) } : { right: Math.max(0, width - x - 90) }}
    >
      {connection.passes}: {connection.word}
    </p>
  )
}

function TwoRows({ links, connections, supply, rail, onLink, layout, width }: Drawn) {
  const { block, height, space } = layout
  const first = folded(links.length)
  const at = worstAt(connections)
  const piece = (i: number, from: number) => (
    <Fragment key={links[i]!.key}>
      {i > from ? (
        <ConnectionMark
          connection={connections[i - 1]}
          between={`${calledLink(links[i - 1]!)} to ${calledLink(links[i]!)}`}
          layout={layout}
        />
      ) : null}
      <ChainBlock link={links[i]!} onLink={onLink} width={block} height={height} />
    </Fragment>
  )
  const turn = { left: space / 2, right: width - (first * block + (first - 1) * space), lane: 14 }
  return (
    <div className="pt-2 pb-6 relative">
      <div className="flex relative" style={{ height }}>
        {links.slice(0, first).map((_, i) => piece(i, 0))}
      </div>
      <svg
        className="absolute left-0 top-0 pointer-events-none"
        width={width + MARGIN}
        height={2 * height + 40}
        aria-hidden
      >
        <path
          d={`M${width - turn.right} ${8 + height / 2}h10V${8 + height + 7}H${turn.left}V${8 + height + turn.lane + height / 2}h${space / 2}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      </svg>
      <div className="flex relative" style={{ height, marginTop: turn.lane }}>
        <ConnectionMark
          connection={connections[first - 1]}
          between={`${calledLink(links[first - 1]!)} to ${calledLink(links[first]!)}`}
          layout={layout}
        />
        {links.slice(first).map((_, i) => piece(first + i, first))}
        <span className="ml-auto">
          <ChainBlock link={supply} onLink={onLink} width={layout.supply} height={height} />
        </span>
      </div>
      {at === undefined ? null : (
        <p className={`absolute left-0 bottom-0.5 cond text-[15px] leading-5 ${colours[connections[at]!.kind]}`}>
          {calledLink(links[at]!)} to {calledLink(links[at + 1]!)}: {connections[at]!.passes}, {connections[at]!.word}
        </p>
      )}
      {rail ? (
        <span className="absolute right-0 bottom-0.5">
          <SupplySays rail={rail} />
        </span>
      ) : null}
    </div>
  )
}
