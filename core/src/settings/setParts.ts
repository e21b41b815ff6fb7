import { plansOf } from './behaviour'
import type { ResolvedDevice } from '../document/chain'
import { bindsAny, boundTo } from '../device/bound'
import { byMotor } from './drive/byMotor'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import type { LoopContext } from '../loop/context'

const setPartIds = [
  'reset',
  'points',
  'band',
  'trade',
  'fan',
  'defrost',
  'battery',
  'week',
  'timer',
  'offset',
  'fault',
  'owner',
  'other',
] as const
export type SetPartId = (typeof setPartIds)[number]

export const setPartTitles: Readonly<Record<SetPartId, string>> = {
  reset: 'Reset line',
  points: 'Switching points',
  band: 'Band',
  trade: 'Trade-off',
  fan: 'Fan',
  defrost: 'Defrost',
  battery: 'Battery',
  week: 'Week',
  timer: 'Timer',
  offset: 'Offset',
  fault: 'Probe fault',
  owner: 'Owner',
  other: 'Other keys',
}

/** Parameters that no instrument holds: what is keyed once, by the leaflet or by the plate of the motor. */
export function otherParameters(device: ResolvedDevice): string[] {
  const { controller, options = {} } = device.facts
  const optioned = new Set(Object.values(options).map(({ parameter }) => parameter))
  return Object.entries(controller?.parameters ?? {})
    .filter(([code, parameter]) => (parameter.binds === undefined || byMotor(parameter)) && !optioned.has(code))
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([code]) => code)
}

/** Devices that are keyed and give no output of their own: drives. */
export const keyedBeside = ({ chain, loop }: Pick<LoopContext, 'chain' | 'loop'>): ResolvedDevice[] =>
  chain.devices.filter(
    ({ id, facts }) =>
      facts.controller !== undefined && !plansOf(loop.settings.planned).some(({ output }) => output.device === id),
  )

/** The instruments that the controller in hand has, the main one first. */
export function setParts(context: LoopContext, device: ResolvedDevice, plan: string | undefined): SetPartId[] {
  const { controller } = device.facts
  if (!controller) return []
  const whole = controllerPlanOf(context, device)
  const behaviour = plan === undefined ? undefined : context.loop.settings.planned[plan]
  const has: Readonly<Record<SetPartId, boolean>> = {
    reset: whole.reset !== undefined,
    points: behaviour?.kind === 'on-off',
    band: behaviour?.kind === 'band',
    // Only what can be run can be weighed.
    trade:
      context.survey !== undefined &&
      (behaviour?.kind === 'on-off' || behaviour?.kind === 'band') &&
      (['swing', 'band', 'minimumOff'] as const).some((binds) => bindsAny(controller, binds)),
    fan: behaviour?.kind === 'fan',
    defrost: whole.defrost !== undefined,
    battery: whole.battery !== undefined,
    week: whole.week !== undefined,
    timer: whole.timer !== undefined,
    offset: behaviour !== undefined && boundTo(controller, 'offset') !== undefined,
    fault: behaviour !== undefined && Object.values(device.facts.ports).some(({ kind }) => kind === 'probe-in'),
    owner: true,
    other: otherParameters(device).length > 0 || keyedBeside(context).some((each) => otherParameters(each).length > 0),
  }
  return setPartIds.filter((id) => has[id])
}
