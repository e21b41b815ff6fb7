import { choice, clock, either, filled, map, maybe, number, record, weekdays, whole, yes } from '../../schema/field'
import { order } from './chainFields'

const degrees = (word: string) => number(word, 'temperature', { min: -273.15, max: 2000 })
const hours = (word: string) => number(word, 'hours', { min: 0, max: 1000 })
const minutes = (word: string) => number(word, 'minutes', { min: 0, max: 100_000 })
const volts = (word: string) => number(word, 'voltage', { over: 0, max: 100 })
const seconds = (word: string, max: number) => number(word, 'seconds', { min: 0, max })

/** How the stages of one controller follow one another. */
export const stagePlanRecord = record('stages', {
  /** Between one stage and the next. */
  waitS: seconds('delay between stages', 86400),
  /** Always the same first, or the one that rested longest. */
  lead: choice('lead', ['fixed', 'rotate'], { fixed: 'always the same stage leads', rotate: 'the lead rotates' }),
})

/** An outdoor reset curve with what belongs to it. */
export const resetPlanRecord = record('reset curve', {
  designOutdoorC: degrees('design outdoor'),
  designSupplyC: degrees('design supply'),
  warmOutdoorC: degrees('warm outdoor'),
  warmSupplyC: degrees('warm supply'),
  minimumSupplyC: maybe(degrees('minimum supply')),
  maximumSupplyC: maybe(degrees('maximum supply')),
  shutdownAboveC: maybe(degrees('warm-weather shutdown above')),
  frostBelowC: maybe(degrees('frost protection below')),
  frostSupplyC: maybe(degrees('frost protection supply')),
  /** Outdoor temperature averaged over this; 0 takes that of now. */
  averageH: hours('outdoor averaged over'),
  /** All supply temperatures up or down, what an owner turns. */
  shiftK: number('parallel shift', 'difference', { min: -200, max: 200 }),
  /** Down by this in the periods of the week that say so. */
  setbackK: number('set-back', 'difference', { min: 0, max: 200 }),
})

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

/** When a battery is too low to run on. */
export const batteryPlanRecord = record('battery cut-off', {
  cutOffV: volts('cuts off at'),
  holdS: seconds('after', 3600),
  restartV: volts('starts again at'),
})

/** One period of a week. */
export const weekPeriodRecord = record('period', {
  order: order(),
  /** What it does: runs, or a mode of the controller. */
  mode: filled('mode', 20),
  /** Days on which it starts, 1 Monday to 7 Sunday, each as a digit: "12345". */
  days: weekdays('days'),
  start: clock('start'),
  minutes: number('length', 'minutes', { over: 0, max: 10080 }),
})

export const weekPlanRecord = record('week', {
  periods: map('periods', weekPeriodRecord),
  /** Run time of the timer that runs once. */
  onceMin: maybe(minutes('runs once for')),
})

/** A timer that counts down once, or repeats A and B. */
export const timerPlanRecord = record('timer', {
  mode: choice('mode', ['once', 'repeat']),
  aS: seconds('time A', 1e6),
  bS: seconds('time B', 1e6),
  /** Starts with a key, or when the setpoint is reached. */
  from: choice('starts', ['key', 'heat'], { key: 'with a key', heat: 'at the setpoint' }),
  counts: choice('counts', ['down', 'up']),
})

/** What is planned for a controller as a whole, besides its outputs. What is left out is as it comes by its kind of loop. */
export const controllerPlanRecord = record('controller', {
  stages: maybe(whole(stagePlanRecord)),
  reset: maybe(whole(resetPlanRecord)),
  defrost: maybe(whole(defrostPlanRecord)),
  battery: maybe(whole(batteryPlanRecord)),
  week: maybe(whole(weekPlanRecord)),
  timer: maybe(whole(timerPlanRecord)),
  /** Parameters that no instrument holds, by code: a number in the contract's unit, or what is meant. */
  values: maybe(whole(map('other parameters', either('value', number('value', 'factor'))))),
  /** Parameters that the owner may touch and the keys are to keep from him, or the other way round, by code. */
  owner: maybe(whole(map('open to the owner', yes('open to the owner')))),
  /** What keeps the installer's level shut. */
  lock: maybe(whole(record('lock', { shut: yes('shut') }))),
})
