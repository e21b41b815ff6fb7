import { conventions } from '../control/switchingPoints'
import { plantKinds } from '../plant/estimatePlant'
import { signals } from '../signal/signal'
import type { Quantity } from '../units/quantity'
import {
  type Category,
  contactRoles,
  controls,
  effects,
  faultActions,
  loadKinds,
  parameterQuantities,
  probePlaces,
} from './deviceProfile'

/** A field of the form that a device is typed in from its leaflet. What is not required may stay empty. */
export type FieldSpec =
  | { readonly type: 'text'; readonly title: string; readonly most: number; readonly required?: true }
  | { readonly type: 'number'; readonly title: string; readonly quantity: Quantity; readonly required?: true }
  | { readonly type: 'choice'; readonly title: string; readonly options: readonly string[]; readonly required?: true }
  | { readonly type: 'terminal'; readonly title: string; readonly required?: true }
  | { readonly type: 'flag'; readonly title: string }
  | { readonly type: 'flags'; readonly title: string; readonly options: readonly string[] }
  | { readonly type: 'curve'; readonly title: string }
  | { readonly type: 'group'; readonly title: string; readonly fields: Fields; readonly optional?: true }
  | {
      readonly type: 'rows'
      readonly title: string
      readonly one: string
      readonly fields: Fields
      readonly ordered?: true
    }
  | {
      readonly type: 'kinds'
      readonly title: string
      readonly one: string
      readonly kinds: Readonly<Record<string, Fields>>
    }

export type Fields = Readonly<Record<string, FieldSpec>>

const text = (title: string, most = 60): FieldSpec => ({ type: 'text', title, most, required: true })
const maybe = (title: string, most = 60): FieldSpec => ({ type: 'text', title, most })
const number = (title: string, quantity: Quantity): FieldSpec => ({ type: 'number', title, quantity, required: true })
const some = (title: string, quantity: Quantity): FieldSpec => ({ type: 'number', title, quantity })
const choice = (title: string, options: readonly string[]): FieldSpec => ({
  type: 'choice',
  title,
  options,
  required: true,
})
const either = (title: string, options: readonly string[]): FieldSpec => ({ type: 'choice', title, options })
const terminal = (title: string): FieldSpec => ({ type: 'terminal', title, required: true })
const foot = (title: string): FieldSpec => ({ type: 'terminal', title })
const flag = (title: string): FieldSpec => ({ type: 'flag', title })

const title = text('Called')
const action = either('Action', ['heating', 'cooling'])
const ratings: FieldSpec = {
  type: 'rows',
  title: 'Ratings',
  one: 'rating',
  fields: { load: choice('Load', loadKinds), volts: number('At', 'voltage'), amps: number('Carries', 'current') },
}

