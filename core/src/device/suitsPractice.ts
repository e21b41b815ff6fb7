import type { DeviceProfile } from './deviceProfile'

/** Whether a device is found in a practice: a circuit of a voltage that it does not have is not. */
export const suitsPractice = ({ practice }: Pick<DeviceProfile, 'practice'>, of: 'iec' | 'us'): boolean =>
  practice === undefined || practice === of
