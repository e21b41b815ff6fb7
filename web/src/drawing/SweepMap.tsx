import { type KeyboardEvent, useState } from 'react'

interface Props {
  readonly label: string
  readonly xTitle: string
  readonly yTitle: string
  readonly xTexts: readonly string[]
  readonly yTexts: readonly string[]
  /** 0 is best, 1 is worst; row by row of y. */
  readonly shade: readonly number[]
  readonly texts: readonly string[]
  /** Was run: what was not cannot be taken. */
  readonly known: readonly boolean[]
  /** Meets the target: marked by more than its colour. */
  readonly meets: readonly boolean[]
  /** What is planned, if it lies on the grid. */
  readonly here: readonly [number, number] | undefined
  readonly onTake: (x: number, y: number) => void
}

/** A map of two settings: each cell its number, dark where it is bad, ringed where it meets the target; a tap takes it. */
export function SweepMap({ label, xTitle, yTitle, xTexts, yTexts, shade, texts, known, meets, here, onTake }: Props) {
  const [focus, setFocus] = useState<readonly [number, number]>([0, 0])
  const columns = xTexts.length
  const keys = (event: KeyboardEvent<HTMLTableElement>) => {
    const [x, y] = focus
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [Math.max(0, x - 1), y],
      ArrowRight: [Math.min(columns - 1, x + 1), y],
      ArrowUp: [x, Math.max(0, y - 1)],
      ArrowDown: [x, Math.min(yTexts.length - 1, y + 1)],
      Home: [0, y],
      End: [columns - 1, y],
    }
    const to = moves[event.key]
    if (!to) return
    event.preventDefault()
    setFocus(to)
    event.currentTarget.querySelector<HTMLButtonElement>(`[data-cell="${to[0]} ${to[1]}"]`)?.focus()
  }
  return (
    <table className="sweep" aria-label={label} onKeyDown={keys}>
      <caption className="sr-only">
        {xTitle} along, {yTitle} down. Arrows move, Enter takes.
      </caption>
      <thead>
        <tr>
          <th scope="col" className="corner">
            {yTitle} ↓ {xTitle} →
          </th>
          {xTexts.map((text) => (
            <th key={text} scope="col">
              {text}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {yTexts.map((yText, y) => (
          <tr key={yText}>
            <th scope="row">{yText}</th>
            {xTexts.map((xText, x) => {
              const i = y * columns + x
              const planned = here?.[0] === x && here[1] === y
              return (
                <td key={xText}>
                  <button
                    type="button"
                    data-cell={`${x} ${y}`}
                    disabled={!known[i]}
                    data-meets={meets[i] ? 'yes' : 'no'}
                    className={`${meets[i] ? 'meets' : ''} ${planned ? 'here' : ''}`}
                    style={{ '--shade': `${Math.round((shade[i] ?? 0) * 62)}%` } as React.CSSProperties}
                    tabIndex={focus[0] === x && focus[1] === y ? 0 : -1}
                    aria-label={`${xTitle} ${xText}, ${yTitle} ${yText}: ${texts[i] ?? ''}${meets[i] ? ', meets the target' : ''}${planned ? ', planned' : ''}`}
                    onFocus={() => setFocus([x, y])}
                    onClick={() => onTake(x, y)}
                  >
                    {texts[i]}
                    {meets[i] ? <span aria-hidden> ✓</span> : null}
                  </button>
                </td>
              )
            })}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
