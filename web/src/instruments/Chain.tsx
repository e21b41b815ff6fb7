import { Fragment, type ReactNode } from 'react'
import { Opens } from '../ui/Opens'
import { Shape, type ShapeKind } from '../ui/Shape'

export interface ChainLink {
  /** Tells two links of one kind apart. */
  readonly key: string
  /** Which kind of link it is: what a tap chooses anew. */
  readonly id: string
  readonly name: string
  readonly sub: string
  readonly sign: DeviceSign
  readonly missing?: boolean
}

export interface ChainConnection {
  readonly kind: ShapeKind
  readonly passes: string
  readonly word: string
  readonly detail: ReactNode
}

interface Props {
  readonly links: readonly ChainLink[]
  /** One between each two links; undefined where nothing is joined yet. */
  readonly connections: readonly (ChainConnection | undefined)[]
  readonly supply: ChainLink
  readonly rail: ChainConnection | undefined
  /** Which output's path is drawn, where there are several. */
  readonly below?: ReactNode
  readonly onLink: (id: string) => void
}

export type DeviceSign = 'probe' | 'controller' | 'contact' | 'limiter' | 'load' | 'supply'

const signs: Record<DeviceSign, string> = {
  probe: 'M8 3a2 2 0 0 1 4 0v9a3.4 3.4 0 1 1-4 0ZM10 8v7',
  controller: 'M2 3h16v14H2ZM5 6h10v4H5ZM5 13.5h2M9 13.5h2M13 13.5h2',
  contact: 'M1 12h5L14 6M14 12h5M6 12v.1M14 12v.1',
  limiter: 'M1 14h5l8-6M14 14h5M10 11V3M7 3h6',
  load: 'M10 3a7 7 0 1 0 .1 0ZM6 10l4-4 4 4M10 6v8',
  supply: 'M10 2a8 8 0 1 0 .1 0ZM5 10c2-5 3-5 5 0s3 5 5 0',
}

