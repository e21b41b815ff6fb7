import { Opens } from '../../design/Opens'
import { Shape } from '../../design/Shape'
import { type ChainConnection, colours } from './chainLink'

const border: Partial<Record<ChainConnection['kind'], string>> = { stop: 'border-stop', look: 'border-look' }

/** What the supply feeds: from its foot to the foot of the controller, verdict and text set into the line. */
export function SupplyRail({ rail, from, to }: { rail: ChainConnection | undefined; from: number; to: number }) {
  const colour = rail ? (border[rail.kind] ?? 'border-ink') : 'border-edge border-dashed'
  return (
    <div
      className={`absolute h-6 border-b-[1.5px] border-x-[1.5px] pointer-events-none ${colour}`}
      style={{ left: from, width: to - from, top: '100%' }}
    >
      {rail ? (
        <span className="absolute left-1/2 -translate-x-1/2 top-[13px] bg-paper px-2 pointer-events-auto">
          <SupplySays rail={rail} />
        </span>
      ) : null}
    </div>
  )
}

/** The supply's verdict in one line. */
export const SupplySays = ({ rail }: { rail: ChainConnection }) => (
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
)
