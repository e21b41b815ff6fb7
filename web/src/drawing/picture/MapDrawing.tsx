import type { MapPicture } from '@nachtigal/core/calc/picture'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { plainDigits } from '@nachtigal/core/units/plainDigits'
import { axisView } from './axisView'

const CELL = { width: 44, height: 26 }
const LEFT = 58
const TOP = 8

/** A value over two axes: cells with their figure, darker for more, and where one stands. */
export function MapDrawing({
  picture,
  preferences,
  label,
}: {
  picture: MapPicture
  preferences: UnitPreferences
  label: string
}) {
  const { xs, ys, cells, spot } = picture
  const [x, y, value] = [picture.x, picture.y, picture.value].map((axis) => axisView(axis, preferences)) as [
    ReturnType<typeof axisView>,
    ReturnType<typeof axisView>,
    ReturnType<typeof axisView>,
  ]
  const rows = [...ys.keys()].reverse()
  const width = LEFT + xs.length * CELL.width + 8
  const bottom = TOP + ys.length * CELL.height
  const most = Math.max(1, ...cells.flat())
  /** Middle of the cell a value falls in, held inside the drawing. */
  const along = (values: readonly number[], at: number) => {
    const [first, last] = [values[0]!, values[values.length - 1]!]
    return Math.min(values.length - 1, Math.max(0, ((at - first) / (last - first)) * (values.length - 1)))
  }
  const plain = (text: string) => text.split('\u00a0')[0]
  return (
    <svg viewBox={`0 0 ${width} ${bottom + 44}`} role="img" aria-label={label} className="w-full h-full">
      {rows.map((row, i) =>
        xs.map((_, column) => {
          const cell = cells[row]![column]!
          return (
            <g key={`${row}-${column}`} transform={`translate(${LEFT + column * CELL.width} ${TOP + i * CELL.height})`}>
              <rect width={CELL.width} height={CELL.height} fill="var(--ink)" opacity={0.04 + 0.26 * (cell / most)} />
              <rect width={CELL.width} height={CELL.height} fill="none" stroke="var(--line)" />
              <text x={CELL.width / 2} y={CELL.height / 2 + 4} fontSize="12" textAnchor="middle">
                {plain(value.say(cell))}
              </text>
            </g>
          )
        }),
      )}
      {rows.map((row, i) => (
        <text
          key={row}
          x={LEFT - 6}
          y={TOP + i * CELL.height + 17}
          fontSize="12"
          textAnchor="end"
          style={{ fill: 'var(--ink2)' }}
        >
          {plainDigits(y.toShown(ys[row]!), 4)}
        </text>
      ))}
      {xs.map((at, column) => (
        <text
          key={at}
          x={LEFT + (column + 0.5) * CELL.width}
          y={bottom + 15}
          fontSize="12"
          textAnchor="middle"
          style={{ fill: 'var(--ink2)' }}
        >
          {plainDigits(x.toShown(at), 4)}
        </text>
      ))}
      <text
        x={LEFT + (xs.length * CELL.width) / 2}
        y={bottom + 34}
        fontSize="13"
        textAnchor="middle"
        style={{ fill: 'var(--ink2)' }}
      >
        {x.title}; down: {y.title}; in the cells: {value.title}
      </text>
      {spot ? (
        <ellipse
          cx={LEFT + (along(xs, spot.at[0]) + 0.5) * CELL.width}
          cy={bottom - (along(ys, spot.at[1]) + 0.5) * CELL.height}
          rx="20"
          ry="12"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        >
          <title>{spot.title}</title>
        </ellipse>
      ) : null}
    </svg>
  )
}
