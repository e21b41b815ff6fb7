import type { LoopContext } from '../check/context'
import { currentReadings, type HeldReading } from '../document/proofReadings'
import { ordered } from '../document/chain'
import { mayErr, outOfDate } from '../document/instruments'
import { fieldValue } from '../plant/fieldValue'
import { shownDay } from '../time/shownMoment'
import { counted } from '../units/words'
import type {
  Ask,
  AskState,
  Found,
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

/**
 * A test with the readings of its present attempt: a verdict for each, and what they mean together. A reading is judged when it is there;
 * where the instrument's own uncertainty is over its share of the tolerance (field data tol.reference), nothing is said of it.
 */
export function judgedTest(given: Given, spec: TestSpec): ProofTest {
  const { loop } = given
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
  if (errs !== undefined && errs > share * tolerance + DUST)
    return {
      ...known,
      verdict: 'cannot-tell',
      says: `${instrument!.name} may be ${words.say(errs, spanQuantity(ask), 2)} off; for ${words.say(tolerance, spanQuantity(ask), 2)} it must be within ${words.say(share * tolerance, spanQuantity(ask), 2)}.`,
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
  const states = statesOf(steps)
  const waiting = steps.filter(({ spare, main }) => !spare && main.verdict === 'waiting')
  const read = states.filter(({ verdict }) => verdict !== 'waiting')
  const wrong = states.filter(({ verdict }) => verdict === 'look').map(({ id }) => id)
  const blind = states.find(({ verdict }) => verdict === 'cannot-tell')
  if (read.length > 0) {
    const judged = judge(found, wrong)
    if (judged?.verdict && judged.verdict !== 'good')
      return { head: '', reason: '', next: '', causes: [], verdict: judged.verdict, ...judged }
    if (blind && found.complete)
      return {
        verdict: 'cannot-tell',
        head: 'Cannot tell',
        reason: blind.says ?? '',
        next: 'Read it again with a better instrument.',
        causes: [],
      }
    if (wrong.length > 0) return firstWrong(given, steps, wrong)
    if (found.complete)
      return {
        verdict: 'good',
        head: 'Good',
        reason: `${counted(read.length, 'reading')}, all within what may stray.`,
        next: 'Nothing to do.',
        causes: [],
        ...judged,
      }
  }
  const [next] = waiting
  return {
    verdict: 'waiting',
    head: counted(waiting.length, 'step waits', 'steps wait'),
    reason: next ? `Next: ${next.title[0]!.toLowerCase()}${next.title.slice(1)}.` : '',
    next: next?.does ?? '',
    causes: [],
  }
}

/** What is said where no rule of the test names a cause. */
function firstWrong({ words }: Given, steps: readonly ProofStep[], wrong: readonly string[]): Outcome {
  const step = steps.find(({ main, asides }) => [main, ...asides].some(({ id }) => wrong.includes(id)))!
  const state = [step.main, ...step.asides].find(({ id }) => wrong.includes(id))!
  return {
    verdict: 'look',
    head: `${step.title}: not as it should be`,
    reason: `${read(state, words.say)} ${should(state.ask, words.say)}`,
    next: 'Read it once more. If it stays so, look whether what was keyed is what was planned.',
    causes: [],
  }
}

type Say = LoopContext['words']['say']

/** What was read, as a sentence. */
function read({ ask, value, reading }: AskState, say: Say): string {
  if (ask.kind === 'number')
    return value === null || value === undefined
      ? 'It did not happen.'
      : `Read ${say(value, ask.quantity, ask.decimals)}.`
  if (ask.kind === 'choice') return `Seen: ${(ask.choices[reading?.text ?? ''] ?? '').toLowerCase()}.`
  return `On: ${setText(ask.members, membersOf(reading?.text ?? ''))}.`
}

const setText = (members: Readonly<Record<string, string>>, ids: readonly string[]) =>
  ids.length === 0 ? 'none' : ids.map((id) => members[id] ?? id).join(', ')

/** What should be read, as a sentence. */
function should(ask: Ask, say: Say): string {
  if (ask.kind === 'choice')
    return ask.wants === undefined ? '' : `It should be: ${ask.choices[ask.wants]?.toLowerCase()}.`
  if (ask.kind === 'set') return `It should be: ${setText(ask.members, ask.wants)}.`
  if (ask.free) return ''
  if (ask.nothingFits) return 'It should not happen.'
  return `It should be ${band(ask, say)}.`
}

/** Expected value and what may stray, in a few words. */
function band(ask: NumberAsk, say: Say): string {
  const { expected, low, high, quantity, decimals } = ask
  if (!Number.isFinite(low)) return `${say(high, quantity, decimals)} at most`
  if (!Number.isFinite(high)) return `${say(low, quantity, decimals)} at least`
  if (Math.abs(expected - low - (high - expected)) < DUST)
    return `${say(expected, quantity, decimals)} \u00b1 ${say(expected - low, spanQuantity(ask), decimals)}`
  return `${say(low, quantity, decimals)} to ${say(high, quantity, decimals)}`
}

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
export function shouldText(ask: Ask, say: Say): string {
  if (ask.kind === 'choice') return ask.wants === undefined ? '' : (ask.choices[ask.wants] ?? '')
  if (ask.kind === 'set') return setText(ask.members, ask.wants)
  if (ask.free) return ''
  return ask.nothingFits ? (ask.nothing ?? '') : band(ask, say)
}
