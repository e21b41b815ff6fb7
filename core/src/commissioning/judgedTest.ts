import type { LoopContext } from '../loop/context'
import { currentReadings, type HeldReading } from '../document/proofReadings'
import { ordered } from '../schema/ordered'
import { mayErr, outOfDate } from '../document/instruments'
import { fieldValue } from '../plant/fieldValue'
import { shownDay } from '../time/shownMoment'
import { localTexts } from '../words/localTexts'
import type { Words } from '../words/words'
import { sayCause, sayVerdict } from '../words/sayVerdict'
import { bandText, type ReadAndGood, setWords } from '../words/tests/anyTestWords'
import type {
  Ask,
  AskState,
  Cause,
  Found,
  Judged,
  NumberAsk,
  Outcome,
  PastAttempt,
  ProofStep,
  ProofTest,
  TestSpec,
  Verdict,
} from './proofTest'

const DUST = 1e-9

const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  (['look', 'cannot-tell'] as const).find((each) => verdicts.includes(each)) ?? verdicts[0] ?? 'waiting'

/** What was picked, from the text that is kept. */
const membersOf = (text: string) => (text === '' || text === 'none' ? [] : text.split(' '))

/** Text that is kept for what was picked. */
export const pickedText = (members: readonly string[]) => (members.length === 0 ? 'none' : members.join(' '))

type Given = Pick<LoopContext, 'job' | 'loop' | 'data' | 'words'>

/** The readings of a test's present attempt. An earlier attempt's do not stand for it. */
export function readingsOf({ loop }: Pick<LoopContext, 'loop'>, test: string): ReadonlyMap<string, HeldReading> {
  const attempt = loop.proof.attempts?.[test]?.attempt ?? 1
  return currentReadings(loop, test, (reading) => (reading.attempt ?? 1) === attempt)
}

const named = (texts: Readonly<Record<string, string>>, { local }: Words) =>
  Object.fromEntries(Object.entries(texts).map(([key, text]) => [key, local(text)]))

/** What is asked, in the words of the practice. */
function localAsk(ask: Ask, words: Words): Ask {
  const told = localTexts(ask, words, ['kind', 'quantity', 'wants'])
  if (told.kind === 'choice') return { ...told, choices: named(told.choices, words) }
  return told.kind === 'set' ? { ...told, members: named(told.members, words) } : told
}

/** A test in the words of the practice: what it is about, what is done, what is asked. */
const localSpec = (spec: TestSpec, words: Words): TestSpec => ({
  ...localTexts(spec, words, ['id', 'kind', 'plan', 'about']),
  steps: spec.steps.map((step) => ({
    ...localTexts(step, words, ['id']),
    main: localAsk(step.main, words),
    ...(step.asides
      ? { asides: Object.fromEntries(Object.entries(step.asides).map(([id, ask]) => [id, localAsk(ask, words)])) }
      : {}),
  })),
})

/**
 * A test with the readings of its present attempt: a verdict for each, and what they mean together. A reading is judged when it is there;
 * where the instrument's own uncertainty is over its share of the tolerance (field data tol.reference), nothing is said of it.
 */
export function judgedTest(given: Given, kept: TestSpec): ProofTest {
  const { loop, words } = given
  const spec = localSpec(kept, words)
  const readings = readingsOf(given, spec.id)
  const attempt = loop.proof.attempts?.[spec.id]?.attempt ?? 1
  const stateOf = (id: string, ask: Ask): AskState => askState(given, ask, id, readings.get(id))
  const steps = spec.steps.map(({ main, asides = {}, ...step }): ProofStep => {
    const own = stateOf(step.id, main)
    const beside = Object.entries(asides).map(([id, ask]) => stateOf(`${step.id}/${id}`, ask))
    const told = [own, ...beside.filter(({ verdict }) => verdict !== 'waiting')]
    return {
      ...step,
      main: own,
      asides: beside,
      verdict: own.verdict === 'waiting' ? 'waiting' : worstOf(told.map(({ verdict }) => verdict)),
    }
  })
  const { judge, chart, steps: _steps, ...rest } = spec
  const found = foundOf(steps)
  const skipped = loop.proof.skipped?.[spec.id]
  return {
    ...rest,
    steps,
    attempt,
    past: pastAttempts(given, spec.id),
    result: outcome(given, steps, found, judge),
    ...(chart && steps.some(({ main }) => main.value !== undefined) ? { chart: chart(found) } : {}),
    ...(skipped ? { skipped } : {}),
  }
}

