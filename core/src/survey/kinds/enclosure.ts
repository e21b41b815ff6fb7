import { enclosureAreaM2, enclosureHeat, mountings } from '../../plant/enclosure'
import { airSensible } from '../../plant/airSensible'
import { fieldValue } from '../../plant/fieldValue'
import type { CalcCall } from '../asked'
import { HOLD, PLACE, PLANT, power, SCHOOL, siteQuestions, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'

const materials = { steel: 'encl.k.steel', stainless: 'encl.k.stainless', plastic: 'encl.k.plastic' } as const
const materialIds = ['steel', 'stainless', 'plastic'] as const

export const enclosure: KindFacts = {
  title: 'Enclosure',
  about: 'electrical cabinet with a cooler',
  questions: [
    asks(
      HOLD,
      'target',
      'Cooling starts about',
      'temperature',
      [20, 60],
      'What the electronics bear; lower brings condensate and no gain.',
      { required: true },
    ),
    tolerance('Over that, before the electronics mind.'),
    asks(PLACE, 'height', 'Height', 'length', [0.2, 5], 'Tape, outside.', { required: true }),
    asks(PLACE, 'width', 'Width', 'length', [0.2, 10], 'Tape, outside.', { required: true }),
    asks(PLACE, 'depth', 'Depth', 'length', [0.1, 5], 'Tape, outside.', { required: true }),
    asksWhich(
      PLACE,
      'mounting',
      'How it stands',
      {
        'single-free': ['Alone, free all round', 'Gives off most.'],
        'single-wall': ['Alone, back to a wall', 'The back gives less.'],
        'end-free': ['End of a row, free', 'One side covered.'],
        'end-wall': ['End of a row, at a wall', 'One side and the back covered.'],
        'middle-free': ['In a row, free', 'Both sides covered.'],
        'middle-wall': ['In a row, at a wall', 'Front and roof only.'],
        'middle-wall-covered': ['In a row, at a wall, roof covered', 'Front only.'],
      },
      'Walk round it.',
    ),
    asksWhich(
      PLACE,
      'material',
      'Made of',
      {
        steel: ['Painted steel', 'Radiates well.'],
        stainless: ['Bare stainless', 'Radiates badly.'],
        plastic: ['Glass-fibre or plastic', 'Insulates.'],
      },
      'A magnet and a fingernail.',
    ),
    asks(
      PLACE,
      'designOutdoor',
      'Warmest air around it',
      'temperature',
      [-10, 60],
      'Hottest afternoon, at the cabinet.',
      { required: true },
    ),
    asks(PLACE, 'sun', 'Sunlit wall', 'area', [0, 50], 'Face that the sun reaches; 0 indoors.'),
    asks(
      PLANT,
      'heat',
      'Heat inside',
      'power',
      [1, 1e6],
      'Sum of the losses: drives 3 % of their output, power supplies 10 %.',
      { required: true },
    ),
    asksWhich(
      PLANT,
      'cooler',
      'Cooled by',
      {
        air: ['Compressed-air cooler and a valve', 'No moving parts; takes much air. Filtered, dry.'],
        filter: ['Fan and filter', 'Only where outside is cooler than inside.'],
        unit: ['Cooling unit', 'Compressor with its own minimum off time.'],
      },
      'What is there, what is at hand.',
      { required: true },
    ),
    power('Cooling power on the nameplate at your temperatures.', []),
    asksWhich(
      PLANT,
      'compressedAir',
      'Compressed air at hand',
      {
        no: ['No', 'Another way of cooling.'],
        yes: ['Yes, 6 bar, dry, filtered to 5 µm', 'Shut and bleed before opening; ear protection at the vent.'],
        poor: ['Yes, but wet or oily', 'Filter and dryer first: it blows onto electronics.'],
      },
      'Gauge and filter bowl.',
      { when: { question: 'cooler', is: ['air'] } },
    ),
    asksWhich(
      SCHOOL,
      'sensor',
      'Where it feels',
      {
        top: ['In the warm air at the top', 'Protects the hottest part.'],
        inlet: [
          'In the cool air at the drives\u2019 intake',
          'What the drives breathe; cooler than the top by several kelvin.',
        ],
      },
      'Feel where the drives take their air in.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'cooling',
  fault: ['on', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.enclosure.cool',
  starts: ({ cooler }) => (cooler === 'unit' ? 'starts.compressor' : undefined),
  minimumOff: ({ cooler }) => (cooler === 'unit' ? 'off.compressor' : undefined),
  places: () => ['air'],
  leaning: ({ cooler }) => ({
    control: 'on-off',
    because:
      cooler === 'air'
        ? 'A valve and a swing: air is only used while it is warm.'
        : 'On and off with a wide swing; the electronics do not mind.',
    would: 'Electronics that must be held within a kelvin or two.',
    does: [cooler === 'filter' ? 'air-flow' : 'cooling'],
    mostStages: 2,
    also: [],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, typical, power: powerOf } = asked
    const targetC = number('target')
    const outsideC = number('designOutdoor')
    const area = [number('height'), number('width'), number('depth')] as const
    const areaM2 = enclosureAreaM2(...area, choice('mounting', mountings, 'single-wall'))
    const k = typical('conductance', materials[choice('material', materialIds, 'steel')])
    const sunW = take('sun', { value: 0, why: 'indoors (nothing answered)' }) * fieldValue(data, 'encl.sun').typical
    const dissipationW = number('heat') + sunW
    const input = { dissipationW, areaM2, heatTransferWPerM2K: k, insideMaxC: targetC, outsideC }
    const heat = enclosureHeat(input)
    const call = (output: string): CalcCall => ({ calc: 'enclosure.cooling', input, output })
    const size = fieldValue(data, 'encl.oversize')
    // A filter fan takes out what its air carries from inside to outside.
    const fans = asked.chain.devices.flatMap(({ facts }) =>
      Object.values(facts.ports).some((port) => 'does' in port && port.does === 'air-flow')
        ? [facts.load?.movesM3h ?? 0]
        : [],
    )
    const flowM3h = fans.reduce((sum, each) => sum + each, 0)
    const powerW = powerOf(
      'power',
      ['cooling'],
      {
        value: heat.removeW * size.typical,
        low: heat.removeW * size.low,
        high: heat.removeW * size.high,
        why: `what must be removed × ${size.low} to ${size.high} (${size.source})`,
      },
      airSensible(flowM3h, Math.max(0, targetC - outsideC)).powerW,
    )
    const stored = fieldValue(data, 'cap.enclosure')
    const capacityJPerK = take('capacity', {
      value: stored.typical * 1000 * areaM2,
      low: stored.low * 1000 * areaM2,
      high: stored.high * 1000 * areaM2,
      why: `${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`,
    })
    return {
      seen: {
        ...seenFrom('cooling', {
          targetC,
          aroundC: outsideC,
          gainW: dissipationW,
          lossWPerK: k * areaM2,
          capacityJPerK: capacityJPerK / 4,
          powerW,
        }),
      },
      harm: 'heat',
      lines: [
        { label: 'Gets, uncooled', value: heat.uncooledC, quantity: 'temperature', worked: call('uncooledC') },
        { label: 'Heat to remove', value: heat.removeW, quantity: 'power', worked: call('removeW') },
        { label: 'Cooler', value: powerW, quantity: 'power' },
      ],
    }
  },
}
