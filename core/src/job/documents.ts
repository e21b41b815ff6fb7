import type { Mounting } from '../plant/enclosure'
import { plantKinds } from '../plant/estimatePlant'
import type { Quantity, UnitPreferences } from '../units/quantity'
import type { DeviceProfile } from '../profile/deviceProfile'
import type { Behaviour } from './behaviour'
import type { Chain, ChainDevice } from './chain'
import type { ControllerPlan } from './controllerPlan'

export const loopKinds = plantKinds
export type LoopKind = (typeof loopKinds)[number]

/** What the loops of one job share. Collections are maps by id with an order key: no path holds an array index. */
export interface JobDocument extends UnitPreferences {
  readonly version: 1
  readonly type: 'job'
  readonly id: string
  readonly name: string
  readonly place: string
  /** IANA name, such as Europe/Oslo. */
  readonly zone: string
  /** Whose conductor colours and sizes the wire list uses. */
  readonly practice: 'iec' | 'us'
  /** Supplies, transformers and controllers that several loops use. */
  readonly devices: Readonly<Record<string, ChainDevice>>
  /** A copy of every profile used, so that a job file stands alone. */
  readonly profiles: Readonly<Record<string, DeviceProfile>>
  readonly instruments: Readonly<Record<string, Instrument>>
  /** Which instruments were taken out, by day (ISO date). */
  readonly kit?: Readonly<Record<string, Readonly<Record<string, true>>>>
  readonly notes: Readonly<Record<string, Note>>
}

export interface Instrument {
  readonly order: number
  readonly name: string
  /** Serial, or the number of its label. */
  readonly serial?: string
  /** Days of its last check and of the next one, as ISO dates. */
  readonly checked?: string
  readonly due?: string
  /** What it reads, and how much it may err: an amount in the unit of the quantity and a share of the reading. */
  readonly errs?: Readonly<Partial<Record<Quantity, { readonly fixed?: number; readonly percent?: number }>>>
}

export interface Note {
  readonly order: number
  readonly text: string
  readonly at: string
  readonly by: string
}

/** A note of a loop; one that keeps a sum says which and what was put in, as JSON text in SI, so that it can be opened again. */
export interface LoopNote extends Note {
  readonly sum?: { readonly calc: string; readonly given: string }
  /** A photo, by the hash of its contents. */
  readonly photo?: string
  /** The test and step that it was taken at. */
  readonly test?: string
  readonly step?: string
}

/** One controlled loop: everything from the first visit to the hand-over sheet. */
export interface LoopDocument {
  readonly version: 2
  readonly type: 'loop'
  readonly id: string
  readonly jobId: string
  readonly kind: LoopKind
  readonly name: string
  readonly order: number
  readonly survey: {
    readonly answers: Readonly<Record<string, Answer>>
    readonly hazards: Readonly<Record<string, true>>
    readonly complaint?: string
    /** How an answer was found on site: which way, and what was measured. */
    readonly ways?: Readonly<Record<string, WayTaken>>
    readonly found?: Found
  }
  readonly chain: Chain
  readonly wiring: Wiring
  readonly settings: {
    /** Planned behaviour by id; an output has one. */
    readonly planned: Readonly<Record<string, Behaviour>>
    /** What is planned for a controller as a whole, by device. */
    readonly controllers?: Readonly<Record<string, ControllerPlan>>
    /** Parameter values as the controller shows them: by device, then by parameter code. */
    readonly asFound: Readonly<Record<string, Readonly<Record<string, Reading>>>>
    readonly asLeft: Readonly<Record<string, Readonly<Record<string, Reading>>>>
  }
  readonly proof: {
    readonly readings: Readonly<Record<string, ProofReading>>
    /** Tests that were begun anew, by test: which take is the present one. */
    readonly takes?: Readonly<Record<string, { readonly take: number }>>
    /** What came of the takes before. */
    readonly past?: Readonly<Record<string, PastResult>>
    /** Tests that were left out, by test, with a name and a reason. */
    readonly skipped?: Readonly<Record<string, { readonly by: string; readonly at: string; readonly reason: string }>>
  }
  /** Findings closed with a name and a reason; never a failed test, never a safety stop. */
  readonly waivers: Readonly<Record<string, { readonly by: string; readonly reason: string }>>
  /** Bridges, forced outputs, lifted wires: hand-over stays shut until it is empty. */
  readonly temporary: Readonly<Record<string, Temporary>>
  readonly handover: Handover
  readonly notes?: Readonly<Record<string, LoopNote>>
  /** What was tried by simulation. */
  readonly trial?: Trial
}

/** Plant values that were changed for trying, and runs that were kept. */
export interface Trial {
  /** By the field data's row. */
  readonly plant?: Readonly<Record<string, number>>
  readonly runs?: Readonly<Record<string, KeptRun>>
}

/** A run that was kept: what it took to make it, so that it can be made again, and what came out. */
export interface KeptRun {
  readonly order: number
  readonly title: string
  readonly at: string
  readonly by: string
  /** Weather, length and faults, as JSON text: what the screen chose. */
  readonly choice: string
  /** What was planned then, as JSON text. */
  readonly planned: string
  readonly starts: number
  readonly energyKwh: number
  readonly lowestC: number
  readonly highestC: number
}

export const temporaryKinds = ['bridge', 'forced', 'hand', 'limit', 'lifted'] as const
/** A bridge, a forced output, a switch in hand, a raised limit or a lifted wire. */
export interface Temporary {
  readonly order: number
  readonly kind?: (typeof temporaryKinds)[number]
  readonly what: string
  readonly by: string
  readonly at: string
  /** The step or the test that makes it and ends it: `live/<step>` or `test/<test>`. */
  readonly during?: string
}

