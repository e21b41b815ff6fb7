import { useEffect, useRef, useState } from 'react'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import type { TriedAdvice } from '@nachtigal/core/check/triedAdvice'
import type { RunOutcome } from '@nachtigal/core/check/runOutcome'
import { dayWeather } from '@nachtigal/core/simulate/loop/runWeather'
import { sayAdvice, saySettings } from '@nachtigal/core/words/adviceWords'
import { Button } from '../../design/Button'
import { useAct } from '../../loop/useAct'
import { useLoop } from '../../loop/loopContext'
import { Ways } from '../../loop/Ways'
import { tradeQuantity } from '@nachtigal/core/words/tradeWords'
import { advise } from '../../workers/advise'
import { useTrial } from './trial'

/** What a run says that another setting may mend. */
const mayBeSet: ReadonlySet<string> = new Set(['strays', 'droop', 'starts', 'strays-line', 'time-over'])

type State = 'none' | 'trying' | 'stopped' | { readonly problem: string } | TriedAdvice

/** What would help, tried on a copy before it is said: a setting that then holds, or what fights and the ways out. */
export function AdvicePart({ outcome }: { readonly outcome: RunOutcome }) {
  const { job, loop, data, words } = useLoop()
  const { choice, weather, context } = useTrial()
  const act = useAct()
  const asked =
    choice.faults.length === 0 &&
    context.loop === loop &&
    outcome.sentences.some(({ code, verdict }) => verdict === 'look' && mayBeSet.has(code))
  const [state, setState] = useState<State>('none')
  const [turn, setTurn] = useState(0)
  const cancel = useRef<() => void>(undefined)
  const day = choice.span === 'day'
  useEffect(() => {
    if (!asked || !weather) {
      setState('none')
      return
    }
    setState('trying')
    // A week or a season would be run many times over: the day that the plan is made for tells.
    const trying = advise({ job, loop }, data, day ? weather : dayWeather(loop, 'design'))
    cancel.current = trying.cancel
    let here = true
    trying.result.then(
      (made) => here && setState(made ?? 'none'),
      (error: unknown) => here && setState({ problem: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      here = false
      trying.cancel()
    }
    // The outcome stands for the loop and the weather that it was made of.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [outcome, asked, turn])
  if (state === 'none') return null
  if (state === 'trying')
    return (
      <div className="grid gap-1" data-advice="trying">
        <p className="small" role="status">
          Trying on a copy what would help.
        </p>
        <progress className="w-full" aria-label="Trying what would help" />
        <button
          type="button"
          className="third min-h-8 max-md:min-h-12 text-left"
          onClick={() => {
            cancel.current?.()
            setState('stopped')
          }}
        >
          Stop trying
        </button>
      </div>
    )
  if (state === 'stopped' || 'problem' in state)
    return (
      <p className="small" data-advice="stopped">
        {state === 'stopped' ? 'Nothing was tried. ' : `It could not be tried: ${state.problem}. `}
        <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => setTurn(turn + 1)}>
          Try what would help
        </button>
      </p>
    )
  const { facts, loop: tried } = state
  const settings = saySettings(facts, words)
  return (
    <div className="grid gap-2" data-advice={facts.fight ? 'fight' : 'holds'} aria-live="polite">
      <p className="small">
        {day ? '' : 'On the design day. '}
        {sayAdvice(facts, words)}
      </p>
      {settings !== undefined && tried ? (
        <Button
          second
          end="+"
          onClick={() => void act(changeSettings, settingsChange(loop.settings, tried.settings), { why: settings })}
        >
          {settings[0]!.toUpperCase() + settings.slice(1)}
        </Button>
      ) : null}
      <Ways ways={facts.ways} quantity={tradeQuantity(facts.fight?.setting)} words={words} />
    </div>
  )
}
