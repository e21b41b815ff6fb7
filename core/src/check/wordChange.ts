import { type Reader, wordsFor } from '../words/words'
import { documentField } from '../document/atomicPath'
import { readNow } from '../document/renamedInThree'
import { type Switching, switchingOf, type SwitchingWords } from '../settings/behaviour'
import type { Change } from '../document/command'
import { type HandoverTick, handoverTicks } from '../document/handover'
import type {
  LoopDocument,
  LoopNote,
  PastResult,
  ProofReading,
  Reading,
  RowChange,
  StepDone,
  WayTaken,
} from '../document/documents'
import { planVariant } from '../settings/planFields'
import { safetyStepWords } from '../commissioning/safetyStep'
import { kindOfTest, stepWords, testTitles } from '../commissioning/testTitles'
import type { Field } from '../schema/field'
import { sayField, saySides } from '../schema/sayField'
import { hazards } from '../kinds/hazards'
import { kindFacts } from '../kinds/kinds'
import { ways } from '../survey/ways'
import { formatQuantity, type UnitPreferences } from '../units/quantity'

interface WordedChange {
  readonly what: string
  readonly before: string
  readonly after: string
}

type Say = (value: unknown) => string

const plain: Say = (value) => {
  if (value === null || value === undefined) return 'nothing'
  if (value === true) return 'yes'
  if (typeof value === 'object') return (value as { name?: string }).name ?? 'set'
  return String(value)
}
const reading: Say = (value) => {
  const { text, unit, state } = (value ?? { text: '', unit: '', state: 'none' }) as Reading
  return state === 'over-range' ? 'over-range' : state === 'none' ? 'no reading' : `${text} ${unit}`.trim()
}
/** A question by its id; kinds may ask the same one with other choices, so the one that holds the answer goes first. */
function question(id: string | undefined, answer?: unknown) {
  const named = Object.values(kindFacts)
    .flatMap(({ questions }) => questions)
    .filter((q) => q.id === id)
  return named.find((q) => q.ask === 'choice' && Object.hasOwn(q.choices, String(answer))) ?? named[0]
}

/** Where an on/off plan switches: it follows from the plan, and older ones hold it. */
function switchesAt(plan: Readonly<Record<string, unknown>>, preferences: UnitPreferences): Record<string, string> {
  if (plan['kind'] !== 'on-off') return {}
  const { onC, offC } = typeof plan['onC'] === 'number' ? (plan as unknown as Switching) : pointsOf(plan)
  return onC === undefined || offC === undefined
    ? {}
    : { on: formatQuantity(onC, 'temperature', preferences), off: formatQuantity(offC, 'temperature', preferences) }
}

function pointsOf(plan: Readonly<Record<string, unknown>>): Partial<Switching> {
  try {
    return switchingOf(plan as unknown as SwitchingWords)
  } catch {
    // What stood in a document before it was checked says nothing.
    return {}
  }
}

/** Puts one change into a fitter's words: what it is about in those of his practice, what it was and what it is in his units. */
export function wordChange(
  row: Pick<Change, 'path' | 'from' | 'to'>,
  preferences: Reader,
  wireName: (id: string) => string | undefined = () => undefined,
): WordedChange {
  const { path, from, to } = readNow(row)
  const field = documentField(path)
  if (path[0] === 'settings' && path[1] === 'planned' && path.length === 3)
    return { what: 'Plan', ...saySides(planVariant, from, to, preferences, (plan) => switchesAt(plan, preferences)) }
  if (path[0] === 'settings' && path[1] === 'controllers' && path.length === 4 && field)
    return {
      what: wordsFor(preferences).local(capital(field.word ?? path[3]!)),
      ...(field.type === 'record'
        ? saySides(field, from, to, preferences)
        : { before: sayField(field, from, preferences), after: sayField(field, to, preferences) }),
    }
  const [what, say] = named(path, from ?? to, preferences, wireName)
  return { what: wordsFor(preferences).local(what), before: say(from), after: say(to) }
}

const choiceTitle = (id: string | undefined, value: unknown) => {
  const asked = question(id, value)
  return asked?.ask === 'choice' ? asked.choices[String(value)]?.title : undefined
}
const wayWords: Say = (value) => (value ? (ways[(value as WayTaken).way]?.title ?? 'worked out') : 'nothing')
const capital = (word: string) => `${word.slice(0, 1).toUpperCase()}${word.slice(1)}`
const foundValue =
  (field: Field | undefined, preferences: UnitPreferences): Say =>
  (value) => {
    if (value === null || typeof value !== 'object') return field ? sayField(field, value, preferences) : plain(value)
    const { terminal, wire, name, text } = value as Record<string, string>
    return terminal === undefined ? `${name ?? ''} ${text ?? ''}`.trim() : `${terminal}: ${wire ?? ''}`
  }

