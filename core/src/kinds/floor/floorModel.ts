import type { FloorPlant } from '../../plant/floorPlant'
import type { PlantModel } from '../../plant/thermalNetwork'

/**
 * A warm floor: screed to room to outdoor; heating water or elements reach the screed.
 * Source: output by EN 1264-2, straight around the working point; both from `floorPlant`.
 */
export function floorModel(plant: FloorPlant, controlled: 'slab' | 'room'): PlantModel {
  return {
    nodes: [
      { id: 'slab', capacityJPerK: plant.slabJPerK },
      { id: 'room', capacityJPerK: plant.airJPerK },
    ],
    links: [
      { from: 'slab', to: 'room', wPerK: plant.slabToRoomWPerK },
      { from: 'room', to: 'outdoor', wPerK: plant.lossWPerK },
    ],
    controlled,
    heated: 'slab',
  }
}
