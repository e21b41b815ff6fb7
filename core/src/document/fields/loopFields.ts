import { loopKinds } from '../../kinds/ids'
import {
  choice,
  constant,
  day,
  filled,
  growing,
  id,
  instant,
  map,
  maybe,
  number,
  record,
  sha256,
  text,
  whole,
} from '../../schema/field'
import { chainRecord } from './chainFields'
import { order } from '../../schema/places'
import { controllerPlanRecord } from '../../settings/controllerPlan'
import { planVariant } from '../../settings/planFields'
import { proofRecord } from './proofFields'
import { settingReadingRecord } from './readingFields'
import { surveyRecord } from './surveyFields'
import { wiringRecord } from './wiringFields'

const by = filled('by', 80)
const at = instant('at')
/** Who wrote something, when, and its place among the others. */
export const noted = { order: order(), at, by }

/** Version of a loop's document that is written; older ones are brought forward. */
export const LOOP_VERSION = 4

export const temporaryKinds = ['bridge', 'forced', 'hand', 'limit', 'lifted'] as const
/** A bridge, a forced output, a switch in hand, a raised limit or a lifted wire. */
export const temporaryRecord = whole(
  record('temporary', {
    ...noted,
    kind: maybe(choice('kind', temporaryKinds)),
    what: filled('what', 400),
    /** The step or the test that makes it and ends it: `live/<step>` or `test/<test>`. */
    during: maybe(text('during', 250)),
  }),
)

/** A note of a loop; one that keeps a calculation says which and what was put in, as JSON text in SI, so that it can be opened again. */
export const loopNoteRecord = whole(
  record('note', {
    ...noted,
    text: filled('text', 4000),
    calculation: maybe(record('calculation', { calc: filled('calculation', 60), given: filled('given', 8000) })),
    /** A photo, by the hash of its contents. */
    photo: maybe(sha256('photo')),
    /** The test and step that it was taken at. */
    test: maybe(text('test')),
    step: maybe(text('step')),
  }),
)

const signature = { by, at, instrument: filled('instrument', 400) }
const signOffRecord = whole(record('signed', signature))

/** Where the hand-over of a loop stands. */
const handoverRecord = record('hand-over', {
  signed: maybe(signOffRecord),
  /** What was ticked, by whom. */
  ticks: maybe(map('ticks', whole(record('tick', { by, at })))),
  /** Day of the next test, as ISO text. */
  retest: maybe(day('next test')),
  /** Whom the owner calls. */
  call: maybe(text('whom to call', 120)),
  /** Opened again after the signature: changes since are told. */
  reopened: maybe(whole(record('opened again', { by, at, why: filled('why', 400) }))),
  /** Signatures that a later one stands for. */
  past: maybe(map('earlier signatures', whole(record('earlier signature', { ...signature, order: order() })))),
})

/** A run that was kept: what it took to make it, so that it can be made again, and what came out. */
export const keptRunRecord = whole(
  record('kept run', {
    ...noted,
    title: filled('title', 80),
    /** Weather, length and faults, as JSON text: what the screen chose. */
    choice: filled('choice', 8000),
    /** What was planned then, as JSON text. */
    planned: filled('plan', 60_000),
    starts: number('starts', 'count', { min: 0, max: 1e9 }),
    energyKwh: number('energy', 'energy', { min: -1e12, max: 1e12 }),
    lowestC: number('lowest', 'temperature', { min: -273.15, max: 5000 }),
    highestC: number('highest', 'temperature', { min: -273.15, max: 5000 }),
  }),
)

/** When in a run a fault begins or ends. */
export const faultHour = number('hour of the run', 'hours', { min: 0, max: 10_000 })

/** Plant values that were changed for trying, by the field data's row, and runs that were kept. */
export const trialRecord = growing(
  record('trial', {
    plant: maybe(growing(map('plant', number('value', 'factor', { over: 0, max: 1e12 })))),
    runs: maybe(growing(map('kept runs', keptRunRecord))),
  }),
)

/** One controlled loop: everything from the first visit to the hand-over sheet. */
export const loopRecord = record('loop', {
  version: constant(LOOP_VERSION),
  type: constant('loop'),
  id: id('id'),
  jobId: id('job'),
  kind: choice('kind', loopKinds),
  name: filled('name', 200),
  order: order(),
  survey: surveyRecord,
  chain: chainRecord,
  wiring: wiringRecord,
  settings: record('settings', {
    /** Planned behaviour by id; an output has one. */
    planned: map('planned', planVariant),
    /** What is planned for a controller as a whole, by device. */
    controllers: maybe(map('controllers', controllerPlanRecord)),
    /** Parameter values as the controller shows them: by device, then by parameter code. */
    asFound: map('as found', growing(map('as found', settingReadingRecord))),
    asLeft: map('as left', growing(map('as left', settingReadingRecord))),
  }),
  proof: proofRecord,
  /** Findings closed with a name and a reason; never a failed test, never a safety stop. */
  waivers: map('findings closed', whole(record('finding closed', { by, reason: filled('reason', 400) }))),
  /** Bridges, forced outputs, lifted wires: hand-over stays shut until it is empty. */
  temporary: map('temporary', temporaryRecord),
  handover: handoverRecord,
  notes: maybe(growing(map('notes', loopNoteRecord))),
  /** What was tried by simulation. */
  trial: maybe(trialRecord),
})
