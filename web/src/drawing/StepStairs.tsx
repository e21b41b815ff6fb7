import type { StepState } from '@nachtigal/core/progress/stepStatus'

interface Props {
  /** For each of the seven steps where every loop stands, from below: done, open, look, stop, waiting. */
  readonly steps: readonly (readonly StepState[])[]
  readonly wide?: boolean
}

const WAITING = 1.5

/** How far a whole job is: the seven strokes of a loop, each cut into as many pieces as there are loops. */
export function StepStairs({ steps, wide = false }: Props) {
  const [w, gap, high] = wide ? [20, 9, 72] : [12, 7, 30]
  const loops = Math.max(1, steps[0]?.length ?? 1)
  const piece = high / loops
  const space = Math.min(2, piece / 4)
  const done = steps.map((states) => states.filter((state) => state === 'done').length)
  return (
    <svg
      width={7 * (w + gap) - gap}
      height={high + 20}
      className="flex-none"
      role="img"
      aria-label={`Loops done in steps 1 to 7: ${done.join(', ')} of ${steps[0]?.length ?? 0}`}
    >
      <path d={`M0 ${high + 2.5}H${7 * (w + gap) - gap}`} stroke="var(--ink)" />
      {steps.map((states, i) => (
        <g key={i} transform={`translate(${i * (w + gap)} 0)`}>
          {states.map((state, at) => (
            <g key={at} transform={`translate(0 ${high - (at + 1) * piece + space / 2})`}>
              <Piece state={state} w={w} h={piece - space} />
            </g>
          ))}
          <text
            x={w / 2}
            y={high + 17}
            textAnchor="middle"
            className="cond"
            style={{ font: '500 13px var(--font-cond)', fill: 'var(--ink2)' }}
          >
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  )
}

/** One loop in one step: the same looks as in its own track, lying. */
function Piece({ state, w, h }: { state: StepState; w: number; h: number }) {
  switch (state) {
    case 'done':
      return <rect width={w} height={h} fill="var(--ink)" />
    case 'open':
      return <rect x=".5" y=".5" width={w - 1} height={Math.max(1, h - 1)} fill="none" stroke="var(--ink)" />
    case 'look':
      return (
        <>
          <rect width={w / 2 - 1} height={h} fill="var(--look)" />
          <rect x={w / 2 + 1} width={w / 2 - 1} height={h} fill="var(--look)" />
        </>
      )
    case 'stop':
      return <rect x={-w / 8} width={w * 1.25} height={h} fill="var(--stop)" />
    case 'waiting':
      return <rect x={w / 2 - 2.5} y={h / 2 - WAITING / 2} width="5" height={WAITING} fill="var(--edge)" />
  }
}
