import { remembered } from '../memory/remembered'
import { keyingSheet, waits } from '../commissioning/keyingSheet'
import { failed, proofTests, settled } from '../commissioning/proofTests'
import { PROTECTION } from '../commissioning/protectionSteps'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { safetyBlockIds } from '../commissioning/safetyStep'
import { handoverTicks } from '../document/handover'
import { openQuestions } from '../survey/surveyResult'
import { type WorkflowStep, workflowSteps } from '../kinds/hazards'
import { counted } from '../words/words'
import { checkLoop } from '../check/checkLoop'
import { judgeRow } from '../wiring/judgeRow'
import type { LoopContext } from '../loop/context'
import { type Finding, SAFETY_UNANSWERED, TEST_FAILED, TESTS_OPEN } from '../check/finding'

export type StepState = 'done' | 'open' | 'waiting' | 'look' | 'stop'

interface StepStatus {
  readonly step: WorkflowStep
  readonly state: StepState
  /** Two or three words for the rail. */
  readonly says: string
  /** How far it is, where findings stand before that on the rail. */
  readonly progress: string
  /** Everything in it is done, whatever is still to be looked at. */
  readonly done: boolean
  readonly next?: string
}

interface Progress {
  readonly begun: boolean
  readonly done: boolean
  readonly says: string
  readonly next?: string
}

const notBegun: Progress = { begun: false, done: false, says: 'not begun' }

function survey({ loop }: LoopContext): Progress {
  const open = openQuestions(loop)
  const [first] = open
  if (!first) return { begun: true, done: true, says: 'done' }
  return {
    begun: Object.keys(loop.survey.answers).length > 0,
    done: false,
    says: `${open.length} open`,
    next: `Survey: ${first.title.toLowerCase()}`,
  }
}

function match({ chain, judgedConnections }: LoopContext, findings: readonly Finding[]): Progress {
  const mine = findings.find(({ step, severity }) => step === 'match' && severity !== 'note')
  if (chain.devices.length === 0) return { ...notBegun, next: 'Choose probe, controller and load' }
  return mine
    ? { begun: true, done: false, says: 'open', next: mine.remedy }
    : { begun: true, done: judgedConnections.length > 0, says: 'all connections fit' }
}

/** The form of the trade may hold the tests: then a name and a reason stand for them. */
const recordedElsewhere = ({ loop }: LoopContext) =>
  Object.keys(loop.waivers).some((key) => key.startsWith(`${TESTS_OPEN}/`))

function wire(context: LoopContext): Progress {
  const { rows, loop } = context
  if (rows.length === 0) return notBegun
  const landed = rows.filter(({ id }) => loop.wiring.rows[id]?.landed).length
  const tested = rows.filter((row) => judgeRow(context, row).verdict === 'fits').length
  const bad = rows.find((row) => judgeRow(context, row).verdict === 'stop')
  const waiting =
    rows.find(({ id }) => !loop.wiring.rows[id]?.landed) ??
    rows.find((row) => judgeRow(context, row).verdict !== 'fits')
  const act = waiting && loop.wiring.rows[waiting.id]?.landed ? 'test' : 'land'
  const blocks = safetyBlocks(context)
  const open = safetyBlockIds
    .flatMap((id) => blocks.steps[id])
    .filter(({ must, verdict }) => must && verdict === 'waiting')
  const elsewhere = recordedElsewhere(context)
  const all = safetyBlockIds.reduce((sum, id) => sum + blocks.steps[id].filter(({ must }) => must).length, 0)
  return {
    begun: landed + tested > 0 || open.length < all,
    done: !waiting && (open.length === 0 || elsewhere),
    says:
      tested < rows.length
        ? `${landed} of ${rows.length} landed`
        : open.length > 0 && !elsewhere
          ? `${all - open.length} of ${all} safety steps`
          : `${tested} of ${rows.length} tested`,
    ...(bad
      ? { next: `Mend wire ${bad.number}` }
      : waiting && blocks.done.isolate < blocks.steps.isolate.length && !elsewhere
        ? { next: `Isolate and prove dead, then ${act} wire ${waiting.number}` }
        : waiting
          ? { next: `${act === 'test' ? 'Test' : 'Land'} wire ${waiting.number}` }
          : open[0] && !elsewhere
            ? { next: open[0].title }
            : {}),
  }
}

function set(context: LoopContext): Progress {
  const sheets = keyingSheet(context)
  const rows = sheets.flatMap((sheet) => sheet.rows)
  if (rows.length === 0) return notBegun
  const left = rows.filter(({ asLeft }) => asLeft !== undefined).length
  // What was left otherwise, and a reason given for it, is settled.
  const agree = rows.filter((row) => !waits(row)).length
  if (left === 0) return { begun: true, done: false, says: 'planned, not keyed', next: 'Key the parameters' }
  return {
    begun: true,
    done: agree === rows.length,
    says:
      left < rows.length
        ? `${left} of ${rows.length} as-left`
        : agree < left
          ? `${left - agree} not as planned`
          : `${left} of ${rows.length} as-left`,
    ...(agree < rows.length ? { next: left < rows.length ? 'Key what is left' : 'As-left is not as planned' } : {}),
  }
}

