import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { runOutcome, type RunOutcome } from '@nachtigal/core/check/runOutcome'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { Climate } from '@nachtigal/core/plant/climate'
import { type ChosenFault, type FaultOffer, loopFaults, withFaults } from '@nachtigal/core/simulate/loop/loopFaults'
import { type LoopRun, loopScenario } from '@nachtigal/core/simulate/loop/loopScenario'
import { type DaySort, type RunWeather, runWeather, type Span } from '@nachtigal/core/simulate/loop/runWeather'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import { useShelfQuery } from '../../state/api'
import { simulators, warmWorker } from '../../workers/simulator'
import { useLoop } from '../../loop/loopContext'
import { type RunState, useRun } from './useRun'

/** What is chosen for a run besides the plan itself. */
interface TrialChoice {
  readonly span: Span
  readonly sort: DaySort
  readonly climate: string
  readonly faults: readonly ChosenFault[]
}

interface Trial {
  readonly choice: TrialChoice
  readonly choose: (change: Partial<TrialChoice>) => void
  readonly climates: readonly Climate[]
  /** A weather file of one's own, for as long as the page lives. */
  readonly own: Climate | undefined
  readonly takeOwn: (climate: Climate | undefined) => void
  /** The loop with what a hand holds now. */
  readonly context: LoopContext
  readonly hold: (loop: LoopDocument | null) => void
  readonly weather: RunWeather | undefined
  readonly run: LoopRun | undefined
  readonly scenario: Scenario | undefined
  /** Why there is no scenario. */
  readonly problem: string | undefined
  readonly offers: readonly FaultOffer[]
  readonly state: RunState
  readonly outcome: RunOutcome | undefined
  /** A scenario of this loop, changed, under the same weather and faults. */
  readonly scenarioOf: (loop: LoopDocument, span?: Span) => { readonly run: LoopRun; readonly scenario: Scenario }
}

const Context = createContext<Trial | null>(null)

/** Points a line gets: two for each column of a strip. */
export const POINTS = 1300

const FIRST: TrialChoice = {
  span: 'day',
  // The question is whether it holds on the day that it was planned for.
  sort: 'design',
  climate: 'inland',
  faults: [],
}

/** Hands down the run of the loop in hand. */
export function TrialProvider({ children }: { children: ReactNode }) {
  const inHand = useLoop()
  const { survey, chain, data } = inHand
  const { data: shelf } = useShelfQuery()
  const [choice, setChoice] = useState(FIRST)
  const [own, takeOwn] = useState<Climate>()
  const [held, hold] = useState<LoopDocument | null>(null)
  const choose = useCallback((change: Partial<TrialChoice>) => setChoice((before) => ({ ...before, ...change })), [])
  useEffect(() => {
    warmWorker()
  }, [])
  const climates = useMemo(() => (own ? [...(shelf?.climates ?? []), own] : (shelf?.climates ?? [])), [shelf, own])
  const climate = climates.find(({ id }) => id === choice.climate) ?? climates[0]
  const context = useMemo((): LoopContext => (held ? { ...inHand, loop: held } : inHand), [held, inHand])
  const { loop } = context
  const { designOutdoor } = answersOf(loop)
  const weatherFor = useCallback(
    (span: Span) =>
      survey && climate ? runWeather(inHand.loop, span, choice.sort, climate, climate.id === own?.id) : undefined,
    // Only the kind of loop and its design temperature count.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [survey === undefined, climate, choice.sort, own, inHand.loop.kind, designOutdoor],
  )
  const weather = useMemo(() => weatherFor(choice.span), [weatherFor, choice.span])
  const scenarioOf = useCallback(
    (given: LoopDocument, span: Span = choice.span) => {
      if (!survey) throw new RangeError('the survey is not done')
      const made = loopScenario({ loop: given, chain, data }, survey, weatherFor(span)!)
      return {
        run: made,
        scenario: withFaults(made.scenario, loopFaults(made, chain, data, sizeOf(given)), choice.faults),
      }
    },
    [survey, chain, data, weatherFor, choice.span, choice.faults],
  )
  const made = useMemo(() => {
    if (!survey || !weather) return undefined
    try {
      const one = scenarioOf(loop)
      return one.run.outputs.length > 0 ? { ok: true as const, ...one } : { ok: false as const, problem: undefined }
    } catch (error) {
      return { ok: false as const, problem: (error as Error).message }
    }
  }, [survey, weather, scenarioOf, loop])
  const run = made?.ok ? made.run : undefined
  const scenario = made?.ok ? made.scenario : undefined
  const offers = useMemo(() => (run ? loopFaults(run, chain, data, sizeOf(loop)) : []), [run, chain, data, loop])
  const state = useRun(simulators.a, scenario, POINTS)
  const { report } = state
  const outcome = useMemo(
    () => (report && run && weather ? runOutcome(context, run, report.result, weather.extremeC) : undefined),
    // The sentences belong to the run that is shown, not to the one that is on its way.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [report],
  )
  const value = useMemo(
    (): Trial => ({
      choice,
      choose,
      climates,
      own,
      takeOwn,
      context,
      hold,
      weather,
      run,
      scenario,
      problem: made && !made.ok ? made.problem : undefined,
      offers,
      state,
      outcome,
      scenarioOf,
    }),
    [choice, choose, climates, own, context, weather, run, scenario, made, offers, state, outcome, scenarioOf],
  )
  return <Context.Provider value={value}>{children}</Context.Provider>
}

/** What a door lets in goes with the size of the place. */
function sizeOf({ survey: { answers } }: LoopDocument): number {
  const size = answers['volume'] ?? answers['floorArea']
  return typeof size === 'number' ? size : 1
}

/** The run in hand. @throws Error outside its provider */
export function useTrial(): Trial {
  const trial = useContext(Context)
  if (!trial) throw new Error('no trial above this part')
  return trial
}
