import { type Build, builds, estimateSpace, type Insulation, insulations } from '../../plant/estimate'
import { floorLimit, floorOutput, floorSurface, type FloorZone, floorZones } from '../../plant/floorOutput'
import { type FloorFacts, floorPlant } from '../../plant/floorPlant'
import { defineCalculation } from '../calculation'
import { choice, type Fields, number, optional } from '../field'

const estimates: Fields = {
  lossWPerK: number('Heat loss', 'loss'),
  capacityJPerK: number('Heat stored', 'capacity'),
  quickCapacityJPerK: number('What an air cycle sees', 'capacity'),
  timeConstantH: number('Time constant', 'hours'),
}

export const plantEstimate = defineCalculation<{ kind: string; areaM2: number; insulation: Insulation; build?: Build }>(
  {
    id: 'plant.estimate',
    title: 'Loss and heat stored, estimated',
    inputs: {
      kind: choice('Kind', ['floor', 'room']),
      areaM2: number('Floor area', 'area', { over: 0 }),
      insulation: choice('Insulation', insulations),
      build: optional(choice('Build', builds)),
    },
    outputs: { ...estimates, why: { type: 'text', title: 'Why' } },
    formula: 'H = loss per m² × area; C = stored per m² × area; τ = C/H',
    source: 'field data: loss.*, cap.full.*, cap.quick (ISO 13790 classes, practice)',
    cautions: ['An estimate: the spread is real. A measured cool-down beats it.'],
    examples: [
      {
        given: { kind: 'floor', areaM2: 38, insulation: 'fair', build: 'medium' },
        gives: { lossWPerK: 68.4, capacityJPerK: 6_270_000 },
      },
    ],
    run: ({ areaM2, insulation, build }, data) => estimateSpace(areaM2, insulation, build ?? 'medium', data),
  },
)

export const floorPlantEntry = defineCalculation<Omit<FloorFacts, 'pitchMm'> & { pitchMm: number }>({
  id: 'floor.plant',
  title: 'The floor as two stores of heat',
  inputs: {
    targetC: number('Target', 'temperature'),
    probePlace: choice('Controlled', ['screed', 'room']),
    designOutdoorC: number('Design outdoor', 'temperature'),
    areaM2: number('Floor area', 'area', { over: 0 }),
    lossWPerK: number('Heat loss', 'loss', { over: 0 }),
    quickCapacityJPerK: number('What an air cycle sees', 'capacity', { over: 0 }),
    screedM: number('Screed thickness', 'thickness', { over: 0 }),
    pitchMm: number('Pipe pitch, mm', 'count', { min: 100, max: 300 }),
    supplyC: number('Supply water', 'temperature'),
    dropK: number('Supply to return', 'difference'),
    elementW: optional(number('Electric element', 'electricPower', { over: 0 })),
    noWater: optional({ type: 'boolean', title: 'No heating water' }),
  },
  outputs: {
    powerW: number('Heat into the floor while it runs', 'power'),
    slabJPerK: number('Screed stores', 'capacity'),
    airJPerK: number('Air stores', 'capacity'),
    slabToRoomWPerK: number('Screed to room', 'loss'),
    waterToSlabWPerK: number('Water to screed', 'loss'),
    waterC: number('Mean water', 'temperature'),
    designSlabC: number('Screed at design', 'temperature'),
    designRoomC: number('Room at design', 'temperature'),
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
    },
  ],
  run: (input, data) => {
    const { pitchMm } = input
    if (pitchMm !== 100 && pitchMm !== 150 && pitchMm !== 200 && pitchMm !== 300)
      throw new RangeError(`pitchMm ${pitchMm} must be 100, 150, 200 or 300`)
    return floorPlant({ ...input, pitchMm }, data)
  },
})

export const floorOutputEntry = defineCalculation<{ surfaceC: number; roomC: number; zone?: FloorZone }>({
  id: 'floor.output',
  title: 'Heat from a warm floor',
  inputs: {
    surfaceC: number('Surface', 'temperature'),
    roomC: number('Room', 'temperature'),
    zone: optional(choice('Zone', floorZones)),
  },
  outputs: { wPerM2: number('Heat', 'fluxDensity'), limitC: number('Surface not over', 'temperature') },
  formula: 'q = 8.92 (surface − room)^1.1',
  source: 'EN 1264-2',
  examples: [{ given: { surfaceC: 29, roomC: 20 }, gives: { wPerM2: 100.0, limitC: 29 } }],
  run: ({ surfaceC, roomC, zone }) => ({
    wPerM2: floorOutput(surfaceC, roomC),
    limitC: floorLimit(zone ?? 'occupied', roomC),
  }),
})

export const floorSurfaceEntry = defineCalculation<{ wPerM2: number; roomC: number }>({
  id: 'floor.surface',
  title: 'Surface for a heat flow',
  inputs: { wPerM2: number('Heat', 'fluxDensity', { min: 0 }), roomC: number('Room', 'temperature') },
  outputs: { surfaceC: number('Surface', 'temperature') },
  formula: 'surface = room + (q/8.92)^(1/1.1)',
  source: 'EN 1264-2',
  examples: [{ given: { wPerM2: 100, roomC: 20 }, gives: { surfaceC: 29.0 } }],
  run: ({ wPerM2, roomC }) => ({ surfaceC: floorSurface(wPerM2, roomC) }),
})
