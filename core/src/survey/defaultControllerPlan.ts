import { emitterNeed } from '../plant/emitterCurve'
import type { ControllerPlan, DefrostPlan, ResetPlan } from '../document/controllerPlan'
import type { LoopDocument } from '../document/documents'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { bindsAny, comesWith } from '../device/bound'
import type { ControllerFacts } from '../device/deviceProfile'
import { emitterIds, emitters } from '../kinds/emitters'
import { factsOfKind } from '../kinds/kinds'

const MINUTE = 60
/** Outdoor temperature at which the line's mild point is drawn, unless the room is cooler. */
const MILD_OUTDOOR_C = 15

const numberOf = (answer: unknown): number | undefined => (typeof answer === 'number' ? answer : undefined)

/** The line that gives the emitters what they need on the design day and on a mild one. */
function resetPlan(loop: LoopDocument, data: FieldData): ResetPlan {
  const { answers } = loop.survey
  const facts = factsOfKind(loop.kind)
  const roomC = numberOf(answers['target']) ?? 21
  const designOutdoorC = numberOf(answers['designOutdoor']) ?? -10
  const emitter = emitters[emitterIds.find((id) => id === answers['emitter']) ?? facts.emitter ?? 'radiators-old']
  const designSupplyC =
    numberOf(answers['supplyWater']) ?? facts.setsTo?.(answers, data) ?? fieldValue(data, emitter.supply).typical
  const warmOutdoorC = Math.min(MILD_OUTDOOR_C, roomC - 2)
  const mild =
    warmOutdoorC > designOutdoorC && designSupplyC - emitter.dropK / 2 > roomC
      ? emitterNeed({
          outdoorC: warmOutdoorC,
          designOutdoorC,
          designSupplyC,
          designDropK: emitter.dropK,
          roomC,
          exponent: fieldValue(data, emitter.exponent).typical,
        })?.supplyC
      : undefined
  return {
    designOutdoorC,
    designSupplyC,
    warmOutdoorC: Math.max(warmOutdoorC, designOutdoorC + 1),
    warmSupplyC: Math.round(mild ?? fieldValue(data, 'reset.noload').typical),
    minimumSupplyC: 20,
    maximumSupplyC: Math.min(designSupplyC + 5, facts.highest?.(answers, data) ?? Infinity),
    shutdownAboveC: fieldValue(data, 'reset.wwsd').typical,
    frostBelowC: fieldValue(data, 'frost.pipe').typical,
    frostSupplyC: 20,
    averageH: answers['outdoorSchool'] === 'instant' ? 0 : fieldValue(data, 'average.outdoor').low,
    shiftK: 0,
    setbackK: 0,
  }
}

function defrostPlan(loop: LoopDocument, controller: ControllerFacts, data: FieldData): DefrostPlan {
  const { answers } = loop.survey
  const electric = answers['defrostMeans'] !== 'fan'
  const leads = bindsAny(controller, 'defrost.leads')
  const byCoil = answers['defrost'] === 'coil' && bindsAny(controller, 'defrost.by')
  return {
    by: byCoil ? 'coil' : 'time',
    everyH: 24 / fieldValue(data, 'df.perday').typical,
    ...(bindsAny(controller, 'defrost.coil') ? { coilC: comesWith(controller, 'defrost.coil') ?? -12 } : {}),
    endC: fieldValue(data, 'df.end').typical,
    longestMin: fieldValue(data, electric ? 'df.time.electric' : 'df.time.off').typical,
    dripMin: fieldValue(data, 'df.drip').typical,
    fanBackC: comesWith(controller, 'defrost.fanBack') ?? fieldValue(data, 'df.fan.coil').typical,
    blindMin: fieldValue(data, 'df.alarmmask').typical,
    ...(leads ? { leads: true, waits: true } : {}),
  }
}

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
  const { answers } = loop.survey
  const { controls = {} } = controller
  const cools = factsOfKind(loop.kind).action === 'cooling'
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
    ...(controls.reset ? { reset: resetPlan(loop, data) } : {}),
    ...(controls.defrost ? { defrost: defrostPlan(loop, controller, data) } : {}),
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
