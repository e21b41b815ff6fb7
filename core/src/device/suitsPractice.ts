import { remembered, rememberedByWord } from '../memory/remembered'
import { type Practice, standardOf } from '../units/practice'
import type { DeviceProfile } from './deviceProfile'

/** Whether a device is found in a practice: a circuit of a voltage that it does not have is not. */
export const suitsPractice = ({ standard }: Pick<DeviceProfile, 'standard'>, practice: Practice): boolean =>
  standard === undefined || standard === standardOf[practice]

const shelves = remembered((shelf: readonly DeviceProfile[]) =>
  rememberedByWord((practice: Practice) => shelf.filter((profile) => suitsPractice(profile, practice))),
)

/** The devices of a shelf that are found in a practice. */
export const shelfOf = (shelf: readonly DeviceProfile[], practice: Practice): readonly DeviceProfile[] =>
  shelves(shelf)(practice)
