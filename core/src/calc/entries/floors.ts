import { type Build, builds, type Insulation, insulations } from '../../plant/estimate'
import { estimatePlant } from '../../kinds/estimatePlant'
import { type LoopKind, loopKinds } from '../../kinds/kinds'
import { floorLimit, floorOutput, floorSurface, type FloorZone, floorZones } from '../../plant/floorOutput'
import { type FloorFacts, floorPlant } from '../../plant/floorPlant'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { difference, temperature } from '../commonFields'
import { choice, type Fields, number, object, optional, text, yes } from '../field'
import { evenly, type LinesPicture, type Spot } from '../picture'

const estimates: Fields = {
  lossWPerK: number('Heat loss', 'loss', { symbol: 'H' }),
  capacityJPerK: number('Heat stored', 'capacity', { symbol: 'C' }),
  quickCapacityJPerK: number('What a cycle sees', 'capacity'),
  timeConstantH: number('Time constant', 'hours', { symbol: 'τ' }),
}

export const plantEstimate = defineCalculation<{
  kind: LoopKind
  areaM2?: number
  volumeM3?: number
  insulation: Insulation
  build?: Build
}>({
  id: 'plant.estimate',
  title: 'Loss and heat stored, estimated',
  find: 'heat loss coefficient capacity guess building size insulation time constant how big nobody knows',
  inputs: {
    kind: choice('Kind', loopKinds),
    areaM2: optional(
      number('Area', 'area', {
        over: 0,
        max: 1e6,
        hint: 'Floor served, water surface, or effective surface of an enclosure',
      }),
    ),
    volumeM3: optional(number('Volume', 'volume', { over: 0, max: 1e6, hint: 'Of water, room or cabinet' })),
    insulation: choice('Insulation', insulations),
    build: optional(choice('Build', builds, { hint: 'For what stands in a building' })),
  },
  outputs: {
    ...estimates,
    low: object('Low', estimates),
    high: object('High', estimates),
    why: text('Why', { longest: 2000 }),
  },
  formula:
    'H = loss per m² × area; C = stored per m² or m³ × size; τ = C/H; low pairs little heat with much loss, high the other way round',
  source:
    'field data: loss.*, cap.*, water.system, pool.u.*, encl.k.*, cr.u.*, u.*, van.ua.* (ISO 13790 classes, practice)',
  cautions: ['An estimate: the spread is real. A measured cool-down is better.'],
  examples: [
    {
      given: { kind: 'floor', areaM2: 38, insulation: 'fair', build: 'medium' },
      gives: { lossWPerK: 68.4, capacityJPerK: 6_270_000, quickCapacityJPerK: 1_520_000, timeConstantH: 25.46296 },
      source: 'by hand from the field data: 1.8 × 38, 165 × 38, 40 × 38, C/H',
    },
    {
      given: { kind: 'room', areaM2: 100, insulation: 'good', build: 'heavy' },
      gives: { lossWPerK: 90, capacityJPerK: 26_000_000, timeConstantH: 80.24691 },
      source: 'by hand from the field data: 0.9 × 100, 260 × 100',
    },
    {
      given: { kind: 'pool', areaM2: 40, volumeM3: 60, insulation: 'good' },
      gives: { lossWPerK: 320, capacityJPerK: 250_468_344 },
      source: 'by hand: 8 × 40 under a cover; 60 × 998.2 × 4182',
    },
    {
      given: { kind: 'cold-room', volumeM3: 30, insulation: 'fair' },
      gives: { lossWPerK: 19.45049, capacityJPerK: 1_800_000 },
      source: 'by hand: 0.22 × 6.6 × 30^(2/3) + 70/√30 × 30 × 0.34/24; 60 × 30',
    },
    {
      given: { kind: 'boiler', areaM2: 200, insulation: 'fair' },
      gives: { lossWPerK: 360, quickCapacityJPerK: 577_079.06 },
      source: 'by hand: 360 W/K × 32 K × 12 L/kW of water',
    },
  ],
  run: (input, { fields }) => estimatePlant(input, fields),
  picture: (_, output) => {
    const hours = (of: unknown) => (of as { timeConstantH: number }).timeConstantH
    return {
      kind: 'bars',
      value: { title: 'Time constant', quantity: 'hours' },
      bars: [
        { title: 'low', value: hours(output['low']) },
        { title: 'typical', value: hours(output) },
        { title: 'high', value: hours(output['high']) },
      ],
    }
  },
})

