import { choice, maybe, record, yes } from '../../schema/field'
import { degrees, hours, minutes } from '../fieldParts'
import type { Value } from '../../schema/value'

/** Melting a coil: when, until when, and what waits for it. */
export const defrostPlanRecord = record('defrost', {
  by: choice('started by', ['time', 'coil'], { time: 'the clock', coil: 'the coil' }),
  everyH: hours('every'),
  coilC: maybe(degrees('starts at coil')),
  endC: degrees('ends at coil'),
  longestMin: minutes('at most'),
  dripMin: minutes('drip time'),
  fanBackC: degrees('fan back at coil'),
  blindMin: minutes('alarm delayed'),
  /** Of a group: whether this one starts the others, and whether cooling waits for all of them. */
  leads: maybe(yes('starts the others')),
  waits: maybe(yes('cooling waits for all')),
})

/** Melting a coil: when, until when, and what waits for it. */
export interface DefrostPlan extends Value<typeof defrostPlanRecord> {}