function pastAttempts({ loop }: Pick<LoopContext, 'loop'>, test: string): PastAttempt[] {
  return ordered(loop.proof.past ?? {})
    .filter((past) => past.test === test)
    .map(({ id, attempt, verdict, head, at, by }) => ({ id, attempt, verdict, head, at, by }))
}

function askState({ job, data, words }: Given, ask: Ask, id: string, reading: HeldReading | undefined): AskState {
  const base = { ask, id, ...(reading ? { reading } : {}) }
  if (!reading || reading.state === 'none') return { ...base, verdict: 'waiting' }
  if (ask.kind === 'choice')
    return { ...base, verdict: ask.wants === undefined || reading.text === ask.wants ? 'fits' : 'look' }
  if (ask.kind === 'set') {
    const on = membersOf(reading.text)
    const right = on.length === ask.wants.length && ask.wants.every((each) => on.includes(each))
    return { ...base, verdict: right ? 'fits' : 'look' }
  }
  if (reading.state === 'over-range' || reading.value === undefined)
    return { ...base, value: null, verdict: ask.nothingFits || ask.free ? 'fits' : 'look' }
  const { value } = reading
  const error = value - ask.expected
  const instrument = reading.instrument === undefined ? undefined : job.instruments[reading.instrument]
  const errs = instrument && mayErr(instrument, ask.quantity, value)
  const known = {
    ...base,
    value,
    error,
    ...(errs === undefined ? {} : { mayErr: errs }),
    ...(instrument ? { instrument: instrument.name } : {}),
    ...(instrument && outOfDate(instrument, shownDay(reading.at, job.zone))
      ? { outOfDate: true as const, says: `${instrument.name} was due for its check ${instrument.due}.` }
      : {}),
  }
  if (ask.free) return { ...known, verdict: 'fits' }
  const share = fieldValue(data, 'tol.reference').typical
  const tolerance = toleranceOf(ask)
  const notSure = {
    instrument: instrument?.name ?? '',
    quantity: ask.quantity,
    errs: errs ?? 0,
    tolerance,
    within: share * tolerance,
  }
  if (errs !== undefined && errs > share * tolerance + DUST)
    return {
      ...known,
      verdict: 'cannot-tell',
      notSure,
      says: sayVerdict('any.instrument-not-sure', notSure, words).reason,
    }
  return { ...known, verdict: isGood(ask, value) ? 'fits' : 'look' }
}

/** Whether a figure lies within what is good; one that is only written down always does. */
export const isGood = ({ low, high, free }: NumberAsk, value: number): boolean =>
  free === true || (value >= low - DUST && value <= high + DUST)

/** Half the width of what is good; where only one side is bounded, how far that is from what is expected, or a tenth of it. */
const toleranceOf = ({ low, high, expected }: NumberAsk): number => {
  if (Number.isFinite(low) && Number.isFinite(high)) return (high - low) / 2
  const bound = Number.isFinite(low) ? low : Number.isFinite(high) ? high : undefined
  if (bound === undefined) return Infinity
  return Math.abs(bound - expected) || ONE_SIDED * Math.abs(bound)
}
/** Share of a bound that stands for its tolerance where nothing else is said. */
const ONE_SIDED = 0.1

/** A width of a temperature is a difference. */
export const spanQuantity = ({ quantity }: NumberAsk) => (quantity === 'temperature' ? 'difference' : quantity)

function foundOf(steps: readonly ProofStep[]): Found {
  const byId = new Map(statesOf(steps).map((state) => [state.id, state]))
  const typed = (id: string) => {
    const reading = byId.get(id)?.reading
    return reading?.state === 'value' ? reading.text : undefined
  }
  return {
    value: (id) => byId.get(id)?.value,
    picked: typed,
    on: (id) => {
      const text = typed(id)
      return text === undefined ? undefined : membersOf(text)
    },
    complete: steps.every(({ spare, main }) => spare === true || main.verdict !== 'waiting'),
  }
}

const statesOf = (steps: readonly ProofStep[]) => steps.flatMap((step) => [step.main, ...step.asides])

