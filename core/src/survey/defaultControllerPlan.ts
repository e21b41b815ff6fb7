import { actionOf } from '../kinds/actionOf'
import { answersOf } from '../kinds/answersOf'
import { startDefrost } from '../settings/defrost/startDefrost'
import { startReset } from '../settings/reset/startReset'
import type { ControllerPlan } from '../settings/controllerPlan'
import type { LoopDocument } from '../document/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { bindsAny, comesWith } from '../device/bound'
import type { ControllerFacts } from '../device/deviceProfile'

const MINUTE = 60

const numberOf = (answer: unknown): number | undefined => (typeof answer === 'number' ? answer : undefined)

/**
 * What a fitter would start from for a controller as a whole: only the parts that this one has.
 * Answers of the survey first, then field data, then what the controller comes with.
 * @param volts of the battery that feeds it, where one does
 */
export function defaultControllerPlan(
  loop: LoopDocument,
  controller: ControllerFacts,
  data: FieldData,
  volts = 12,
): ControllerPlan {
  const answers = answersOf(loop)
  const { controls = {} } = controller
  const cools = actionOf(loop) === 'cooling'
  const wait = fieldValue(data, cools ? 'delay.stage.compressor' : 'delay.stage.boiler').typical * MINUTE
  const hold = numberOf(answers['hold'])
  const double = volts > 18 ? 2 : 1
  return {
    ...(controls.staged
      ? {
          stages: {
            waitS: Math.min(wait, 900),
            lead: answers['lead'] === 'rotate' && bindsAny(controller, 'lead') ? 'rotate' : 'fixed',
          },
        }
      : {}),
    ...(controls.reset ? { reset: startReset(loop, data) } : {}),
    ...(controls.defrost ? { defrost: startDefrost(loop, controller, data) } : {}),
    ...(controls.battery
      ? {
          battery: {
            cutOffV: fieldValue(data, 'bat.cutoff.v').typical * double,
            holdS: fieldValue(data, 'bat.cutoff.s').typical,
            restartV: fieldValue(data, 'bat.restart').typical * double,
          },
        }
      : {}),
    ...(bindsAny(controller, 'period')
      ? { week: { periods: {}, onceMin: comesWith(controller, 'once.run') ?? 60 } }
      : {}),
    ...(bindsAny(controller, 'timer.')
      ? {
          timer: {
            mode: 'once',
            aS: (hold ?? 0) * MINUTE,
            bS: 0,
            from: bindsAny(controller, 'timer.from') ? 'heat' : 'key',
            counts: 'down',
          },
        }
      : {}),
  }
}
