import { wiringStandards } from '../../units/practice'
import { loopKinds } from '../../kinds/ids'
import {
  choice,
  constant,
  figure,
  filled,
  flag,
  flags,
  id,
  map,
  maybe,
  number,
  record,
  text,
  whole,
  yes,
} from '../../schema/field'
import { categories, motorTurns, probePlaces, senses } from '../../choices/deviceChoices'
import { controllerRecord } from './controllerFields'
import { degrees, order, portVariant, probeVariant, seconds, title } from './portFields'

export const terminalRecord = record('terminal', {
  order: order(),
  label: filled('Printed', 12),
  voltageClass: choice('Voltage', ['mains', 'extra-low']),
})

/** What is chosen on the device itself before it is keyed: its model, its links, which of its terminals are wired, a parameter that turns an input into another. */
export const optionRecord = record('option', {
  order: order(),
  title: title(),
  by: choice('Chosen by', ['model', 'link', 'terminals', 'parameter']),
  /** Code of the parameter that sets it. */
  parameter: maybe(id('Parameter', 'controller.parameters')),
  choices: map('Choices', record('choice', { order: order(), title: title(), does: filled('Does', 200) })),
})

export const probeFactsRecord = record('Probe', {
  curve: probeVariant,
  lagS: number('Lag, 63 %', 'seconds', { over: 0, max: 1e5 }),
  toleranceK: number('Good for', 'difference', { over: 0, max: 50 }),
  lowC: maybe(degrees('Bears from')),
  highC: maybe(degrees('Bears to')),
  /** Where it is made to sit. */
  places: maybe(flags('Made for', probePlaces)),
  wires: maybe(figure('Wires', [2, 3])),
})

const limiterFactsRecord = record('Limiter', {
  /** What it feels with its own probe. */
  feels: filled('Feels', 120),
  lowC: degrees('Dial from', -100, 1000),
  highC: degrees('Dial to', -100, 1000),
  reset: choice('Reset', ['manual', 'self']),
  places: maybe(flags('Made for', probePlaces)),
  /** Opens on rise unless it guards against frost. */
  opens: maybe(choice('Opens on', ['rise', 'fall'])),
  /** A bulb with its capillary that can be laid into a bath, or a bimetal that feels at its own body. A bulb where nothing is said. */
  sensing: maybe(choice('Feels with', ['bulb', 'bimetal'])),
})

/** What a load wants of whoever switches it, and what it brings along. */
const loadFactsRecord = record('What it asks', {
  minimumOffS: maybe(seconds('Minimum off time', 1e5)),
  minimumOnS: maybe(seconds('Minimum on time', 1e5)),
  startsPerHour: maybe(number('Starts at most', 'perHour', { over: 0, max: 1000 })),
  /** It times its own minimum off time from its stop. */
  timesOwnMinimumOff: maybe(flag('Times it by itself')),
  fuel: maybe(choice('Burns', ['gas', 'oil', 'diesel', 'pellet'])),
  /** The maker's own safety chain, in its words. */
  ownSafety: maybe(text('Own safety chain')),
  /** An own limiter with own probe, own contactor and reset by hand. */
  ownLimiter: maybe(text('Own limiter')),
  afterRun: maybe(
    record('Runs on after its call', {
      s: number('For', 'seconds', { over: 0, max: 3600 }),
      ah: number('Takes', 'ampereHours', { over: 0, max: 100 }),
    }),
  ),
  glowA: maybe(number('Glow plug', 'current', { over: 0, max: 100 })),
  glowS: maybe(number('Glows for', 'seconds', { over: 0, max: 1000 })),
  runA: maybe(number('Runs at', 'current', { over: 0, max: 100 })),
  /** Return that it wants at steady run. */
  returnMinC: maybe(degrees('Return not under', 0, 100)),
  condensing: maybe(flag('Condensing')),
  inverter: maybe(flag('Driven by an inverter')),
  refrigerant: maybe(choice('Refrigerant', ['plain', 'flammable'])),
  movesM3h: maybe(number('Moves', 'airFlow', { over: 0, max: 1e6 })),
  /** Of a motor that is made to run on a drive: what its plate says beyond volts and amperes. */
  motor: maybe(
    record('Motor on a drive', {
      ratedHz: maybe(number('Frequency of its plate', 'frequency', { over: 0, max: 400 })),
      leastHz: maybe(number('Slowest it cools itself at', 'frequency', { min: 0, max: 400 })),
      turns: maybe(choice('Turns, seen onto its shaft', motorTurns)),
    }),
  ),
  openFlame: maybe(flag('Open flame')),
  /** An alarm, and whether it hangs on a supply of its own. */
  alarm: maybe(choice('Alarm on', ['own-supply', 'same-supply'])),
})