function outcome(given: Given, steps: readonly ProofStep[], found: Found, judge: TestSpec['judge']): Outcome {
  const { code, figures, verdict, causes = [], fix } = judgedFacts(steps, found, judge)
  const { words } = given
  const told = causes.map((each): Cause => ({ ...each, ...sayCause(each.code, each.figures as never, words) }))
  const { head, reason, next = told[0]?.check ?? '' } = sayVerdict(code, figures as never, words)
  return { verdict, code, figures, head, reason, next, causes: told, ...(fix ? { fix } : {}) }
}

/** What the readings mean: what the test's own rule says, else whether all of them are as they should be. */
function judgedFacts(steps: readonly ProofStep[], found: Found, judge: TestSpec['judge']): Judged {
  const states = statesOf(steps)
  const waiting = steps.filter(({ spare, main }) => !spare && main.verdict === 'waiting')
  const read = states.filter(({ verdict }) => verdict !== 'waiting')
  const wrong = states.filter(({ verdict }) => verdict === 'look').map(({ id }) => id)
  const blind = states.find(({ verdict }) => verdict === 'cannot-tell')
  if (read.length > 0) {
    const judged = judge(found, wrong)
    if (judged && judged.verdict !== 'good') return judged
    if (blind && found.complete)
      return { verdict: 'cannot-tell', code: 'any.instrument-not-sure', figures: blind.notSure ?? {} }
    if (wrong.length > 0) return firstWrong(steps, wrong)
    if (found.complete) return judged ?? { verdict: 'good', code: 'any.good', figures: { readings: read.length } }
  }
  const [next] = waiting
  return {
    verdict: 'waiting',
    code: 'any.waits',
    figures: { steps: waiting.length, next: next && { title: next.title, does: next.does } },
  }
}

/** What is found where no rule of the test names a cause. */
function firstWrong(steps: readonly ProofStep[], wrong: readonly string[]): Judged {
  const step = steps.find(({ main, asides }) => [main, ...asides].some(({ id }) => wrong.includes(id)))!
  const state = [step.main, ...step.asides].find(({ id }) => wrong.includes(id))!
  return {
    verdict: 'look',
    code: 'any.not-as-it-should-be',
    figures: { title: step.title, read: readAndGood(state) },
  }
}

const finite = (value: number) => (Number.isFinite(value) ? value : null)
const goodOf = ({ quantity, decimals, expected, low, high }: NumberAsk) => ({
  quantity,
  decimals,
  expected,
  low: finite(low),
  high: finite(high),
})
const namesOf = (members: Readonly<Record<string, string>>, ids: readonly string[]) =>
  ids.map((id) => members[id] ?? id)

function readAndGood({ ask, value, reading }: AskState): ReadAndGood {
  if (ask.kind === 'choice')
    return {
      kind: 'seen',
      seen: ask.choices[reading?.text ?? ''] ?? '',
      wanted: ask.wants === undefined ? undefined : ask.choices[ask.wants],
    }
  if (ask.kind === 'set')
    return {
      kind: 'on',
      on: namesOf(ask.members, membersOf(reading?.text ?? '')),
      wanted: namesOf(ask.members, ask.wants),
    }
  const { free = false, nothingFits = false } = ask
  return { kind: 'number', value: value ?? null, ...goodOf(ask), free, nothingFits }
}

const setText = (members: Readonly<Record<string, string>>, ids: readonly string[]) => setWords(namesOf(members, ids))

/** A reading as it is told in a table. */
export function readText(state: AskState): string {
  const { ask, reading } = state
  if (!reading || reading.state === 'none') return ''
  if (ask.kind === 'choice') return ask.choices[reading.text] ?? reading.text
  if (ask.kind === 'set') return setText(ask.members, membersOf(reading.text))
  if (reading.state === 'over-range') return ask.nothing ?? 'over range'
  return `${reading.text} ${reading.unit}`.trim()
}

/** Should as it is told in a table. */
export function shouldText(ask: Ask, words: Words): string {
  if (ask.kind === 'choice') return ask.wants === undefined ? '' : (ask.choices[ask.wants] ?? '')
  if (ask.kind === 'set') return setText(ask.members, ask.wants)
  if (ask.free) return ''
  return ask.nothingFits ? (ask.nothing ?? '') : bandText(goodOf(ask), words)
}
