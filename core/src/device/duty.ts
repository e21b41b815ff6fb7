import type { Category, Effect } from '../choices/deviceChoices'

/** A port, as far as what it does to the plant is told by its device. */
interface WorkingPort {
  readonly kind: string
  readonly does?: Effect
  readonly givesW?: number
  readonly load?: { readonly powerW: number }
}

interface WorkingDevice {
  readonly category: Category
  readonly ports: Readonly<Record<string, WorkingPort>>
}

/** Heat or cold that a port gives, W: as its device says; an element its electric power; 0 of what only moves air or water. */
export const givesOf = ({ kind, does, givesW, load }: WorkingPort): number =>
  givesW ?? (kind === 'load' && does === 'element' ? (load?.powerW ?? 0) : 0)

/** Heat or cold that a device gives by what it does, W. One that can be called in two ways gives it once. */
export function dutyOf({ category, ports }: WorkingDevice, effects: readonly Effect[]): number {
  const each = Object.values(ports)
  const given = each.flatMap((port) => (port.does && effects.includes(port.does) ? [givesOf(port)] : []))
  const calls = each.filter(({ kind }) => kind === 'contact-in' || kind === 'signal-in').length
  return calls > 0 && category === 'load' && given.length > calls
    ? Math.max(...given)
    : given.reduce((sum, w) => sum + w, 0)
}