/** Sign of a device, plain line drawing of our own. */
export const Sign = ({ sign, size = 20 }: { sign: DeviceSign; size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden className="flex-none">
    <path d={signs[sign]} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
  </svg>
)

/** A link; `tight` leaves its sign out where the path is long, so that its name can be read. */
function Block({ link, onLink, tight = false }: { link: ChainLink; onLink: (id: string) => void; tight?: boolean }) {
  return (
    <button
      type="button"
      className={`h-12 w-full min-w-0 flex items-stretch text-left bg-blank border-[1.5px] ${link.missing ? 'border-dashed border-edge' : 'border-ink'} hover:bg-mark`}
      onClick={() => onLink(link.id)}
    >
      <span
        className={`w-10 flex-none flex items-center justify-center border-r border-line md:max-xl:hidden ${tight ? 'hidden' : ''}`}
      >
        <Sign sign={link.sign} />
      </span>
      <span className="min-w-0 px-2 pt-1 block md:max-xl:pt-3">
        <span className="block cond font-semibold text-[17px] leading-5 truncate">{link.name}</span>
        <span className="block cond text-[15px] leading-[18px] text-ink2 truncate md:max-xl:hidden">{link.sub}</span>
      </span>
    </button>
  )
}

const colours: Record<ShapeKind, string> = {
  stop: 'text-stop',
  look: 'text-look',
  fits: 'text-fits',
  note: 'text-note',
  waiting: 'text-ink2',
}
const strokes: Record<ShapeKind, string> = {
  stop: 'bg-stop',
  look: 'bg-look',
  fits: 'bg-ink',
  note: 'bg-ink',
  waiting: 'bg-edge',
}

function Connection({ connection, between }: { connection: ChainConnection | undefined; between: string }) {
  if (!connection)
    return (
      <span className="relative block h-12" aria-hidden>
        <span className="absolute left-0 right-0 top-6 h-px bg-edge" />
      </span>
    )
  const line = `absolute top-6 h-[1.5px] ${strokes[connection.kind]}`
  return (
    <Opens
      className="relative block h-16 w-full"
      label={`${between}: ${connection.word}`}
      trigger={
        <>
          <span className="absolute left-0 right-0 top-0 cond text-[14px] leading-4 text-center whitespace-nowrap -translate-y-0.5">
            {connection.passes}
          </span>
          <span className={`${line} left-0 right-[calc(50%+13px)]`} />
          <span className={`${line} right-0 left-[calc(50%+13px)]`} />
          <span className="absolute left-1/2 top-6 -translate-x-1/2 -translate-y-1/2">
            <Shape kind={connection.kind} size={18} />
          </span>
          <span
            className={`absolute left-0 right-0 top-9 cond text-[15px] leading-4 text-center ${colours[connection.kind]}`}
          >
            {connection.word}
          </span>
        </>
      }
    >
      {connection.detail}
    </Opens>
  )
}

/** What the supply feeds: from its foot to the foot of the controller, verdict and text set into the line. */
function Rail({ rail, from, to }: { rail: ChainConnection | undefined; from: number; to: number }) {
  const line = `h-6 -mt-4 pointer-events-none ${rail?.kind === 'stop' ? 'border-stop' : rail?.kind === 'look' ? 'border-look' : rail ? 'border-ink' : 'border-edge border-dashed'}`
  const at = (column: string) => ({ gridRow: 2, gridColumn: column })
  return (
    <>
      <span style={at(`${from}`)} className={`${line} border-b-[1.5px] border-l-[1.5px] ml-[50%]`} />
      <span style={at(`${from + 1} / ${to}`)} className={`${line} border-b-[1.5px] relative`}>
        {rail ? (
          <span className="absolute left-1/2 -translate-x-1/2 top-[13px] bg-paper px-2 pointer-events-auto">
            <Opens
              className="flex items-center gap-2 whitespace-nowrap"
              label={`Supply: ${rail.word}`}
              trigger={
                <>
                  <Shape kind={rail.kind} size={14} />
                  <span className="cond text-[15px] leading-5">
                    {rail.passes}: <span className={colours[rail.kind]}>{rail.word}</span>
                  </span>
                </>
              }
            >
              {rail.detail}
            </Opens>
          </span>
        ) : null}
      </span>
      <span style={at(`${to}`)} className={`${line} border-b-[1.5px] border-r-[1.5px] mr-[50%]`} />
    </>
  )
}

const CONTROLLER_COLUMN = 3
const MOST_WITH_SIGN = 4

/** The links of one output's path with the verdict on each connection; the supply comes in from beneath. */
export function Chain({ links, connections, supply, rail, below, onLink }: Props) {
  const tight = links.length > MOST_WITH_SIGN
  const columns = `${links.map(() => 'minmax(84px, 168px)').join(' minmax(76px, 1fr) ')} 36px minmax(84px, 152px)`
  return (
    <nav aria-label="Chain" className="bg-paper border-b border-line px-4 pt-3 h-24 relative overflow-hidden flex-none">
      <div className="grid items-start" style={{ gridTemplateColumns: columns }}>
        {links.map((link, i) => (
          <Fragment key={link.key}>
            <Block link={link} onLink={onLink} tight={tight} />
            {i < links.length - 1 ? (
              <Connection connection={connections[i]} between={`${link.name} to ${links[i + 1]!.name}`} />
            ) : null}
          </Fragment>
        ))}
        <span />
        <Block link={supply} onLink={onLink} tight={tight} />
        <Rail rail={rail} from={CONTROLLER_COLUMN} to={2 * links.length + 1} />
      </div>
      {below ? <div className="absolute left-4 bottom-0">{below}</div> : null}
    </nav>
  )
}

/** The same chain upright, for a phone: one link under the other, the connection between them in words. */
export function UprightChain({ links, connections, supply, rail, onLink }: Omit<Props, 'below'>) {
  const row = (connection: ChainConnection | undefined, between: string, line = true) => (
    <div className="flex items-stretch h-12 pl-[19px]">
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
  return (
    <div className="grid">
      {links.map((link, i) => (
        <Fragment key={link.key}>
          <Block link={link} onLink={onLink} />
          {i < links.length - 1 ? row(connections[i], `${link.name} to ${links[i + 1]!.name}`) : null}
        </Fragment>
      ))}
      <h3 className="h3 mt-5 mb-1">{links[1]?.name ?? 'All'} and the line are fed from</h3>
      <Block link={supply} onLink={onLink} />
      {row(rail, 'Supply', false)}
    </div>
  )
}
