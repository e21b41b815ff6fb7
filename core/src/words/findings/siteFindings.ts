import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about the place. */
export const siteFindings = {
  C052_EXPLOSIVE: (): Sentences => ({
    head: 'Explosive atmosphere: stop.',
    reason: 'A contact, an element or a motor can be the spark.',
    remedy: 'Leave it, and refer it to a specialist for such places.',
  }),
  C059_NO_CO_ALARM: (): Sentences => ({
    head: 'No carbon monoxide alarm.',
    reason: 'Exhaust that leaks in has no smell; who sleeps does not wake.',
    remedy: 'Fit one in the cabin, in date, and press its button. Not before that a start.',
  }),
  C058_TIMED_START_ENCLOSED: (f: { readonly tag: string }): Sentences => ({
    head: `${f.tag} can start by the clock where exhaust stays.`,
    reason: 'It is parked in a closed space: a timed start fills it with exhaust.',
    remedy: 'A controller without a timer, or never park it closed. Change the answer only when that is certain.',
  }),
  C049_RESET_GOVERNS_HOT_WATER: (
    f: { readonly tag: string; readonly dhwStore: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `The ${term('resetCurve')} would govern stored hot water.`,
    reason: `${f.tag} lets the boiler cool down in mild weather; the store needs ${say(f.dhwStore, 'temperature', 0)} always (Legionella).`,
    remedy: `Heating through a mixing valve, or a cylinder call that overrides the line to ${say(f.dhwStore, 'temperature', 0)} and more.`,
  }),
  C051_STORE_TOO_COOL: (
    f: { readonly storeC: number; readonly needC: number; readonly dhwReturn: number },
    { say }: Words,
  ): Sentences => ({
    head: 'Stored hot water is too cool.',
    reason: `${say(f.storeC, 'temperature', 0)}; between ${say(20, 'temperature', 0)} and ${say(50, 'temperature', 0)} Legionella grow, so it is stored at ${say(f.needC, 'temperature', 0)}.`,
    remedy: `Store at ${say(f.needC, 'temperature', 0)}, circulation back at ${say(f.dhwReturn, 'temperature', 0)}, anti-scald at the outlet; or a written plan by who may.`,
  }),
  C048_RETURN_UNDER_DEW_POINT: (
    f: {
      readonly coolestC: number
      readonly fixed: boolean
      readonly outdoorC: number | undefined
      readonly needC: number
      readonly through: string | number | undefined
    },
    { say }: Words,
  ): Sentences => ({
    head: 'The return is too cool for this boiler.',
    reason: `${say(f.coolestC, 'temperature', 0)} at ${f.fixed ? 'design' : f.outdoorC !== undefined ? `${say(f.outdoorC, 'temperature', 0)} outdoors` : 'half load'}, at steady burn; it wants ${say(f.needC, 'temperature', 0)} or its flue gas condenses in it.${f.through === 'mixing' ? ' The mixing valve for the rooms sends its return back all the same.' : ''}`,
    remedy:
      'A loading valve or pump at the boiler that senses its return, or the maker\u2019s own: say which in Survey. Cold starts may pass it.',
  }),
  C047_FREEZE_MARGIN: (
    f: {
      readonly freezeC: number
      readonly leaves: boolean
      readonly coldestC: number
      readonly marginK: number
      readonly kind: 'water' | 'pg' | 'eg'
    },
    { say }: Words,
  ): Sentences => ({
    head: 'The liquid can freeze in the evaporator.',
    reason: `First ice at ${say(f.freezeC, 'temperature')}, ${!f.leaves ? 'evaporating down to' : 'leaving at'} ${say(f.coldestC, 'temperature')}: at least ${say(f.marginK, 'difference', 0)} apart is wanted.`,
    remedy:
      f.kind === 'water'
        ? 'Antifreeze, or a higher target with a low-temperature cut-out.'
        : 'More antifreeze, measured with a refractometer.',
  }),
  C068_THIN_GLYCOL: (f: { readonly percent: number; readonly leastPercent: number }, { say }: Words): Sentences => ({
    head: 'Thin glycol feeds bacteria and corrodes.',
    reason: `${say(f.percent, 'percent')}; under ${say(f.leastPercent, 'percent')} it is food, not protection.`,
    remedy: `Bring it to ${say(f.leastPercent, 'percent')} or more, with inhibitor.`,
  }),
  C061_UNIT_NOT_FOR_THIS: (f: { readonly refrigerant: 'inverter' | 'flammable' }): Sentences => ({
    head:
      f.refrigerant === 'inverter'
        ? 'An inverter unit is not to be told to run on.'
        : 'A flammable refrigerant: hands off.',
    reason:
      f.refrigerant === 'inverter'
        ? 'Its electronics rule the compressor: a split wire or a warmed sensor breaks it.'
        : 'A relay, a heater or a lamp near it can be the spark; opening it is for licensed people.',
    remedy: 'A unit made for cold rooms.',
  }),
  C065_LAMP_NEAR_FOAM: (): Sentences => ({
    head: 'A lamp or heater to warm the sensor is a fire hazard.',
    reason: 'Near foil, foam and refrigerant pipe it chars and burns unseen.',
    remedy: 'The ready-made warmer of a few watts at the sensor alone; never at the coil\u2019s freeze sensor.',
  }),
  C071_WETTER_AIR: (): Sentences => ({
    head: 'Outdoor air that is wetter never dries.',
    reason: 'On such days the humidity demand only blows.',
    remedy: 'Hold the dew points against each other; let temperature rule then.',
  }),
  C066_HOUSING: (f: { readonly tag: string; readonly protection: number; readonly needs: number }): Sentences => ({
    head: `${f.tag} is not closed enough for its place.`,
    reason: `IP${f.protection}; ${f.needs === 54 ? 'splashed or in the rain' : 'damp or under a roof'} wants IP${f.needs} or better.`,
    remedy: 'Put it into a closed box with glands downwards, or in a dry place.',
  }),
  C072_FOUND_NOT_WRITTEN: (): Sentences => ({
    head: 'Keyed, and nobody wrote down what was there.',
    reason: 'Without it there is no way back, and no telling what was wrong.',
    remedy: 'Write down what is still known under \u201cAs found\u201d, or that there was nothing.',
  }),
}
