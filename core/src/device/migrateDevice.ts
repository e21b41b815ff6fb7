interface DeviceOne {
  readonly load?: { readonly timesOwnRest?: unknown }
}

/** A device as it is described now, from what an earlier program kept of it; what is no device, or no old one, as it is. */
export function migrateDevice<T>(device: T): T {
  const { load } = (device ?? {}) as DeviceOne
  if (typeof load !== 'object' || load === null || !Object.hasOwn(load, 'timesOwnRest')) return device
  const { timesOwnRest, ...kept } = load
  return { ...device, load: { ...kept, timesOwnMinimumOff: timesOwnRest } }
}
