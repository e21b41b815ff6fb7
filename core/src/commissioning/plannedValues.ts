import type { LoopContext } from '../check/context'
import { keyedSwingK, type PlanOf, plansOf } from '../document/behaviour'
import { ordered, type ResolvedDevice } from '../document/chain'
import type { ControllerPlan, WeekPeriod } from '../document/controllerPlan'
import { choiceOf } from '../device/asSet'
import { timeIn } from '../device/bound'
import type { Parameter } from '../device/deviceProfile'
import type { ParameterQuantity } from '../choices/deviceChoices'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import { wallMinutes } from '../time/weekSchedule'
import type { UnitPreferences } from '../units/quantity'
import { rememberedOfBoth } from '../document/remembered'

/** What a parameter is to hold: a number in the unit of its leaflet, or what is meant by a choice. */
export type PlannedValue = number | string

type Given = Pick<LoopContext, 'job' | 'loop' | 'chain' | 'data'>

const periodParts = /^period(\d)\.(mode|days|start|run)$/

function ofPlan(plan: PlanOf, binds: ParameterQuantity, parameter: Parameter): PlannedValue | undefined {
  const time = (seconds: number | undefined) => (seconds === undefined ? undefined : timeIn(parameter, seconds))
  switch (binds) {
    case 'setpoint':
      return plan.setpointC
    case 'offset':
      return plan.offsetK
    case 'lowest':
      return plan.lowestC
    case 'highest':
      return plan.highestC
    case 'alarmHigh':
      return plan.alarmHighC
    case 'alarmLow':
      return plan.alarmLowC
    case 'probeFault':
      return plan.probeFault
    case 'duty':
      return plan.dutyPercent
    case 'action':
      return plan.action
    case 'input':
      return plan.input.port
  }
  if (plan.kind === 'on-off')
    switch (binds) {
      case 'swing':
        return keyedSwingK(plan)
      case 'above':
        return plan.aboveK
      case 'below':
        return plan.belowK
      case 'convention':
        return plan.convention
      case 'minimumOff':
        return time(plan.minimumOffS)
      default:
        return undefined
    }
  if (plan.kind === 'band')
    switch (binds) {
      case 'band':
        return plan.bandK
      case 'anchor':
        return plan.anchor
      case 'integral':
        return time(plan.integralS)
      case 'least':
        return plan.minimumPercent
      case 'most':
        return plan.maximumPercent
      case 'cycle':
        return time(plan.cycleS)
      case 'travel':
        return time(plan.travelS)
      default:
        return undefined
    }
  switch (binds) {
    case 'band':
      return plan.bandK
    case 'humidity':
      return plan.humidityPercent
    case 'humidityBand':
      return plan.humidityBandPercent
    case 'least':
      return plan.minimumPercent === 'off' ? 0 : plan.minimumPercent
    case 'minimumMode':
      return plan.minimumMode
    default:
      return undefined
  }
}

const yesNo = (value: boolean | undefined) => (value === undefined ? undefined : value ? 'yes' : 'no')

function ofPeriod(period: WeekPeriod | undefined, part: string, parameter: Parameter): PlannedValue | undefined {
  if (part === 'days') return period?.days || 'none'
  if (!period) return undefined
  if (part === 'mode') return period.mode
  if (part === 'start') return timeIn(parameter, wallMinutes('start', period.start) * 60)
  return timeIn(parameter, period.minutes * 60)
}

function ofController(plan: ControllerPlan, binds: ParameterQuantity, parameter: Parameter): PlannedValue | undefined {
  const { stages, reset, defrost, battery, timer, week, lock } = plan
  const time = (seconds: number | undefined) => (seconds === undefined ? undefined : timeIn(parameter, seconds))
  const part = periodParts.exec(binds)
  if (part) return ofPeriod(ordered(week?.periods ?? {})[Number(part[1]) - 1], part[2]!, parameter)
  switch (binds) {
    case 'stageWait':
      return time(stages?.waitS)
    case 'lead':
      return stages?.lead
    case 'reset.coldOutdoor':
      return reset?.designOutdoorC
    case 'reset.coldSupply':
      return reset?.designSupplyC
    case 'reset.mildOutdoor':
      return reset?.warmOutdoorC
    case 'reset.mildSupply':
      return reset?.warmSupplyC
    case 'reset.least':
      return reset?.minimumSupplyC
    case 'reset.most':
      return reset?.maximumSupplyC
    case 'reset.shutdown':
      return reset?.shutdownAboveC
    case 'reset.frostOutdoor':
      return reset?.frostBelowC
    case 'reset.frostSupply':
      return reset?.frostSupplyC
    case 'reset.average':
      return time(reset && reset.averageH * 3600)
    case 'reset.shift':
      return reset?.shiftK
    case 'reset.setback':
      return reset?.setbackK
    case 'defrost.by':
      return defrost?.by
    case 'defrost.every':
      return time(defrost && defrost.everyH * 3600)
    case 'defrost.coil':
      return defrost?.coilC
    case 'defrost.end':
      return defrost?.endC
    case 'defrost.longest':
      return time(defrost && defrost.longestMin * 60)
    case 'defrost.drip':
      return time(defrost && defrost.dripMin * 60)
    case 'defrost.fanBack':
      return defrost?.fanBackC
    case 'defrost.blind':
      return time(defrost && defrost.blindMin * 60)
    case 'defrost.leads':
      return yesNo(defrost?.leads)
    case 'defrost.waits':
      return yesNo(defrost?.waits)
    case 'battery.cutOff':
      return battery?.cutOffV
    case 'battery.hold':
      return time(battery?.holdS)
    case 'battery.restart':
      return battery?.restartV
    case 'timer.mode':
      return timer?.mode
    case 'timer.a':
      return time(timer?.aS)
    case 'timer.b':
      return time(timer?.bS)
    case 'timer.from':
      return timer?.from
    case 'timer.counts':
      return timer?.counts
    case 'once.run':
      return time(week?.onceMin === undefined ? undefined : week.onceMin * 60)
    case 'lock':
      return lock === undefined ? undefined : lock.shut ? 'shut' : 'open'
    default:
      return undefined
  }
}

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
  const own = ofController(whole, binds, parameter)
  if (own !== undefined) return own
  const plan = mine.find(({ output, input }) => port === undefined || port === output.port || port === input.port)
  return plan && ofPlan(plan, binds, parameter)
}
