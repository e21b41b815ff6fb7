import { conventions } from '../../settings/switching/law/switchingPoints'
import { choice, either, filled, flag, flags, id, map, maybe, number, record, text, yes } from '../../schema/field'
import { quantities } from '../../units/quantity'
import { controls, faultActions } from '../../choices/deviceChoices'
import { parameterQuantities } from '../../settings/parameterQuantities'
import { degrees, order } from './portFields'

/** One parameter as the controller shows it. */
export const parameterRecord = record('parameter', {
  order: order(),
  name: filled('Name', 60),
  meaning: filled('Means', 300),
  level: choice('Who', ['owner', 'installer']),
  /** Which quantity of the planned behaviour it carries. */
  binds: maybe(choice('Is the plan’s', parameterQuantities)),
  /** Port of the output or input this parameter belongs to; left out when it holds for the whole controller. */
  port: maybe(id('Of the port', 'ports')),
  /** Level of the menu where it stands; left out where it is set by hand. */
  menu: maybe(id('Stands in the level', 'controller.menu.levels')),
  /** What it is set with where there is no menu for it: a dial, a link, a screw. */
  hand: maybe(text('Set by hand at', 120)),
  quantity: maybe(choice('Quantity', quantities)),
  /** Numbers: what it accepts, in the contract's unit, and its step as shown. */
  low: maybe(number('From', 'factor')),
  high: maybe(number('To', 'factor')),
  step: maybe(number('Step as shown', 'factor', { over: 0, max: 1e6 })),
  /** As it comes: a number, or what the display shows. */
  comes: maybe(either('Comes as', number('Comes as', 'factor'))),
  /** Choices: what the display shows for each value. */
  shows: maybe(map('Shows for each choice', text('Shows', 20))),
  /** Codes to be keyed again when this one changes. */
  resets: maybe(map('To be keyed again when it changes', flag('parameter'))),
})

/** Keys pressed together, joined by a plus: `up+down`; and how long. */
const press = (word: string) =>
  record(word, { keys: filled('Keys', 40), holdS: maybe(number('Held for', 'seconds', { over: 0, max: 60 })) })
const key = (word: string) => id(word, 'controller.menu.keys')

const menuLevelRecord = record('level', {
  order: order(),
  title: filled('Called', 40),
  /** From the home display into this level. */
  enter: press('Entered by'),
  /** Number that is wanted first. */
  code: maybe(number('Code', 'count', { min: 0, max: 9999 })),
  /** Walks through the level; the last is followed by the first. */
  next: key('Next'),
  previous: maybe(key('Previous')),
  /** Opens a value to be changed; left out where it can be changed at once. */
  open: maybe(key('Opens a value')),
  more: key('More'),
  less: key('Less'),
  /** Keeps the changed value; left out where it is kept at once. */
  keep: maybe(key('Keeps it')),
  leave: press('Left by'),
  /** Falls back to the home display after this long. */
  idleS: number('Falls back after', 'seconds', { over: 0, max: 3600 }),
})

/** The keys of a controller and the levels of its menu, as data: a small machine that screens, sheets and tests walk. */
const menuRecord = record('Menu', {
  keys: map('Keys', record('key', { order: order(), label: filled('Printed', 12) })),
  levels: map('Levels', menuLevelRecord),
})

const displayRecord = record('Display step', {
  stepC: number('In °C', 'factor', { over: 0, max: 10 }),
  stepF: number('In °F', 'factor', { over: 0, max: 10 }),
})

export const controllerRecord = record('Control', {
  display: displayRecord,
  /** Ways it can control. */
  controls: maybe(flags('Can control', controls)),
  /** What its setpoint can be. */
  range: maybe(record('Setpoint', { lowC: degrees('From'), highC: degrees('To') })),
  /** Conventions it can be keyed to; the first is how it comes. */
  conventions: map(
    'Where the swing lies',
    record('convention', {
      order: order(),
      convention: choice('Convention', conventions),
      swingIs: maybe(choice('Swing counts', ['total', 'each-side'])),
    }),
  ),
  faultDisplay: record('Broken probe shows', { open: filled('Open', 20), short: filled('Shorted', 20) }),
  /** What the display shows in place of the temperature, each as it really reads; what is left out it does not tell. */
  tells: maybe(
    record('Display tells', {
      defrost: maybe(text('Melting ice', 20)),
      batteryLow: maybe(text('Battery too low', 20)),
      alarmHigh: maybe(text('Too warm', 20)),
      alarmLow: maybe(text('Too cold', 20)),
      timerOver: maybe(text('Time is over', 20)),
    }),
  ),
  faultOutputs: map('Output then', record('choice', { order: order(), does: choice('Goes', faultActions) })),
  parameters: map('Parameters', parameterRecord),
  menu: maybe(menuRecord),
  /** How it makes its own voltage from the supply: what may share a secondary with it. */
  rectifies: maybe(choice('Rectifies', ['half', 'full', 'isolated'])),
  /** Inputs separated from mains by double or reinforced insulation. */
  probeSafe: maybe(flag('Probe input separated from mains')),
  /** Starts by itself after a power loss, with the values it had. */
  restarts: maybe(yes('Starts by itself after a power loss')),
})
