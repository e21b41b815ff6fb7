import type { Answers } from '../kinds/answers'
import type { DeviceProfile } from './deviceProfile'

/**
 * The question whose answer a device does not go with: a cooling unit where compressed air was answered. Nothing where it goes with all
 * of them, or they were not answered.
 */
export const goesAgainst = ({ goesWith = {} }: Pick<DeviceProfile, 'goesWith'>, answers: Answers): string | undefined =>
  Object.entries(goesWith).find(([question, suits]) => {
    const answer = answers[question]
    return answer !== undefined && !Object.hasOwn(suits, String(answer))
  })?.[0]
