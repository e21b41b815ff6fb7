import { thermocoupleTypes } from '../../probes/probe'
import {
  choice,
  figure,
  filled,
  flag,
  id,
  list,
  map,
  maybe,
  number,
  open,
  record,
  tuple,
  variant,
} from '../../schema/field'
import { signals } from '../../signal/signal'
import { contactRoles, effects, elementJoins, loadKinds, probePlaces } from '../../choices/deviceChoices'

/** Place of an entry among the others of its map. */
export const order = () => number('place in the list', 'count', { min: 0, max: 1e9 })
/** What a port is called on the device. */
export const title = () => filled('Called', 60)
/** A terminal of the same device. */
const terminal = (word: string) => id(word, 'terminals')
const foot = (word: string) => maybe(terminal(word))
/** Second and third phase of a three-phase device. */
const phases = { l2: foot('Second phase'), l3: foot('Third phase') }
const volts = (word: string, max = 1000) => number(word, 'voltage', { over: 0, max })
const amps = (word: string, max = 10_000) => number(word, 'current', { over: 0, max })
const ohm = (word: string, max: number) => number(word, 'resistance', { over: 0, max })
const milliamps = (word: string, max: number) => number(word, 'milliamps', { over: 0, max })
/** A temperature that a port reads or bears, °C. */
export const degrees = (word: string, min = -273, max = 2000) => number(word, 'temperature', { min, max })
/** A time that a port takes, s. */
export const seconds = (word: string, max: number) => number(word, 'seconds', { min: 0, max })
const current = () => choice('Current', ['ac', 'dc'])
const action = () => choice('Action', ['heating', 'cooling'])
const coefficient = (word: string) => number(word, 'factor')

/** A sensor by its curve. The named one is a real part, whose curve the shelf holds. */
const curves = {
  rtd: record('platinum', { r0Ohm: ohm('At 0 °C', 1e6) }),
  ntc: record('NTC', { r25Ohm: ohm('At 25 °C', 1e7), betaK: number('Beta', 'factor', { over: 0, max: 20_000 }) }),
  steinhart: record('NTC by three coefficients', { a: coefficient('a'), b: coefficient('b'), c: coefficient('c') }),
  'ptc-silicon': record('silicon PTC', { r25Ohm: ohm('At 25 °C', 1e6) }),
  nickel: record('nickel', { r0Ohm: ohm('At 0 °C', 1e6), ppmPerK: figure('ppm a kelvin', [6180, 5000]) }),
  table: record('table', {
    points: list('Points', tuple('point', [degrees('Temperature'), ohm('Resistance', 1e9)]), 2, 200),
  }),
  thermocouple: record('thermocouple', { type: choice('Type', thermocoupleTypes) }),
} as const
type PlainCurves = ReturnType<typeof variant<typeof curves>>
/** A file may also name a real part; its curve is looked up as the file is read (`withParts`), so that nothing in the program holds the name. */
export const probeVariant = variant('Curve', {
  ...curves,
  named: record('real part', { name: filled('Part', 60) }),
}) as unknown as PlainCurves

/** What a load takes electrically. */
export const electricLoadRecord = record('Electrically', {
  kind: choice('Kind', loadKinds),
  powerW: number('Power', 'electricPower', { min: 0, max: 1e7 }),
  volts: volts('At'),
  amps: maybe(amps('Nameplate current')),
  powerFactor: maybe(number('Power factor', 'factor', { over: 0, max: 1 })),
  phases: maybe(figure('Phases', [1, 3])),
  /** How three equal elements are joined between the three phases. */
  joined: maybe(choice('Three elements in', elementJoins)),
  /** Current at switching on over running current. */
  inrush: maybe(number('Inrush over running', 'factor', { over: 0, max: 1000 })),
})

export const supplyVariantRecord = record('supply', {
  order: order(),
  lowV: volts('From'),
  highV: volts('To'),
  current: choice('Current', ['ac', 'dc', 'ac-dc']),
  line: terminal('Line or plus'),
  neutral: terminal('Neutral or minus'),
  earth: foot('Earth'),
  ...phases,
})

