import type { ResolvedDevice } from '../../document/chain'
import { plansOf } from '../behaviour'
import type { Parameter } from '../../device/deviceProfile'
import { plannedValues } from '../plannedValues'
import { type ParameterView, parameterView } from '../../device/parameterView'
import type { MeantRange } from './fields'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { LoopContext } from '../../loop/context'

/** One parameter as the owner meets it. */
export interface OwnerRow {
  readonly code: string
  readonly name: string
  readonly meaning: string
  /** Whether its keys reach it without the installer's level. */
  readonly level: 'owner' | 'installer'
  /** Whether the plan lets the owner touch it. */
  readonly may: boolean
  readonly planned: string
  /** The same as a number in the contract's unit, where it is one. */
  readonly plannedSi?: number
  /** In which range the owner is meant to keep it, or the keys hold it; left out where the keys let any through. */
  readonly range?: string
  /** Whether it turns anything as things are planned: a fixed supply turns nothing while the water follows the weather. */
  readonly idle: boolean
  /** What an owner turns up and down: its view, and the range that was typed. */
  readonly view?: ParameterView
  readonly meant?: MeantRange
  readonly binds?: string
  /** The keys hold it in its range. */
  readonly held: boolean
  /** What stands in the way of the plan. */
  readonly note?: string
}

interface OwnerView {
  readonly rows: readonly OwnerRow[]
  /** What keeps the installer's level shut, in words. */
  readonly lock: string
  /** Whether the controller has a lock of its own that can be shut, and how it is planned. */
  readonly lockParameter?: { readonly code: string; readonly shut: boolean }
  readonly may: readonly string[]
  readonly mayNot: readonly string[]
}

/** What matters to an owner first: the setpoint, then modes and timers. */
const ownerBinds = /^(setpoint|humidity|timer|period|once|reset\.shift)/

/** What is turned up and down, and so can be meant to stay in a range. */
const turned = /^(setpoint|humidity|reset\.shift|timer)/

const ownerFirst = (parameter: Parameter) => (ownerBinds.test(parameter.binds ?? '') ? 0 : 1)

/** What the owner may touch and what only the installer may, on this controller. */
export function ownerView(context: LoopContext, device: ResolvedDevice): OwnerView | undefined {
  const { controller } = device.facts
  if (!controller) return undefined
  const { job, loop } = context
  const whole = controllerPlanOf(context, device)
  const values = plannedValues(context, device)
  const plan = plansOf(loop.settings.planned).find(({ output }) => output.device === device.id)
  const keysLimits = Object.values(controller.parameters).some(({ binds }) => binds === 'lowest' || binds === 'highest')
  const rows = Object.entries(controller.parameters)
    .filter(([code]) => values.has(code))
    .sort(([, a], [, b]) => ownerFirst(a) - ownerFirst(b) || a.order - b.order)
    .map(([code, parameter]): OwnerRow => {
      const view = parameterView(parameter, controller, job)
      const value = values.get(code)!
      const planned =
        view && typeof value === 'number'
          ? `${view.shows(value)} ${view.label}`.trim()
          : (parameter.shows?.[value] ?? String(value))
      const may = whole.owner?.[code] ?? parameter.level === 'owner'
      const meant = whole.meant?.[code]
      const isSet = parameter.binds === 'setpoint'
      const idle =
        (isSet && whole.reset !== undefined && controller.controls?.reset === true) ||
        (parameter.binds === 'timer.b' && whole.timer?.mode === 'once')
      const range =
        view && meant
          ? `${view.shows(meant.low)} to ${view.shows(meant.high)} ${view.label}`.trim()
          : isSet && keysLimits && view && plan?.lowestC !== undefined && plan.highestC !== undefined
            ? `${view.shows(plan.lowestC)} to ${view.shows(plan.highestC)} ${view.label}`
            : parameter.level === 'owner' && view
              ? `${view.text(view.low)} to ${view.text(view.high)} ${view.label}`.trim()
              : undefined
      const note =
        may === (parameter.level === 'owner')
          ? isSet && !keysLimits && may && !meant && !idle
            ? 'No limit can be keyed: the owner can turn it anywhere.'
            : undefined
          : may
            ? 'Stands in the installer\u2019s level: the owner would need its code, and with it everything.'
            : 'Stands in the owner\u2019s level: only a cover or a word keeps it.'
      return {
        code,
        name: parameter.name,
        meaning: context.words.tell(parameter.meaning),
        level: parameter.level,
        may,
        planned,
        ...(typeof value === 'number' ? { plannedSi: value } : {}),
        idle,
        held: isSet && keysLimits && plan?.lowestC !== undefined && plan.highestC !== undefined,
        ...(view && turned.test(parameter.binds ?? '') ? { view } : {}),
        ...(meant ? { meant } : {}),
        ...(parameter.binds === undefined ? {} : { binds: parameter.binds }),
        ...(range ? { range } : {}),
        ...(note ? { note } : {}),
      }
    })
  const installer = Object.values(controller.menu?.levels ?? {}).find(
    ({ enter, code }) => code !== undefined || enter.holdS,
  )
  const own = Object.entries(controller.parameters).find(([, { binds }]) => binds === 'lock')
  const keys = (pressed: string) =>
    pressed
      .split('+')
      .map((id) => controller.menu?.keys[id]?.label ?? id)
      .join(' and ')
  return {
    rows,
    lock: !installer
      ? 'Nothing is locked: what turns can be turned by anyone. A sealed cover is the lock.'
      : installer.code !== undefined
        ? `Installer\u2019s level: hold ${keys(installer.enter.keys)} ${installer.enter.holdS ?? 0} s and turn to a code. Keep the code off the panel card.`
        : `Installer\u2019s level: hold ${keys(installer.enter.keys)} ${installer.enter.holdS ?? 0} s. No code: whoever knows the keys gets in.`,
    ...(own ? { lockParameter: { code: own[0], shut: values.get(own[0]) === 'shut' } } : {}),
    may: rows
      .filter(({ may, level, idle }) => may && level === 'owner' && !idle)
      .map(({ name, range }) => (range ? `${name}, ${range}` : name)),
    mayNot: rows.filter(({ may }) => !may).map(({ name }) => name),
  }
}
