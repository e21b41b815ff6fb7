import { roundToStep } from '../units/displayRound'
import type { UnitPreferences } from '../units/quantity'
import type { ControllerFacts, Parameter } from './deviceProfile'
import { home, itemsOf, type KeyPress, type MenuState, press } from './menu'
import { parameterView } from './parameterView'

/** What a parameter holds: a number in the unit shown, or the key of a choice. */
export type Held = number | string

/** A controller as its keys see it: where the menu stands and what every parameter holds. */
export interface MenuMachine {
  readonly at: MenuState
  readonly values: Readonly<Record<string, Held>>
  /** The value being changed and not kept yet. */
  readonly editing?: Held
  readonly temperatureUnit: 'C' | 'F'
}

type Facts = Pick<ControllerFacts, 'display' | 'menu' | 'parameters'>

const preferencesOf = (temperatureUnit: 'C' | 'F'): UnitPreferences => ({ temperatureUnit, system: 'metric' })

/** A value as a parameter comes, in the unit shown. */
function asItComes(parameter: Parameter, facts: Facts, unit: 'C' | 'F'): Held {
  const view = parameterView(parameter, facts, preferencesOf(unit))
  if (!view) {
    const shows = Object.entries(parameter.shows ?? {})
    return (shows.find(([, shown]) => shown === parameter.comes) ?? shows[0])?.[0] ?? ''
  }
  const comes = typeof parameter.comes === 'number' ? view.toShown(parameter.comes) : Math.max(view.low, 0)
  return Math.min(view.high, Math.max(view.low, roundToStep(comes, view.step)))
}

const unitCode = ({ parameters }: Facts) => Object.entries(parameters).find(([, { binds }]) => binds === 'unit')?.[0]

/**
 * A controller as it comes out of its box, at its home display.
 * @param unit what the display shows, where no parameter says so
 */
export function newMachine(facts: Facts, unit: 'C' | 'F'): MenuMachine {
  const code = unitCode(facts)
  const own = code === undefined ? unit : asItComes(facts.parameters[code]!, facts, unit) === 'F' ? 'F' : 'C'
  return {
    at: home,
    temperatureUnit: own,
    values: Object.fromEntries(
      Object.entries(facts.parameters).map(([each, parameter]) => [each, asItComes(parameter, facts, own)]),
    ),
  }
}

/** The text that stands for a held value. */
export function shownOf(facts: Facts, machine: MenuMachine, code: string, held = machine.values[code]): string {
  const parameter = facts.parameters[code]
  if (!parameter || held === undefined) return ''
  const view = parameterView(parameter, facts, preferencesOf(machine.temperatureUnit))
  return view && typeof held === 'number' ? view.text(held) : (parameter.shows?.[held] ?? String(held))
}

/** The parameter at which the menu stands. */
function codeAt({ parameters }: Facts, { at }: MenuMachine): string | undefined {
  return at.where === 'item' || at.where === 'edit' ? itemsOf(parameters, at.level)[at.at] : undefined
}

/** What the display shows: the value at which the menu stands, else nothing of the menu. */
export function display(facts: Facts, machine: MenuMachine): string {
  const code = codeAt(facts, machine)
  return code === undefined ? '' : shownOf(facts, machine, code, machine.editing ?? machine.values[code])
}

/** One key's worth up or down; numbers stop at their ends, choices go round. */
function moved(parameter: Parameter, facts: Facts, held: Held, unit: 'C' | 'F', by: 1 | -1): Held {
  const view = parameterView(parameter, facts, preferencesOf(unit))
  if (view && typeof held === 'number')
    return Math.min(view.high, Math.max(view.low, roundToStep(held + by * view.step, view.step)))
  const keys = Object.keys(parameter.shows ?? {})
  return keys[(keys.indexOf(String(held)) + by + keys.length) % keys.length] ?? held
}

/** Puts a value in, with what follows: others are set back, and a changed unit turns the numbers that are not. */
export function put(facts: Facts, machine: MenuMachine, code: string, held: Held): MenuMachine {
  const parameter = facts.parameters[code]
  if (!parameter || machine.values[code] === held) return machine
  const turns = parameter.binds === 'unit' && (held === 'C' || held === 'F')
  const temperatureUnit = turns ? held : machine.temperatureUnit
  const values: Record<string, Held> = { ...machine.values, [code]: held }
  for (const [each, other] of Object.entries(facts.parameters)) {
    if (each === code) continue
    if (parameter.resets?.[each]) values[each] = asItComes(other, facts, temperatureUnit)
    else if (turns && typeof values[each] === 'number') {
      const [was, is] = [machine.temperatureUnit, temperatureUnit].map((unit) =>
        parameterView(other, facts, preferencesOf(unit))!,
      )
      values[each] = Math.min(is!.high, Math.max(is!.low, roundToStep(is!.toShown(was!.toSi(values[each])), is!.step)))
    }
  }
  return { ...machine, values, temperatureUnit }
}

/**
 * The controller after one press. A value that is opened counts only once it is kept: leaving without keeping leaves it as it was.
 * Where a level keeps at once, every press counts.
 */
export function pressKey(facts: Facts, machine: MenuMachine, pressed: KeyPress): MenuMachine {
  const { menu, parameters } = facts
  if (!menu) return machine
  const code = codeAt(facts, machine)
  const level = machine.at.where === 'item' || machine.at.where === 'edit' ? menu.levels[machine.at.level] : undefined
  const key = pressed.holdS ? '' : pressed.keys
  if (code !== undefined && level) {
    const parameter = parameters[code]!
    const by = key === level.more ? 1 : key === level.less ? -1 : undefined
    const held = machine.editing ?? machine.values[code]!
    if (machine.at.where === 'edit' && by)
      return { ...machine, editing: moved(parameter, facts, held, machine.temperatureUnit, by) }
    if (machine.at.where === 'item' && by && level.open === undefined)
      return put(facts, machine, code, moved(parameter, facts, held, machine.temperatureUnit, by))
    if (machine.at.where === 'edit' && key === level.keep) {
      const kept = put(facts, machine, code, held)
      return rest({ ...kept, at: press(menu, parameters, machine.at, pressed) })
    }
  }
  const at = press(menu, parameters, machine.at, pressed)
  return at.where === 'edit' && machine.at.where === 'edit' ? { ...machine, at } : rest({ ...machine, at })
}

const rest = ({ editing: _editing, ...machine }: MenuMachine): MenuMachine => machine