function named(
  path: readonly string[],
  value: unknown,
  preferences: UnitPreferences,
  wireName: (id: string) => string | undefined,
): readonly [string, Say] {
  const [a, b, c, d] = path
  const field = documentField(path)
  const byField: Say = (value) => (field ? sayField(field, value, preferences) : plain(value))
  const word = field?.word ?? path.at(-1) ?? ''
  if (a === undefined)
    return [
      (value as { type?: string } | null)?.type === 'loop' ? 'Loop' : 'Job',
      (v) => (v === null ? 'nothing' : (v as LoopDocument).name),
    ]
  if (a === 'survey' && b === 'answers') {
    const asked = question(c, value)
    return [
      `Survey: ${asked?.title.toLowerCase() ?? c}`,
      (v) =>
        typeof v === 'number' && asked?.ask === 'number'
          ? formatQuantity(v, asked.quantity, preferences)
          : asked?.ask === 'choice'
            ? wordsFor(preferences).tell(choiceTitle(c, v) ?? plain(v))
            : plain(v),
    ]
  }
  if (a === 'survey' && b === 'hazards')
    return [
      `Hazard: ${hazards.find(({ id }) => id === c)?.title.toLowerCase() ?? c}`,
      (v) => (v === true ? 'ticked' : 'not ticked'),
    ]
  if (a === 'survey' && b === 'ways') return [`How found: ${question(c)?.title.toLowerCase() ?? c}`, wayWords]
  if (a === 'survey' && b === 'found') return [`As found: ${word}`, foundValue(field, preferences)]
  if (a === 'profiles') return [`Copy of profile ${b}`, plain]
  const part = a === 'devices' ? c : a === 'chain' && b === 'devices' ? d : undefined
  if (part === 'dialC') return ['Dial of a limiter', byField]
  if (part !== undefined) return [`Device: ${word}`, byField]
  if (a === 'devices' || (a === 'chain' && b === 'devices')) return ['Device', plain]
  if (a === 'chain') return ['Connection', (v) => (v === null || v === undefined ? 'open' : 'joined')]
  if (a === 'wiring' && b === 'done') {
    const [block = '', ...step] = (c ?? '').split('/')
    return [
      safetyStepWords(block, step.join('/')) ?? 'Step',
      (v) => (v === null || v === undefined ? 'open' : (v as StepDone).answer === 'yes' ? 'done' : 'not so'),
    ]
  }
  if (a === 'wiring' && b === 'changed')
    return ['List of wires', (v) => (v === null || v === undefined ? 'seen' : (v as RowChange).says)]
  if (a === 'wiring' && b === 'box')
    return [
      `Box: ${word}`,
      // A box is measured with a rule.
      (v) =>
        field?.type === 'number' && field.quantity === 'length' && typeof v === 'number'
          ? formatQuantity(v, 'thickness', preferences)
          : byField(v),
    ]
  if (a === 'wiring')
    return [
      `Wire ${wireName(c ?? '') ?? ''} ${d === undefined ? '' : word}`.replace(/ +/g, ' ').trim(),
      d === 'tested' ? reading : byField,
    ]
  if (a === 'settings' && b === 'controllers') return ['Controller', byField]
  if (a === 'settings') return [`${b === 'asFound' ? 'As-found' : 'As-left'} ${d ?? ''}`.trim(), d ? reading : plain]
  const taken = a === 'proof' && b === 'readings' ? (value as ProofReading | null) : null
  const safety = taken && safetyStepWords(taken.test ?? '', taken.step ?? '')
  if (safety) return [safety, reading]
  if (a === 'proof' && b === 'readings') return [taken?.test === undefined ? 'Reading' : stepWords(taken), reading]
  if (a === 'proof' && b === 'skipped')
    return [
      `Test left out: ${testTitles[kindOfTest(c ?? '')] ?? c}`,
      (v) => (v === null || v === undefined ? 'to be made' : (v as { reason: string }).reason),
    ]
  if (a === 'proof' && b === 'attempts')
    return [
      `Test begun anew: ${testTitles[kindOfTest(c ?? '')] ?? c}`,
      (v) => `attempt ${(v as { attempt: number } | null | undefined)?.attempt ?? 1}`,
    ]
  // A question of a job from the time when it was kept for a whole loop.
  if (a === 'proof' && b === 'answers') return [`Question: ${c ?? ''}`, plain]
  if (a === 'proof')
    return [
      `Earlier attempt: ${testTitles[kindOfTest((value as PastResult | null)?.test ?? '')] ?? 'test'}`,
      (v) => (v === null || v === undefined ? 'nothing' : (v as PastResult).head),
    ]
  if (a === 'waivers')
    return ['Finding closed', (v) => (v === null || v === undefined ? 'open' : (v as { reason: string }).reason)]
  if (a === 'instruments') return [`Instrument ${b ?? ''}`.trim(), plain]
  if (a === 'kit')
    return [`Measured with on ${b ?? ''}`, (v) => (v === null || v === undefined ? 'not taken out' : 'taken out')]
  if (a === 'notes' && (value as LoopNote | null)?.photo !== undefined)
    return ['Photo', (v) => (v === null || v === undefined ? 'nothing' : (v as LoopNote).text)]
  if (a === 'notes') return ['Note', (v) => (v === null || v === undefined ? 'nothing' : (v as { text: string }).text)]
  if (a === 'temporary')
    return ['Temporary', (v) => (v === null || v === undefined ? 'nothing' : (v as { what: string }).what)]
  if (a === 'handover' && b === 'ticks')
    return [
      `Hand-over: ${(handoverTicks[c as HandoverTick] ?? c ?? '').toLowerCase()}`,
      (v) => (v === null || v === undefined ? 'not ticked' : 'ticked'),
    ]
  if (a === 'handover' && b === 'reopened')
    return [
      'Hand-over',
      (v) => (v === null || v === undefined ? 'locked' : `opened again: ${(v as { why: string }).why}`),
    ]
  if (a === 'handover' && (b === 'retest' || b === 'call'))
    return [b === 'retest' ? 'Next test' : 'Whom to call', plain]
  if (a === 'handover')
    return [
      'Hand-over',
      (v) => (v === null || v === undefined ? 'not signed' : `signed by ${(v as { by: string }).by}`),
    ]
  if (a === 'trial' && b === 'runs')
    return [
      'Run kept',
      (v) => (v === null || v === undefined ? 'nothing' : ((v as { title?: string }).title ?? 'a run')),
    ]
  if (a === 'trial' && c !== undefined) return [`Plant value ${c}`, plain]
  // Whatever has no words of its own here has those of its field.
  return [field ? capital(word) : path.join(' '), byField]
}
