import type { DeviceProfile } from '../device/deviceProfile'
import { shelfOf } from '../device/suitsPractice'
import type { Practice } from '../units/practice'

/**
 * What of a shelf may be laid across a contact: switches of one pole that a practice has, those moved by hand first. What parts
 * several poles (an isolator, an overload) parts a line; it is never laid across a contact.
 */
export const switchesAcross = (shelf: readonly DeviceProfile[], practice: Practice): readonly DeviceProfile[] =>
  shelfOf(shelf, practice)
    .filter(
      ({ permissive, category, ports }) =>
        category === 'permissive' &&
        permissive !== undefined &&
        Object.values(ports).some((port) => port.kind === 'contact' && port.second === undefined),
    )
    .sort((a, b) => byHand(b) - byHand(a))

const byHand = ({ permissive }: DeviceProfile) => Number(permissive?.senses === 'hand')
