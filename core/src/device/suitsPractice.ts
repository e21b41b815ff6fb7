import { type Practice, standardOf } from '../units/practice'
import type { DeviceProfile } from './deviceProfile'

/** Whether a device is found in a practice: a circuit of a voltage that it does not have is not. */
export const suitsPractice = ({ standard }: Pick<DeviceProfile, 'standard'>, practice: Practice): boolean =>
  standard === undefined || standard === standardOf[practice]