export const floorPlantEntry = defineCalculation<Omit<FloorFacts, 'pitchMm'> & { pitchMm: number }>({
  id: 'floor.plant',
  title: 'The floor as two stores of heat',
  find: 'hydronic floor screed pipe pitch supply power into floor slab',
  inputs: {
    targetC: temperature('Target', { min: -20, max: 80 }),
    probePlace: choice('Controlled', ['screed', 'room']),
    designOutdoorC: temperature('Design outdoor', { min: -90, max: 70 }),
    areaM2: number('Floor area', 'area', { over: 0, max: 1e6 }),
    lossWPerK: number('Heat loss', 'loss', { over: 0, max: 1e9 }),
    quickCapacityJPerK: number('What an air cycle sees', 'capacity', { over: 0 }),
    screedM: number('Screed thickness', 'thickness', { over: 0, max: 1 }),
    pitchMm: number('Pipe pitch, mm', 'count', { min: 100, max: 300 }),
    supplyC: temperature('Supply water', { min: 0, max: 100 }),
    dropK: difference('Supply to return', { min: 0, max: 50 }),
    elementW: optional(number('Electric element', 'electricPower', { over: 0, max: 1e9 })),
    noWater: optional(yes('No heating water', { default: false })),
  },
  outputs: {
    powerW: number('Heat into the floor while it runs', 'power'),
    slabJPerK: number('Screed stores', 'capacity'),
    airJPerK: number('Air stores', 'capacity'),
    slabToRoomWPerK: number('Screed to room', 'loss'),
    lossWPerK: number('Room to outdoor', 'loss'),
    waterToSlabWPerK: number('Water to screed', 'loss'),
    waterC: temperature('Mean water'),
    designSlabC: temperature('Screed at design'),
    designRoomC: temperature('Room at design'),
    seen: object('What the probe sees', {
      lossWPerK: number('Heat loss', 'loss'),
      capacityJPerK: number('Heat stored', 'capacity'),
      targetC: temperature('Target'),
    }),
  },
  formula:
    'screed C = 21 kJ/m²K a cm × area; screed to room 8.92 ΔT^1.1 × area at design; 1/G water = 1/(K_H A) − 1/G room; P = G (mean water − screed) + element',
  source: 'EN 1264-2; field data kh.*, cap.screed',
  examples: [
    {
      given: {
        targetC: 28,
        probePlace: 'screed',
        designOutdoorC: -10,
        areaM2: 38,
        lossWPerK: 68.4,
        quickCapacityJPerK: 1_520_000,
        screedM: 0.065,
        pitchMm: 150,
        supplyC: 40,
        dropK: 7,
      },
      gives: { slabJPerK: 5_187_000, waterC: 36.5 },
      source: 'by hand: 21 kJ × 6.5 cm × 38 m²; 40 − 7/2',
    },
    {
      given: {
        targetC: 26,
        probePlace: 'screed',
        designOutdoorC: -5,
        areaM2: 10,
        lossWPerK: 20,
        quickCapacityJPerK: 400_000,
        screedM: 0.05,
        pitchMm: 100,
        supplyC: 38,
        dropK: 6,
        elementW: 900,
        noWater: true,
      },
      gives: { slabJPerK: 1_050_000, powerW: 900 },
      source: 'by hand: 21 kJ × 5 cm × 10 m²; the element alone heats',
    },
    {
      given: {
        targetC: 21,
        probePlace: 'room',
        designOutdoorC: -12,
        areaM2: 20,
        lossWPerK: 40,
        quickCapacityJPerK: 800_000,
        screedM: 0.07,
        pitchMm: 200,
        supplyC: 42,
        dropK: 7,
      },
      gives: { slabJPerK: 2_940_000, airJPerK: 800_000, designRoomC: 21, waterC: 38.5 },
      source: 'by hand: 21 kJ × 7 cm × 20 m²; the room is what is held; 42 − 7/2',
    },
  ],
  run: (input, { fields }) => {
    const { pitchMm } = input
    if (pitchMm !== 100 && pitchMm !== 150 && pitchMm !== 200 && pitchMm !== 300)
      throw new InputError('pitchMm', `is ${pitchMm}: 100, 150, 200 or 300`)
    return floorPlant({ ...input, pitchMm }, fields)
  },
})