export const permissiveFactsRecord = record('Permissive', {
  senses: choice('Feels', senses),
  /** How this very one is opened by its cause, where that is not as for all that feel the same. */
  opensBy: maybe(text('Is opened by', 200)),
  /** Moved by a wireless switch: how far it reaches, and the option that says what it does when it hears nothing. */
  radio: maybe(
    record('By radio', {
      rangeM: number('Reaches indoors', 'length', { over: 0, max: 10_000 }),
      lost: id('Option for radio lost', 'options'),
    }),
  ),
  /** Temperature at which it opens as it comes, where it feels one, and what it can be set to. */
  opensAtC: maybe(degrees('Opens at, where it feels a temperature')),
  lowC: maybe(degrees('Can be set from')),
  highC: maybe(degrees('To')),
})

const millimetres = (word: string, max = 5000) => number(word, 'factor', { over: 0, max })

/** Outside of a device, in millimetres: what a panel, a box or a wall must know. */
export const bodyRecord = record('Body, mm', {
  mount: choice('Mounts on', ['panel', 'wall', 'rail', 'pipe', 'box']),
  widthMm: millimetres('Width'),
  heightMm: millimetres('Height'),
  depthMm: millimetres('Depth'),
  cutOut: maybe(
    record('Cut-out', {
      widthMm: millimetres('Width'),
      heightMm: millimetres('Height'),
      toleranceMm: millimetres('May be larger by', 50),
    }),
  ),
  /** First figure against solids, second against water, as on the nameplate. */
  protection: maybe(number('Protection, IP', 'count', { min: 0, max: 69 })),
  lowC: maybe(degrees('Surroundings from', -100, 200)),
  highC: maybe(degrees('Surroundings to', -100, 200)),
})

/** A controller, probe, load … as data, the way its leaflet describes it: an entry of the shelf, and the copy a job keeps. */
export const deviceRecord = whole(
  record('device of the shelf', {
    format: constant(1),
    id: id('Id'),
    /** Counts up with each change on the shelf; 1 where left out. */
    version: maybe(number('Version', 'count', { min: 1, max: 1e6 })),
    category: choice('Sort', categories),
    name: filled('Name', 60),
    summary: filled('In a few words', 120),
    /** Wiring it is made for: a circuit of its voltage is found nowhere else. Left out where it suits any. */
    standard: maybe(
      choice('Only where wiring follows', wiringStandards, { iec: 'IEC (Europe, UK)', us: 'US and Canadian codes' }),
    ),
    /** Kinds of loop it is made for; left out where it suits any. */
    kinds: maybe(flags('Made for', loopKinds)),
    /** Answers of the survey that it goes with, by question; a question that is not named, or not answered, rules nothing out. */
    goesWith: maybe(map('Goes with what the survey found', map('Answers', yes('goes with it'), 40), 40)),
    terminals: map('Terminals, in the order of the strip', terminalRecord),
    ports: map('What the terminals are for', portVariant),
    options: maybe(map('Chosen on the device', optionRecord)),
    probe: maybe(probeFactsRecord),
    controller: maybe(controllerRecord),
    limiter: maybe(limiterFactsRecord),
    load: maybe(loadFactsRecord),
    /** Coil and contacts, or two contacts, may carry mains and safety extra-low voltage side by side. */
    relay: maybe(record('Relay', { separated: maybe(flag('Mains and extra-low voltage side by side')) })),
    permissive: maybe(permissiveFactsRecord),
    body: maybe(bodyRecord),
    /** Holds electronics or surge protection beside what its ports say: insulation voltage would break it. */
    electronics: maybe(flag('Holds electronics or surge protection')),
    /** Made to stand in water that people or animals touch, at its own voltage: reinforced insulation. */
    waterSafe: maybe(flag('Reinforced insulation, for water that is touched')),
    /** Its terminals are marked for conductors at 75 °C. */
    marked75: maybe(flag('Terminals marked 75 °C')),
    note: maybe(text('What a fitter must know', 400)),
  }),
)
