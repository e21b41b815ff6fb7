import { Refused } from '../units/refused'
import { type FieldData, fieldValue } from './fieldValue'
import { floorOutput, floorSurface } from './floorOutput'

/** What must be known of a warm floor, all in SI. */
export interface FloorFacts {
  readonly targetC: number
  readonly probePlace: 'screed' | 'room'
  readonly designOutdoorC: number
  readonly areaM2: number
  readonly lossWPerK: number
  /** What a room-air cycle sees. */
  readonly quickCapacityJPerK: number
  readonly screedM: number
  readonly pitchMm: 100 | 150 | 200 | 300
  readonly supplyC: number
  readonly dropK: number
  /** Power of electric elements, which goes straight into the screed; left out where there are none. */
  readonly elementW?: number | undefined
  /** Nothing moves heating water through this floor: it is warmed by its elements alone. */
  readonly noWater?: boolean | undefined
}

/** The floor as two stores of heat, linearised at its working point on the design day. */
export interface FloorPlant {
  readonly slabJPerK: number
  readonly airJPerK: number
  readonly waterToSlabWPerK: number
  readonly slabToRoomWPerK: number
  readonly lossWPerK: number
  readonly waterC: number
  readonly designSlabC: number
  readonly designRoomC: number
  /** Heat that goes in while the pump or the element runs, at the design working point. */
  readonly powerW: number
  /** First-order view of what the probe sees: heat lost per kelvin of the controlled temperature, and what it takes to move it. */
  readonly seen: { readonly lossWPerK: number; readonly capacityJPerK: number; readonly targetC: number }
}

const series = (a: number, b: number) => (a * b) / (a + b)

/** Room temperature at which the floor's output (EN 1264) equals the loss, by bisection over a span that always holds it. */
function roomAtRest(slabC: number, { areaM2, lossWPerK, designOutdoorC }: FloorFacts): number {
  let low = Math.min(slabC, designOutdoorC)
  let high = slabC
  for (let i = 0; i < 60; i++) {
    const room = (low + high) / 2
    if (floorOutput(slabC, room) * areaM2 > lossWPerK * (room - designOutdoorC)) low = room
    else high = room
  }
  return (low + high) / 2
}

/**
 * A warm floor as screed and room air between heating water and weather.
 * Formula: slab C = cap.screed × thickness × area; slab to room 8.92 (ΔT)^1.1 × area, linearised at design (EN 1264-2);
 * water to slab from the pipe pitch: 1/G = 1/(K_H A) − 1/G_slab-room; water at supply − drop/2.
 * @throws RangeError when an area, thickness or loss is not over 0
 */
export function floorPlant(facts: FloorFacts, data: FieldData): FloorPlant {
  const { areaM2, lossWPerK, screedM, quickCapacityJPerK } = facts
  for (const [name, value] of Object.entries({ areaM2, lossWPerK, screedM, quickCapacityJPerK }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  const bySlab = facts.probePlace === 'screed'
  const designRoomC = bySlab ? roomAtRest(facts.targetC, facts) : facts.targetC
  const demandW = Math.max(0, lossWPerK * (designRoomC - facts.designOutdoorC))
  const designSlabC = bySlab ? facts.targetC : floorSurface(demandW / areaM2, designRoomC)
  const excess = Math.max(0.5, designSlabC - designRoomC)
  const slabToRoomWPerK = (floorOutput(designRoomC + excess, designRoomC) * areaM2) / excess
  const kh = fieldValue(data, `kh.${facts.pitchMm}`).typical * areaM2
  // Slab and covering share K_H's path; where the surface film alone is no better than K_H, the water side is taken as very good.
  const waterToSlabWPerK = 1 / Math.max(1e-4 / areaM2, 1 / kh - 1 / slabToRoomWPerK)
  const waterC = facts.supplyC - facts.dropK / 2
  const slabJPerK = fieldValue(data, 'cap.screed').typical * 1000 * 100 * screedM * areaM2
  const waterW = facts.noWater ? 0 : Math.max(0, waterToSlabWPerK * (waterC - designSlabC))
  const powerW = waterW + (facts.elementW ?? 0)
  return {
    slabJPerK,
    airJPerK: quickCapacityJPerK,
    waterToSlabWPerK,
    slabToRoomWPerK,
    lossWPerK,
    waterC,
    designSlabC,
    designRoomC,
    powerW,
    seen: {
      lossWPerK: bySlab ? series(slabToRoomWPerK, lossWPerK) : lossWPerK,
      capacityJPerK: bySlab ? slabJPerK : quickCapacityJPerK,
      targetC: facts.targetC,
    },
  }
}
