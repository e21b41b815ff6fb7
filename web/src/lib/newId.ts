import { v4 } from 'uuid'

/**
 * An id for whatever is made here. Browsers offer their own function for it over https and on the machine itself alone; over plain http in
 * a plant room's network there is only chance in bytes, which the package then makes it of.
 */
export const newId = (): string => v4()