/** One way of finding a figure on site, with what was measured, in SI. */
export interface WayTaken {
  readonly way: string
  readonly values: Readonly<Record<string, number>>
}

/** The control that was there before anything was keyed or lifted. */
export interface Found {
  /** `none` where there was nothing. */
  readonly state?: 'there' | 'none'
  readonly what?: string
  /** Its profile, where the shelf has it. */
  readonly profile?: string
  readonly serial?: string
  readonly weather?: string
  readonly outdoorC?: number
  readonly terminals?: Readonly<
    Record<
      string,
      {
        readonly order: number
        readonly terminal: string
        readonly wire: string
        /** Voltage measured or seen on it. */
        readonly volts?: number
      }
    >
  >
  readonly values?: Readonly<Record<string, { readonly order: number; readonly name: string; readonly text: string }>>
}

/** A survey answer: a number in SI, or the key of a choice. */
export type Answer = number | string

/** What was typed, kept as typed, with its canonical value when it is one. */
export interface Reading {
  readonly text: string
  readonly unit: string
  readonly state: 'value' | 'over-range' | 'none'
  /** In the contract's unit; left out when there is none. */
  readonly value?: number
  /** Why it was left other than planned. */
  readonly why?: string
  readonly at: string
  readonly by: string
}

/** A reading of a test step; a newer one supersedes, none is ever taken back. */
export interface ProofReading extends Reading {
  readonly order: number
  readonly test: string
  readonly step: string
  readonly supersedes?: string
  /** Which take of the test it belongs to; the first where left out. */
  readonly take?: number
  /** The instrument of the job that it was read with. */
  readonly instrument?: string
}

/** What came of a take of a test, kept when it was taken again. */
export interface PastResult {
  readonly order: number
  readonly test: string
  readonly take: number
  readonly verdict: 'waiting' | 'good' | 'look' | 'stop' | 'cannot-tell'
  readonly head: string
  readonly at: string
  readonly by: string
}

/** What was done at the wires, the box and the probes of a loop. */
export interface Wiring {
  readonly rows: Readonly<Record<string, RowState>>
  /** What a change of the chain did to a list that was being worked through, by row; taken away once seen. */
  readonly changed?: Readonly<Record<string, RowChange>>
  /** Steps of placing, mounting, isolating and switching on that were done, by step. */
  readonly done?: Readonly<Record<string, StepDone>>
  readonly box?: BoxPlan
}

/** What became of one row when the chain was changed. */
export interface RowChange {
  readonly order: number
  readonly what: 'came' | 'went' | 'moved'
  /** The wire in words, as it was or is to be. */
  readonly says: string
  /** It had been landed: the wire is still there. */
  readonly landed?: true
}

/** A step that was answered: done, or not so and what stood against it. */
export interface StepDone {
  readonly answer: 'yes' | 'no'
  readonly by: string
  readonly at: string
}

/** The box that the devices go into, as far as it is known. */
export interface BoxPlan {
  readonly heightM?: number
  readonly widthM?: number
  readonly depthM?: number
  readonly mounting?: Mounting
  readonly build?: 'steel' | 'stainless' | 'plastic'
  readonly outsideC?: number
}

/** State of one wire row. The row itself is derived; its identity is its two ends. */
export interface RowState {
  readonly landed?: true
  /** Number that the landed wire carries: it stays when the list around it changes. */
  readonly number?: number
  readonly tested?: Reading
  readonly note?: string
  readonly label?: string
  readonly lengthM?: number
  readonly sizeMm2?: number
}

export interface SignOff {
  readonly by: string
  readonly at: string
  readonly instrument: string
}

/** Where the hand-over of a loop stands. */
export interface Handover {
  readonly signed?: SignOff
  /** What was ticked, by whom. */
  readonly ticks?: Readonly<Record<string, { readonly by: string; readonly at: string }>>
  /** Day of the next test, as ISO text. */
  readonly retest?: string
  /** Whom the owner calls. */
  readonly call?: string
  /** Opened again after the signature: changes since are told. */
  readonly reopened?: { readonly by: string; readonly at: string; readonly why: string }
  /** Signatures that a later one stands for. */
  readonly past?: Readonly<Record<string, SignOff & { readonly order: number }>>
}

export type AnyDocument = JobDocument | LoopDocument

/** Wiring practice that usually goes with a system of measures. */
export const practiceOf = (system: JobDocument['system']): JobDocument['practice'] => (system === 'us' ? 'us' : 'iec')

/** A new job with nothing in it. */
export function emptyJob(
  id: string,
  basics: Pick<JobDocument, 'name' | 'place' | 'zone' | 'temperatureUnit' | 'system'>,
): JobDocument {
  return {
    version: 1,
    type: 'job',
    id,
    ...basics,
    practice: practiceOf(basics.system),
    devices: {},
    profiles: {},
    instruments: {},
    notes: {},
  }
}

/** A new loop with nothing in it. */
export function emptyLoop(id: string, jobId: string, kind: LoopKind, name: string, order: number): LoopDocument {
  return {
    version: 2,
    type: 'loop',
    id,
    jobId,
    kind,
    name,
    order,
    survey: { answers: {}, hazards: {} },
    chain: { devices: {}, connections: {} },
    wiring: { rows: {} },
    settings: { planned: {}, asFound: {}, asLeft: {} },
    proof: { readings: {} },
    waivers: {},
    temporary: {},
    handover: {},
  }
}
