import type { ControllerFacts } from '../device/deviceProfile'
import { convert } from '../units/convert'
import type { UnitPreferences } from '../units/quantity'

/** The step in which a controller shows and is keyed in the unit of these preferences, K. */
export const displayStepK = (
  { display }: Pick<ControllerFacts, 'display'>,
  { temperatureUnit }: Pick<UnitPreferences, 'temperatureUnit'>,
): number => (temperatureUnit === 'F' ? convert(display.stepF, 'F', 'K', true) : display.stepC)
