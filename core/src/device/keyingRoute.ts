import type { ControllerFacts } from './deviceProfile'
import { keyPath, keyPathText } from './keyPath'
import { home, itemsOf, type KeyPress, type MenuState, press } from './menu'
import { display, type Held, type MenuMachine, pressKey, put, shownOf } from './menuMachine'

type Facts = Pick<ControllerFacts, 'display' | 'menu' | 'parameters'>

/** How one parameter is reached and left, from where the one before was left. */
export interface KeyingStep {
  readonly code: string
  /** Level that is entered here; left out where the menu stands in it already, and for what is set by hand. */
  readonly enters?: string
  /** Presses that lead to where the value can be changed. */
  readonly path: readonly KeyPress[]
  /** Presses after it shows what it should: it is kept, and at the end of a level the level is left. */
  readonly after: readonly KeyPress[]
  /** Read out: what to press to get there. */
  readonly keys: string
  /** Read out: what turns the value. */
  readonly turns: string
  readonly keeps: string
}

/** Codes that may only be keyed after others: a parameter that sets others back comes before them. */
function waitsFor(parameters: Facts['parameters'], codes: readonly string[]): ReadonlyMap<string, ReadonlySet<string>> {
  const waits = new Map(codes.map((code) => [code, new Set<string>()]))
  for (const code of codes)
    for (const other of Object.keys(parameters[code]?.resets ?? {})) if (other !== code) waits.get(other)?.add(code)
  return waits
}

/**
 * The order in which parameters are keyed: what sets others back comes before them, each level of the menu is gone into once where the
 * resets allow it, and within a level they follow one another as its keys walk them. What is set by hand comes first.
 */
export function keyingOrder(
  { parameters, menu }: Pick<Facts, 'parameters' | 'menu'>,
  codes: readonly string[],
): string[] {
  const waits = waitsFor(parameters, codes)
  const levelOf = (code: string) => {
    const level = parameters[code]?.menu
    return level !== undefined && menu?.levels[level] ? level : ''
  }
  const left = new Set(codes)
  const blockers = (code: string) => [...waits.get(code)!].filter((other) => left.has(other))
  const made: string[] = []
  let level: string | undefined
  let at = -1
  while (left.size > 0) {
    const open = [...left].filter((code) => blockers(code).length === 0)
    // Codes that set one another back have no sound order: the leaflet's is as good as any.
    const ready = open.length > 0 ? open : [...left]
    const whole = (each: string) =>
      [...left].every((code) => levelOf(code) !== each || blockers(code).every((other) => levelOf(other) === each))
    const here = level !== undefined && ready.some((code) => levelOf(code) === level)
    if (!here) {
      const levels = [...new Set(ready.map(levelOf))].sort((a, b) => rank(menu, a) - rank(menu, b))
      level = levels.find(whole) ?? levels[0]!
      at = -1
    }
    const items = menu && level !== '' ? itemsOf(parameters, level!) : Object.keys(parameters)
    const ahead = (code: string) => (items.indexOf(code) - at - 1 + items.length) % items.length
    const next = ready.filter((code) => levelOf(code) === level).sort((a, b) => ahead(a) - ahead(b))[0]!
    made.push(next)
    left.delete(next)
    at = items.indexOf(next)
  }
  return made
}

/** Hand first, then the levels from the last of the leaflet to the first: the installer's before the owner's. */
const rank = (menu: Facts['menu'], level: string) => (level === '' ? -1e9 : -(menu?.levels[level]?.order ?? 0))

/** The way through a controller's keys for parameters in this order, from the home display and back to it. */
export function keyingRoute(facts: Facts, codes: readonly string[]): KeyingStep[] {
  const { menu, parameters } = facts
  let at: MenuState = home
  return codes.map((code, i): KeyingStep => {
    const parameter = parameters[code]!
    const level = parameter.menu === undefined ? undefined : menu?.levels[parameter.menu]
    const path = menu && level ? keyPath(menu, parameters, code, at) : undefined
    if (!menu || !level || !path)
      return { code, path: [], after: [], keys: parameter.hand ?? 'by hand', turns: '', keeps: '' }
    const enters = at.where === 'home' || at.level !== parameter.menu
    const walk = (from: MenuState, pressed: readonly KeyPress[]) =>
      pressed.reduce((state, each) => press(menu, parameters, state, each), from)
    const next = codes[i + 1]
    const goesOn = next !== undefined && parameters[next]?.menu === parameter.menu
    const keep: KeyPress[] = level.keep === undefined ? [] : [{ keys: level.keep }]
    const after = [...keep, ...(goesOn ? [] : [level.leave])]
    at = walk(walk(at, path), after)
    const label = (keys: string) =>
      keys
        .split('+')
        .map((id) => menu.keys[id]?.label ?? id)
        .join(' and ')
    return {
      code,
      ...(enters ? { enters: level.title } : {}),
      path,
      after,
      keys: keyPathText(menu, path, parameter.menu!),
      turns: `${label(level.more)} or ${label(level.less)}`,
      keeps: keyPathText(menu, after, parameter.menu!),
    }
  })
}

/** More presses than any display has steps. */
const MOST_PRESSES = 20_000

/**
 * Presses a way through its keys on a machine: to each parameter, up or down until the display shows what it should, and on.
 * What is set by hand is put in as it is.
 * @param wanted text that each parameter is to show
 * @returns the machine at the end, and the codes whose display never showed what was asked
 */
export function replayRoute(
  facts: Facts,
  machine: MenuMachine,
  steps: readonly KeyingStep[],
  wanted: Readonly<Record<string, string>>,
): { readonly machine: MenuMachine; readonly missed: readonly string[] } {
  const missed: string[] = []
  let now = machine
  for (const { code, path, after } of steps) {
    const parameter = facts.parameters[code]!
    const level = parameter.menu === undefined ? undefined : facts.menu?.levels[parameter.menu]
    const target = wanted[code]!
    if (!level || path.length === 0) {
      const held = heldFor(facts, now, code, target)
      if (held === undefined) missed.push(code)
      else now = put(facts, now, code, held)
      continue
    }
    for (const each of path) now = pressKey(facts, now, each)
    const climbs = heldFor(facts, now, code, target)
    const present = now.editing ?? now.values[code]
    const up = typeof climbs !== 'number' || typeof present !== 'number' || climbs > present
    let shown = display(facts, now)
    for (let n = 0; shown !== target && n < MOST_PRESSES; n++) {
      now = pressKey(facts, now, { keys: up ? level.more : level.less })
      const next = display(facts, now)
      if (next === shown) break
      shown = next
    }
    if (shown !== target) missed.push(code)
    for (const each of after) now = pressKey(facts, now, each)
  }
  return { machine: now, missed }
}

/** What a parameter holds when its display shows a text: found for choices, read for numbers. */
function heldFor(facts: Facts, machine: MenuMachine, code: string, text: string): Held | undefined {
  const { shows, quantity } = facts.parameters[code]!
  if (!quantity) return Object.entries(shows ?? {}).find(([, shown]) => shown === text)?.[0]
  const clock = /^(\d\d):(\d\d)$/.exec(text)
  const value = clock ? Number(clock[1]) + Number(clock[2]) / 60 : Number(text.replace('\u2212', '-'))
  return shownOf(facts, machine, code, value) === text ? value : undefined
}
