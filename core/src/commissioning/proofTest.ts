import type { HeldReading } from '../document/proofReadings'
import type { PortRef } from '../document/chain'
import type { WorkflowStep } from '../kinds/hazards'
import type { Quantity } from '../units/quantity'
import type { CauseCode, FiguresOfVerdict, VerdictCode } from '../words/sayVerdict'

/** What tests there are, in the order in which they are offered. */
export const testKinds = [
  'before',
  'limiter',
  'permissive',
  'rise-and-fall',
  'dial',
  'stages',
  'sweep',
  'fan',
  'drive',
  'reset',
  'minimum-off',
  'probe-fault',
  'offset',
  'substitute',
  'alarm',
  'defrost',
  'battery',
  'timer',
  'clock',
  'cooler',
  'backup',
  'restart',
  'warm-up',
] as const
export type TestKind = (typeof testKinds)[number]

/** A figure that is read, with what is right. Values in SI; `low` and `high` are what is still good. */
export interface NumberAsk {
  readonly kind: 'number'
  readonly label: string
  readonly quantity: Quantity
  readonly decimals?: number
  readonly expected: number
  readonly low: number
  readonly high: number
  /** Where expected value and tolerance come from. */
  readonly source: string
  /** What the button for "it did not happen" says; the reading is kept as over-range then. */
  readonly nothing?: string
  /** It is right that nothing happens. */
  readonly nothingFits?: true
  /** It is written down, but nothing is right or wrong about it. */
  readonly free?: true
}

/** Something that is seen: one of several. Without `wants` it is written down, not judged. */
export interface ChoiceAsk {
  readonly kind: 'choice'
  readonly label: string
  readonly choices: Readonly<Record<string, string>>
  readonly wants?: string
}

/** Which of several are on. */
export interface SetAsk {
  readonly kind: 'set'
  readonly label: string
  readonly members: Readonly<Record<string, string>>
  readonly wants: readonly string[]
}

export type Ask = NumberAsk | ChoiceAsk | SetAsk

/** What is done to the loop at a step, for whoever (or whatever) carries it out. */
interface Stimulus {
  readonly input?: PortRef
  readonly temperatureC?: number
  readonly humidityPercent?: number
  readonly volts?: number
  /** Came there from below, or from above. */
  readonly way?: 'rising' | 'falling'
  readonly probe?: 'lifted' | 'shorted' | 'joined'
  readonly contact?: { readonly device: string; readonly is: 'open' | 'closed' }
  /** So long after the start of the test. */
  readonly afterS?: number
}

/** Where a thing is mended: a stage, a part of it, the output in hand. */
export interface Go {
  readonly step: WorkflowStep
  readonly part?: string
  readonly plan?: string
  readonly says: string
}

/** Why a reading is not right, as a code and figures; the first one is the likeliest for the least effort. */
export interface CauseFact {
  readonly code: CauseCode
  readonly figures: object
  readonly go?: Go
}

/** The same with its sentences. */
export interface Cause extends CauseFact {
  readonly says: string
  /** What to read or do to know, and what to do then. */
  readonly check: string
}

export interface StepSpec {
  readonly id: string
  readonly title: string
  /** What to do. */
  readonly does: string
  readonly main: Ask
  /** Read beside the main one, each by an id; none has to be there. */
  readonly asides?: Readonly<Record<string, Ask>>
  /** May be left out; it must be done otherwise. */
  readonly spare?: true
  readonly caution?: string
  /** Time is taken: a stopwatch stands by. */
  readonly clock?: true
  /** What to dial on a box in place of the probe. */
  readonly dial?: string
  readonly at?: Stimulus
}

export type Verdict = 'waiting' | 'fits' | 'look' | 'cannot-tell'

/** What the readings of a test mean, as a code and figures. */
export interface Judged {
  readonly verdict: 'waiting' | 'good' | 'look' | 'stop' | 'cannot-tell'
  readonly code: VerdictCode
  readonly figures: object
  readonly causes?: readonly CauseFact[]
  readonly fix?: Outcome['fix']
}

