interface Props {
  /** All in the unit that is shown. */
  readonly on: number
  readonly off: number
  readonly set: number
  readonly action: 'heating' | 'cooling'
  readonly reading: number | undefined
  readonly lowest?: number | undefined
  readonly highest?: number | undefined
  readonly label: string
}

const WIDTH = 160
const SCALE_Y = 25

/** The ladder lying down and small: heat rung above the scale, cold below, set as a chevron, reading as a needle. */
export function MiniLadder({ on, off, set, action, reading, lowest, highest, label }: Props) {
  const half = 3 * Math.max(Math.abs(on - off), 0.5)
  const x = (value: number) => Math.min(WIDTH - 6, Math.max(6, WIDTH / 2 + ((value - set) / half) * (WIDTH / 2 - 6)))
  const heats = action === 'heating'
  const bracket = (value: number, way: 1 | -1) => (
    <path
      d={`M${x(value) + way * 5} ${SCALE_Y - 8}H${x(value)}V${SCALE_Y + 8}h${way * 5}`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth="2"
    />
  )
  return (
    <svg width={WIDTH} height={48} role="img" aria-label={label} className="flex-none">
      <path d={`M0 ${SCALE_Y}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1.5" />
      {Array.from({ length: 13 }, (_, i) => (
        <path key={i} d={`M${6 + (i * (WIDTH - 12)) / 12} ${SCALE_Y - 3}v6`} stroke="var(--ink)" />
      ))}
      <rect
        x={Math.min(x(on), x(off))}
        y={heats ? SCALE_Y - 13 : SCALE_Y + 5}
        width={Math.max(3, Math.abs(x(on) - x(off)))}
        height={8}
        fill={heats ? 'var(--heat)' : 'var(--cold)'}
      />
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
