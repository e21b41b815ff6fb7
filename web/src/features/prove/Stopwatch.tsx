import { useEffect, useState } from 'react'

const TICK_MS = 100

/** A stopwatch: a tap starts it, the next one stops it and hands the seconds over. */
export function Stopwatch({ onStop }: { onStop: (seconds: number) => void }) {
  const [from, setFrom] = useState<number>()
  const [now, setNow] = useState(0)
  useEffect(() => {
    if (from === undefined) return
    const timer = setInterval(() => setNow(performance.now()), TICK_MS)
    return () => clearInterval(timer)
  }, [from])
  const seconds = from === undefined ? 0 : Math.max(0, (now - from) / 1000)
  return (
    <button
      type="button"
      className="stopwatch"
      aria-pressed={from !== undefined}
      onClick={() => {
        const at = performance.now()
        if (from === undefined) {
          setNow(at)
          setFrom(at)
          return
        }
        setFrom(undefined)
        onStop((at - from) / 1000)
      }}
    >
      <span className="cond">{from === undefined ? 'Start the watch' : 'Stop'}</span>
      <b role="timer">{seconds.toFixed(1)} s</b>
    </button>
  )
}
