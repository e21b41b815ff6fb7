import { bindsOf, inSeconds } from '../binding'
import type { DefrostPlan } from './fields'

const yesNo = (value: boolean | undefined) => (value === undefined ? undefined : value ? 'yes' : 'no')

/** What a parameter may bind to in a defrost. */
export const defrostBinds = bindsOf<DefrostPlan>()({
  'defrost.by': (plan) => plan.by,
  'defrost.every': (plan, time) => time(inSeconds(plan.everyH, 3600)),
  'defrost.coil': (plan) => plan.coilC,
  'defrost.end': (plan) => plan.endC,
  'defrost.longest': (plan, time) => time(inSeconds(plan.longestMin, 60)),
  'defrost.drip': (plan, time) => time(inSeconds(plan.dripMin, 60)),
  'defrost.fanBack': (plan) => plan.fanBackC,
  'defrost.blind': (plan, time) => time(inSeconds(plan.blindMin, 60)),
  'defrost.leads': (plan) => yesNo(plan.leads),
  'defrost.waits': (plan) => yesNo(plan.waits),
})