function prove(context: LoopContext): Progress {
  const tests = proofTests(context)
  const must = tests.filter(({ spare }) => !spare)
  if (must.length === 0) return notBegun
  const read = tests.some(({ steps }) => steps.some(({ main }) => main.reading !== undefined))
  const open = tests.filter((test) => !settled(test))
  const bad = tests.find(failed)
  const next = bad ?? open[0]
  const done = must.filter(settled).length
  return {
    begun: read || done > 0,
    done: open.length === 0,
    says: open.length === 0 ? 'all tests fit' : `${done} of ${counted(must.length, 'test')}`,
    ...(next ? { next: `${next.title}, ${next.about}` } : {}),
  }
}

/** Where each of the seven steps stands, for rail, list and board. A step is never locked. */
export const stepStatus = remembered((context: LoopContext): readonly StepStatus[] => {
  const findings = checkLoop(context).open
  const { signed, reopened } = context.loop.handover
  const keptRuns = Object.keys(context.loop.trial?.runs ?? {}).length
  const progress: Record<WorkflowStep, Progress> = {
    survey: survey(context),
    match: match(context, findings),
    wire: wire(context),
    set: set(context),
    try:
      keptRuns > 0
        ? { begun: true, done: true, says: `${counted(keptRuns, 'run')} kept` }
        : Object.keys(context.loop.settings.planned).length > 0 && context.survey
          ? { begun: false, done: false, says: 'ready to run' }
          : notBegun,
    prove: prove(context),
    'hand-over': signed
      ? reopened
        ? { begun: true, done: false, says: 'opened again', next: 'Sign it again' }
        : { begun: true, done: true, says: `signed by ${signed.by}` }
      : { ...notBegun, next: 'Sign the as-left sheet' },
  }
  return workflowSteps.map((step) => {
    const { begun, done, says, next } = progress[step]
    // Steps that wait are progress, told as such; they keep the step open, and hand-over with it.
    const mine = findings.filter((finding) => finding.step === step && finding.code !== TESTS_OPEN)
    const stops = mine.filter(({ severity }) => severity === 'stop').length
    const looks = mine.filter(({ severity }) => severity === 'look-again').length
    const bad = step === 'wire' && context.rows.some((row) => judgeRow(context, row).verdict === 'stop')
    const worn = begun || done
    const state: StepState =
      (stops > 0 && worn) || bad ? 'stop' : looks > 0 && worn ? 'look' : done ? 'done' : begun ? 'open' : 'waiting'
    const told = [stops > 0 ? `${stops} stop` : '', looks > 0 ? `${looks} to look at` : ''].filter(Boolean).join(', ')
    return { step, state, says: told && worn ? told : says, progress: says, done, ...(next ? { next } : {}) }
  })
})

/** The next thing to do in a loop: the worst finding's remedy, or the first step that is not done. */
export function nextThing(context: LoopContext): {
  readonly step: WorkflowStep
  readonly what: string
  readonly why?: string
} {
  const [worst] = checkLoop(context).open
  if (worst && worst.severity === 'stop') return { step: worst.step, what: worst.remedy, why: worst.head }
  const status = stepStatus(context)
  const open = status.find(({ state, next, step }) => state !== 'done' && next && step !== 'try')
  return open ? { step: open.step, what: open.next! } : { step: 'hand-over', what: 'Nothing left to do' }
}

/** Steps whose work must be done before anyone signs. */
const signed: ReadonlySet<WorkflowStep> = new Set(['survey', 'wire', 'set', 'prove'])

/** What still has to be ticked before anyone signs. */
const ticksOpen = ({ handover }: Pick<LoopContext['loop'], 'handover'>): string[] =>
  Object.entries(handoverTicks).flatMap(([id, title]) => (handover.ticks?.[id] ? [] : [title]))

/** What has to switch off when somebody touches a fault, relied on by a rule and not proved here or on another form. */
const protectionUnproved = (context: LoopContext) =>
  recordedElsewhere(context)
    ? []
    : safetyBlocks(context).steps.live.filter(
        ({ group, must, verdict }) => group === PROTECTION && must && verdict !== 'good',
      )

/** Why the hand-over cannot be signed yet; empty when it can. Stops, temporary work and failed tests keep it shut. */
export function signingBlockedBy(context: LoopContext): string[] {
  const { open } = checkLoop(context)
  return [
    ...open
      .filter(({ severity, code }) => severity === 'stop' || code === TEST_FAILED || code === SAFETY_UNANSWERED)
      .map(({ head, remedy }) => `${head} ${remedy}`),
    ...protectionUnproved(context).map(({ title }) => `${title} is not proved, and a rule relies on it.`),
    ...ticksOpen(context.loop).map((title) => `Not ticked: ${title.toLowerCase()}.`),
    ...Object.values(context.loop.temporary).map(({ what }) => `Temporary: ${what}. Take it off first.`),
    ...context.rows
      .filter((row) => judgeRow(context, row).verdict === 'stop')
      .map(({ number }) => `Wire ${number} failed its test. Mend it first.`),
    ...stepStatus(context)
      .filter(({ step, state, done }) =>
        step === 'match' ? !['done', 'look', 'stop'].includes(state) : signed.has(step) && !done && state !== 'stop',
      )
      .map(({ step, progress }) => `${step[0]!.toUpperCase()}${step.slice(1)} is not done: ${progress}.`),
  ]
}
