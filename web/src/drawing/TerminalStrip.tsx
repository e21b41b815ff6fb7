import type { DeviceProfile, Port, Terminal } from '@nachtigal/core/device/deviceProfile'

const PITCH = 44
const FEET = ['line', 'neutral', 'earth', 'l2', 'l3', 'a', 'b', 'common', 'make', 'breaks', 'plus', 'minus'] as const

/** Terminals that a port lands on. */
function feetOf(port: Port): string[] {
  const shapes: readonly Readonly<Record<string, unknown>>[] =
    port.kind === 'supply-in' ? Object.values(port.variants).map((v) => ({ ...v })) : [{ ...port }]
  return [
    ...new Set(
      shapes.flatMap((shape) => FEET.map((foot) => shape[foot]).filter((t): t is string => typeof t === 'string')),
    ),
  ]
}

/** The strip of a device's terminals in the order of the real one: mains drawn heavy, extra-low voltage light, each port bracketed. */
export function TerminalStrip({ profile }: { profile: Pick<DeviceProfile, 'name' | 'terminals' | 'ports'> }) {
  const strip = Object.entries(profile.terminals).sort(([, a], [, b]) => a.order - b.order) as [string, Terminal][]
  const at = new Map(strip.map(([id], i) => [id, i]))
  const ports = Object.entries(profile.ports).flatMap(([id, port]) => {
    const places = feetOf(port).flatMap((foot) => (at.has(foot) ? [at.get(foot)!] : []))
    return places.length === 0
      ? []
      : [{ id, title: port.title, from: Math.min(...places), to: Math.max(...places), places }]
  })
  // Brackets that would lie over one another go a line lower.
  const rows: { to: number }[][] = []
  const placed = ports
    .sort((a, b) => a.from - b.from)
    .map((port) => {
      let row = rows.findIndex((each) => each.every(({ to }) => to < port.from))
      if (row < 0) row = rows.push([]) - 1
      rows[row]!.push({ to: Math.max(port.to, port.from + Math.ceil((port.title.length * 6.4) / PITCH) - 1) })
      return { ...port, row }
    })
  const reach = placed.map(({ from, title }) => from * PITCH + 12 + title.length * 6.4)
  const width = Math.ceil(Math.max(strip.length * PITCH + 2, ...reach))
  const height = 44 + rows.length * 28
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={`Terminals of ${profile.name}`}>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={strip
          .map(([, { label, voltageClass }]) => `${label} ${voltageClass === 'mains' ? 'mains' : 'extra-low'}`)
          .join(', ')}
      >
        {strip.map(([id, { label, voltageClass }], i) => (
          <g key={id} transform={`translate(${i * PITCH + 1} 1)`}>
            <rect
              width={PITCH}
              height={32}
              fill={voltageClass === 'mains' ? 'var(--bench)' : 'var(--blank)'}
              stroke="var(--ink)"
              strokeWidth={voltageClass === 'mains' ? 2 : 1}
            />
            <text
              x={PITCH / 2}
              y={21}
              textAnchor="middle"
              fontSize={label.length > 4 ? 11 : 14}
              fontFamily="B612 Mono, monospace"
            >
              {label}
            </text>
          </g>
        ))}
        {placed.map(({ id, title, from, to, places, row }) => {
          const y = 40 + row * 28
          const [x1, x2] = [from * PITCH + 8, (to + 1) * PITCH - 6]
          return (
            <g key={id}>
              <path d={`M${x1} ${y - 2}V${y + 4}H${x2}V${y - 2}`} fill="none" stroke="var(--ink)" />
              {places.map((place) => (
                <path
                  key={place}
                  d={`M${place * PITCH + PITCH / 2} ${y - 1}V${y + 4}`}
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
              ))}
              <text x={x1} y={y + 18} fontSize="13" fontFamily="Barlow Condensed, sans-serif">
                {title}
              </text>
            </g>
          )
        })}
      </svg>
      <p className="small text-ink2">Heavy: mains. Light: extra-low voltage.</p>
    </div>
  )
}
