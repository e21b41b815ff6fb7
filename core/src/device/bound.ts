import type { ControllerFacts, Parameter } from './deviceProfile'
import type { ParameterQuantity } from '../settings/parameterQuantities'

/** Parameter that carries a quantity of the plan, for a port where it has one of its own. */
export function boundTo(
  { parameters }: Pick<ControllerFacts, 'parameters'>,
  binds: ParameterQuantity,
  ports: readonly string[] = [],
): (Parameter & { readonly code: string }) | undefined {
  const found = Object.entries(parameters).find(
    ([, each]) => each.binds === binds && (each.port === undefined || ports.length === 0 || ports.includes(each.port)),
  )
  return found && { ...found[1], code: found[0] }
}

/** Whether a controller can be keyed to something that begins so: `timer.`, `period1`. */
export const bindsAny = ({ parameters }: Pick<ControllerFacts, 'parameters'>, start: string): boolean =>
  Object.values(parameters).some(({ binds }) => binds?.startsWith(start) === true)

/** Seconds of each unit of time that a parameter can count in. */
const secondsOf: Partial<Record<NonNullable<Parameter['quantity']>, number>> = {
  seconds: 1,
  minutes: 60,
  hours: 3600,
  clock: 3600,
}

/** A time of the plan, in seconds, in the unit that the parameter counts in. Not for what is no time. */
export const timeIn = (parameter: Pick<Parameter, 'quantity'>, seconds: number): number =>
  seconds / (secondsOf[parameter.quantity ?? 'seconds'] ?? 1)

/** The other way round. */
export const timeFrom = (parameter: Pick<Parameter, 'quantity'>, count: number): number =>
  count * (secondsOf[parameter.quantity ?? 'seconds'] ?? 1)

/** The number that a parameter comes with, where it carries this quantity and comes with one. */
export function comesWith(facts: Pick<ControllerFacts, 'parameters'>, binds: ParameterQuantity): number | undefined {
  const comes = boundTo(facts, binds)?.comes
  return typeof comes === 'number' ? comes : undefined
}
