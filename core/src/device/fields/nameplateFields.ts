import { motorTurns } from '../../choices/deviceChoices'
import { choice, figure, maybe, number, record } from '../../schema/field'

/** What stands on the plate of the very device, where it is another than the shelf's usual one. */
export const nameplateRecord = record('nameplate', {
  powerW: maybe(number('power it takes', 'electricPower', { over: 0, max: 1e7 })),
  volts: maybe(number('volts', 'voltage', { over: 0, max: 1000 })),
  phases: maybe(figure('phases', [1, 3])),
  amps: maybe(number('current', 'current', { over: 0, max: 10_000 })),
  powerFactor: maybe(number('power factor', 'factor', { over: 0, max: 1 })),
  /** Heat or cold at the point it works at; of a compressor that of its real evaporating temperature. */
  givesW: maybe(number('heat or cold it gives', 'power', { over: 0, max: 1e7 })),
  startsPerHour: maybe(number('starts an hour at most', 'perHour', { over: 0, max: 1000 })),
  minimumOffS: maybe(number('minimum off time', 'seconds', { min: 0, max: 1e5 })),
  /** Of a motor on a drive. */
  ratedHz: maybe(number('frequency', 'frequency', { over: 0, max: 400 })),
  leastHz: maybe(number('slowest', 'frequency', { min: 0, max: 400 })),
  turns: maybe(choice('turns, seen onto its shaft', motorTurns)),
  /** Of a transformer or a power supply. */
  ratedVa: maybe(number('it can give', 'apparentPower', { over: 0, max: 1e6 })),
})
