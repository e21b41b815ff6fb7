import type { Quantity } from '../../units/quantity'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Why no defrost can be drawn. */
export type NoDefrost = 'never' | 'no-longest' | 'too-long'

/** The same in words. */
export const noDefrostWords: Readonly<Record<NoDefrost, string>> = {
  never: 'Never by the clock: the coil fills with ice until nothing comes through.',
  'no-longest': 'A longest time is needed: without one a broken coil probe melts on for ever.',
  'too-long': 'The defrost takes longer than the time between two.',
}

const OFF_PLATE = {
  motorCurrent: 'The drive lets the motor burn before it trips.',
  fastest: 'Over the frequency of its plate the motor is driven faster than its bearings and its fan are made for.',
  slowest: 'Under it the motor does not cool itself.',
} as const

/** Sentences of the findings about what a controller does by itself. */
export const controllerFindings = {
  C159_DRIVE_OFF_PLATE: (
    f: {
      readonly tag: string
      readonly motor: string
      readonly name: string
      readonly quantity: Quantity
      readonly keyed: number
      readonly plate: number
      readonly binds: 'motorCurrent' | 'fastest' | 'slowest'
    },
    { say }: Words,
  ): Sentences => ({
    head: `${f.name} of ${f.tag} goes past the plate of ${f.motor}.`,
    reason: `${say(f.keyed, f.quantity)} planned, ${say(f.plate, f.quantity)} on the plate. ${OFF_PLATE[f.binds]}`,
    remedy: `Plan what the plate says; where the plate was misread, correct it under Match, ${f.motor}.`,
  }),
  C101_LINE_UNDER_NEED: (f: { readonly shortK: number }, { say }: Words): Sentences => ({
    head: 'The line stays under what the emitters need.',
    reason: `By up to ${say(f.shortK, 'difference')} while there is a load: rooms stay cool there.`,
    remedy: 'Raise the point that is too low, or the minimum.',
  }),
  C102_NO_FROST_PROTECTION: (f: { readonly designOutdoorC: number }, { say, term }: Words): Sentences => ({
    head: `A ${term('warmWeatherShutdown')}, and no frost protection.`,
    reason: `Design day ${say(f.designOutdoorC, 'temperature', 0)}: whatever stops the heating must give way to frost.`,
    remedy: 'Plan frost protection.',
  }),
  C103_LINE_OVER_SCREED: (
    f: { readonly hottest: number; readonly known: boolean; readonly screed: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `The line goes over what a ${term('screed')} bears.`,
    reason: `${say(f.hottest, 'temperature', 0)} at its hottest; ${!f.known ? `a ${term('screed')} of unknown kind` : `this ${term('screed')}`} takes ${say(f.screed, 'temperature', 0)} at the pipe.`,
    remedy: `A lower maximum, and a ${term('limiter')} of its own in the supply.`,
  }),
  C100_LINE_CROSSED: (
    f: {
      readonly crossed: boolean
      readonly warmOutdoorC: number
      readonly designOutdoorC: number
      readonly minimumSupplyC: number
      readonly maximumSupplyC: number
    },
    { say }: Words,
  ): Sentences => ({
    head: f.crossed ? 'The warm point is colder than the cold one.' : 'Minimum supply is over the maximum.',
    reason: f.crossed
      ? `Warm at ${say(f.warmOutdoorC, 'temperature')} outdoors, cold at ${say(f.designOutdoorC, 'temperature')}.`
      : `Minimum ${say(f.minimumSupplyC, 'temperature')}, maximum ${say(f.maximumSupplyC, 'temperature')}.`,
    remedy: f.crossed ? 'Move the points apart: the warm one to the right.' : 'Lower the minimum or raise the maximum.',
  }),
  C106_PERIODS_OVERLAP: (f: {
    readonly first: string
    readonly second: string
    readonly minutes: number
  }): Sentences => ({
    head: 'Two periods overlap.',
    reason: `${f.first} and ${f.second} share ${f.minutes} minutes a week; they count as one.`,
    remedy: 'Move one, or close this with a reason when it is meant.',
  }),
  C107_PERIODS_TOO_MANY: (f: {
    readonly tag: string
    readonly most: number
    readonly periodsCount: number
    readonly over: number
  }): Sentences => ({
    head: `${f.tag} takes ${f.most} periods.`,
    reason: `${f.periodsCount} are planned: the last ${f.over === 1 ? 'one is' : `${f.over} are`} not keyed.`,
    remedy: 'Join some, or choose a controller with more.',
  }),
  C108_DEFROST_NEVER: (f: { readonly everyH: number; readonly none: NoDefrost }): Sentences => ({
    head: f.everyH === 0 ? 'It never defrosts.' : 'The defrost does not fit.',
    reason: noDefrostWords[f.none],
    remedy: 'Plan defrosts, as often as they are usual.',
  }),
  C109_DEFROST_ENDLESS: (_: object): Sentences => ({
    head: 'Electric defrost without a longest time.',
    reason: 'A coil probe that falls off never gets warm: the heater melts on in a closed coil.',
    remedy: 'Plan a longest time.',
  }),
  C110_DEFROST_CUT_SHORT: (f: { readonly longestMin: number; readonly endC: number }, { say }: Words): Sentences => ({
    head: 'The defrost is cut short.',
    reason: `The longest time of ${say(f.longestMin, 'minutes')} is over before the coil is at ${say(f.endC, 'temperature')}: ice stays and grows.`,
    remedy: 'More time, more often, or more heat.',
  }),
  C111_FAN_BACK_WARM: (f: { readonly fanBackC: number }, { say }: Words): Sentences => ({
    head: 'The fan comes back while the coil is wet.',
    reason: `At ${say(f.fanBackC, 'temperature')} it throws water and warm air into the room.`,
    remedy: 'Plan it back on a colder coil.',
  }),
  C112_CUT_OFF_LOW: (
    f: {
      readonly cutOffV: number
      readonly leftAh: number | undefined
      readonly afterRunAh: number
    },
    { say }: Words,
  ): Sentences => ({
    head: 'The cut-off leaves nothing for the after-run.',
    reason: `${say(f.cutOffV, 'voltage', 1)} under load${f.leftAh === undefined ? '' : `, about ${say(f.leftAh, 'ampereHours', 1)} left`}; the after-run takes ${say(f.afterRunAh, 'ampereHours', 2)} and must finish.`,
    remedy: 'A higher cut-off, or a larger battery.',
  }),
  C113_START_CUTS_OFF: (
    f: { readonly glowDropV: number; readonly glowS: number; readonly holdS: number; readonly startsAboveV: number },
    { say }: Words,
  ): Sentences => ({
    head: 'A start cuts itself off.',
    reason: `The glow pulls the controller down by ${say(f.glowDropV, 'voltage', 1)} for ${say(f.glowS, 'seconds')}, longer than the hold of ${say(f.holdS, 'seconds')}: under ${say(f.startsAboveV, 'voltage', 1)} at the battery it never starts.`,
    remedy: 'A longer hold as far as the keys go, thicker cable, or a lower cut-off.',
  }),
  C114_RESTART_HUNTS: (f: { readonly runDropV: number; readonly restartV: number }, { say }: Words): Sentences => ({
    head: 'It starts again at once.',
    reason: `Without current the voltage rises by ${say(f.runDropV, 'voltage', 1)}; restart at ${say(f.restartV, 'voltage', 1)} is no more than that over the cut-off.`,
    remedy: 'A higher restart.',
  }),
}
