/** The keys of a controller and the levels of its menu, as data: a small machine that screens, sheets and tests walk. */
export interface MenuFacts {
  readonly keys: Readonly<Record<string, { readonly order: number; readonly label: string }>>
  readonly levels: Readonly<Record<string, MenuLevel>>
}

/** Keys pressed together, and how long. */
export interface KeyPress {
  /** Key ids joined by a plus: `up+down`. */
  readonly keys: string
  readonly holdS?: number
}

interface MenuLevel {
  readonly order: number
  readonly title: string
  /** From the home display into this level. */
  readonly enter: KeyPress
  /** Number that is asked for first. */
  readonly code?: number
  /** Walks through the level; the last is followed by the first. */
  readonly next: string
  readonly previous?: string
  /** Opens a value to be changed; left out where it can be changed at once. */
  readonly open?: string
  readonly more: string
  readonly less: string
  /** Keeps the changed value; left out where it is kept at once. */
  readonly keep?: string
  readonly leave: KeyPress
  /** Falls back to the home display after this long. */
  readonly idleS: number
}

/** Where a menu stands. `at` counts the items of a level from 0. */
export type MenuState =
  | { readonly where: 'home' }
  | { readonly where: 'code'; readonly level: string }
  | { readonly where: 'item'; readonly level: string; readonly at: number }
  | { readonly where: 'edit'; readonly level: string; readonly at: number }

interface Item {
  readonly order: number
  readonly menu?: string
}

export const home: MenuState = { where: 'home' }

// Every press asks for them, and a profile never changes.
const walked = new WeakMap<object, Map<string, readonly string[]>>()

/** Codes of a level in the order in which its `next` key walks them. */
export function itemsOf(parameters: Readonly<Record<string, Item>>, level: string): readonly string[] {
  const levels = walked.get(parameters) ?? new Map<string, readonly string[]>()
  const known = levels.get(level)
  if (known) return known
  const items = Object.entries(parameters)
    .filter(([, { menu }]) => menu === level)
    .sort(([a, p], [b, q]) => p.order - q.order || (a < b ? -1 : 1))
    .map(([code]) => code)
  walked.set(parameters, levels.set(level, items))
  return items
}

const same = (a: KeyPress, b: KeyPress) =>
  a.keys.split('+').sort().join('+') === b.keys.split('+').sort().join('+') && (a.holdS ?? 0) === (b.holdS ?? 0)

/** A press that stands for turning to the asked-for number and keeping it. */
export const codePress: KeyPress = { keys: 'code' }

/**
 * The menu after one press; a press that means nothing leaves it where it is. Changing a value stays in `edit`: what the value is
 * belongs to whoever runs the machine.
 */
export function press(
  { levels }: MenuFacts,
  parameters: Readonly<Record<string, Item>>,
  state: MenuState,
  pressed: KeyPress,
): MenuState {
  if (state.where === 'home') {
    const found = Object.entries(levels).find(([, { enter }]) => same(enter, pressed))
    if (!found) return state
    const [level, { code }] = found
    if (itemsOf(parameters, level).length === 0) return state
    return code === undefined ? { where: 'item', level, at: 0 } : { where: 'code', level }
  }
  const level = levels[state.level]
  if (!level) return home
  if (same(level.leave, pressed)) return home
  if (state.where === 'code') return same(codePress, pressed) ? { where: 'item', level: state.level, at: 0 } : state
  const count = itemsOf(parameters, state.level).length
  const key = pressed.holdS ? '' : pressed.keys
  if (state.where === 'edit') return key === level.keep ? { ...state, where: 'item' } : state
  if (key === level.open) return { ...state, where: 'edit' }
  if (key === level.next) return { ...state, at: (state.at + 1) % count }
  if (key === level.previous) return { ...state, at: (state.at - 1 + count) % count }
  return state
}

/** Every press that means something anywhere in a menu. */
export const pressesOf = ({ keys, levels }: MenuFacts): KeyPress[] => [
  ...Object.keys(keys).map((id) => ({ keys: id })),
  ...Object.values(levels).flatMap(({ enter, leave, code }) => [
    enter,
    leave,
    ...(code === undefined ? [] : [codePress]),
  ]),
]
