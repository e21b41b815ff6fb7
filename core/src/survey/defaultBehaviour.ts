import { fromSetpoint, type OnOffBehaviour } from '../job/behaviour'
import type { PortRef } from '../job/chain'
import type { LoopDocument } from '../job/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { type FloorZone, floorLimit, floorZones } from '../plant/floorOutput'
import type { ControllerFacts } from '../profile/deviceProfile'

/**
 * The plan a fitter would start from: the target as setpoint in the controller's own convention, the usual swing for
 * where the probe sits, key limits a few kelvin about it, the surface limit as the alarm.
 */
export function defaultBehaviour(
  loop: LoopDocument,
  controller: ControllerFacts,
  output: PortRef,
  input: PortRef,
  order: number,
  data: FieldData,
): OnOffBehaviour {
  const { target, probePlace, zone } = loop.survey.answers
  const inRoom = probePlace === 'room'
  const setpointC = typeof target === 'number' ? target : 21
  const swing = fieldValue(data, inRoom ? 'swing.floor.air' : 'swing.floor.slab')
  const [first] = Object.values(controller.conventions).sort((a, b) => a.order - b.order)
  const limitC = floorLimit((floorZones.find((z) => z === zone) ?? 'occupied') as FloorZone, setpointC)
  const highestC = inRoom ? setpointC + 3 : Math.max(setpointC, Math.min(setpointC + 3, limitC))
  return {
    kind: 'on-off',
    order,
    output,
    input,
    ...fromSetpoint('heating', first?.convention ?? 'cut-out', setpointC, swing.typical, { swingIs: first?.swingIs }),
    lowestC: Math.min(setpointC, 10),
    highestC,
    alarmHighC: highestC + 3,
    offsetK: 0,
    minimumOffS: 180,
    probeFault: 'off',
  }
}
