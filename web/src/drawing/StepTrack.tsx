import type { StepState } from '@nachtigal/core/progress/stepStatus'

interface Props {
  readonly states: readonly StepState[]
  readonly here?: number | undefined
  readonly wide?: boolean
}

/** Seven short strokes, one a step: solid done, outline begun, lower third waiting, broken ochre look, crossed oxide stop. */
export function StepTrack({ states, here, wide = false }: Props) {
  const [w, h, gap] = wide ? [4, 20, 4] : [3, 14, 3]
  const done = states.filter((state) => state === 'done').length
  return (
    <svg
      width={states.length * (w + gap)}
      height={h + 6}
      className="flex-none overflow-visible"
      role="img"
      aria-label={`${done} of ${states.length} steps done${states.includes('stop') ? ', a stop' : states.includes('look') ? ', something to look at' : ''}`}
    >
      {states.map((state, i) => (
        <g key={i} transform={`translate(${i * (w + gap)} 0)`}>
          <Stroke state={state} w={w} h={h} />
          {here === i ? <path d={`M${w / 2 - 2.5} ${h + 6}h5L${w / 2} ${h + 2}Z`} fill="var(--ink)" /> : null}
        </g>
      ))}
    </svg>
  )
}

/** One stroke of the track, of any size. */
export function Stroke({ state, w, h }: { state: StepState; w: number; h: number }) {
  switch (state) {
    case 'done':
      return <rect width={w} height={h} fill="var(--ink)" />
    case 'open':
      return <rect x=".5" y=".5" width={w - 1} height={h - 1} fill="none" stroke="var(--ink)" />
    case 'waiting':
      return <rect y={(h * 2) / 3} width={w} height={h / 3} fill="var(--edge)" />
    case 'look': {
      const gap = Math.max(2, h * 0.16)
      return (
        <>
          <rect width={w} height={(h - gap) / 2} fill="var(--look)" />
          <rect y={(h + gap) / 2} width={w} height={(h - gap) / 2} fill="var(--look)" />
        </>
      )
    }
    case 'stop':
      return (
        <>
          <rect width={w} height={h} fill="var(--stop)" />
          <rect x={w / 2 - w * 1.25} y={h / 2 - 1} width={w * 2.5} height="2" fill="var(--stop)" />
        </>
      )
  }
}