const outputPicture = (roomC: number, spot: Spot): LinesPicture => ({
  kind: 'lines',
  x: { title: 'Surface', quantity: 'temperature' },
  y: { title: 'Heat', quantity: 'fluxDensity' },
  lines: [
    {
      title: 'Floor',
      look: 'main',
      points: evenly(roomC, Math.max(roomC + 16, spot[0] + 2), 61).map((t): Spot => [t, floorOutput(t, roomC)]),
    },
  ],
  spots: [{ title: 'Here', at: spot }],
})

export const floorOutputEntry = defineCalculation<{ surfaceC: number; roomC: number; zone?: FloorZone }>({
  id: 'floor.output',
  title: 'Heat from a warm floor',
  find: 'underfloor heating output watts per square metre surface limit 29 35',
  inputs: {
    surfaceC: temperature('Surface'),
    roomC: temperature('Room'),
    zone: optional(choice('Zone', floorZones, { default: 'occupied' })),
  },
  outputs: {
    wPerM2: number('Heat', 'fluxDensity'),
    limitC: temperature('Surface not over'),
    overLimit: yes('Over the limit', { tones: { yes: 'stop', no: 'fits' } }),
  },
  formula: 'q = 8.92 (surface − room)^1.1, 0 when the surface is no warmer',
  source: 'EN 1264-2; limits {29 C} occupied, {35 C} edge, bath room + {9 K} (EN 1264), {27 C} under timber (practice)',
  cautions: ['Under animals, bedding and carpets it is warmer beneath than a free surface shows.'],
  examples: [
    {
      given: { surfaceC: 29, roomC: 20 },
      gives: { wPerM2: 100, limitC: 29 },
      within: 0.1,
      source: 'EN 1264: 9 K gives 100 W/m²',
    },
    {
      given: { surfaceC: 35, roomC: 20, zone: 'edge' },
      gives: { wPerM2: 175.4, limitC: 35, overLimit: false },
      within: 0.1,
      source: 'EN 1264: 15 K gives 175 W/m²; by hand 8.92 × 15^1.1',
    },
    { given: { surfaceC: 20, roomC: 22 }, gives: { wPerM2: 0 }, source: 'by hand: the surface is colder' },
    {
      given: { surfaceC: 34, roomC: 24, zone: 'bath' },
      gives: { limitC: 33, overLimit: true },
      source: 'EN 1264: room + 9',
    },
  ],
  run: ({ surfaceC, roomC, zone }) => {
    const limitC = floorLimit(zone ?? 'occupied', roomC)
    return { wPerM2: floorOutput(surfaceC, roomC), limitC, overLimit: surfaceC > limitC }
  },
  picture: ({ surfaceC, roomC }, { wPerM2 }) => outputPicture(roomC, [surfaceC, wPerM2 as number]),
})

export const floorSurfaceEntry = defineCalculation<{ wPerM2: number; roomC: number }>({
  id: 'floor.surface',
  title: 'Surface for a heat flow',
  find: 'floor surface temperature needed watts per square metre',
  inputs: { wPerM2: number('Heat', 'fluxDensity', { min: 0, max: 10_000 }), roomC: temperature('Room') },
  outputs: { surfaceC: temperature('Surface') },
  formula: 'surface = room + (q/8.92)^(1/1.1)',
  source: 'EN 1264-2 turned round',
  examples: [
    { given: { wPerM2: 100, roomC: 20 }, gives: { surfaceC: 29 }, within: 0.01, source: 'EN 1264: 100 W/m² at 9 K' },
    {
      given: { wPerM2: 50, roomC: 20 },
      gives: { surfaceC: 24.792 },
      within: 0.001,
      source: 'by hand: (50/8.92)^(1/1.1) = 4.792',
    },
    { given: { wPerM2: 0, roomC: 21 }, gives: { surfaceC: 21 }, source: 'by hand: no heat, no difference' },
  ],
  run: ({ wPerM2, roomC }) => ({ surfaceC: floorSurface(wPerM2, roomC) }),
  picture: ({ wPerM2, roomC }, { surfaceC }) => outputPicture(roomC, [surfaceC as number, wPerM2]),
})
