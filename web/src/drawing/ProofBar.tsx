interface Props {
  /** All in the unit that is shown. */
  readonly expected: number
  /** What is still good; a side that is left out has no bound. */
  readonly low?: number | undefined
  readonly high?: number | undefined
  readonly reading: number | undefined
  readonly verdict: 'fits' | 'look' | 'stop' | 'waiting'
  readonly format: (value: number) => string
  /** In a list, large, or large on a phone: each is drawn at its own size, so that its figures stay readable. */
  readonly size?: 'list' | 'large' | 'phone'
}

const colour = { fits: 'var(--fits)', look: 'var(--look)', stop: 'var(--stop)', waiting: 'var(--edge)' }

/** Reading, expected value and tolerance on one bar: centre is what it should be, brackets are what is still good. */
export function ProofBar({ expected, low, high, reading, verdict, format, size = 'large' }: Props) {
  const small = size === 'list'
  const [width, height, base] = { list: [132, 20, 12], large: [536, 92, 58], phone: [350, 88, 58] }[size] as [
    number,
    number,
    number,
  ]
  // Wide enough for the wider side; where one side is open the bounded one stands for both.
  const sides = [low, high].flatMap((bound) => (bound === undefined ? [] : [Math.abs(bound - expected)]))
  const tolerance = Math.max(...sides, Math.abs(expected) * 0.02, 1e-6)
  const span = (small ? 3 : 2.5) * tolerance
  const x = (value: number) => Math.min(width - 8, Math.max(8, width / 2 + ((value - expected) / span) * (width / 2)))
  const [from, to] = [low === undefined ? 8 : x(low), high === undefined ? width - 8 : x(high)]
  const [up, down, thick] = small ? [7, 7, 3] : [20, 9, 6]
  const bracket = (value: number, way: 1 | -1) => (
    <path
      d={`M${x(value) + way * 5} ${base - up}H${x(value)}V${base + down}h${way * 5}`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={small ? 1.5 : 2}
    />
  )
  const allowed =
    low === undefined
      ? `at most ${format(high ?? expected)}`
      : high === undefined
        ? `at least ${format(low)}`
        : `${format(low)} to ${format(high)}`
  const label = `Should be ${allowed}${reading === undefined ? '' : `, reads ${format(reading)}`}`
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={small ? width : '100%'}
      className="block max-h-24 flex-none"
      role="img"
      aria-label={label}
    >
      <path d={`M0 ${base}H${width}`} stroke="var(--edge)" />
      <rect x={from} y={base - up} width={to - from} height={up} fill="var(--blank)" />
      {small
        ? null
        : Array.from({ length: 25 }, (_, i) => i - 12).map((i) => (
            <path
              key={i}
              d={`M${x(expected + (i * tolerance) / 5)} ${base}v${i % 5 === 0 ? 8 : 5}`}
              stroke="var(--edge)"
            />
          ))}
      {low === undefined ? null : bracket(low, 1)}
      {high === undefined ? null : bracket(high, -1)}
      <path d={`M${x(expected)} ${base - up}V${base + down}`} stroke="var(--ink)" strokeWidth="2" />
      {reading === undefined ? null : (
        <>
          <rect
            x={Math.min(x(reading), x(expected))}
            y={base - thick - 1}
            width={Math.abs(x(reading) - x(expected))}
            height={thick}
            fill={colour[verdict]}
          />
          <path
            d={small ? `M${x(reading) - 6} ${base - 12}h12l-6 11Z` : `M${x(reading) - 10} ${base - 22}h20l-10 20Z`}
            fill={colour[verdict]}
            stroke="var(--paper)"
            strokeWidth="1"
          />
          {small ? null : (
            <text
              x={Math.min(width - 26, Math.max(26, x(reading)))}
              y={base - 30}
              textAnchor="middle"
              fontWeight="700"
              fontSize="18"
            >
              {format(reading)}
            </text>
          )}
        </>
      )}
      {small ? null : (
        <>
          {reading === undefined || Math.abs(x(reading) - width / 2) > 70 ? (
            <text
              x={width / 2}
              y={base - 27}
              textAnchor="middle"
              className="cond"
              fontSize="15"
              style={{ fill: 'var(--ink2)' }}
            >
              should
            </text>
          ) : null}
          <text x={width / 2} y={height - 6} textAnchor="middle" fontWeight="700" fontSize="15">
            {format(expected)}
          </text>
          {[low, high].map((bound, i) =>
            bound === undefined || Math.abs(x(bound) - width / 2) < 30 ? null : (
              <text
                key={i}
                x={x(bound)}
                y={height - 6}
                textAnchor="middle"
                fontSize="15"
                style={{ fill: 'var(--ink2)' }}
              >
                {format(bound)}
              </text>
            ),
          )}
        </>
      )}
    </svg>
  )
}
