import type { LoopKind } from '../kinds/ids'
import type { Value } from '../schema/value'
import type { instrumentRecord, jobRecord } from './fields/jobFields'
import { JOB_VERSION } from './fields/jobFields'
import { LOOP_VERSION } from './fields/loopFields'
import type { keptRunRecord, loopNoteRecord, loopRecord, temporaryRecord } from './fields/loopFields'
import type { pastResultRecord, proofReadingRecord } from './fields/proofFields'
import type { settingReadingRecord } from './fields/readingFields'
import type { foundRecord, wayRecord } from './fields/surveyFields'
import type { boxRecord, rowChangeRecord, rowRecord, stepDoneRecord } from './fields/wiringFields'

/** What the loops of one job share. Collections are maps by id with an order key: no path holds an array index. */
export interface JobDocument extends Value<typeof jobRecord> {}
export interface Instrument extends Value<typeof instrumentRecord> {}
/** A note of a loop; one that keeps a sum says which and what was put in, as JSON text in SI, so that it can be opened again. */
export interface LoopNote extends Value<typeof loopNoteRecord> {}
/** One controlled loop: everything from the first visit to the hand-over sheet. */
export interface LoopDocument extends Value<typeof loopRecord> {}
/** A run that was kept: what it took to make it, so that it can be made again, and what came out. */
export interface KeptRun extends Value<typeof keptRunRecord> {}
/** A bridge, a forced output, a switch in hand, a raised limit or a lifted wire. */
export interface Temporary extends Value<typeof temporaryRecord> {}
/** One way of finding a figure on site, with what was measured, in SI. */
export interface WayTaken extends Value<typeof wayRecord> {}
/** The control that was there before anything was keyed or lifted. */
export interface Found extends Value<typeof foundRecord> {}
/** What was typed, kept as typed, with its canonical value when it is one. */
export interface Reading extends Value<typeof settingReadingRecord> {}
/** A reading of a test step; a newer one supersedes, none is ever taken back. */
export interface ProofReading extends Value<typeof proofReadingRecord> {}
/** What came of a take of a test, kept when it was taken again. */
export interface PastResult extends Value<typeof pastResultRecord> {}
/** What became of one row when the chain was changed. */
export interface RowChange extends Value<typeof rowChangeRecord> {}
/** A step that was answered: done, or not so and what stood against it. */
export interface StepDone extends Value<typeof stepDoneRecord> {}
/** The box that the devices go into, as far as it is known. */
export interface BoxPlan extends Value<typeof boxRecord> {}
/** State of one wire row. The row itself is derived; its identity is its two ends. */
export interface RowState extends Value<typeof rowRecord> {}

export type AnyDocument = JobDocument | LoopDocument

/** The practice that usually goes with a system of measures. */
const practiceOf = (system: JobDocument['system']): JobDocument['practice'] => (system === 'us' ? 'us' : 'europe')

/** A new job with nothing in it. */
export function emptyJob(
  id: string,
  basics: Pick<JobDocument, 'name' | 'place' | 'zone' | 'temperatureUnit' | 'system'> &
    Partial<Pick<JobDocument, 'practice'>>,
): JobDocument {
  return {
    version: JOB_VERSION,
    type: 'job',
    id,
    practice: practiceOf(basics.system),
    ...basics,
    devices: {},
    profiles: {},
    instruments: {},
    notes: {},
  }
}

/** A new loop with nothing in it but what was answered already. */
export function emptyLoop(
  id: string,
  jobId: string,
  kind: LoopKind,
  name: string,
  order: number,
  answers: LoopDocument['survey']['answers'] = {},
): LoopDocument {
  return {
    version: LOOP_VERSION,
    type: 'loop',
    id,
    jobId,
    kind,
    name,
    order,
    survey: { answers, hazards: {} },
    chain: { devices: {}, connections: {} },
    wiring: { rows: {} },
    settings: { planned: {}, asFound: {}, asLeft: {} },
    proof: { readings: {} },
    waivers: {},
    temporary: {},
    handover: {},
  }
}
