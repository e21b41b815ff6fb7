interface MiniRung {
  readonly on: number
  readonly off: number
  readonly action: 'heating' | 'cooling'
}

interface Props {
  /** All in the unit that is shown. */
  readonly rungs: readonly MiniRung[]
  /** A modulating output: nothing at one end, full at the other. */
  readonly wedge?: { readonly zero: number; readonly full: number; readonly action: 'heating' | 'cooling' } | undefined
  readonly set: number
  readonly reading: number | undefined
  readonly lowest?: number | undefined
  readonly highest?: number | undefined
  readonly label: string
}

const WIDTH = 160
const SCALE_Y = 25
const tint = { heating: 'var(--heat)', cooling: 'var(--cold)' } as const

/** The switching points lying down and small: heat rungs above the scale, cold below, set as a chevron, reading as a needle. */
export function MiniScale({ rungs, wedge, set, reading, lowest, highest, label }: Props) {
  const widest = Math.max(0.5, ...rungs.map(({ on, off }) => Math.abs(on - off)))
  const reach = Math.max(0, ...rungs.flatMap(({ on, off }) => [Math.abs(on - set), Math.abs(off - set)]))
  const half = wedge ? 1.6 * Math.max(0.5, Math.abs(wedge.full - wedge.zero)) : Math.max(3 * widest, 1.3 * reach)
  const x = (value: number) => Math.min(WIDTH - 6, Math.max(6, WIDTH / 2 + ((value - set) / half) * (WIDTH / 2 - 6)))
  const bracket = (value: number, way: 1 | -1) => (
    <path
      d={`M${x(value) + way * 5} ${SCALE_Y - 8}H${x(value)}V${SCALE_Y + 8}h${way * 5}`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth="2"
    />
  )
  const thick = rungs.length > 1 ? 3 : 8
  const row = { heating: 0, cooling: 0 }
  return (
    <svg width={WIDTH} height={48} role="img" aria-label={label} className="flex-none">
      <path d={`M0 ${SCALE_Y}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1.5" />
      {Array.from({ length: 13 }, (_, i) => (
        <path key={i} d={`M${6 + (i * (WIDTH - 12)) / 12} ${SCALE_Y - 3}v6`} stroke="var(--ink)" />
      ))}
      {rungs.map(({ on, off, action }) => {
        const at = row[action]++ * 4
        return (
          <rect
            key={`${action}/${at}`}
            x={Math.min(x(on), x(off))}
            y={action === 'heating' ? SCALE_Y - 5 - thick - at : SCALE_Y + 5 + at}
            width={Math.max(3, Math.abs(x(on) - x(off)))}
            height={thick}
            fill={tint[action]}
          />
        )
      })}
      {wedge ? (
        <path
          d={
            wedge.action === 'heating'
              ? `M${x(wedge.zero)} ${SCALE_Y - 5}H${x(wedge.full)}v-12Z`
              : `M${x(wedge.zero)} ${SCALE_Y + 5}H${x(wedge.full)}v12Z`
          }
          fill={tint[wedge.action]}
        />
      ) : null}
      {lowest === undefined ? null : bracket(lowest, 1)}
      {highest === undefined ? null : bracket(highest, -1)}
      <path
        d={`M${x(set) - 7} 44L${x(set)} 36L${x(set) + 7} 44M${x(set)} 36V${SCALE_Y}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {reading === undefined ? null : (
        <path
          d={`M${x(reading) - 6} 2h12l-6 10ZM${x(reading)} 12V${SCALE_Y}`}
          fill="var(--ink)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
    </svg>
  )
}
