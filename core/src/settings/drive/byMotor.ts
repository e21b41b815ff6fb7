import type { Parameter } from '../../device/deviceProfile'
import { driveBinds } from './binds'

/** Whether a parameter goes by the plate of the motor on a drive. */
export const byMotor = ({ binds }: Pick<Parameter, 'binds'>): boolean => binds !== undefined && binds in driveBinds
