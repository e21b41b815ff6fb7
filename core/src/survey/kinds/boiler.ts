import { builds, insulations } from '../../plant/estimate'
import { emitterIds, emitters } from '../emitters'
import { emitterNeed } from '../../plant/emitterCurve'
import { fieldValue } from '../../plant/fieldValue'
import { WATER_J_PER_KG_K } from '../../plant/water'
import {
  build,
  capacity,
  designOutdoor,
  floorArea,
  HOLD,
  insulation,
  loss,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import type { CalcCall } from '../asked'
import type { KindFacts } from '../kindFacts'
import type { Wanted } from '../leaning'
import { asks, asksWhich } from '../question'
import { screedMostC, screedQuestions } from './screedQuestions'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

const fuels = ['gas', 'oil', 'pellet', 'electric'] as const

export const boiler: KindFacts = {
  title: 'Boiler',
  about: 'heating water by the weather, or at one temperature',
  questions: [
    target('Room temperature that the building is heated to.', [5, 35]),
    tolerance('Of the rooms, before anyone minds.'),
    asksWhich(
      HOLD,
      'hotWater',
      'Does it make hot water too',
      {
        no: ['Closed heating circuits only', 'The supply may follow the weather.'],
        stored: [
          'Stored hot water',
          'Never by the reset line: store {60 C}, circulation return {55 C}, anti-scald at the outlet.',
        ],
        plate: ['Through a plate, nothing stored', 'Boiler goes up while a tap runs.'],
      },
      'Look for a cylinder and a second pump.',
      { required: true, safety: true },
    ),
    asks(HOLD, 'storeC', 'Stored at', 'temperature', [10, 95], 'Thermometer at the top of the cylinder.', {
      when: { question: 'hotWater', is: ['stored'] },
      safety: true,
    }),
    designOutdoor(),
    floorArea('Floor area served'),
    insulation,
    build,
    loss,
    capacity,
    asksWhich(
      PLANT,
      'emitter',
      'Gives its heat by',
      {
        'radiators-low': ['Large radiators', 'Cool water will do.'],
        'radiators-old': ['Old radiators', 'Hot water on the coldest day.'],
        convectors: ['Convectors', 'Give little with cool water: keep {40 C} at the mild end.'],
        floor: ['Warm floor', 'Coolest water; the screed\u2019s limiter rules.'],
        coils: ['Fan coils', 'Under {35 C} the air feels cold.'],
      },
      'Walk through the rooms.',
      { required: true },
    ),
    ...screedQuestions(PLANT, { question: 'emitter', is: ['floor'] }),
    asks(
      PLANT,
      'supplyWater',
      'Supply on the design day',
      'temperature',
      [20, 110],
      'From the old setting, or the radiator table.',
    ),
    asks(PLANT, 'waterDrop', 'Supply to return', 'difference', [1, 40], 'Two thermometers, burner settled.'),
    asksWhich(
      PLANT,
      'fuel',
      'Burns',
      {
        gas: ['Gas', 'Licensed trade for gas and flue.'],
        oil: ['Oil', 'Soot when it starts too often.'],
        pellet: ['Wood or pellets', 'Slow, wants a buffer.'],
        electric: ['Nothing, electric', 'Needs a limiter with its own contactor.'],
      },
      'Nameplate.',
    ),
    asksWhich(
      PLANT,
      'condensing',
      'Condensing',
      {
        yes: ['Condensing', 'Cool return pays: under {54 C} it condenses.'],
        no: ['Not condensing', 'Return under its dew point eats it: {55 C} and more at steady burn.'],
      },
      'A plastic flue and a drain say yes.',
      { required: true, safety: true },
    ),
    asks(PLANT, 'returnMin', 'Return not under', 'temperature', [20, 90], 'The boiler\u2019s leaflet.', {
      when: { question: 'condensing', is: ['no'] },
    }),
    asksWhich(
      PLANT,
      'returnLift',
      'What keeps its return warm',
      {
        none: ['Nothing', 'A mixing valve for the rooms does not: it is the return that counts.'],
        loading: ['A loading valve or pump that senses the return', 'Holds the return up at the boiler itself.'],
        own: ['The maker\u2019s own', 'Named in its leaflet.'],
      },
      'Look for a valve with a sensor on the return pipe at the boiler.',
      { when: { question: 'condensing', is: ['no'] }, safety: true },
    ),
    power('Nameplate, or the gas meter by stopwatch.', ['gas-meter', 'volts-amps']),
    asks(
      PLANT,
      'minimumFire',
      'Least fire',
      'percent',
      [5, 100],
      'Nameplate: smallest over greatest heat input; 100 % for one fire.',
    ),
    asks(PLANT, 'water', 'Water in the system', 'litres', [5, 1e5], 'Meter while filling, or litres a kilowatt.'),
    asksWhich(
      SCHOOL,
      'supplySchool',
      'One temperature or by the weather',
      {
        reset: ['Supply follows the weather', 'Less loss, steadier rooms, cooler return.'],
        fixed: ['One supply temperature', 'Simple. Valves in the rooms do the work.'],
      },
      'Ask what the rooms have: valves, or nothing.',
      { school: true },
    ),
    asksWhich(
      SCHOOL,
      'lineSchool',
      'Straight line or emitter curve',
      {
        line: [
          'Straight line between two points',
          'Two numbers to key. A little too cool in mild weather with radiators.',
        ],
        curve: ['Curve of the emitter', 'Fits radiators at every load; one more number to know.'],
      },
      'Both are compared in Set.',
      { school: true, when: { question: 'supplySchool', is: ['reset'] } },
    ),
    asksWhich(
      SCHOOL,
      'outdoorSchool',
      'Weather of now, or averaged',
      {
        instant: ['Of now', 'Quick: right for light houses.'],
        averaged: ['Averaged over hours', 'Calm: right for heavy houses; the summer shut-down does not flutter.'],
      },
      'Light or heavy build?',
      { school: true, when: { question: 'supplySchool', is: ['reset'] } },
    ),
    asksWhich(
      SCHOOL,
      'roomSchool',
      'Room influence',
      {
        without: ['Without', 'Weather alone; nobody\u2019s stove fools it.'],
        with: ['With a room sensor', 'Corrects for sun and guests; the reference room must have no valve of its own.'],
      },
      'Is there a room that stands for all?',
      { school: true, when: { question: 'supplySchool', is: ['reset'] } },
    ),
    asksWhich(
      SCHOOL,
      'through',
      'Boiler itself or a mixing valve',
      {
        boiler: [
          'The boiler itself',
          'Cheap, best with a condensing one. Its burner swing is the supply\u2019s swing.',
        ],
        mixing: [
          'A mixing valve',
          'Supply is steady, the boiler may run hotter than the rooms want. One more drive to prove; it does not keep the return warm.',
        ],
      },
      'A boiler that may not run cool wants its return kept warm besides: say how.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'heating',
  fault: ['duty', 'off'],
  setsTo: ({ supplyWater, emitter }, data) =>
    typeof supplyWater === 'number'
      ? supplyWater
      : fieldValue(data, emitters[emitterIds.find((id) => id === emitter) ?? 'radiators-old'].supply).typical,
  limiterFor: ['element', 'fuel'],
  limiterC: (answers, data) => (answers['emitter'] === 'floor' ? screedMostC(answers, data) : 95),
  swing: () => 'swing.boiler.supply',
  starts: ({ fuel }) => (fuel === 'oil' ? 'starts.boiler.oil' : 'starts.boiler'),
  minimumOff: () => 'off.boiler.gas',
  places: () => ['pipe', 'pocket'],
  leaning: ({ supplySchool, through, emitter, screedKind }) => {
    const mixing = through === 'mixing'
    // A floor has a pump of its own, and a limiter that stops it.
    const floor: readonly Wanted[] =
      emitter === 'floor' && screedKind !== 'none'
        ? [
            { category: 'load', as: 'pump of the floor', does: 'water-flow' },
            { category: 'limiter', as: 'limiter on the pipe to the floor', places: ['pipe'] },
          ]
        : []
    return supplySchool === 'fixed'
      ? {
          control: 'on-off',
          because: 'One supply temperature was chosen.',
          would: 'Following the weather: a sensor outdoors, and the return stays cooler.',
          does: ['fuel', 'element'],
          mostStages: 2,
          also: [{ category: 'probe', as: 'supply probe', places: ['pipe', 'pocket'] }, ...floor],
        }
      : {
          control: 'reset',
          because: 'The load goes with the weather, so the supply does too.',
          would: 'Stored hot water on the same circuit, or valves in every room that want hot water always.',
          does: mixing ? ['water-flow'] : ['fuel', 'element'],
          mostStages: 2,
          band: 'band.valve.supply',
          also: [
            { category: 'probe', as: 'supply probe', places: ['pipe', 'pocket'] },
            { category: 'probe', as: 'outdoor probe', places: ['outdoor'] },
            ...floor,
          ],
        }
  },
  reckon: (asked) => {
    const { data, number, choice, take, typical, power: powerOf } = asked
    const roomC = number('target')
    const outdoorC = number('designOutdoor')
    const emitter = emitters[choice('emitter', emitterIds, 'radiators-old')]
    const made = estimated(asked, {
      kind: 'boiler',
      areaM2: number('floorArea'),
      insulation: choice('insulation', insulations, 'fair'),
      build: choice('build', builds, 'medium'),
    })
    const loadW = Math.max(1, made.lossWPerK * (roomC - outdoorC))
    const supplyC = typical('supplyWater', emitter.supply)
    const dropK = take('waterDrop', {
      value: emitter.dropK,
      low: emitter.dropK * 0.6,
      high: emitter.dropK * 1.5,
      why: 'design drop that goes with these emitters (practice)',
    })
    const oversize = fieldValue(data, 'boiler.oversize')
    const powerW = powerOf('power', ['fuel', 'element'], {
      value: loadW * oversize.typical,
      low: loadW * oversize.low,
      high: loadW * oversize.high,
      why: `design load × ${oversize.low} to ${oversize.high}, as boilers are found (${oversize.source})`,
    })
    const leastShare =
      typical('minimumFire', choice('fuel', fuels, 'gas') === 'gas' ? 'turndown.minfire' : 'turndown.one') / 100
    const content = fieldValue(data, 'water.system')
    const litres = take('water', {
      value: (content.typical * loadW) / 1000,
      low: (content.low * loadW) / 1000,
      high: (content.high * loadW) / 1000,
      why: `${content.low} to ${content.high}, typically ${content.typical} L a kW of load (${content.source})`,
    })
    const meanC = supplyC - dropK / 2
    // Seen from the water: its excess over the room drives the whole load.
    const seen = seenFrom('heating', {
      targetC: supplyC,
      aroundC: roomC,
      lossWPerK: loadW / Math.max(1, meanC - roomC),
      capacityJPerK: litres * WATER_J_PER_KG_K,
      powerW: powerW * leastShare,
    })
    const curve = {
      outdoorC: (roomC + outdoorC) / 2,
      designOutdoorC: outdoorC,
      designSupplyC: supplyC,
      designDropK: dropK,
      roomC,
      exponent: fieldValue(data, emitter.exponent).typical,
    }
    const half = meanC > roomC && outdoorC < roomC ? emitterNeed(curve) : null
    const curveCall = (output: string): CalcCall => ({ calc: 'reset.emitter', input: curve, output })
    return {
      seen: { ...seen, loadW, fullPowerW: powerW },
      harm: 'cold',
      boiler: {
        roomC,
        lossWPerK: made.lossWPerK,
        buildingJPerK: made.capacityJPerK,
        nominalK: Math.max(1, supplyC - roomC),
        exponent: fieldValue(data, emitter.exponent).typical,
        leastShare,
        burns: choice('fuel', fuels, 'gas') !== 'electric',
      },
      lines: [
        { label: 'Load on the design day', value: loadW, quantity: 'power' },
        { label: 'Greatest fire', value: powerW, quantity: 'power' },
        { label: 'Least fire', value: powerW * leastShare, quantity: 'power' },
        { label: 'Return at design', value: supplyC - dropK, quantity: 'temperature' },
        ...(half
          ? [
              {
                label: 'Supply at half load',
                value: half.supplyC,
                quantity: 'temperature' as const,
                worked: curveCall('supplyC'),
              },
              {
                label: 'Return at half load',
                value: half.returnC,
                quantity: 'temperature' as const,
                worked: curveCall('returnC'),
              },
            ]
          : []),
      ],
    }
  },
}
