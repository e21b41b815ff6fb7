import type { LoopContext } from '../loop/context'
import type { LoopRun } from '../simulate/loop/loopScenario'
import { hasCoilProbe } from '../simulate/loop/parts/addDefrost'
import type { SimulationResult } from '../simulate/scenario'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import type { RunFound } from './runFound'

/** Defrosts that no probe ends, and a start by the coil that the coil never gets to. */
export function defrostFound(
  { chain, loop, data }: LoopContext,
  run: LoopRun,
  { events, summary }: SimulationResult,
): RunFound[] {
  const cooling = run.scenario.controls.find((control) => control.kind === 'defrost')?.cooling
  const plan = run.outputs.find(({ actuator }) => actuator === cooling)?.plan
  const controller = chain.devices.find(({ id }) => id === plan?.output.device)
  const defrost = controller && controllerPlanOf({ loop, chain, data }, controller).defrost
  if (!controller || !defrost) return []
  const melts = events.filter(({ what }) => what === 'melts').length
  if (!hasCoilProbe(chain, controller.id))
    return melts === 0
      ? []
      : [
          {
            verdict: defrost.by === 'coil' ? 'look' : 'fits',
            code: 'no-coil-probe',
            figures: { longestMin: defrost.longestMin, everyH: defrost.everyH, byCoil: defrost.by === 'coil' },
          },
        ]
  const lowestC = summary.minimumC['coil']
  if (defrost.by !== 'coil' || defrost.coilC === undefined || lowestC === undefined || lowestC <= defrost.coilC)
    return []
  return [
    { verdict: 'look', code: 'coil-not-reached', figures: { coilC: defrost.coilC, lowestC, everyH: defrost.everyH } },
  ]
}
