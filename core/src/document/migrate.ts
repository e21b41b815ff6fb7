import { migrateDevice } from '../device/migrateDevice'
import { applyCommand, type Documents } from './applyChange'
import {
  fromPoints,
  type OnOffBehaviour,
  storedPlan,
  switchingOf,
  type SwitchingWords,
  withSwitching,
} from '../settings/behaviour'
import { nextOrder } from '../schema/ordered'
import { ordered } from '../schema/ordered'
import type { Change } from './command'
import type { JobDocument, LoopDocument, ProofReading } from './documents'
import { mountingKey } from './mountingTwo'
import { jobDevicesNow, loopDevicesNow } from './renamedDevices'
import { namedAnew } from './renamedInThree'

interface LoopOne {
  readonly version: 1
  readonly type: 'loop'
  readonly settings: Pick<LoopDocument['settings'], 'planned'>
  readonly proof: {
    readonly readings: Readonly<Record<string, ProofReading>>
    readonly answers?: Readonly<Record<string, 'yes' | 'no'>>
  }
}

const isVersion = (document: unknown, type: 'job' | 'loop', version: number): boolean =>
  document !== null &&
  typeof document === 'object' &&
  (document as { type?: unknown }).type === type &&
  (document as { version?: unknown }).version === version

const isLoopOne = (document: unknown): document is LoopOne => isVersion(document, 'loop', 1)

/** Loop 1 to 2: the two questions before a test were kept for a loop; now they are readings of the test of its first output. */
function loopOneToTwo(id: string, loop: LoopOne, at: string): Change[] {
  const { answers, readings } = loop.proof
  const plan = ordered(loop.settings.planned).find((each) => !(each.kind === 'on-off' && each.unused))
  const order = nextOrder(readings)
  const kept = plan ? Object.entries(answers ?? {}) : []
  return [
    { document: id, path: ['version'], from: 1, to: 2 },
    ...(answers === undefined ? [] : [{ document: id, path: ['proof', 'answers'], from: answers, to: null }]),
    ...kept.map(([step, text], i): Change => {
      const reading: ProofReading = {
        order: order + i,
        test: `before/${plan!.id}`,
        step,
        text,
        unit: '',
        state: 'value',
        at,
        by: 'version 1',
      }
      return { document: id, path: ['proof', 'readings', `version-1-${step}`], from: null, to: reading }
    }),
  ]
}

/** A plan of version 2: it also held the points at which it switches, and nothing kept the two from saying different things. */
interface OnOffTwo extends SwitchingWords {
  readonly kind: string
  readonly onC: number
  readonly offC: number
}

const isOnOffTwo = (plan: unknown): plan is OnOffTwo =>
  plan !== null && typeof plan === 'object' && (plan as { kind?: unknown }).kind === 'on-off' && 'onC' in plan

/** Nearer than this two temperatures are the same. */
const SAME_K = 1e-6

/** A plan without the points that follow from it. Where they said something else, they count: they are what was simulated and proved. */
function withoutPoints(plan: OnOffTwo): unknown {
  const { onC, offC, ...words } = plan
  const bare = storedPlan(words as unknown as OnOffBehaviour)
  if (!saysTwo(plan)) return bare
  if (!Number.isFinite(onC) || !Number.isFinite(offC) || onC === offC) return bare
  const { convention, setpointC, swingIs } = words
  const action = onC < offC ? 'heating' : 'cooling'
  const low = Math.min(onC, offC)
  const high = Math.max(onC, offC)
  const between = convention === 'split' && setpointC >= low && setpointC <= high
  try {
    return withSwitching(
      bare,
      between
        ? { action, convention, setpointC, aboveK: high - setpointC, belowK: setpointC - low }
        : fromPoints(onC, offC, action, convention, swingIs),
    )
  } catch {
    // Of a convention that there is not: whoever opens it is told, and it waits to be mended.
    return bare
  }
}

interface LoopTwo {
  readonly kind?: string
  readonly chain?: LoopDocument['chain']
  readonly settings?: { readonly planned?: Readonly<Record<string, unknown>> }
  readonly wiring?: { readonly done?: Readonly<Record<string, unknown>> }
}

/** Whether a plan of version 2 says two things: the points it holds, and others by its setpoint and swing. */
const saysTwo = (plan: OnOffTwo): boolean => {
  try {
    const { onC, offC } = switchingOf(plan)
    return Math.abs(onC - plan.onC) >= SAME_K || Math.abs(offC - plan.offC) >= SAME_K
  } catch {
    return true
  }
}

