import type { Answers } from '../../kinds/answers'

/** How late a ready-made warmer at a built-in sensor passes a call on, s. */
const WARMER_S = 180

/** Dead time that the way of telling a plant to run on adds, s: that of a warmed sensor. */
export const warmerDeadS = ({ unit, override }: Answers): number =>
  unit === 'adapted' && override === 'warm' ? WARMER_S : 0
