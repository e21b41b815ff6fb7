import { answersOf } from '../../kinds/answersOf'
import type { DefrostPlan } from '../../settings/defrost/fields'
import type { LoopDocument } from '../../document/documents'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { bindsAny, comesWith } from '../../device/bound'
import type { ControllerFacts } from '../../device/deviceProfile'

/** What a fitter would start a defrost from: by the clock unless the coil was chosen and can be read. */
export function startDefrost(loop: LoopDocument, controller: ControllerFacts, data: FieldData): DefrostPlan {
  const answers = answersOf(loop)
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
