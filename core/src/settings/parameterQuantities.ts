import { bandBinds } from './band/binds'
import { batteryBinds } from './battery/binds'
import { defrostBinds } from './defrost/binds'
import { driveBinds } from './drive/binds'
import { everyBinds } from './everyBinds'
import { fanBinds } from './fan/binds'
import { ownerBinds } from './owner/binds'
import { resetBinds } from './reset/binds'
import { stagesBinds } from './stages/binds'
import { switchingBinds } from './switching/binds'
import { timerBinds } from './timer/binds'
import { weekBinds } from './week/binds'

/** What a parameter may bind to in a planned output, by the way it controls. */
export const planBinds = { 'on-off': switchingBinds, band: bandBinds, fan: fanBinds } as const

/** What a parameter may bind to in the plan of a controller as a whole, by its part. */
export const controllerBinds = {
  stages: stagesBinds,
  reset: resetBinds,
  defrost: defrostBinds,
  battery: batteryBinds,
  timer: timerBinds,
  week: weekBinds,
  lock: ownerBinds,
} as const

type KeysOf<T> = T extends T ? keyof T & string : never

/** A quantity of the plan that a parameter of a controller may carry. */
export type ParameterQuantity =
  | KeysOf<typeof everyBinds>
  | KeysOf<(typeof planBinds)[keyof typeof planBinds]>
  | KeysOf<(typeof controllerBinds)[keyof typeof controllerBinds]>
  | KeysOf<typeof driveBinds>
  | (typeof ofJob)[number]

/** What the job says, or how many stages are used: no part of a plan. */
const ofJob = ['unit', 'stageCount'] as const

/** Every quantity of the plan that a parameter may carry. */
export const parameterQuantities: readonly ParameterQuantity[] = [
  ...new Set([
    ...Object.keys(everyBinds),
    ...Object.values(planBinds).flatMap((binds) => Object.keys(binds)),
    ...Object.keys(driveBinds),
    ...ofJob,
    ...Object.values(controllerBinds).flatMap((binds) => Object.keys(binds)),
  ]),
] as ParameterQuantity[]
