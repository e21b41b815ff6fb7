import {
  build,
  capacity,
  designOutdoor,
  floorArea,
  insulation,
  loss,
  power,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import type { Question } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  target(),
  tolerance(),
  designOutdoor(),
  floorArea(),
  insulation,
  build,
  loss,
  capacity,
  power('Nameplate of what heats.'),
  ...siteQuestions,
]
