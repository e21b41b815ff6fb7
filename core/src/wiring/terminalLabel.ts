import type { DeviceProfile } from '../device/deviceProfile'

/** What stands at a terminal; two that bear the same sign are told apart by their place. */
export function terminalLabel({ terminals }: Pick<DeviceProfile, 'terminals'>, terminal: string): string {
  const label = terminals[terminal]?.label
  if (label === undefined) return terminal
  const twice = Object.entries(terminals).some(([id, each]) => id !== terminal && each.label === label)
  return twice && label !== terminal ? `${label}${terminal}` : label
}
