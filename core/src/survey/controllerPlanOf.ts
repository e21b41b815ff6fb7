import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import type { ControllerPlan } from '../settings/controllerPlan'
import type { LoopDocument } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import { sourceOf } from '../wiring/sources'
import { defaultControllerPlan } from './defaultControllerPlan'

/** What is planned for a controller as a whole: what was kept, and what one would start from where nothing was. */
export function controllerPlanOf(
  { loop, chain, data }: { readonly loop: LoopDocument; readonly chain: ResolvedChain; readonly data: FieldData },
  device: ResolvedDevice,
): ControllerPlan {
  const { controller } = device.facts
  if (!controller) return {}
  return {
    ...defaultControllerPlan(loop, controller, data, sourceOf(chain, device).volts),
    ...loop.settings.controllers?.[device.id],
  }
}

/** The loop with one part of a controller's plan written anew; the rest of it is kept along. */
export function withControllerPlan(
  given: { readonly loop: LoopDocument; readonly chain: ResolvedChain; readonly data: FieldData },
  device: ResolvedDevice,
  change: Partial<ControllerPlan>,
): LoopDocument {
  const { loop } = given
  return {
    ...loop,
    settings: {
      ...loop.settings,
      controllers: { ...loop.settings.controllers, [device.id]: { ...controllerPlanOf(given, device), ...change } },
    },
  }
}
