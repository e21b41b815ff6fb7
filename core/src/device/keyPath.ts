import { codePress, home, itemsOf, type KeyPress, type MenuFacts, type MenuState, press, pressesOf } from './menu'

interface Item {
  readonly order: number
  readonly menu?: string
}

const nameOf = (state: MenuState) => JSON.stringify(state)

/**
 * The fewest presses from one place of a menu to where a parameter can be changed: a search over the menu's own machine.
 * @returns undefined when no key leads there
 */
export function keyPath(
  menu: MenuFacts,
  parameters: Readonly<Record<string, Item>>,
  code: string,
  from: MenuState = home,
): readonly KeyPress[] | undefined {
  const level = parameters[code]?.menu
  if (level === undefined || !menu.levels[level]) return undefined
  const at = itemsOf(parameters, level).indexOf(code)
  const where = menu.levels[level].open === undefined ? 'item' : 'edit'
  const wanted = nameOf({ where, level, at })
  const seen = new Map<string, { readonly path: readonly KeyPress[]; readonly state: MenuState }>([
    [nameOf(from), { path: [], state: from }],
  ])
  const queue = [from]
  const presses = pressesOf(menu)
  for (let state = queue.shift(); state; state = queue.shift()) {
    const { path } = seen.get(nameOf(state))!
    if (nameOf(state) === wanted) return path
    for (const pressed of presses) {
      const next = press(menu, parameters, state, pressed)
      const name = nameOf(next)
      if (seen.has(name)) continue
      seen.set(name, { path: [...path, pressed], state: next })
      queue.push(next)
    }
  }
  return undefined
}

/** A path of keys as it is read out: `hold SET 5 s, turn to 42, NEXT ×3, SET`. */
export function keyPathText(menu: MenuFacts, path: readonly KeyPress[], level: string): string {
  const label = (keys: string) =>
    keys
      .split('+')
      .map((id) => menu.keys[id]?.label ?? id)
      .join(' and ')
  const steps: { say: string; times: number }[] = []
  for (const pressed of path) {
    const say =
      pressed === codePress || pressed.keys === 'code'
        ? `turn to ${menu.levels[level]?.code ?? ''}`
        : pressed.holdS
          ? `hold ${label(pressed.keys)} ${pressed.holdS} s`
          : label(pressed.keys)
    const last = steps.at(-1)
    if (last?.say === say) last.times++
    else steps.push({ say, times: 1 })
  }
  return steps.map(({ say, times }) => (times > 1 ? `${say} ×${times}` : say)).join(', ')
}