const ports: Readonly<Record<string, Fields>> = {
  'supply-in': {
    title,
    drawsVa: number('Draws', 'apparentPower'),
    variants: {
      type: 'rows',
      title: 'Supplies it takes',
      one: 'supply',
      ordered: true,
      fields: {
        lowV: number('From', 'voltage'),
        highV: number('To', 'voltage'),
        current: choice('Current', ['ac', 'dc', 'ac-dc']),
        line: terminal('Line or plus'),
        neutral: terminal('Neutral or minus'),
        earth: foot('Earth'),
      },
    },
  },
  'supply-out': {
    title,
    volts: number('Gives', 'voltage'),
    current: choice('Current', ['ac', 'dc']),
    protectionA: number('Fused at', 'current'),
    line: terminal('Line or plus'),
    neutral: terminal('Neutral or minus'),
    earth: foot('Earth'),
    ratedVa: some('Rated', 'apparentPower'),
    safety: flag('Safety extra-low voltage'),
    residualMa: some('Residual-current device', 'milliamps'),
    classA: flag('Class A ground-fault protection'),
    midpoint: foot('Two hots: their neutral'),
    earthedCommon: flag('Its minus or 0 is earthed'),
  },
  'probe-in': {
    title,
    accepts: { type: 'curve', title: 'Made for' },
    lowC: number('Reads from', 'temperature'),
    highC: number('Reads to', 'temperature'),
    a: terminal('Terminal'),
    b: terminal('And'),
    feels: either('Only for', probePlaces),
  },
  'probe-out': { title, a: terminal('Terminal'), b: terminal('And') },
  contact: {
    title,
    common: terminal('Common'),
    make: terminal('Closes to'),
    breaks: foot('Opens from'),
    second: {
      type: 'group',
      title: 'Second pole',
      optional: true,
      fields: { common: terminal('Common'), make: terminal('Closes to') },
    },
    ratings,
    ratedOperations: number('Rated operations', 'count'),
    movedBy: text('Moved by', 40),
    role: either('Role', contactRoles),
    action,
  },
  'contact-in': {
    title,
    a: terminal('Terminal'),
    b: terminal('And'),
    wets: {
      type: 'group',
      title: 'Wets the contact with',
      fields: { volts: number('Volts', 'voltage'), amps: number('Amps', 'current') },
    },
    does: choice('Does', effects),
    givesW: some('Gives', 'power'),
  },
  load: {
    title,
    load: {
      type: 'group',
      title: 'Electrically',
      fields: {
        kind: choice('Kind', loadKinds),
        powerW: number('Power', 'electricPower'),
        volts: number('At', 'voltage'),
        amps: some('Nameplate current', 'current'),
        powerFactor: some('Power factor', 'factor'),
      },
    },
    does: choice('Does', effects),
    givesW: some('Gives', 'power'),
    line: terminal('Line'),
    neutral: terminal('Neutral'),
    earth: foot('Earth'),
  },
  'signal-out': {
    title,
    signal: choice('Signal', signals),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
    sourceMa: some('Gives at most', 'milliamps'),
    mostOhm: some('Into at most', 'resistance'),
    common: either('Common', ['supply', 'isolated']),
    action,
  },
  'signal-in': {
    title,
    signal: choice('Signal', signals),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
    needMa: some('Takes', 'milliamps'),
    burdenOhm: some('Burden', 'resistance'),
    does: choice('Does', effects),
    givesW: some('Gives', 'power'),
  },
  'measure-out': {
    title,
    measures: choice('Measures', ['temperature', 'humidity']),
    signal: choice('Signal', signals),
    low: number('From', 'factor'),
    high: number('To', 'factor'),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
  },
  'measure-in': {
    title,
    measures: choice('Measures', ['temperature', 'humidity']),
    signal: choice('Signal', signals),
    low: number('From', 'factor'),
    high: number('To', 'factor'),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
    burdenOhm: some('Burden', 'resistance'),
    loopV: some('Feeds the loop with', 'voltage'),
  },
  pair: { title, a: terminal('A'), b: terminal('B'), common: terminal('Common') },
}

const parameters: FieldSpec = {
  type: 'rows',
  title: 'Parameters',
  one: 'parameter',
  ordered: true,
  fields: {
    name: text('Name'),
    meaning: text('Means', 300),
    level: choice('Who', ['owner', 'installer']),
    binds: either('Is the plan\u2019s', parameterQuantities),
    low: some('From', 'factor'),
    high: some('To', 'factor'),
    hand: maybe('Set by hand at', 120),
  },
}

const about: Fields = {
  name: text('Name'),
  summary: text('In a few words', 120),
  practice: either('Only in the practice of', ['iec', 'us']),
  kinds: { type: 'flags', title: 'Made for', options: plantKinds },
  electronics: flag('Holds electronics or surge protection'),
  waterSafe: flag('Reinforced insulation, for water that is touched'),
  marked75: flag('Terminals marked 75 \u00b0C'),
  note: maybe('What a fitter must know', 400),
}

const terminals: FieldSpec = {
  type: 'rows',
  title: 'Terminals, in the order of the strip',
  one: 'terminal',
  ordered: true,
  fields: { label: text('Printed', 12), voltageClass: choice('Voltage', ['mains', 'extra-low']) },
}