/** Why documents were brought forward, in the words of the log: what was decided for somebody is said. */
export function whyMigrated(documents: Documents): string {
  const decided = Object.values(documents).some(
    (document) =>
      isLoopTwo(document) &&
      Object.values(document.settings?.planned ?? {}).some((plan) => isOnOffTwo(plan) && saysTwo(plan)),
  )
  return decided
    ? 'Migrated to the present version of the documents. Where a plan said one thing by its setpoint and swing and another by its switching points, the points were kept: look at them.'
    : 'Migrated to the present version of the documents'
}

/** Loop 2 to 3: an on/off plan says once where it switches, and a step of mounting is ticked under an id that lasts. */
const loopTwoToThree = (id: string, loop: LoopTwo, job: JobDocument | undefined): Change[] => [
  { document: id, path: ['version'], from: 2, to: 3 },
  ...Object.entries(loop.settings?.planned ?? {}).flatMap(([plan, held]): Change[] =>
    isOnOffTwo(held)
      ? [{ document: id, path: ['settings', 'planned', plan], from: held, to: withoutPoints(held) }]
      : [],
  ),
  ...Object.entries(loop.wiring?.done ?? {}).flatMap(([key, tick]): Change[] => {
    const now = mountingKey(key, loop, job)
    if (now === key) return []
    return [
      { document: id, path: ['wiring', 'done', key], from: tick, to: null },
      ...(now === undefined ? [] : [{ document: id, path: ['wiring', 'done', now], from: null, to: tick }]),
    ]
  }),
  ...namedAnew(id, loop),
]

const isLoopTwo = (document: unknown): document is LoopTwo => isVersion(document, 'loop', 2)

interface LoopThree {
  readonly chain?: unknown
  readonly survey?: unknown
}

const isLoopThree = (document: unknown): document is LoopThree => isVersion(document, 'loop', 3)

/** Loop 3 to 4: devices of the shelf that were named anew. */
const loopThreeToFour = (id: string, loop: LoopThree): Change[] => [
  { document: id, path: ['version'], from: 3, to: 4 },
  ...loopDevicesNow(id, loop),
]

interface JobTwo {
  readonly profiles?: unknown
  readonly devices?: unknown
}

const isJobTwo = (document: unknown): document is JobTwo => isVersion(document, 'job', 2)

/** Job 2 to 3: copies of devices of the shelf that were named anew. */
const jobTwoToThree = (id: string, job: JobTwo): Change[] => [
  { document: id, path: ['version'], from: 2, to: 3 },
  ...jobDevicesNow(id, job),
]

interface JobOne {
  readonly practice?: unknown
  readonly profiles?: Readonly<Record<string, unknown>>
}

const isJobOne = (document: unknown): document is JobOne => isVersion(document, 'job', 1)

/** Job 1 to 2: its copies of devices are described in the words of now, and its practice is Europe where it was the wiring standard. */
const jobOneToTwo = (id: string, { profiles, practice }: JobOne): Change[] => [
  { document: id, path: ['version'], from: 1, to: 2 },
  ...(practice === 'iec' ? [{ document: id, path: ['practice'], from: practice, to: 'europe' }] : []),
  ...Object.entries(profiles ?? {}).flatMap(([profile, held]): Change[] => {
    const now = migrateDevice(held)
    return now === held ? [] : [{ document: id, path: ['profiles', profile], from: held, to: now }]
  }),
]

/** The one step that an old document is brought forward by; nothing where it is of the present version. */
function nextStep(id: string, document: unknown, at: string, job: JobDocument | undefined): Change[] {
  if (isLoopOne(document)) return loopOneToTwo(id, document, at)
  if (isLoopTwo(document)) return loopTwoToThree(id, document, job)
  if (isLoopThree(document)) return loopThreeToFour(id, document)
  if (isJobOne(document)) return jobOneToTwo(id, document)
  return isJobTwo(document) ? jobTwoToThree(id, document) : []
}

/** Everything that brings one document to its present version, step by step. */
function forward(id: string, document: unknown, at: string, job: JobDocument | undefined): Change[] {
  const change = nextStep(id, document, at, job)
  if (change.length === 0) return change
  const applied = applyCommand({ [id]: document }, { change })
  return applied.ok ? [...change, ...forward(id, applied.documents[id], at, job)] : change
}

/**
 * What brings a job's documents to the present versions, as changes of one command: the log stays as it was written and the
 * migration stands in it like any other change. Empty when nothing is old.
 * @param at time of the last change before, as ISO text
 */
export function migration(documents: Documents, at: string): Change[] {
  const job = Object.values(documents).find((each): each is JobDocument => (each as JobDocument | null)?.type === 'job')
  return Object.entries(documents).flatMap(([id, document]) => forward(id, document, at, job))
}
