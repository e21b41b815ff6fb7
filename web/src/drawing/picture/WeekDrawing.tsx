import type { WeekPicture } from '@nachtigal/core/calc/picture'

const WIDTH = 480
const LEFT = 74
const ROW = 26
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const WEEK = 7 * 1440

/** A week of wall time, a row a period; what reaches past Sunday begins again on Monday. */
export function WeekDrawing({ picture, label }: { picture: WeekPicture; label: string }) {
  const x = (minute: number) => LEFT + (minute / WEEK) * (WIDTH - LEFT - 4)
  const bottom = 20 + picture.rows.length * ROW
  const laid = (spans: readonly (readonly [number, number])[]) =>
    spans.flatMap(
      ([from, to]) =>
        (to <= WEEK
          ? [[from, to]]
          : [
              [from, WEEK],
              [0, Math.min(to - WEEK, WEEK)],
            ]) as [number, number][],
    )
  return (
    <svg viewBox={`0 0 ${WIDTH} ${bottom + 6}`} role="img" aria-label={label} className="w-full">
      {DAYS.map((day, i) => (
        <g key={day}>
          <text x={x(i * 1440 + 720)} y={13} fontSize="12" textAnchor="middle" style={{ fill: 'var(--ink2)' }}>
            {day}
          </text>
          <path d={`M${x(i * 1440)} 18V${bottom}`} stroke="var(--line)" />
        </g>
      ))}
      {picture.rows.map(({ title, spans }, i) => (
        <g key={`${title}-${i}`}>
          <text x={LEFT - 6} y={36 + i * ROW} fontSize="12" textAnchor="end">
            {title.length > 11 ? `${title.slice(0, 10)}…` : title}
          </text>
          <path d={`M${LEFT} ${32 + i * ROW}H${WIDTH - 4}`} stroke="var(--line)" />
          {laid(spans).map(([from, to]) => (
            <rect
              key={`${from}-${to}`}
              x={x(from)}
              y={26 + i * ROW}
              width={Math.max(1.5, x(to) - x(from))}
              height={12}
              fill="var(--ink2)"
            />
          ))}
        </g>
      ))}
      <path d={`M${LEFT} ${bottom}H${WIDTH - 4}M${WIDTH - 4} 18V${bottom}`} stroke="var(--ink)" />
    </svg>
  )
}
