import type { KindFacts } from '../kind'
import { estimateSpace, builds, insulations } from '../../plant/estimate'
import { type FloorFacts, floorPlant } from '../../plant/floorPlant'
import { floorZones } from '../../plant/floorOutput'
import type { Asked, CalcCall } from '../asked'

/** What the loads in the chain heat with: electric elements by their power, and whether any of them moves heating water. */
function heatOf({ chain }: Asked): Pick<FloorFacts, 'elementW' | 'noWater'> {
  const loads = chain.devices
    .flatMap(({ facts }) => Object.values(facts.ports))
    .flatMap((port) => (port.kind === 'load' ? [port] : []))
  const elementW = loads.reduce((sum, { does, load }) => sum + (does === 'element' ? (load?.powerW ?? 0) : 0), 0)
  if (elementW === 0) return {}
  return loads.some(({ does }) => does === 'water-flow') ? { elementW } : { elementW, noWater: true }
}

/** Plant and load from the answers. */
export const reckon: KindFacts['reckon'] = (asked) => {
  const { data, number, choice, take, typical } = asked
  const areaM2 = number('floorArea')
  const insulation = choice('insulation', insulations, 'fair')
  const build = choice('build', builds, 'medium')
  const space = estimateSpace(areaM2, insulation, build, data)
  const input = { kind: 'floor', areaM2, insulation, build }
  const call = (output: string): CalcCall => ({ calc: 'plant.estimate', input, output })
  const lossWPerK = take('loss', {
    value: space.lossWPerK,
    low: space.low.lossWPerK,
    high: space.high.lossWPerK,
    why: space.why,
    worked: call('lossWPerK'),
  })
  const capacityJPerK = take('capacity', {
    value: space.capacityJPerK,
    low: space.low.capacityJPerK,
    high: space.high.capacityJPerK,
    why: space.why,
    worked: call('capacityJPerK'),
  })
  const screedM = take('screed', { value: 0.065, low: 0.045, high: 0.1, why: 'common screed over pipes (practice)' })
  const supplyC = typical('supplyWater', 'reset.floor')
  const dropK = take('waterDrop', {
    value: 7,
    low: 5,
    high: 10,
    why: 'design drop that goes with the supply estimate (practice)',
  })
  const facts: FloorFacts = {
    targetC: number('target'),
    probePlace: choice('probePlace', ['screed', 'room'], 'screed'),
    designOutdoorC: number('designOutdoor'),
    areaM2,
    lossWPerK,
    // The share of the whole that a room-air cycle sees stays as estimated when the whole is answered.
    quickCapacityJPerK: (capacityJPerK * space.quickCapacityJPerK) / space.capacityJPerK,
    screedM,
    pitchMm: Number(choice('pitch', ['100', '150', '200', '300'], '150')) as FloorFacts['pitchMm'],
    supplyC,
    dropK,
    ...heatOf(asked),
  }
  const plant = floorPlant(facts, data)
  const plantCall = (output: string): CalcCall => ({ calc: 'floor.plant', input: { ...facts }, output })
  const { seen } = plant
  return {
    seen: {
      action: 'heating',
      targetC: seen.targetC,
      restC: facts.designOutdoorC,
      lossWPerK: seen.lossWPerK,
      capacityJPerK: seen.capacityJPerK,
      powerW: plant.powerW,
      loadW: Math.max(0, seen.lossWPerK * (seen.targetC - facts.designOutdoorC)),
    },
    harm: 'heat',
    floor: { zone: choice('zone', floorZones, 'occupied'), facts, plant },
    lines: [
      {
        id: 'slabStores',
        label: 'Screed stores',
        value: plant.slabJPerK,
        quantity: 'capacity',
        worked: plantCall('slabJPerK'),
      },
      {
        id: 'power',
        label: 'Into the floor, running',
        value: plant.powerW,
        quantity: 'power',
        worked: plantCall('powerW'),
      },
      {
        id: 'slabDesign',
        label: 'Screed at design',
        value: plant.designSlabC,
        quantity: 'temperature',
        worked: plantCall('designSlabC'),
      },
      {
        id: 'roomDesign',
        label: 'Room at design',
        value: plant.designRoomC,
        quantity: 'temperature',
        worked: plantCall('designRoomC'),
      },
    ],
  }
}
