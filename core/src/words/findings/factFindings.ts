import { capital } from '../terms'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about one figure that two sources tell otherwise. */
export const factFindings = {
  C143_POWERS_DIFFER: (
    f: {
      readonly answeredW: number
      readonly measured: boolean
      readonly platesW: number
      readonly tags: readonly string[]
      /** The power that counts. */
      readonly countsW: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `The survey says ${say(f.answeredW, 'power')}, the plates ${say(f.platesW, 'power')}.`,
    reason: `${say(f.countsW, 'power')} counts${f.measured ? ', as it was measured' : ''}; contacts, wires and fuses go by the ${f.tags.length > 1 ? 'plates' : 'plate'} of ${f.tags.join(' and ')}.`,
    remedy: 'Read the plate, and make both the same.',
  }),
  C150_GOODS_BEAR_LESS: (
    f: { readonly target: number; readonly tolerance: number; readonly most: number },
    { say }: Words,
  ): Sentences => ({
    head: `The goods bear ${say(f.most, 'temperature')}.`,
    reason: `The target is ${say(f.target, 'temperature')}, and it may go ${say(f.tolerance, 'difference')} over.`,
    remedy: `A target of ${say(f.most - f.tolerance, 'temperature')} or less, a narrower tolerance, or other goods.`,
  }),
  C149_AIR_DIFFERS: (
    f: {
      readonly answeredM3h: number
      readonly measured: boolean
      readonly platesM3h: number
      readonly tags: readonly string[]
    },
    { say }: Words,
  ): Sentences => ({
    head: `The survey says ${say(f.answeredM3h, 'airFlow')}, the ${f.tags.length > 1 ? 'fans' : 'fan'} ${say(f.platesM3h, 'airFlow')}.`,
    reason: `${say(f.answeredM3h, 'airFlow')} counts${f.measured ? ', as it was measured' : ''}; ${f.tags.join(' and ')} ${f.tags.length > 1 ? 'move' : 'moves'} ${say(f.platesM3h, 'airFlow')} by the plate, in free air.`,
    remedy: 'Choose a fan of that size, or take what this one moves. Ducts and filters take some of it.',
  }),
  C154_PLATE_CONTRADICTS: (
    f: {
      readonly tag: string
      readonly powerW: number
      readonly volts: number
      readonly amps: number
      /** What these volts and amperes carry at most. */
      readonly carriesW: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `The plate of ${f.tag} contradicts itself: ${say(f.powerW, 'electricPower')}, ${say(f.volts, 'voltage', 0)}, ${say(f.amps, 'current', 1)}.`,
    reason:
      f.powerW > f.carriesW
        ? `${say(f.amps, 'current', 1)} at ${say(f.volts, 'voltage', 0)} carry ${say(f.carriesW, 'electricPower')} at most.`
        : `A heater that draws ${say(f.amps, 'current', 1)} at ${say(f.volts, 'voltage', 0)} gives ${say(f.carriesW, 'electricPower')}.`,
    remedy: 'Read the plate again: a plate for several volts gives a power and a current for each.',
  }),
  C144_NOT_AT_HAND: (
    f: { readonly tag: string; readonly volts: number; readonly found: string },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} gives ${say(f.volts, 'voltage', 0)}; that is not at hand.`,
    reason: `The survey found: ${f.found}.`,
    remedy: 'Choose a circuit of what is there, or have the licensed trade bring one and answer it so.',
  }),
  C156_OTHER_PRACTICE: (f: {
    readonly tag: string
    readonly name: string
    readonly own: string
    readonly job: string
  }): Sentences => ({
    head: `${f.tag} ${f.name} is made for ${f.own}; this job is in ${f.job}.`,
    reason: 'Its volts, terminals and approvals are those of the other practice.',
    remedy: 'Choose one of this practice, or put the job right under Job details.',
  }),
  C157_MAINS_OF_OTHER_PRACTICE: (f: { readonly found: string; readonly job: string }): Sentences => ({
    head: `${f.found} is not found in ${f.job}.`,
    reason: 'The survey says so, and the job is in that practice.',
    remedy: 'Measure it again and answer what is there, or put the practice of the job right under Job details.',
  }),
  C158_NO_RETURN_WIRE: (
    f: { readonly tag: string; readonly terminal: string; readonly mains: boolean },
    { term }: Words,
  ): Sentences => ({
    head: `${f.tag} needs a ${f.mains ? 'neutral' : 'common'} at ${f.terminal}, and none is there.`,
    reason: 'It runs on what comes back through that wire; the survey found none where it goes.',
    remedy: `Have one pulled by the licensed trade, and answer it so; a new proposal looks for a control that runs without. ${capital(term('earth'))} never stands in for it.`,
  }),
  C145_NO_COMPRESSED_AIR: (f: { readonly poor: boolean }): Sentences => ({
    head: f.poor ? 'The compressed air is wet or oily.' : 'No compressed air for the cooler.',
    reason: f.poor
      ? 'The cooler blows it onto electronics.'
      : 'A cooler by compressed air was chosen, and none is at hand.',
    remedy: f.poor
      ? 'A filter to 5 µm and a dryer before it.'
      : 'Another way of cooling, or a line of dry filtered air.',
  }),
  C146_BATTERY_TOO_SMALL: (
    f: { readonly hours: number; readonly wanted: number; readonly capacityAh: number; readonly needsAh: number },
    { say }: Words,
  ): Sentences => ({
    head: `The battery lasts ${say(f.hours, 'hours')} of ${say(f.wanted, 'hours')}.`,
    reason: `${say(f.capacityAh, 'ampereHours', 0)} on the coldest night, with the starts and the glow counted.`,
    remedy: `A battery of ${say(f.needsAh, 'ampereHours', 0)}, less loss, or a lower target at night.`,
  }),
  C148_OTHER_THAN_ANSWERED: (f: {
    readonly tag: string
    readonly name: string
    readonly question: string
    readonly answered: string
    readonly suits: readonly string[]
  }): Sentences => ({
    head: `${f.tag} is another sort than was answered.`,
    reason: `${f.question}: ${f.answered} in the survey; ${f.name} goes with ${f.suits.join(' or ')}.`,
    remedy: `Choose another from the shelf or add it from its leaflet; or look again and answer ${f.suits.join(' or ')}.`,
  }),
  C147_HEATS_WITHOUT_FAN: (f: { readonly tag: string }, { term }: Words): Sentences => ({
    head: `${f.tag} can heat without its fan.`,
    reason: 'Moved air carries the heat off; in still air the element and what lies near it overheat.',
    remedy: `An air-flow switch in its line. The ${term('limiter')} stays.`,
  }),
}
