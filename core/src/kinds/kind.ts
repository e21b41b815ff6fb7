import type { Action } from '../control/action'
import type { FieldData } from '../plant/fieldValue'
import type { Effect, faultActions, ProbePlace } from '../choices/deviceChoices'
import type { Answers } from './answers'
import type { Asked } from './asked'
import type { EmitterId } from './emitters'
import type { Estimator } from './estimator'
import type { HazardId } from './hazards'
import type { PlantMade, PlantGiven } from './plantMade'
import type { Leaning } from './leaning'
import type { Question } from './question'
import type { Reckoned } from './reckoned'

/** A step of the mechanical work, as it is written; its id lasts, whatever comes before it one day. */
export interface MountingDraft {
  readonly id: string
  readonly title: string
  readonly doing: string
  readonly caution?: string
}

/** A short rule with its reason. */
export interface PlacementRule {
  readonly text: string
  readonly why: string
  /** Only where another answer is this; where nobody answered it counts too. */
  readonly when?: { readonly question: string; readonly is: string }
}

/** Comparisons that mean something for some kinds only: swing or proportional, reset or fixed, return air or room probe, warmed sensor or split wire. */
type KindComparison = 'way' | 'reset' | 'probe' | 'override'

/** What sets one kind of loop apart, as data and as the functions that read its answers. */
export interface KindFacts<Id extends string = string> {
  readonly id: Id
  readonly title: string
  readonly about: string
  readonly questions: readonly Question[]
  readonly action: Action
  /** Where the answers say whether it heats or cools. */
  readonly acts?: (answers: Answers) => Action
  /** What a broken probe had better do, best first. */
  readonly fault: readonly (typeof faultActions)[number][]
  /** Plant and load from the answers. */
  readonly reckon: (asked: Asked) => Reckoned
  /** Loads that must have a limiter with its own probe and its own interrupting device. */
  readonly limiterFor: readonly Effect[]
  /** What a limiter of this kind is set to, °C. */
  readonly limiterC: (answers: Answers, data: FieldData) => number
  /** Field data row of the usual swing. */
  readonly swing: (answers: Answers) => string
  /** Where the swing itself is asked for, K. */
  readonly swingK?: (answers: Answers) => number | undefined
  /** Rows of what the load allows: starts an hour, shortest rest. */
  readonly starts: (answers: Answers) => string | undefined
  readonly minimumOff: (answers: Answers) => string | undefined
  /** Where the probe that controls belongs by the school chosen; the first is the usual one. */
  readonly places: (answers: Answers) => readonly ProbePlace[]
  /** What speaks for one way of controlling before any number is worked out, and what else the chain needs. */
  readonly leaning: (answers: Answers) => Leaning
  /** What the control is set to, where that is not the target itself. */
  readonly setsTo?: (answers: Answers, data: FieldData) => number
  /** Highest that the controlled place may be asked for, where there is a limit of its own. */
  readonly highest?: (answers: Answers, data: FieldData) => number
  /** What can hurt at such a loop, by the ids of the list of hazards. */
  readonly hazards: readonly HazardId[]
  /** Mechanical work that only this kind has. */
  readonly mounting?: readonly MountingDraft[]
  /** What more holds for the place of its probe. */
  readonly placing?: readonly PlacementRule[]
  /** Loss and stored heat from what a fitter can see. */
  readonly estimate: Estimator
  /** The network that a run is made with. */
  readonly plant: (given: PlantGiven) => PlantMade
  /** Which of the comparisons that not every kind has mean something. */
  readonly compares?: (answers: Answers) => readonly KindComparison[]
  /** Emitters that the kind itself says. */
  readonly emitter?: EmitterId
  /** What a limiter protects where overshoot is dangerous and no fuel burns. */
  readonly protects?: (does: Effect) => 'oven' | 'floor' | 'liquid' | undefined
  /** It stands in a room: the weather around it is that of the room. */
  readonly indoor?: true
  /** A run begins with the place cold, and is judged from when it is warm. */
  readonly startsCold?: true
  /** A coil that frosts: its fan moves the air inside. */
  readonly coil?: true
  /** Its fans carry moisture out too. */
  readonly ventilates?: true
  /** Its loads draw from a battery. */
  readonly battery?: true
  /** A cooler hangs in or on it, with water and cold air of its own. */
  readonly cooler?: true
  /** Evaporating temperature at which its cooling has its nameplate power, °C. */
  readonly evaporatesAtC?: (targetC: number, data: FieldData) => number
}
