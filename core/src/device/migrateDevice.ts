interface DeviceOne {
  readonly load?: unknown
  readonly practice?: unknown
}

/** A device as it is described now, from what an earlier program kept of it; what is no device, or no old one, as it is. */
export function migrateDevice<T>(device: T): T {
  if (typeof device !== 'object' || device === null) return device
  return ownMinimumOff(standard(device))
}

/** Its minimum off time that it keeps by itself, named as the trade does. */
function ownMinimumOff<T extends object>(device: T): T {
  const { load } = device as DeviceOne
  if (typeof load !== 'object' || load === null || !Object.hasOwn(load, 'timesOwnRest')) return device
  const { timesOwnRest, ...kept } = load as { readonly timesOwnRest: unknown }
  return { ...device, load: { ...kept, timesOwnMinimumOff: timesOwnRest } }
}

/** Whose wiring it is made for; it was called after the practice when there were two of them. */
function standard<T extends object>(device: T): T {
  if (!Object.hasOwn(device, 'practice')) return device
  const { practice, ...kept } = device as DeviceOne
  return { ...kept, standard: practice } as unknown as T
}
