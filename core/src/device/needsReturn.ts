import type { DeviceProfile } from './deviceProfile'

/** Between two hots, V. */
const TWO_HOTS_V = 240

/** Whether a device is fed through a neutral or a common, whatever it is fed from; what may hang on two hots is not. */
export const needsReturn = ({ ports, standard }: Pick<DeviceProfile, 'ports' | 'standard'>): boolean =>
  Object.values(ports).some(
    (port) =>
      port.kind === 'supply-in' &&
      !(
        standard === 'us' &&
        Object.values(port.variants).some(({ lowV, highV }) => lowV <= TWO_HOTS_V && TWO_HOTS_V <= highV)
      ),
  )