const extra: Readonly<Partial<Record<Category, Fields>>> = {
  probe: {
    probe: {
      type: 'group',
      title: 'Probe',
      fields: {
        curve: { type: 'curve', title: 'Curve' },
        toleranceK: number('Good for', 'difference'),
        lagS: number('Lag, 63 %', 'seconds'),
        lowC: some('Bears from', 'temperature'),
        highC: some('Bears to', 'temperature'),
        places: { type: 'flags', title: 'Made for', options: probePlaces },
      },
    },
  },
  limiter: {
    limiter: {
      type: 'group',
      title: 'Limiter',
      fields: {
        feels: text('Feels', 120),
        lowC: number('Dial from', 'temperature'),
        highC: number('Dial to', 'temperature'),
        reset: choice('Reset', ['manual', 'self']),
        sensing: either('Feels with', ['bulb', 'bimetal']),
      },
    },
  },
  permissive: {
    permissive: {
      type: 'group',
      title: 'Permissive',
      fields: {
        senses: choice('Feels', ['flow', 'pressure', 'door', 'time', 'hand', 'frost', 'air-flow', 'co', 'level']),
        opensAtC: some('Opens at, where it feels a temperature', 'temperature'),
        lowC: some('Can be set from', 'temperature'),
        highC: some('To', 'temperature'),
      },
    },
  },
  relay: {
    relay: { type: 'group', title: 'Relay', fields: { separated: flag('Mains and extra-low voltage side by side') } },
  },
  load: {
    load: {
      type: 'group',
      title: 'What it asks',
      optional: true,
      fields: {
        minimumOffS: some('Rest', 'seconds'),
        timesOwnRest: flag('Times it by itself'),
        startsPerHour: some('Starts at most', 'perHour'),
        fuel: either('Burns', ['gas', 'oil', 'diesel', 'pellet']),
        ownSafety: maybe('Own safety chain', 200),
        ownLimiter: maybe('Own limiter', 200),
        returnMinC: some('Return not under', 'temperature'),
        movesM3h: some('Moves', 'airFlow'),
      },
    },
  },
}

const controllerFields: Fields = {
  controller: {
    type: 'group',
    title: 'Control',
    fields: {
      display: {
        type: 'group',
        title: 'Display step',
        fields: { stepC: number('In °C', 'factor'), stepF: number('In °F', 'factor') },
      },
      controls: { type: 'flags', title: 'Can control', options: controls },
      range: {
        type: 'group',
        title: 'Set',
        optional: true,
        fields: { lowC: number('From', 'temperature'), highC: number('To', 'temperature') },
      },
      conventions: {
        type: 'rows',
        title: 'Where the swing lies',
        one: 'convention',
        ordered: true,
        fields: {
          convention: choice('Convention', conventions),
          swingIs: either('Swing counts', ['total', 'each-side']),
        },
      },
      faultDisplay: {
        type: 'group',
        title: 'Broken probe shows',
        fields: { open: text('Open', 20), short: text('Shorted', 20) },
      },
      faultOutputs: {
        type: 'rows',
        title: 'Output then',
        one: 'choice',
        ordered: true,
        fields: { does: choice('Goes', faultActions) },
      },
      rectifies: either('Rectifies', ['half', 'full', 'isolated']),
      probeSafe: flag('Probe input separated from mains'),
      parameters,
    },
  },
}

/** The whole form of a category, in the order in which a leaflet is read. */
export function profileForm(category: Category): Fields {
  return {
    ...about,
    terminals,
    ports: { type: 'kinds', title: 'What the terminals are for', one: 'use', kinds: ports },
    ...(category === 'controller' || category === 'drive' ? controllerFields : {}),
    ...extra[category],
  }
}

/** A device with nothing in it but what every one has. */
export const emptyProfile = (category: Category, id: string): Record<string, unknown> => ({
  format: 1,
  id,
  category,
  name: '',
  summary: '',
  terminals: {},
  ports: {},
  ...(category === 'controller' || category === 'drive'
    ? {
        controller: {
          display: { stepC: 0.1, stepF: 0.1 },
          conventions: {},
          faultDisplay: {},
          faultOutputs: {},
          parameters: {},
        },
      }
    : {}),
})

/** Ids are plain words: letters and digits of the name, with a number behind where it is taken. */
export function freeId(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'device'
  let id = plain
  for (let n = 2; taken.has(id); n++) id = `${plain}-${n}`
  return id
}