/** What is found of a test as a whole, with its sentences. */
export interface Outcome {
  readonly verdict: Judged['verdict']
  readonly code: VerdictCode
  readonly figures: object
  readonly head: string
  readonly reason: string
  readonly next: string
  /** Likeliest first; empty when it is good. */
  readonly causes: readonly Cause[]
  /** A planned output with a change that mends it. */
  readonly fix?: { readonly plan: string; readonly change: Readonly<Record<string, number>>; readonly says: string }
}

/** Readings of an attempt, for whoever judges them. */
export interface Found {
  /** A number in SI; null where it did not happen or was over range; undefined while it waits. By step, or step/aside. */
  readonly value: (id: string) => number | null | undefined
  /** What was picked: a choice, or the members that were on. */
  readonly picked: (id: string) => string | undefined
  readonly on: (id: string) => readonly string[] | undefined
  /** Every step that must be done has a reading. */
  readonly complete: boolean
}

/** A test as it is made from the plan, before anything is read. */
export interface TestSpec {
  /** Kind and what it is about: `sweep/<plan>`. */
  readonly id: string
  readonly kind: TestKind
  /** The planned output that it is about, where it is about one. */
  readonly plan?: string
  readonly title: string
  /** What it is about, by its name on the drawing. */
  readonly about: string
  readonly purpose: string
  /** To have at hand. */
  readonly have: readonly string[]
  readonly safety: readonly string[]
  /** How to read, and the rule by which it is judged. */
  readonly how: string
  readonly rule: string
  /** A safety is proved by it: it is never left out for a reason. */
  readonly protects?: true
  /** May be left out without a word. */
  readonly spare?: true
  readonly steps: readonly StepSpec[]
  /**
   * What the readings mean. Asked as soon as there is one; nothing while it cannot be said yet.
   * @param wrong ids of the steps (or step/aside) that are not as they should be
   */
  readonly judge: (found: Found, wrong: readonly string[]) => Judged | undefined
  /** Readings over what was planned, where they are better looked at than read. */
  readonly chart?: (found: Found) => ProofChart
}

/** A line that should be, what may stray about it, and what was read. */
export interface ProofChart {
  readonly xTitle: string
  readonly yTitle: string
  readonly points: readonly {
    readonly x: number
    readonly should: number
    readonly low: number
    readonly high: number
    readonly read?: number
    /** What the display says beside it, in the same unit. */
    readonly display?: number
  }[]
}

/** One reading of a step with its verdict. */
export interface AskState {
  readonly ask: Ask
  /** Step, or step/aside. */
  readonly id: string
  readonly reading?: HeldReading
  /** Null where it did not happen. */
  readonly value?: number | null
  readonly verdict: Verdict
  /** Reading less what should be read. */
  readonly error?: number
  /** What the instrument may err, in SI, and what it is called. */
  readonly mayErr?: number
  readonly instrument?: string
  readonly outOfDate?: true
  /** The instrument may err more than the tolerance bears: by how much. */
  readonly notSure?: FiguresOfVerdict<'any.instrument-not-sure'>
  /** Why nothing can be said, or what is off about it. */
  readonly says?: string
}

export interface ProofStep extends Omit<StepSpec, 'main' | 'asides'> {
  readonly main: AskState
  readonly asides: readonly AskState[]
  readonly verdict: Verdict
}

export interface ProofTest extends Omit<TestSpec, 'steps' | 'judge' | 'chart'> {
  readonly steps: readonly ProofStep[]
  readonly chart?: ProofChart
  readonly result: Outcome
  /** Which attempt: 1 the first. */
  readonly attempt: number
  /** Left out, with a name and a reason. */
  readonly skipped?: { readonly by: string; readonly at: string; readonly reason: string }
  /** Earlier attempts with what came of them. */
  readonly past: readonly PastAttempt[]
}

export interface PastAttempt {
  readonly id: string
  readonly attempt: number
  readonly verdict: Outcome['verdict']
  readonly head: string
  readonly at: string
  readonly by: string
}