export const ratingRecord = record('rating', {
  load: choice('Load', loadKinds),
  volts: volts('At'),
  amps: amps('Carries'),
})

/** A port may be another one by an option: what the choice changes of it is held against the port that comes of it. */
const common = {
  title: title(),
  by: maybe(
    record('Changed by an option', { option: id('Option', 'options'), choices: map('Choices', open('change')) }),
  ),
}
const gives = () => maybe(number('Gives', 'power', { over: 0, max: 1e7 }))
const does = () => choice('Does', effects)
const measured = {
  measures: choice('Measures', ['temperature', 'humidity']),
  signal: choice('Signal', signals),
  low: number('From', 'factor', { min: -273, max: 2000 }),
  high: number('To', 'factor', { min: -273, max: 2000 }),
  plus: terminal('Plus'),
  minus: terminal('Minus'),
}

/** A port is where a device meets another: a set of terminals with one meaning. */
export const portVariant = variant('use', {
  'supply-in': record('Takes a supply', {
    ...common,
    drawsVa: number('Draws', 'apparentPower', { min: 0, max: 1e6 }),
    variants: map('Supplies it takes', supplyVariantRecord),
  }),
  'supply-out': record('Gives a supply', {
    ...common,
    volts: volts('Gives'),
    current: current(),
    protectionA: amps('Fused at', 1000),
    line: terminal('Line or plus'),
    neutral: terminal('Neutral or minus'),
    earth: foot('Earth'),
    ...phases,
    /** Port that moves it, where it is the output of a drive. */
    movedBy: maybe(id('Moved by', 'ports')),
    /** Input that starts and stops it, whatever moves it: the run terminals of a drive. */
    startedBy: maybe(id('Started by', 'ports')),
    /** What a transformer, a power supply or a battery can give. */
    ratedVa: maybe(number('Rated', 'apparentPower', { over: 0, max: 1e6 })),
    /** Safety extra-low voltage: separated from mains by double or reinforced insulation. */
    safety: maybe(flag('Safety extra-low voltage')),
    batteryAh: maybe(number('Battery holds', 'ampereHours', { over: 0, max: 1e5 })),
    /** Residual-current device before this circuit. */
    residualMa: maybe(milliamps('Residual-current device', 1000)),
    /** Class A ground-fault protection: trips at 4 to 6 mA, for circuits up to 150 V to ground. */
    classA: maybe(flag('Class A ground-fault protection')),
    /** Two hots: `line` and `neutral` carry the full voltage between them, half of it each to the neutral named here. */
    midpoint: foot('Two hots: their neutral'),
    /** Volts from a hot to earth, where they are not all of it, half of two hots or a star’s phase: two hots out of three. */
    toEarthV: maybe(volts('Volts to earth')),
    /** The return of its extra-low secondary is earthed at one point. */
    earthedCommon: maybe(flag('Its minus or 0 is earthed')),
  }),
  'probe-out': record('Is a sensor', { ...common, a: terminal('Terminal'), b: terminal('And') }),
  'probe-in': record('Takes a sensor', {
    ...common,
    accepts: { ...probeVariant, word: 'Made for' },
    lowC: degrees('Reads from'),
    highC: degrees('Reads to'),
    a: terminal('Terminal'),
    b: terminal('And'),
    /** Which place of the loop this input is for, where it is not the controlled one. */
    feels: maybe(choice('Only for', probePlaces)),
  }),
  /** Signal of a transmitter: runs straight from `low` to `high`, °C or % RH. */
  'measure-out': record('Sends a measured value', {
    ...common,
    ...measured,
    /** Two-wire: fed through its own loop, dropping this much. */
    loop: maybe(record('Two-wire', { dropV: volts('Drops', 100) })),
  }),
  'measure-in': record('Takes a measured value', {
    ...common,
    ...measured,
    burdenOhm: maybe(ohm('Burden', 1e6)),
    /** Feeds a two-wire transmitter with this much. */
    loopV: maybe(volts('Feeds the loop with', 100)),
  }),
  'signal-out': record('Sends a signal', {
    ...common,
    signal: choice('Signal', signals),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
    /** Most it can source into a voltage input. */
    sourceMa: maybe(milliamps('Gives at most', 1000)),
    /** Most burden of a current loop. */
    mostOhm: maybe(ohm('Into at most', 1e5)),
    /** Its common is the supply's own: two devices on one secondary then share it. */
    common: maybe(choice('Common', ['supply', 'isolated'])),
    action: maybe(action()),
    /** Port that moves it, where it is the far side of a converter. */
    movedBy: maybe(id('Moved by', 'ports')),
  }),
  'signal-in': record('Takes a signal', {
    ...common,
    signal: choice('Signal', signals),
    plus: terminal('Plus'),
    minus: terminal('Minus'),
    does: does(),
    givesW: gives(),
    needMa: maybe(milliamps('Takes', 1000)),
    burdenOhm: maybe(ohm('Burden', 1e6)),
    /** Current that the input itself pushes out. */
    pushesMa: maybe(milliamps('Pushes out', 100)),
    /** Common of the device’s own supply: a bridge at the device joins its minus to it for whoever has one terminal for both. */
    bridgedTo: foot('Bridged to the common'),
    /** Least that moves it, share of its span. */
    leastPercent: maybe(number('Moves from', 'percent', { over: 0, max: 100 })),
  }),
  contact: record('Contact', {
    ...common,
    /** Where the current comes in; of a fed contact where it goes back. */
    common: terminal('Common'),
    make: terminal('Closes to'),
    /** Third terminal of a changeover contact. */
    breaks: foot('Opens from'),
    /** Second pole, moved together with the first: it breaks the other leg. */
    second: maybe(record('Second pole', { common: terminal('Common'), make: terminal('Closes to') })),
    /** Third pole, for the third hot of three phases. */
    third: maybe(record('Third pole', { common: terminal('Common'), make: terminal('Closes to') })),
    ratings: map('Ratings', ratingRecord),
    ratedOperations: number('Rated operations', 'count', { over: 0, max: 1e9 }),
    /** What moves it: the control, the port of a coil on the same device, its own limit, flow, a door, a hand. */
    movedBy: filled('Moved by', 40),
    /** What else it is than a stage of the control. */
    role: maybe(choice('Role', contactRoles)),
    /** Action it is made for, where it cannot be keyed. */
    action: maybe(action()),
    /** Switches the device's own supply (or its own low voltage) out: not a dry contact. */
    fed: maybe(
      record('Switches out a voltage', {
        from: choice('From', ['supply', 'own']),
        volts: volts('Volts'),
        current: current(),
      }),
    ),
    /** A solid-state output: leaks when off, and fails closed. */
    solidState: maybe(record('Solid state', { leakMa: number('Leaks', 'milliamps', { min: 0, max: 100 }) })),
    /** Least that keeps it clean; left out for a plain power contact. */
    least: maybe(record('Least that keeps it clean', { volts: volts('Volts'), amps: amps('Amps', 100) })),
  }),
  /** An input that wants a dry contact, wetted by itself. */
  'contact-in': record('Takes a dry contact', {
    ...common,
    a: terminal('Terminal'),
    b: terminal('And'),
    wets: record('Wets the contact with', { volts: volts('Volts', 300), amps: amps('Amps', 10) }),
    does: does(),
    givesW: gives(),
  }),
  load: record('Load', {
    ...common,
    load: electricLoadRecord,
    does: does(),
    /** Heat or cold it gives, where that is not its electric power. */
    givesW: gives(),
    line: terminal('Line'),
    neutral: terminal('Neutral'),
    earth: foot('Earth'),
    ...phases,
    /** Which of a three-point drive's two inputs it is. */
    role: maybe(choice('Drives', ['open', 'close'])),
  }),
  /** Three wires on which controllers of one group talk. */
  pair: record('Group wires', { ...common, a: terminal('A'), b: terminal('B'), common: terminal('Common') }),
})
