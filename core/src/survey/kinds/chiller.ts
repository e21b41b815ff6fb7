import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'
import { loss, PLACE, PLANT, power, SCHOOL, siteQuestions, target, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'
import { freezePoint, liquids } from './freezePoint'

export const chiller: KindFacts = {
  title: 'Chiller',
  about: 'staged brine or chilled water',
  questions: [
    target('Of the liquid, where the school below says.', [-30, 25]),
    tolerance(),
    asks(PLACE, 'volume', 'Liquid in the loop', 'volume', [0.02, 5000], 'Tank by tape, pipes by litres a metre.', {
      required: true,
      ways: ['sides-volume'],
    }),
    asksWhich(
      PLACE,
      'insulation',
      'Tank and pipes are',
      {
        poor: ['Bare', 'Sweat and lose.'],
        fair: ['Thinly insulated', 'Common.'],
        good: ['Well insulated', 'Closed, vapour-tight.'],
      },
      'Feel for sweat.',
      { required: true },
    ),
    asks(PLACE, 'designOutdoor', 'Warmest air around it', 'temperature', [-10, 50], 'Of the plant room.', {
      required: true,
    }),
    loss,
    asks(
      PLACE,
      'heat',
      'Load at its greatest',
      'power',
      [10, 1e7],
      'What is cooled: nameplates, or flow times difference.',
      { required: true },
    ),
    asksWhich(
      PLANT,
      'liquid',
      'Liquid',
      {
        water: ['Water', 'Never near {0 C}: cut-out at {4 C}.'],
        pg: ['Propylene glycol', 'Where food or animals are.'],
        eg: ['Ethylene glycol', 'Poisonous: closed plants only.'],
      },
      'Refractometer, and the label at the filling point.',
      { required: true },
    ),
    asks(PLANT, 'glycol', 'Share of glycol', 'percent', [0, 60], 'Refractometer. Under 25 % it feeds bacteria.', {
      when: { question: 'liquid', is: ['pg', 'eg'] },
    }),
    asks(
      PLANT,
      'evaporating',
      'Lowest evaporating temperature',
      'temperature',
      [-45, 20],
      'Suction gauge by licensed people; else {8 K} under what leaves.',
    ),
    asks(PLANT, 'stages', 'Compressors or steps', 'count', [1, 8], 'Count them.', { required: true }),
    power('Cooling power of all steps together, nameplate at your temperatures.', []),
    asksWhich(
      SCHOOL,
      'waterSchool',
      'Control on return or on leaving liquid',
      {
        return: ['Return', 'Steps follow the load by themselves; leaving liquid wanders.'],
        leaving: ['Leaving', 'Steady supply; needs delays, and the freeze margin is nearer.'],
      },
      'Ask what minds: the plant or what it cools.',
      { school: true },
    ),
    asksWhich(
      SCHOOL,
      'stageSchool',
      'Spaced setpoints or one with delays',
      {
        spaced: ['Spaced setpoints', 'Each step has its own; always told why it runs.'],
        delays: ['One setpoint, delays between', 'Tighter; hunts when the delay is short.'],
      },
      'A controller with as many sets as steps can do both.',
      { school: true },
    ),
    asksWhich(
      SCHOOL,
      'lead',
      'Fixed lead or rotation',
      {
        fixed: ['Fixed lead', 'One wears first, the spare is fresh.'],
        rotate: ['Rotation', 'Even wear; they tire together.'],
      },
      'Ask about service.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'cooling',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 4,
  swing: () => 'swing.chiller.single',
  starts: () => 'starts.compressor',
  minimumOff: () => 'off.compressor',
  places: () => ['pipe', 'pocket'],
  leaning: () => ({
    control: 'staged',
    because: 'Compressors in steps: as many as the load asks for.',
    would: 'One compressor that is large enough and stays off long enough, or an inverter that follows by itself.',
    does: ['cooling'],
    mostStages: 4,
    also: [
      { category: 'probe', as: 'probe in the pipe', places: ['pipe', 'pocket'] },
      { category: 'permissive', as: 'flow switch', senses: 'flow' },
      { category: 'permissive', as: 'freeze thermostat', senses: 'frost' },
    ],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const made = estimated(asked, {
      kind: 'chiller',
      volumeM3: number('volume'),
      insulation: choice('insulation', insulations, 'fair'),
    })
    const loadW = number('heat')
    const size = fieldValue(data, 'chiller.oversize')
    const powerW = powerOf('power', ['cooling'], {
      value: loadW * size.typical,
      low: loadW * size.low,
      high: loadW * size.high,
      why: `greatest load × ${size.low} to ${size.high} (${size.source})`,
    })
    const liquid = choice('liquid', liquids, 'water')
    const percent =
      liquid === 'water'
        ? 0
        : take('glycol', { value: 30, low: 25, high: 40, why: 'usual share (practice); measure it' })
    // Where the return is held, what leaves is colder by the drop at full load: that counts for ice.
    const drop = fieldValue(data, 'ch.drop')
    const leavingC = take(
      'leaving',
      choice('waterSchool', ['return', 'leaving'], 'leaving') === 'return'
        ? {
            value: targetC - drop.typical,
            low: targetC - drop.high,
            high: targetC - drop.low,
            why: `held on the return, less the drop at full load (${drop.source})`,
          }
        : { value: targetC, low: targetC, high: targetC, why: 'the leaving liquid is held' },
    )
    const evaporatingC = take('evaporating', {
      value: leavingC - 8,
      low: leavingC - 12,
      high: leavingC - 5,
      why: 'leaving liquid less {8 K} (practice)',
    })
    const freezeC = freezePoint(liquid, percent, data)
    const seen = seenFrom('cooling', {
      targetC,
      aroundC,
      gainW: loadW,
      lossWPerK: made.lossWPerK,
      capacityJPerK: made.capacityJPerK,
      powerW,
    })
    return {
      seen,
      harm: 'cold',
      lines: [
        { label: 'Load at its greatest', value: seen.loadW, quantity: 'power' },
        { label: 'All steps together', value: powerW, quantity: 'power' },
        { label: 'Leaves at', value: leavingC, quantity: 'temperature' },
        { label: 'First ice', value: freezeC, quantity: 'temperature' },
        { label: 'Lowest evaporating', value: evaporatingC, quantity: 'temperature' },
      ],
    }
  },
}
