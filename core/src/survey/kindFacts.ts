import type { Action } from '../control/switchingPoints'
import type { Answer, LoopKind } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import type { Effect, faultActions, ProbePlace } from '../device/deviceProfile'
import type { Asked } from './asked'
import { boiler } from './kinds/boiler'
import { cabin } from './kinds/cabin'
import { cabinet } from './kinds/cabinet'
import { chiller } from './kinds/chiller'
import { coldRoom } from './kinds/coldRoom'
import { enclosure } from './kinds/enclosure'
import { fan } from './kinds/fan'
import { floor } from './kinds/floor'
import { pool } from './kinds/pool'
import { room } from './kinds/room'
import type { Leaning } from './leaning'
import type { Question } from './question'
import type { Reckoned } from './reckoned'

export type Answers = Readonly<Record<string, Answer>>

/** What sets one kind of loop apart, as data and as the functions that read its answers. */
export interface KindFacts {
  readonly title: string
  readonly about: string
  readonly questions: readonly Question[]
  readonly action: Action
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
}

export const kindFacts: Readonly<Record<LoopKind, KindFacts>> = {
  floor,
  boiler,
  pool,
  fan,
  enclosure,
  room,
  'cold-room': coldRoom,
  chiller,
  cabinet,
  cabin,
}

/** What is known of a kind of loop. */
export const factsOfKind = (kind: LoopKind): KindFacts => kindFacts[kind]
