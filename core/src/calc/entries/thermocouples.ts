import { type ThermocoupleType, thermocoupleTypes } from '../../probes/probe'
import { hotJunctionC, thermocoupleMv, thermocoupleRange } from '../../probes/thermocouple'
import { defineCalculation } from '../calculation'
import { requireOnCurve, temperature } from '../commonFields'
import { choice, nullable, number, optional } from '../field'
import { evenly, type LinesPicture, type Spot } from '../picture'

const type = choice('Type', thermocoupleTypes, { says: { J: 'J: iron', K: 'K: nickel-chromium', T: 'T: copper' } })
const coldJunctionC = temperature('Cold junction', { hint: 'Temperature of the terminals at which the wires end' })
const SOURCE = 'ITS-90 reference functions (IEC 60584-1): J −210…1200 °C, K −270…1372 °C, T −270…400 °C'
const CAUTION =
  'The cold junction counts as millivolts, never as degrees added. Use the cable of the same type up to the terminals.'

const picture = (of: ThermocoupleType, coldC: number, hot: Spot): LinesPicture => {
  const [low, high] = thermocoupleRange(of)
  const to = Math.min(high, Math.max(400, hot[0] + 50))
  const cold = thermocoupleMv(of, coldC)
  return {
    kind: 'lines',
    x: { title: 'Hot junction', quantity: 'temperature' },
    y: { title: 'Emf at the terminals', quantity: 'millivolts' },
    lines: [
      {
        title: `Type ${of}`,
        look: 'main',
        points: evenly(Math.max(low, Math.min(-50, hot[0] - 50)), to, 81).map((t): Spot => [
          t,
          thermocoupleMv(of, t) - cold,
        ]),
      },
    ],
    spots: [{ title: 'Here', at: hot }],
  }
}

export const probeEmf = defineCalculation<{ type: ThermocoupleType; hotC: number; coldJunctionC: number }>({
  id: 'probe.emf',
  title: 'Millivolts of a thermocouple',
  find: 'thermocouple type k j t mv emf table cold junction oven',
  inputs: { type, hotC: temperature('Hot junction'), coldJunctionC },
  outputs: { emfMv: number('Emf at the terminals', 'millivolts') },
  formula: 'emf = E(hot) − E(cold), E by the reference function of its type',
  source: SOURCE,
  cautions: [CAUTION],
  examples: [
    {
      given: { type: 'K', hotC: 100, coldJunctionC: 0 },
      gives: { emfMv: 4.096 },
      within: 0.00051,
      source: 'ITS-90 table',
    },
    {
      given: { type: 'J', hotC: 400, coldJunctionC: 0 },
      gives: { emfMv: 21.848 },
      within: 0.00051,
      source: 'ITS-90 table',
    },
    {
      given: { type: 'T', hotC: -50, coldJunctionC: 0 },
      gives: { emfMv: -1.819 },
      within: 0.00051,
      source: 'ITS-90 table',
    },
    {
      given: { type: 'K', hotC: 200, coldJunctionC: 25 },
      gives: { emfMv: 7.138 },
      within: 0.0011,
      source: 'by hand from the ITS-90 table: 8.138 − 1.000',
    },
  ],
  run: ({ type: of, hotC, coldJunctionC: coldC }) => {
    requireOnCurve('hotC', hotC, thermocoupleRange(of))
    requireOnCurve('coldJunctionC', coldC, thermocoupleRange(of))
    return { emfMv: thermocoupleMv(of, hotC) - thermocoupleMv(of, coldC) }
  },
  picture: ({ type: of, hotC, coldJunctionC: coldC }, { emfMv }) => picture(of, coldC, [hotC, emfMv as number]),
})

export const probeHotJunction = defineCalculation<{ type: ThermocoupleType; emfMv: number; coldJunctionC: number }>({
  id: 'probe.hotJunction',
  title: 'Temperature of a thermocouple',
  find: 'thermocouple type k j t millivolts to temperature cold junction compensation oven',
  inputs: { type, emfMv: number('Emf at the terminals', 'millivolts', { min: -100, max: 100 }), coldJunctionC },
  outputs: {
    hotC: nullable(temperature('Hot junction')),
    reason: optional(choice('Reason', ['out-of-range'], { says: { 'out-of-range': 'off the table of this type' } })),
  },
  formula: 'E(hot) = emf + E(cold), the reference function solved backwards',
  source: SOURCE,
  cautions: [CAUTION],
  examples: [
    {
      given: { type: 'K', emfMv: 16.397, coldJunctionC: 0 },
      gives: { hotC: 400 },
      within: 0.02,
      source: 'ITS-90 table',
    },
    {
      given: { type: 'J', emfMv: 10.779, coldJunctionC: 0 },
      gives: { hotC: 200 },
      within: 0.02,
      source: 'ITS-90 table',
    },
    {
      given: { type: 'T', emfMv: 3.287, coldJunctionC: 25 },
      gives: { hotC: 100 },
      within: 0.03,
      source: 'by hand from the ITS-90 table: 3.287 + 0.992 = 4.279 mV, which is 100 °C',
    },
    {
      given: { type: 'T', emfMv: 60, coldJunctionC: 0 },
      gives: { hotC: null, reason: 'out-of-range' },
      source: 'by hand: the table ends at 20.872 mV',
    },
  ],
  run: ({ type: of, emfMv, coldJunctionC: coldC }) => {
    requireOnCurve('coldJunctionC', coldC, thermocoupleRange(of))
    const hotC = hotJunctionC(of, emfMv, coldC)
    return hotC === null ? { hotC, reason: 'out-of-range' } : { hotC }
  },
  picture: ({ type: of, emfMv, coldJunctionC: coldC }, { hotC }) =>
    typeof hotC === 'number' ? picture(of, coldC, [hotC, emfMv]) : null,
})
