import { type Binds, type InItsUnit, type PlannedValue } from './binding'
import { everyBinds } from './everyBinds'
import { driveBinds } from './drive/binds'
import { byMotor } from './drive/byMotor'
import type { DriveKeys } from './drive/driveKeys'
import { drivePlan } from './drive/drivePlan'
import { controllerBinds, type ParameterQuantity, planBinds } from './parameterQuantities'
import type { LoopContext } from '../loop/context'
import { type PlanOf, plansOf } from './behaviour'
import { type ResolvedDevice } from '../document/chain'
import type { ControllerPlan } from './controllerPlan'
import { choiceOf } from '../device/asSet'
import { timeIn } from '../device/bound'
import type { Parameter } from '../device/deviceProfile'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import type { UnitPreferences } from '../units/quantity'
import { rememberedOfBoth } from '../memory/remembered'

type Given = Pick<LoopContext, 'job' | 'loop' | 'chain' | 'data'>

function ofPlan(plan: PlanOf, binds: ParameterQuantity, time: InItsUnit): PlannedValue | undefined {
  const read: Binds<PlanOf> = { ...everyBinds, ...planBinds[plan.kind] } as Binds<PlanOf>
  return read[binds]?.(plan, time)
}

function ofController(plan: ControllerPlan, binds: ParameterQuantity, time: InItsUnit): PlannedValue | undefined {
  for (const part of typedKeys(controllerBinds)) {
    const read = (controllerBinds[part] as Binds<unknown>)[binds]
    // A week that was never planned has its periods too: none of them.
    const planned = part === 'week' ? (plan.week ?? { periods: {} }) : plan[part]
    if (read && planned !== undefined) return read(planned, time)
  }
  return undefined
}

/** What a drive's parameter holds: as it was planned by itself, else what the motor's plate asks, else as it comes. */
function ofMotor(code: string, parameter: Parameter, whole: ControllerPlan, plate: DriveKeys | undefined) {
  const asks: Readonly<Record<string, (keys: DriveKeys) => PlannedValue | undefined>> = driveBinds
  const asked = plate && asks[parameter.binds!]?.(plate)
  return whole.values?.[code] ?? asked ?? ofItself(code, parameter, whole)
}

const typedKeys = <T extends object>(of: T) => Object.keys(of) as (keyof T)[]

/** What a parameter holds that neither a plan nor an option speaks of: as it was planned by itself, else as it comes. */
function ofItself(code: string, parameter: Parameter, { values }: ControllerPlan): PlannedValue | undefined {
  const kept = values?.[code]
  if (kept !== undefined) return kept
  if (typeof parameter.comes === 'number') return parameter.comes
  return Object.entries(parameter.shows ?? {}).find(([, shown]) => shown === parameter.comes)?.[0]
}

/**
 * What every parameter of a controller is to hold: by the planned outputs, by the controller's own plan, by what was chosen on the
 * device, or as it comes. What belongs to an output that is not used, or to a period that is not there, is left out.
 */
export const plannedValues = rememberedOfBoth(
  (given: Given, device: ResolvedDevice): ReadonlyMap<string, PlannedValue> => {
    const { controller, options = {} } = device.facts
    const values = new Map<string, PlannedValue>()
    if (!controller) return values
    const mine = plansOf(given.loop.settings.planned).filter(({ output }) => output.device === device.id)
    const whole = controllerPlanOf(given, device)
    for (const [code, parameter] of Object.entries(controller.parameters)) {
      const option = Object.entries(options).find(([, { parameter: by }]) => by === code)
      const value = option
        ? choiceOf(option[1], device.set?.[option[0]])
        : byMotor(parameter)
          ? ofMotor(code, parameter, whole, drivePlan(given.chain, device))
          : plannedValue(parameter, code, mine, whole, given.job)
      if (value !== undefined) values.set(code, value)
    }
    return values
  },
)

function plannedValue(
  parameter: Parameter,
  code: string,
  mine: readonly PlanOf[],
  whole: ControllerPlan,
  job: UnitPreferences,
): PlannedValue | undefined {
  const { binds, port } = parameter
  if (!binds) return ofItself(code, parameter, whole)
  if (binds === 'unit') return job.temperatureUnit
  if (binds === 'stageCount') return mine.filter(({ kind }) => kind === 'on-off').length || undefined
  const time: InItsUnit = (seconds) => (seconds === undefined ? undefined : timeIn(parameter, seconds))
  const own = ofController(whole, binds, time)
  if (own !== undefined) return own
  const plan = mine.find(({ output, input }) => port === undefined || port === output.port || port === input.port)
  return plan && ofPlan(plan, binds, time)
}
