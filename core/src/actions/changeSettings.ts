import { controllerPlanRecord } from '../settings/controllerPlan'
import { planVariant } from '../settings/planFields'
import type { LoopDocument } from '../document/documents'
import { map, maybe, record } from '../schema/field'
import { Refused } from '../units/refused'
import type { Edited } from '../wiring/edited'
import { withLoop } from './action'
import { requireDevice } from './chainParts'

type Settings = LoopDocument['settings']

/** What of the plan is written anew: outputs, and controllers as a whole. */
interface SettingsChange {
  readonly planned?: Settings['planned']
  readonly controllers?: NonNullable<Settings['controllers']>
}

/** Writes planned outputs anew, or what is planned for a controller as a whole. */
export const changeSettings = {
  id: 'change-settings',
  did: 'changed a setting',
  input: record('settings', {
    planned: maybe(map('outputs', planVariant)),
    controllers: maybe(map('controllers', controllerPlanRecord)),
  }),
  run: (edited: Edited, { planned = {}, controllers = {} }: SettingsChange): Edited => {
    const { settings } = edited.loop
    for (const id of Object.keys(planned))
      if (!Object.hasOwn(settings.planned, id))
        throw new Refused('planned', { must: 'other', says: `"${id.slice(0, 60)}" is no planned output of this loop` })
    for (const id of Object.keys(controllers)) requireDevice(edited, id, 'controllers')
    const whole = { ...settings.controllers, ...controllers }
    return withLoop(edited, {
      settings: {
        ...settings,
        planned: { ...settings.planned, ...planned },
        ...(Object.keys(whole).length > 0 ? { controllers: whole } : {}),
      },
    })
  },
}

/** What is written anew from one plan to another. */
export function settingsChange(before: Settings, after: Settings): SettingsChange {
  const anew = <T>(was: Readonly<Record<string, T>> = {}, is: Readonly<Record<string, T>> = {}) =>
    Object.fromEntries(Object.entries(is).filter(([id, each]) => was[id] !== each))
  return { planned: anew(before.planned, after.planned), controllers: anew(before.controllers, after.controllers) }
}
