import type { LoopContext } from '../loop/context'
import type { ResolvedDevice } from '../document/chain'
import type { PermissiveFacts } from '../device/deviceProfile'

/** How each kind of permissive is opened by what it senses, without by-passing anything. */
const opened: Readonly<Record<Exclude<PermissiveFacts['senses'], 'frost'>, string>> = {
  flow: 'Stop the flow: pump off, or close the valve slowly',
  pressure: 'Take the pressure away as its leaflet says',
  door: 'Open the door',
  time: 'Turn the timer to off',
  hand: 'Switch it off',
  'air-flow': 'Stop the fan by its own switch, or pull the pressure tube off the switch, hands clear of the fan',
  co: 'Press its test button',
  level: 'Lift the float, or drain as its leaflet says',
  overload: 'Press its test key; nobody overloads the motor for it',
}

/** Under this plain ice water is no longer cold enough, °C: it stays at 0. */
const ICE_WATER_C = 1
/** So far under its dial a freeze thermostat has surely opened, K. */
const UNDER_K = 2

/** What opens a freeze thermostat at its dial: ice water over freezing, a salt or glycol bath under it. */
export function coldBath(dialC: number | undefined, { say }: LoopContext['words']): string {
  return dialC === undefined || dialC >= ICE_WATER_C
    ? 'ice water'
    : `a salt or glycol bath at ${say(dialC - UNDER_K, 'temperature', 0)}, its dial less ${say(UNDER_K, 'difference', 0)}`
}

/** How a permissive is opened by what it senses: one sentence without its full stop. */
export function openByCause(
  { facts, dialC, tag }: Pick<ResolvedDevice, 'facts' | 'dialC' | 'tag'>,
  words: LoopContext['words'],
): string {
  const { senses = 'hand', opensAtC, opensBy } = facts.permissive ?? {}
  if (opensBy !== undefined) return opensBy
  if (senses !== 'frost') return opened[senses]
  const at = dialC ?? opensAtC
  return at !== undefined && at < ICE_WATER_C
    ? `Hold the capillary of ${tag} in ${coldBath(at, words)}; or raise its dial over what it feels, on the temporary list, and put it back: this test ends the entry`
    : `Hold the capillary of ${tag} in ${coldBath(at, words)}, its head dry`
}
